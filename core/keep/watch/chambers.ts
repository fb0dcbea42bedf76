import { group } from 'd3-array'
import type { Odd } from './odd'
import type { Kept } from '../keep'
import { dayNumber, isoDate } from '../../climate'
import { graphOf, type Site } from '../../site'
import type { LogReading } from '../../kinds'

/** So full is not empty; so many days after the last rain it should be; so much rain fills it. */
const [STANDS_SHARE, EMPTY_DAYS, FILLS_MM] = [0.1, 1, 1]
/** Of the last so many readings a day and more after rain. */
const LOOKED = 3

/** True where water that was read in a chamber stood there a day and more after rain. */
export function stood(log: readonly LogReading[], { at, value = 0 }: LogReading, heightM: number): boolean {
  if (value <= STANDS_SHARE * heightM) return false
  const day = dayNumber(at)
  return !log.some(
    ({ kind, value: mm = 0, at: rain }) =>
      kind === 'rain' && mm >= FILLS_MM && dayNumber(rain) <= day && dayNumber(rain) > day - EMPTY_DAYS - 1,
  )
}

/** Chambers that do not empty between rains: the next one goes in dirty. */
export function chambersStanding(site: Site, log: readonly LogReading[], { onDay }: Kept): Odd[] {
  const looked = log.filter(({ kind, at }) => kind === 'standing' && dayNumber(at) <= onDay)
  return [...group(looked, ({ subject }) => subject)].flatMap(([id, of]): Odd[] => {
    const node = id === undefined ? undefined : graphOf(site).node(id)
    if (node?.kind !== 'chamber') return []
    const last = of.sort((a, b) => (a.at < b.at ? -1 : 1)).slice(-LOOKED)
    const standing = last.filter(each => stood(log, each, node.heightM))
    // The newest decides: once it was found empty again, it is mended.
    if (!standing.length || standing.at(-1) !== last.at(-1)) return []
    const share = Math.min(1, last.at(-1)!.value! / node.heightM)
    return [
      {
        kind: 'chamber',
        subject: node.id,
        what:
          `${node.name} stands ${Math.round(100 * share)} % full a day and more after rain: its outlet is clogged, ` +
          'and the next rain goes in dirty',
        probability: standing.length > 1 ? 0.9 : 0.65,
        litresPerDay: 0,
        since: isoDate(dayNumber(standing[0]!.at)),
        reads: { [`chamber:${node.id}`]: share },
      },
    ]
  })
}
