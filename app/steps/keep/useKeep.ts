import type { InjectionKey } from 'vue'
import { useDevices } from './devices/devices'
import { dayToday } from '~/fields/days'
import { turns } from '~/workers/pageTurns'
import { askKeeper } from '~/workers/keepFace'
import { useSite } from '~/stores/site'
import { useWorkerAnswer } from '~/stores/useWorkerAnswer'

/** What the log says today: asked again whenever the plan or the log has changed. */
function askKeep() {
  const store = useSite()
  const devices = useDevices()
  const asked = useWorkerAnswer(
    () => [store.logRevision, devices.promised],
    async () => {
      const { logRevision } = store
      const site = toRaw(store.site!)
      const promised = toRaw(devices.promised)
      const said = await turns.inTurn('years', () =>
        askKeeper(site, (face, light) => face.today(light, dayToday(), promised)),
      )
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
