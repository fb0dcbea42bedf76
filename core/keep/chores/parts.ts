import { ELECTRIC, months, type Chore } from './chore'
import { runName, type Run, type Site } from '../../site'
import { TREATMENT_MONTHS } from '../../catalog'
import type { Part, PartKind, PartOf } from '../../kinds'

type Told = Omit<Chore, 'id' | 'subject'>
/** What each kind of part asks for, by its line; nothing where it only wants to be left alone. */
const PART_CHORES: { [Kind in PartKind]: ((line: string, part: PartOf<Kind>) => Told) | undefined } = {
  pipe: undefined,
  valve: undefined,
  check: line => ({
    what: `Try the check valve in ${line}`,
    why: 'One that passes lets water run back the wrong way.',
    tools: ['gauge'],
    minutes: [10, 20],
    done: 'With the pump off and taps shut, pressure stands for a quarter of an hour.',
    skipping: 'The tank empties into the well, or the main fills the tank.',
    comes: months(12),
  }),
  float: line => ({
    what: `Lift the float valve of ${line}, and see it shut`,
    why: 'One that does not shut overflows the tank through the night.',
    tools: [],
    minutes: [5, 10],
    done: 'Lifted, nothing runs; let go, it runs.',
    skipping: 'The main’s or the pump’s water goes out of the overflow.',
    comes: months(6),
  }),
  screen: line => ({
    what: `Clean the screen in ${line}`,
    why: 'A screen that is shut by leaves sends the rain past the tank.',
    tools: ['brush'],
    minutes: [5, 10],
    done: 'Water runs through it and not over it.',
    skipping: 'A wet month goes to ground.',
    comes: { by: 'storm', months: 1, words: 'and after a storm' },
  }),
  filter: (line, { medium }) => ({
    what: `Change the cartridge in ${line}`,
    why: 'What it holds back closes it; carbon that is spent lets taste and more through.',
    tools: ['filter spanner', 'cartridge'],
    minutes: [15, 30],
    done: 'Pressure behind it is back, and the first water has run away.',
    skipping: 'Taps grow weak, and what it held comes through in one go.',
    comes: {
      by: 'reading',
      months: TREATMENT_MONTHS[medium],
      words: 'sooner by its drop of pressure',
      when: 'drop',
    },
  }),
  lamp: line => ({
    what: `Change the lamp in ${line}, and wipe its sleeve of quartz`,
    why: 'It shines long after it has stopped killing what it should.',
    tools: ['lamp', 'gloves', 'vinegar'],
    minutes: [20, 40],
    caution: 'Off at the plug, and never look into it. Gloves: fingers leave marks that it burns in.',
    done: 'Its counter is set back, its sleeve clear.',
    skipping: 'The water is as it was before the lamp, and nobody sees it.',
    comes: months(TREATMENT_MONTHS.lamp),
  }),
  pump: line => ({
    what: `Listen to the pump in ${line}: time a bucket, look at its cord and strainer`,
    why: 'A worn pump gives less for years before it stops.',
    tools: ['bucket', 'watch'],
    minutes: [10, 30],
    caution: ELECTRIC,
    done: 'What it gives in a minute stands in the log.',
    skipping: 'It stops on the hottest day.',
    comes: months(12),
  }),
  union: undefined,
  reducer: undefined,
  flexible: undefined,
  meter: undefined,
  regulator: line => ({
    what: `Read the gauge behind the pressure regulator in ${line}, and clean its strainer`,
    why: 'Grit under its seat lets the full pressure through while all taps are shut.',
    tools: ['gauge', 'spanner'],
    minutes: [10, 20],
    done: 'With all taps shut the gauge stands still at what it is set to.',
    skipping: 'Hoses and cisterns stand under what it was to keep from them.',
    comes: months(12),
  }),
  relief: line => ({
    what: `Lift the relief valve in ${line}`,
    why: 'One that is stuck is no relief.',
    tools: ['bucket'],
    minutes: [5, 10],
    done: 'It runs, and shuts tight again.',
    skipping: 'A switch that fails bursts the weakest part.',
    comes: months(12),
  }),
}

/** What a part in a line asks for. */
export function partChores(site: Site, run: Run, part: Part): Chore[] {
  const chore = PART_CHORES[part.kind] as ((line: string, part: Part) => Told) | undefined
  const told = chore?.(`“${runName(site, run)}”`, part)
  return told ? [{ id: `${part.kind}:${part.id}`, subject: run.id, ...told }] : []
}
