import { proxy } from 'comlink'
import { useSite } from '~/stores/site'
import { plantThread } from '~/engine/plants'
import type { Taken } from '#core/plant'

/** One thread that weighs what may be broken, apart from the plant that is played. */
const thread = plantThread('weighed')

/** What may be the matter with the open site; `progress` while every cause is played through. */
export function useCauses() {
  const store = useSite()
  const progress = ref<number>()
  const failure = ref<string>()
  const tell = proxy((share: number) => void (progress.value = share))
  const key = () => `${store.site!.id} ${store.revision}`
  async function asked<Answer>(question: () => Promise<Answer>): Promise<Answer | undefined> {
    progress.value = 0
    failure.value = undefined
    try {
      return await question()
    } catch (error) {
      failure.value = wordsOf(error)
      return undefined
    } finally {
      progress.value = undefined
    }
  }
  const wordsOf = (error: unknown) => (error instanceof Error ? error.message : 'The search stopped.')
  const light = () => thread.light(store.site!)
  return {
    progress,
    failure,
    diagnose: (taken: Taken) => asked(() => thread.ask(plants => plants.diagnose(light(), key(), taken, tell))),
    whole: () => asked(() => thread.ask(plants => plants.whole(light()))),
    hide: () => asked(() => thread.ask(plants => plants.hide(light(), key()))),
    /** A reading of what is hidden; nothing where it could not be taken, and `failure` says why. */
    async read(id: string, turned?: { part: string; open: boolean }): Promise<number | undefined> {
      failure.value = undefined
      try {
        return await thread.ask(plants =>
          turned ? plants.readTurned(light(), id, turned.part, turned.open) : plants.read(id),
        )
      } catch (error) {
        failure.value = wordsOf(error)
        return undefined
      }
    },
    reveal: () => asked(() => thread.ask(plants => plants.reveal())),
    way: () => asked(() => thread.ask(plants => plants.way(light(), tell))),
    stop: () => {
      thread.stop()
      progress.value = undefined
    },
  }
}
