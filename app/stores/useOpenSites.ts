import { isKept, useAutosave, type Autosave } from './autosave'
import { wrongWith } from './wrongWith'
import { openRepository } from '~/db/openRepository'
import type { Holding } from '~/db/repository'
import type { Problem } from '#core/answers'
import type { Site } from '#core/site'

/** Why a site was not opened: there is none, or it cannot be worked with; then what lies there can leave as a file. */
export type NotOpened = { because: 'missing' } | { because: 'unsound'; problems: Problem[]; site: Site | undefined }

/**
 * The sites that this page has open: the one that is worked on, and those that were left before all of them was kept.
 * These stay whole in memory until they are kept or let go. `taken` is told whenever a history is shown that was not
 * made here.
 */
export function useOpenSites(taken: () => void) {
  const here = shallowRef<Autosave>()
  const left = shallowRef<readonly Autosave[]>([])
  const notOpened = shallowRef<NotOpened>()
  const holding = ref<Holding>('disk')
  void openRepository().then(repository => repository.watchHolding(where => (holding.value = where)))

  async function open(id: string): Promise<void> {
    await leave()
    notOpened.value = undefined
    const back = left.value.find(autosave => autosave.id === id)
    if (back) {
      left.value = left.value.filter(autosave => autosave !== back)
      here.value = back
      return taken()
    }
    const repository = await openRepository()
    try {
      const whole = await repository.whole(id)
      const problems = whole && (await wrongWith(whole.stored.site))
      if (!whole) notOpened.value = { because: 'missing' }
      else if (problems?.length) notOpened.value = { because: 'unsound', problems, site: whole.stored.site }
      else {
        const autosave = useAutosave(repository, whole, () => here.value === autosave && taken())
        here.value = autosave
        taken()
      }
    } catch (error) {
      const sentence = `It cannot be read from the disk: ${error instanceof Error ? error.message : String(error)}.`
      notOpened.value = { because: 'unsound', problems: [{ path: '', sentence }], site: undefined }
    }
  }

  /** Leaves the site that is worked on, once what can be written is written; what could not stays open in memory. */
  async function leave(): Promise<void> {
    const leaving = here.value
    if (!leaving) return
    await leaving.flush()
    if (here.value !== leaving) return
    here.value = undefined
    taken()
    if (isKept(leaving)) leaving.end()
    else left.value = [...left.value, leaving]
  }

  /** Closes a site that was left, whatever of it was not kept: its owner says so. */
  function letGo(autosave: Autosave): void {
    autosave.end()
    left.value = left.value.filter(each => each !== autosave)
  }
  // What has been kept meanwhile need not be held any longer.
  watchEffect(() => left.value.filter(isKept).forEach(letGo))

  return { here, left, notOpened, holding, open, leave, letGo }
}
