import type { InjectionKey } from 'vue'
import { useDevices } from './devices/devices'
import { dayToday } from '~/fields/days'
import { turns } from '~/workers/pageTurns'
import { keepFace } from '~/workers/keepFace'
import { useSite } from '~/stores/site'
import { useWorkerAnswer } from '~/stores/useWorkerAnswer'

/** What the log says today: asked again whenever the plan or the log has changed. */
function askKeep() {
  const store = useSite()
  const devices = useDevices()
  const asked = useWorkerAnswer(
    () => [store.logRevision, devices.promised],
    async () => {
      const { log = [], ...light } = toRaw(store.site!)
      const { logRevision } = store
      const said = await turns.inTurn('years', () => keepFace().today(light, log, dayToday(), toRaw(devices.promised)))
      return { ...said, logRevision }
    },
  )
  /** False while something was logged that is not in it yet. */
  const current = computed(() => asked.fresh.value && asked.answer.value?.logRevision === store.logRevision)
  return { today: asked.answer, current, failure: asked.failure, again: asked.again }
}

const KEY: InjectionKey<ReturnType<typeof askKeep>> = Symbol('keep')
/** Asked once for all notes of the step. */
export function provideKeep(): ReturnType<typeof askKeep> {
  const asked = askKeep()
  provide(KEY, asked)
  return asked
}
export const useKeep = (): ReturnType<typeof askKeep> => inject(KEY)!
