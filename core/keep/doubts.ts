import { group } from 'd3-array'
import { tankOfLevel } from './learn/observed'
import type { Kept } from './keep'
import { dayNumber } from '../climate'
import { rimM, type Site } from '../site'
import type { LogReading } from '../kinds'

/** Readings that are not believed, each with why; nothing of them is thrown away. */
export type Doubts = ReadonlyMap<string, string>

/** A level so far above a rim is a slip, m; more rain than falls in a day, mm; a device that tells one level so often. */
const [OVER_RIM_M, UNDER_FLOOR_M, MOST_RAIN_MM, STUCK_TIMES, STUCK_DAYS] = [0.15, 0.1, 600, 8, 5]
/** The same level, to the millimetre. */
const SAME_M = 0.0005

/** What is doubted by itself: before anything is learned from it. */
export function plainDoubts(site: Site, log: readonly LogReading[], on: string): Doubts {
  const doubts = new Map<string, string>()
  const seen = new Set<string>()
  const inOrder = [...log].sort((a, b) => (a.at < b.at ? -1 : a.at > b.at ? 1 : a.id < b.id ? -1 : 1))
  for (const { id, at, kind, subject, value, source } of inOrder) {
    if (dayNumber(at) > dayNumber(on))
      doubts.set(id, `it is of ${at.slice(0, 10)}, which is still to come: a clock is wrong`)
    else if (kind === 'rain' && value !== undefined && value > MOST_RAIN_MM)
      doubts.set(id, 'so much rain has hardly ever fallen in a day: the unit may be another')
    else if (kind === 'level' && value !== undefined) {
      const tank = tankOfLevel(site, subject)
      const highM = tank ? rimM(tank) - tank.baseM : Infinity
      if (value > highM + OVER_RIM_M)
        doubts.set(
          id,
          value / 100 <= highM ? 'it lies above the rim: the unit may be centimetres' : 'it lies above the rim',
        )
      else if (value < -UNDER_FLOOR_M) doubts.set(id, 'it lies below the floor')
    }
    if (source === undefined) continue
    const key = [source, at, kind, subject, value].join('|')
    if (seen.has(key)) doubts.set(id, 'it was told twice')
    seen.add(key)
  }
  for (const of of group(
    inOrder.filter(({ id, kind, source }) => kind === 'level' && source !== undefined && !doubts.has(id)),
    ({ source, subject }) => `${source} ${subject}`,
  ).values())
    for (const id of stuck(of)) doubts.set(id, 'the device tells the same level over and over: it may be stuck')
  return doubts
}

/** A device's readings from the moment on from which they never change, where that is long. */
function stuck(of: readonly LogReading[]): string[] {
  const found: string[] = []
  for (let from = 0; from < of.length;) {
    let to = from + 1
    while (to < of.length && Math.abs(of[to]!.value! - of[from]!.value!) < SAME_M) to++
    const days = dayNumber(of[to - 1]!.at) - dayNumber(of[from]!.at)
    if (to - from >= STUCK_TIMES && days >= STUCK_DAYS) found.push(...of.slice(from + 1, to).map(({ id }) => id))
    from = to
  }
  return found
}

/** Off by more standard deviations than this from what came before it is doubted, where what came after bears that out. */
const FAR_SDS = 5

/** What is doubted against what was expected: a leap that the next reading takes back. */
export function expectedDoubts({ observed, learned }: Kept): Doubts {
  const { missedL, varianceL2 } = learned.followed
  const doubts = new Map<string, string>()
  for (const [pool, all] of group(
    observed.map((each, at) => ({ each, at })),
    ({ each }) => each.pool,
  )) {
    void pool
    all.forEach(({ each, at }, index) => {
      const sds = missedL[at]! / Math.sqrt(varianceL2[at]!)
      const [before, next] = [all[index - 1]?.each, all[index + 1]?.each]
      if (!before || !next || Math.abs(sds) < FAR_SDS) return
      const there = each.litres - before.litres
      const back = next.litres - each.litres
      if (there * back < 0 && Math.abs(back) > 0.5 * Math.abs(there))
        doubts.set(each.id, 'it leaps, and the next one takes that back')
    })
  }
  return doubts
}
