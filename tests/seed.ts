import fc from 'fast-check'

// One seed for every run, so that green stays green; FC_SEED=random hunts for new counterexamples.
if (process.env.FC_SEED !== 'random') fc.configureGlobal({ seed: Number(process.env.FC_SEED ?? 20261124) })
