import { WAITING, type StepDefinition } from '~/steps/step'

const told = shallowRef<typeof import('./describe')>()
function loaded(): typeof told.value {
  if (!told.value) void import('./describe').then(module => (told.value = module))
  return told.value
}

export const tryStep: StepDefinition = {
  id: 'try',
  name: 'Try',
  sheet: defineAsyncComponent(() => import('./TrySheet.vue')),
  started: site => site.runs.length > 0,
  subjects: context => loaded()?.subjects(context) ?? [],
  figures: context =>
    loaded()?.figures(context) ??
    ['Weakest tap now', 'Pump starts this hour', 'In all tanks', 'Taken since it began'].map(name => ({
      name,
      value: WAITING,
      note: '',
      early: true,
    })),
  caution:
    'A plant that is played is not the one in the yard: blows in the pipes are left out, and every valve is taken to do ' +
    'what its kind does.',
}
