import { WAITING, type StepDefinition } from '~/steps/step'

/** What the taps pass is worked out by what is loaded when somebody first comes to this step. */
const told = shallowRef<typeof import('./describe')>()
function loaded(): typeof told.value {
  if (!told.value) void import('./describe').then(module => (told.value = module))
  return told.value
}

export const lift: StepDefinition = {
  id: 'lift',
  name: 'Lift',
  grade: true,
  sheet: defineAsyncComponent(() => import('./LiftSheet.vue')),
  started: site => site.nodes.some(({ kind }) => kind === 'tap'),
  subjects: context => loaded()?.subjects(context) ?? [],
  figures: context =>
    loaded()?.figures(context) ??
    ['Weakest tap', 'All that run at once', 'Fastest water', 'Most height lost'].map(name => ({
      name,
      value: WAITING,
      note: '',
      early: true,
    })),
  caution:
    'Electricity and water kill: a protected outlet, nothing open, and who may connect it is for the local code and ' +
    'a licensed trade to decide.',
}
