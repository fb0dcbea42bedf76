import { range, sum } from 'd3-array'
import { dot, inverse, normalBelow, times, type Matrix } from './gaussian'
import type { Learned } from './learn'
import { PRIOR, type LogModel } from './model'
import type { Observed } from './observed'

/** A fall, or a rise, that use and weather do not explain. */
export interface Unexplained {
  pool: number
  probability: number
  /** Lost a day; less than nothing where water comes that nothing brings. */
  litresPerDay: number
  sdL: number
  /** The day after which it began, most likely. */
  fromDay: number
  /** How each figure gives way to a litre more of it. */
  bends: number[]
}

/**
 * A leak begins in one week of so many, and is of so many litres a day, one standard deviation. Where pumps, wells or
 * other tanks fill a group, a week of them that went otherwise than planned looks like a leak, or like its opposite: so
 * many times likelier that it is that. What rises with nothing to fill it is rarer still.
 */
const [ONE_WEEK_OF, USUAL_L] = [120, 60]
const [OTHERWISE, SELDOM_RISES] = [10, 5]
const [WEEK, LEAST_DAYS] = [7, 10]
/** Below this, or this share of what is drawn in a day, it is not told from what is always off. */
const [LEAST_L, LEAST_SHARE] = [2, 0.1]

/**
 * Weighs for every day on which a leak may have begun how likely the misses are with it and without it, the learned
 * figures set free in both (evidence of two linear models about what was learned). Falls and rises are weighed apart.
 */
export function unexplained(learned: Learned, observed: readonly Observed[], model: LogModel): Unexplained[] {
  const { transfers, topUps } = model.compiled
  return range(model.pools).flatMap(pool => {
    const isMoved = transfers.some(({ from, to }) => from === pool || to === pool)
    const weeks = ONE_WEEK_OF * (isMoved || topUps.some(each => each.pool === pool) ? OTHERWISE : 1)
    const leastL = Math.max(LEAST_L, LEAST_SHARE * drawnPerDayL(model, pool))
    return [1, -1]
      .map(sign => weigh(learned, observed, pool, sign, sign > 0 ? weeks : weeks * SELDOM_RISES))
      .filter(each => each !== undefined)
      .filter(({ litresPerDay }) => Math.abs(litresPerDay) >= leastL)
  })
}

/** Litres a day that uses ask of a group first, on the mean of a log's days. */
const drawnPerDayL = ({ compiled, askedL, uses, days }: LogModel, pool: number): number =>
  sum(compiled.demands, ({ sources }, use) =>
    sources.find(({ kind }) => kind === 'pool')?.index === pool
      ? sum(range(days), day => askedL[day * uses + use]!) / Math.max(1, days)
      : 0,
  )

/** A miss counts by so many standard deviations at most: one slip of the rule is no leak. */
const MOST_SDS = 3.5
/** A leak is looked for among those that began in so many days before the last reading. */
const BACK_DAYS = 400

/** A reading of one group: its miss were the figures as planned, and what hangs on the figures and on a leak. */
interface Row {
  day: number
  weight: number
  missed: number
  slope: number[]
  /** What a leak of one litre a day adds between the reading before and this one; and what is left of what it added. */
  adds: number
  keeps: number
}

function rowsOf({ theta, followed }: Learned, observed: readonly Observed[], pool: number): Row[] {
  const { missedL, varianceL2, slopes, gain } = followed
  let [before, kept] = [0, 0]
  return observed.flatMap((each, at): Row[] => {
    if (each.pool !== pool) return []
    const slope = slopes.slice(0, 3).map(row => row[at]!)
    const steady = slopes[3]![at]!
    const row = {
      day: each.day,
      weight: 1 / varianceL2[at]!,
      missed: missedL[at]! + slope.reduce((sum, value, one) => sum + value * theta[one]!, 0),
      slope,
      adds: steady - kept * before,
      keeps: kept,
    }
    ;[before, kept] = [steady, 1 - gain[at]!]
    return [row]
  })
}

/** Misses so many readings apart are looked at together. */
const LAGS = 4
/** What misses say is surer where they are smaller than expected, but by no more than this. */
const LEAST_SPREAD = 0.3

/**
 * How much less the misses of a group say than as many by themselves would, each in its standard deviations: where a
 * pump or a well fills it, one that trips otherwise than planned is off for weeks, and looks like a leak or its opposite.
 */
function hangTogether(misses: readonly number[]): number {
  const n = misses.length
  const spread = (lag: number) =>
    misses.slice(lag).reduce((sum, miss, at) => sum + miss * misses[at]!, 0) / Math.max(1, n)
  let together = Math.max(LEAST_SPREAD, spread(0))
  for (let lag = 1; lag <= LAGS; lag++) together += 2 * (1 - lag / (LAGS + 1)) * Math.max(0, spread(lag))
  return together
}

