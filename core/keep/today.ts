import { learnedFrom } from './answer'
import { expectedDoubts, plainDoubts } from './doubts'
import { forecastOf, heldNow, LEAKS_FROM, runOutOf, type Interval, type Kept, type RunOut } from './keep'
import { inForce } from './learn/restricted'
import { cameLately, type Came } from './seasons'
import { watch } from './watch/watch'
import type { Odd } from './watch/odd'
import { dayNumber, isoDate } from '../climate'
import { beginFrom, type Begin } from './learn/learn'
import type { Site } from '../site'
import type { LogReading } from '../kinds'

/** What a group of tanks holds today, and how that is known. */
export interface HeldToday {
  id: string
  name: string
  capL: number
  heldL: Interval
  /** Above the floor of its first tank, m. */
  levelM: Interval
  fullM: number
  /** The level that was read last, and when. */
  read?: { levelM: number; at: string; id: string }
  /** What it falls, or rises, a day over the next week as things stand, L. */
  changesLPerDay: number
}

/** Uses of one kind held to half from tomorrow on, and what that gains. */
export interface RationGain {
  uses: string[]
  names: string[]
  share: number
  runOut: RunOut
}

/** A forecast that has come due: what it said all groups would hold, and what they hold. */
export interface Backcast {
  from: string
  saidL: Interval
  isL: number
}
const [BACK_DAYS, WEEK_DAYS] = [28, 7]
/** What would have been said four weeks ago, where there was a log to say it from. */
export function backcast(site: Site, log: readonly LogReading[], kept: Kept): Backcast | undefined {
  const fromDay = kept.onDay - BACK_DAYS
  if (!kept.observed.some(({ day }) => day <= fromDay) || !kept.observed.some(({ day }) => day > fromDay))
    return undefined
  const from = isoDate(fromDay)
  const then = learnedFrom(
    site,
    log.filter(({ at }) => dayNumber(at) <= fromDay),
    from,
  )
  const said = forecastOf(site, then).weeks[BACK_DAYS / 7 - 1]
  if (!said) return undefined
  const [low, mean, high] = said
  return { from, saidL: { low, mean, high }, isL: kept.now.litres.reduce((sum, litres) => sum + litres, 0) }
}

/** One page of what a person wants to know with coffee in hand. Plain figures, as a thread hands them over. */
export interface Today {
  on: string
  held: HeldToday[]
  runOut: RunOut
  dryShare: number[]
  spillShare: number[]
  /** All groups together by week: one in ten has less, the middle, one in ten has more. */
  weeks: [low: number, middle: number, high: number][]
  capL: number
  /** What the last week came to. */
  week: Came
  drawnLPerDay: number
  plannedLPerDay: number
  ration?: RationGain
  odd: Odd[]
  doubts: [id: string, why: string][]
  coefficient: Interval & { planned: number; taught: number }
  use: Interval & { taught: number }
  useByHalf: { high: Interval; low: Interval }
  levels: number
  /** Read level less what was expected of it, L, for the last year of it. */
  misses: { at: string; pool: number; missedL: number; sdL: number }[]
  /** What was said four weeks ago of today, by what was known then, and what is there. */
  backcast?: Backcast
  /** What was learned, for the next time to begin from. */
  learned: Begin
}

/** What of a day is held to so much when rationed; and what is rationed first: what waters beds, else what can wait. */
const RATION_SHARE = 0.5

