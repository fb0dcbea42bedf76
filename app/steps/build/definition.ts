import { WAITING, type StepDefinition } from '~/steps/step'
import { isToBeFilled } from '#core/build/filled'
import type { Site } from '#core/site'

/** What is taken off a plan is worked out by what is loaded when somebody first comes to this step. */
const told = shallowRef<typeof import('./describe')>()
function loaded(): typeof told.value {
  if (!told.value) void import('./describe').then(module => (told.value = module))
  return told.value
}

/** Something was bought, marked, measured or done. */
const hasBegun = ({ build }: Site): boolean =>
  Object.values(build ?? {}).some(kept => Array.isArray(kept) && kept.length > 0)

export const build: StepDefinition = {
  id: 'build',
  name: 'Build',
  sheet: defineAsyncComponent(() => import('./BuildSheet.vue')),
  started: site => hasBegun(site),
  isOpen: isToBeFilled,
  subjects: context => loaded()?.subjects(context) ?? [],
  figures: context =>
    loaded()?.figures(context) ??
    ['Still to buy', 'Pipe', 'Work left', 'Gate: before the first rain'].map(name => ({
      name,
      value: WAITING,
      note: '',
      early: true,
    })),
  caution:
    'Trenches, ladders, lifting, fumes and electricity hurt people: work in pairs, and leave to licensed trades what the ' +
    'local code leaves to them.',
}