/** The misses that are left, in standard deviations, once figures and a leak explain what they can. */
const leftOf = (
  rows: readonly Row[],
  theta: readonly number[],
  leakL: number,
  begin: number,
  mostSds = MOST_SDS,
): number[] => {
  let leak = 0
  return rows.map(({ weight, missed, slope, adds, keeps }, at) => {
    if (at >= begin) leak = adds + (at > begin ? keeps * leak : 0)
    const left = (missed - dot(slope, theta) - (at >= begin ? leak * leakL : 0)) * Math.sqrt(weight)
    return Math.max(-mostSds, Math.min(mostSds, left))
  })
}

/** A leak that begins at a reading: how likely beside none, how many litres a day, and the figures beside it. */
interface Suspect {
  begin: number
  weight: number
  litres: number
  sd: number
  theta: number[]
  bends: number[]
}

/** Weighs a leak at each reading at which one may begin; the figures as planned are their prior's middle. */
function suspects(rows: readonly Row[], sign: number, oneWeekOf: number): Suspect[] {
  // About what was learned the misses are linear in the figures, whose prior lies at nought.
  const hessian: Matrix = inverse(PRIOR)!.of.map(row => [...row])
  const gradient = [0, 0, 0]
  for (const { weight, slope, missed } of rows)
    for (let one = 0; one < 3; one++) {
      gradient[one]! += weight * slope[one]! * missed
      for (let two = 0; two < 3; two++) hessian[one]![two]! += weight * slope[one]! * slope[two]!
    }
  const { of } = inverse(hessian)!
  const middle = times(of, gradient)
  const last = rows.at(-1)!.day
  const found: Suspect[] = []
  for (let begin = 1; begin < rows.length; begin++) {
    const before = rows[begin - 1]!.day
    if (last - before < LEAST_DAYS || last - before > BACK_DAYS) continue
    let [leak, leak2, leakMiss] = [0, 0, 0]
    const leakSlope = [0, 0, 0]
    for (let at = begin; at < rows.length; at++) {
      const { weight, slope, missed, adds, keeps } = rows[at]!
      leak = adds + (at > begin ? keeps * leak : 0)
      leak2 += weight * leak * leak
      leakMiss += sign * weight * leak * missed
      for (let one = 0; one < 3; one++) leakSlope[one]! += sign * weight * leak * slope[one]!
    }
    // What the figures explain of it is taken off: the leak's own share is what is left.
    const along = times(of, leakSlope)
    const own = leak2 - dot(leakSlope, along)
    const miss = leakMiss - dot(leakSlope, middle)
    const sd = 1 / Math.sqrt(own + 1 / USUAL_L ** 2)
    const litres = miss * sd * sd
    // Twice the mass above nought: the prior is the upper half of a normal.
    const factor = 2 * (sd / USUAL_L) * Math.exp(Math.min(300, (litres / sd) ** 2 / 2)) * normalBelow(litres / sd)
    const weeks = (rows[begin]!.day - before) / WEEK
    const theta = middle.map((value, one) => value - along[one]! * Math.max(0, litres))
    found.push({ begin, weight: (factor * weeks) / oneWeekOf, litres, sd, theta, bends: along.map(each => -each) })
  }
  return found
}
const likeliest = (found: readonly Suspect[]): Suspect =>
  found.reduce((one, two) => (two.weight > one.weight ? two : one))

function weigh(
  learned: Learned,
  observed: readonly Observed[],
  pool: number,
  sign: number,
  oneWeekOf: number,
): Unexplained | undefined {
  const rows = rowsOf(learned, observed, pool)
  if (rows.length < 4) return undefined
  const bare = suspects(rows, sign, oneWeekOf)
  if (!bare.length) return undefined
  // What the likeliest leak and the figures beside it leave unexplained is how far misses lie off by themselves: were it
  // measured with the leak in it, the leak would hide itself.
  const first = likeliest(bare)
  const left = leftOf(rows, first.theta, sign * Math.max(0, first.litres), first.begin)
  const wider = hangTogether(left)
  // One slip of the rule is no leak: a miss counts by so many standard deviations at most.
  const whole = leftOf(rows, first.theta, sign * Math.max(0, first.litres), first.begin, Infinity)
  const calm = rows.map((row, at) => {
    const slipped = (whole[at]! - left[at]!) / Math.sqrt(row.weight)
    return { ...row, missed: row.missed - slipped, weight: row.weight / wider }
  })
  const found = suspects(calm, sign, oneWeekOf)
  const all = found.reduce((sum, { weight }) => sum + weight, 0)
  const best = likeliest(found)
  return {
    pool,
    probability: all / (1 + all),
    litresPerDay: sign * Math.max(0, best.litres),
    sdL: best.sd,
    fromDay: rows[best.begin - 1]!.day,
    bends: best.bends,
  }
}
