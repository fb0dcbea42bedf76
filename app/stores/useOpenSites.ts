import { isKept, useKeeper, type Keeper } from './keeper'
import { wrongWith } from './wrongWith'
import { openShelf } from '~/db/openShelf'
import type { Holding } from '~/db/shelf'
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
  const here = shallowRef<Keeper>()
  const left = shallowRef<readonly Keeper[]>([])
  const notOpened = shallowRef<NotOpened>()
  const holding = ref<Holding>('disk')
  void openShelf().then(shelf => shelf.watchHolding(where => (holding.value = where)))

  async function open(id: string): Promise<void> {
    await leave()
    notOpened.value = undefined
    const back = left.value.find(keeper => keeper.id === id)
    if (back) {
      left.value = left.value.filter(keeper => keeper !== back)
      here.value = back
      return taken()
    }
    const shelf = await openShelf()
    try {
      const whole = await shelf.whole(id)
      const problems = whole && (await wrongWith(whole.stored.site))
      if (!whole) notOpened.value = { because: 'missing' }
      else if (problems?.length) notOpened.value = { because: 'unsound', problems, site: whole.stored.site }
      else {
        const keeper = useKeeper(shelf, whole, () => here.value === keeper && taken())
        here.value = keeper
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
  function letGo(keeper: Keeper): void {
    keeper.end()
    left.value = left.value.filter(each => each !== keeper)
  }
  // What has been kept meanwhile need not be held any longer.
  watchEffect(() => left.value.filter(isKept).forEach(letGo))

  return { here, left, notOpened, holding, open, leave, letGo }
}
