import type { Coming } from '~/engine/logs'
import { useSite } from '~/stores/site'
import { counted } from '#core/words'
import { moveOf } from '#core/moves'
import type { LogReading } from '#core/kinds'

let times = 0
/** So many lines are one step: what is longer would be long to write down. */
const LINES_A_STEP = 1000

/**
 * Writes lines into the log of the open site as they come from a thread, a few at a time: as one step where they are
 * few, else a thousand a step, so that no step is long to write down. What is open meanwhile may be another site: then
 * the rest is dropped.
 * @param from what they come from, for the undo list
 */
export function useLogging(from: string, progress?: (share: number) => void) {
  const store = useSite()
  const { id } = store.site!
  const time = times++
  let count = 0
  let problem: string | undefined
  const coming: Coming = {
    lines(readings: LogReading[]) {
      if (store.site?.id !== id || problem) return
      const part = Math.floor(count / LINES_A_STEP)
      count += readings.length
      const label = `${counted(readings.length, 'line')} from ${from}${part ? `, part ${part + 1}` : ''}`
      problem = store.makeAll([moveOf('logReadings', { readings })], label, `log-${time}-${part}`)
    },
    ...(progress ? { progress } : {}),
  }
  return { coming, told: () => ({ count, problem }) }
}