export function today(
  site: Site,
  log: readonly LogReading[],
  on: string,
  { promised, begin }: { promised?: readonly number[]; begin?: Begin } = {},
): Today {
  const kept = learnedFrom(site, log, on, begin)
  const { model } = kept
  const { pools, demands } = model.compiled
  const past = backcast(site, log, kept)
  const days = forecastOf(site, kept, promised ? { promised: [...promised] } : {})
  const runOut = runOutOf(days, kept)
  const capL = pools.reduce((sum, pool) => sum + pool.capL, 0)
  return {
    on,
    held: pools.map((pool, index): HeldToday => {
      const heldL = heldNow(kept, index)
      const floorM = pool.tanks[0]!.baseM
      const levelM = (litres: number) => pool.levelAtM(litres) - floorM
      const last = kept.observed.findLast(each => each.pool === index)
      return {
        id: pool.id,
        name: pool.name,
        capL: pool.capL,
        heldL,
        levelM: { mean: levelM(heldL.mean), low: levelM(heldL.low), high: levelM(heldL.high) },
        fullM: pool.capM - floorM,
        ...(last ? { read: { levelM: last.levelM, at: last.at.slice(0, 10), id: last.id } } : {}),
        changesLPerDay: (days.weekL[index]! - heldL.mean) / 7,
      }
    }),
    runOut,
    dryShare: Array.from(days.dryShare),
    spillShare: Array.from(days.spillShare),
    weeks: days.weeks,
    capL,
    week: cameLately(kept, WEEK_DAYS),
    drawnLPerDay: days.drawnLPerDay,
    plannedLPerDay: plannedLPerDay(kept),
    ...rationOf(site, kept, runOut),
    odd: watch(site, log, kept),
    doubts: [...new Map([...plainDoubts(site, log, on), ...expectedDoubts(kept)])],
    coefficient: { ...kept.coefficient, planned: kept.plannedCoefficient, taught: kept.taught.coefficient },
    use: { ...kept.use, taught: kept.taught.use },
    useByHalf: kept.useByHalf,
    ...(past ? { backcast: past } : {}),
    learned: beginFrom(kept.learned),
    levels: kept.observed.length,
    misses: kept.observed
      .map(({ day, pool }, at) => ({
        at: isoDate(day),
        pool,
        missedL: kept.learned.followed.missedL[at]!,
        sdL: Math.sqrt(kept.learned.followed.varianceL2[at]!),
      }))
      .filter(({ at }) => dayNumber(at) > kept.onDay - 366),
  }

  function rationOf(of: Site, from: Kept, without: RunOut): { ration?: RationGain } {
    if (!without.p50 && !without.p10) return {}
    if (demands.some(({ rations }) => rations.some(({ pool, belowL }) => belowL >= pools[pool]!.capL))) return {}
    // What is held back from tomorrow on already gains nothing by being told so again.
    const held = new Set(inForce(of, isoDate(from.onDay + 1)).flatMap(({ uses }) => uses.map(({ id }) => id)))
    const free = demands.filter(({ id }) => !held.has(id))
    const beds = free.filter(({ bed }) => bed)
    const first = beds.length || !free.length ? beds : leastUrgent(free)
    if (!first.length) return {}
    const uses = new Set(first.map(({ id }) => id))
    const rationed = demands.map(({ id }) => (uses.has(id) ? RATION_SHARE : 1))
    return {
      ration: {
        uses: [...uses],
        names: first.map(({ name }) => name),
        share: RATION_SHARE,
        runOut: runOutOf(forecastOf(of, from, { rationed }), from),
      },
    }
  }
}
const leastUrgent = <Demand extends { priority: number }>(demands: readonly Demand[]): Demand[] => {
  const last = Math.max(...demands.map(({ priority }) => priority))
  return demands.filter(({ priority }) => priority === last)
}

/** What the plan asks a day at this season: the last fortnight's days as planned. */
function plannedLPerDay({ model: { askedL, uses, days } }: Kept): number {
  const from = Math.max(0, days - 14)
  let sum = 0
  for (let at = from * uses; at < days * uses; at++) sum += askedL[at]!
  return days > from ? sum / (days - from) : 0
}

/** What a leak loses of a group, where one is taken to be there. */
export const leaksIn = (odd: readonly Odd[], pool: string): Odd | undefined =>
  odd.find(({ kind, subject, probability }) => kind === 'leak' && subject === pool && probability >= LEAKS_FROM)
