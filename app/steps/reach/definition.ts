import { WAITING, type StepDefinition } from '~/steps/step'

/** What lines do is worked out by what is loaded when somebody first comes to this step. */
const told = shallowRef<typeof import('./describe')>()
function loaded(): typeof told.value {
  if (!told.value) void import('./describe').then(module => (told.value = module))
  return told.value
}

export const reach: StepDefinition = {
  id: 'reach',
  name: 'Reach',
  sheet: defineAsyncComponent(() => import('./ReachSheet.vue')),
  started: site => site.runs.length > 0,
  subjects: context => loaded()?.subjects(context) ?? [],
  figures: context =>
    loaded()?.figures(context) ??
    ['Flow in this line', 'Least pressure in it', 'Ways water can go wrong', 'Lost if it breaks'].map(name => ({
      name,
      value: WAITING,
      note: '',
      early: true,
    })),
  partByPart: true,
  caution:
    'Water that runs back into a public main can harm a street: what parts them is for the water company, the local ' +
    'code and a licensed trade to decide.',
}
