import type { InjectionKey } from 'vue'
import { useDevices } from './devices/devices'
import { dayToday } from '~/fields/days'
import { useAnswer } from '~/stores/useAnswer'

/** What the log says today: asked again whenever the plan or the log has changed. */
function askKeep() {
  const devices = useDevices()
  const { answer, fresh, failure, again } = useAnswer('today', () => ({
    on: dayToday(),
    promised: [...devices.promised],
  }))
  /** `current` is false while something was logged that is not in it yet. */
  return { today: answer, current: fresh, failure, again }
}

const KEY: InjectionKey<ReturnType<typeof askKeep>> = Symbol('keep')
/** Asked once for all notes of the step. */
export function provideKeep(): ReturnType<typeof askKeep> {
  const asked = askKeep()
  provide(KEY, asked)
  return asked
}
export const useKeep = (): ReturnType<typeof askKeep> => inject(KEY)!
