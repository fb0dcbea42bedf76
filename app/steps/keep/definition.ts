import { dayToday } from '~/fields/days'
import type { StepDefinition } from '~/steps/step'

/** What is due is worked out by what is loaded when somebody first comes to this step. */
const told = shallowRef<typeof import('./describe')>()
function loaded(): typeof told.value {
  if (!told.value) void import('./describe').then(module => (told.value = module))
  return told.value
}

export const keep: StepDefinition = {
  id: 'keep',
  name: 'Keep',
  sheet: defineAsyncComponent(() => import('./KeepSheet.vue')),
  started: site => (site.log?.length ?? 0) > 0,
  subjects: context => loaded()?.subjects(context, dayToday()) ?? [],
  figures: context => loaded()?.figures(context, dayToday()) ?? [],
  caution:
    'Nobody climbs into a tank, and nobody onto a roof alone. Electricity and drinking water are for who is licensed; ' +
    'the local code decides.',
  sheetFirst: true,
}
