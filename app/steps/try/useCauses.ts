import { proxy } from 'comlink'
import { useSite } from '~/stores/site'
import { plantFace } from '~/workers/plantFace'
import type { Taken } from '#core/plant'

/** One thread that weighs what may be broken, apart from the plant that is played. */
const face = plantFace()

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
  const light = () => face.light(store.site!)
  return {
    progress,
    failure,
    diagnose: (taken: Taken) => asked(() => face.ask().diagnose(light(), key(), taken, tell)),
    whole: () => asked(() => face.ask().whole(light())),
    hide: () => asked(() => face.ask().hide(light(), key())),
    /** A reading of what is hidden; nothing where it could not be taken, and `failure` says why. */
    async read(id: string, turned?: { part: string; open: boolean }): Promise<number | undefined> {
      failure.value = undefined
      try {
        return await (turned ? face.ask().readTurned(light(), id, turned.part, turned.open) : face.ask().read(id))
      } catch (error) {
        failure.value = wordsOf(error)
        return undefined
      }
    },
    reveal: () => asked(() => face.ask().reveal()),
    way: () => asked(() => face.ask().way(light(), tell)),
    stop: () => {
      face.stop()
      progress.value = undefined
    },
  }
}
