import { group, max, median } from 'd3-array'
import { tankOfLevel } from './learn/observed'
import type { Kept } from './keep'
import { dayNumber, weatherSeries } from '../climate'
import { rimM, type Site } from '../site'
import type { LogReading, ReadingKind } from '../kinds'

/** Readings that are not believed, each with why; nothing of them is thrown away. */
export type Doubts = ReadonlyMap<string, string>

/** A level so far above a rim is a slip, m; more rain than falls in a day, mm. */
const [OVER_RIM_M, UNDER_FLOOR_M, MOST_RAIN_MM] = [0.15, 0.1, 600]
/** A gauge that tells so many times the wettest day that is known here tells another unit. */
const WETTEST_TIMES = 2
/** Nobody had such a device before; a clock that has lost its time begins there. */
const CLOCKS_BEGIN = '2001'

/** What is doubted by itself: before anything is learned from it. */
export function plainDoubts(site: Site, log: readonly LogReading[], on: string): Doubts {
  const doubts = new Map<string, string>()
  const inOrder = [...log].sort((a, b) => (a.at < b.at ? -1 : a.at > b.at ? 1 : a.id < b.id ? -1 : 1))
  for (const reading of inOrder) {
    const why = doubtOf(site, reading, on)
    if (why) doubts.set(reading.id, why)
  }
  const told = inOrder.filter(({ id, source }) => source !== undefined && !doubts.has(id))
  for (const [id, why] of [...toldTwice(told), ...fromDevices(told)]) if (!doubts.has(id)) doubts.set(id, why)
  return doubts
}

/** Why a line cannot be, whatever else the log holds. */
function doubtOf(site: Site, { at, kind, subject, value, source }: LogReading, on: string): string | undefined {
  if (dayNumber(at) > dayNumber(on)) return `it is of ${at.slice(0, 10)}, which is still to come: a clock is wrong`
  if (source !== undefined && at < CLOCKS_BEGIN) return 'its clock has begun anew: nobody knows of when it is'
  if (value === undefined) return undefined
  if (kind === 'rain') {
    if (value > MOST_RAIN_MM) return 'so much rain has hardly ever fallen in a day: the unit may be another'
    if (source !== undefined && value > WETTEST_TIMES * wettestMm(site))
      return 'it is more than twice the wettest day that is known here: the unit may be another'
  }
  if (kind !== 'level') return undefined
  const tank = tankOfLevel(site, subject)
  const highM = tank ? rimM(tank) - tank.baseM : Infinity
  if (value > highM + OVER_RIM_M)
    return value / 100 <= highM ? 'it lies above the rim: the unit may be centimetres' : 'it lies above the rim'
  return value < -UNDER_FLOOR_M ? 'it lies below the floor' : undefined
}
const wettestMm = (site: Site): number => max(weatherSeries(site).rainMm) ?? MOST_RAIN_MM

function* toldTwice(told: readonly LogReading[]): Generator<[id: string, why: string]> {
  const seen = new Set<string>()
  for (const { id, at, kind, subject, value, source } of told) {
    const key = [source, at, kind, subject, value].join('|')
    if (seen.has(key)) yield [id, 'it was told twice']
    seen.add(key)
  }
}

/** What a device is doubted for by what else it told: each kind in the order of its moments. */
const DEVICE_DOUBTS: Partial<Record<ReadingKind, ((of: readonly LogReading[]) => Iterable<[string, string]>)[]>> = {
  level: [of => stuck(of, 8, 5), spikes],
  rain: [of => stuck(of.filter(wet), 4, 3, of)],
  starts: [of => stuck(of.filter(wet), 6, 5, of)],
  meter: [backwards],
}
function wet({ value = 0 }: LogReading): boolean {
  return value > 0
}

function* fromDevices(told: readonly LogReading[]): Generator<[id: string, why: string]> {
  const by = group(
    told.filter(({ value }) => value !== undefined),
    ({ source, kind, subject }) => `${source} ${kind} ${subject}`,
  )
  for (const of of by.values()) for (const look of DEVICE_DOUBTS[of[0]!.kind] ?? []) yield* look(of)
}

/** The same figure, to the thousandth. */
const SAME = 0.0005
/** The same figure so often, over so many days: all of them but the first; `among` tells what was in between. */
function* stuck(
  of: readonly LogReading[],
  times: number,
  days: number,
  among: readonly LogReading[] = of,
): Generator<[string, string]> {
  const placeOf = new Map(among.map(({ id }, place) => [id, place]))
  const follows = (one: LogReading, next: LogReading) =>
    placeOf.get(next.id)! - placeOf.get(one.id)! === 1 && Math.abs(next.value! - one.value!) < SAME
  for (let from = 0; from < of.length;) {
    let to = from + 1
    while (to < of.length && follows(of[to - 1]!, of[to]!)) to++
    if (to - from >= times && dayNumber(of[to - 1]!.at) - dayNumber(of[from]!.at) >= days)
      for (const { id } of of.slice(from + 1, to))
        yield [id, 'the device tells the same over and over: it may be stuck']
    from = to
  }
}

/** A level that leaps off its neighbours by so much, m, where those before and after agree to a part of it. */
const [LEAP_M, AGREE_SHARE, AROUND] = [0.12, 0.5, 2]
function* spikes(of: readonly LogReading[]): Generator<[string, string]> {
  for (let at = 1; at < of.length - 1; at++) {
    const before = of.slice(Math.max(0, at - AROUND), at).map(({ value }) => value!)
    const after = of.slice(at + 1, at + 1 + AROUND).map(({ value }) => value!)
    const leapM = Math.abs(of[at]!.value! - median([...before, ...after])!)
    const apartM = Math.abs(median(before)! - median(after)!)
    if (leapM > LEAP_M && apartM < AGREE_SHARE * leapM)
      yield [of[at]!.id, 'it leaps off what the device told before and after']
  }
}

/** A meter that tells less than before. */
function* backwards(of: readonly LogReading[]): Generator<[string, string]> {
  for (let at = 1; at < of.length; at++)
    if (of[at]!.value! < of[at - 1]!.value! - SAME)
      yield [of[at]!.id, 'a meter does not run back: another meter, another unit, or a slip']
}

/** Off by more standard deviations than this from what came before it is doubted, where what came after bears that out. */
const FAR_SDS = 5

/** What is doubted against what was expected: a leap that the next reading takes back. */
export function expectedDoubts({ observed, learned }: Kept): Doubts {
  const { missedL, varianceL2 } = learned.followed
  const doubts = new Map<string, string>()
  const numbered = observed.map((each, at) => ({ each, at }))
  for (const all of group(numbered, ({ each }) => each.pool).values())
    all.forEach(({ each, at }, index) => {
      const sds = missedL[at]! / Math.sqrt(varianceL2[at]!)
      const [before, next] = [all[index - 1]?.each, all[index + 1]?.each]
      if (!before || !next || Math.abs(sds) < FAR_SDS) return
      const there = each.litres - before.litres
      const back = next.litres - each.litres
      if (there * back < 0 && Math.abs(back) > 0.5 * Math.abs(there))
        doubts.set(each.id, 'it leaps, and the next one takes that back')
    })
  return doubts
}
