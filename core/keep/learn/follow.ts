import type { LogModel, Theta } from './model'
import type { Observed } from './observed'
import { sideBySide } from '../../balance'

/** What came of following a log with one set of figures: how far each level lay from what was expected. */
export interface Followed {
  /** Read less expected, L, a row a level that was read. */
  missedL: Float64Array
  /** Its variance, L²: of the expectation, and of the reading. */
  varianceL2: Float64Array
  /** How the expectation changes with each figure, and with a leak, L a unit. */
  slopes: Float64Array[]
  /** What each group of tanks holds at the end, and its variance. */
  endL: Float64Array
  endVarianceL2: Float64Array
  /** How that changes with each figure, a row a figure and group. */
  endSlopes: Float64Array[]
  /** What was expected where a level was read, L, and how much of the miss was then taken in. */
  expectedL: Float64Array
  gain: Float64Array
}

/** A day's use lies so far off what is asked on the mean, and what arrives so far off what rain that was read brings. */
const [USE_DAY_SHARE, RAIN_READ_SHARE, RAIN_GUESSED_SHARE, STILL_SHARE] = [0.3, 0.12, 1.2, 0.0005]
/** What pumps, floats and wells move in a day lies so far off: it hangs on when a switch trips. */
const MOVED_SHARE = 0.5
/** Figures are moved by so much to see what hangs on them; a leak by so many litres a day. */
const [STEP, LEAK_STEP_L] = [0.04, 5]
/** Lanes: as it is, each figure moved, and with a leak; or the first alone, where nobody asks what hangs on what. */
const ALL_LANES = 5
/** How much of a device's sudden leap is believed at once. */
const DEVICE_TRUST = 0.05
/** Readings far from what is expected pull less: a Student distribution of so many degrees. */
const TAILS = 5

/** Lost a day from a group of tanks, from a day of the log on. */
export interface Leak {
  pool: number
  litresPerDay: number
  fromDay: number
}

/**
 * Follows a log day by day from its first level on, each group of tanks by the plan's own balance, and takes every
 * level that was read into what it is expected to hold (an extended Kalman filter on the level). `leakL` is lost a day
 * from a day on; `scale` widens what each group is expected to be off. Without `slopes` it is told sooner, and not how
 * all of it hangs on the figures.
 */
export function follow(
  model: LogModel,
  observed: readonly Observed[],
  theta: Theta,
  scale: readonly number[],
  leak?: Leak,
  slopes = true,
): Followed {
  const lanes = slopes ? ALL_LANES : 1
  const { compiled, days, pools, uses, month, high, rain } = model
  const runs = sideBySide(compiled, lanes)
  const count = observed.length
  const made: Followed = {
    missedL: new Float64Array(count),
    varianceL2: new Float64Array(count),
    slopes: Array.from({ length: lanes - 1 }, () => new Float64Array(count)),
    endL: new Float64Array(pools),
    endVarianceL2: new Float64Array(pools),
    endSlopes: Array.from({ length: lanes - 1 }, () => new Float64Array(pools)),
    expectedL: new Float64Array(count),
    gain: new Float64Array(count),
  }
  const figures = Array.from({ length: lanes }, (_, lane) =>
    theta.map((value, at) => Math.exp(value + (lane === at + 1 ? STEP : 0))),
  )
  const varianceL2 = new Float64Array(pools)
  for (let pool = 0; pool < pools; pool++) {
    // Before anything is read a tank may hold anything.
    varianceL2[pool] = runs.capL[pool * lanes]! ** 2 / 12
    for (let lane = 0; lane < lanes; lane++) runs.poolL[pool * lanes + lane] = runs.capL[pool * lanes]! / 2
  }
  const beforeL = new Float64Array(pools)
  const inflowL = new Float64Array(pools * lanes)
  const askedL = new Float64Array(uses * lanes)
  const drawnShare = drawnBy(model)
  let next = 0
  const first = rain.series.startDay
  for (let day = 0; day < days; day++) {
    const isHigh = high[month[day]!] === 1 ? 1 : 2
    for (let pool = 0; pool < pools; pool++)
      for (let lane = 0; lane < lanes; lane++)
        inflowL[pool * lanes + lane] = model.arrivesL(day, pool, figures[lane]![0]!)
    for (let use = 0; use < uses; use++)
      for (let lane = 0; lane < lanes; lane++)
        askedL[use * lanes + lane] = model.askedL[day * uses + use]! * figures[lane]![isHigh]!
    for (let pool = 0; pool < pools; pool++) beforeL[pool] = runs.poolL[pool * lanes]!
    runs.step(month[day]!, inflowL, askedL)
    for (let pool = 0; pool < pools; pool++) {
      const row = pool * lanes
      const lostL = leak && leak.pool === pool && day >= leak.fromDay ? leak.litresPerDay : 0
      for (let lane = 0; lane < lanes; lane++) {
        const losesL = lostL + (lane === ALL_LANES - 1 ? LEAK_STEP_L : 0)
        if (losesL) runs.poolL[row + lane] = Math.max(0, runs.poolL[row + lane]! - losesL)
      }
      const arrives = inflowL[row]!
      const drawnL = drawnOn(drawnShare, model, day, pool) * figures[0]![isHigh]!
      const [capL, unboundL] = [runs.capL[row]!, beforeL[pool]! + arrives - drawnL]
      const movedL = unboundL > capL || unboundL < 0 ? 0 : runs.poolL[row]! - unboundL
      const offL2 =
        (USE_DAY_SHARE * drawnL) ** 2 +
        ((rain.known[day] ? RAIN_READ_SHARE : RAIN_GUESSED_SHARE) * arrives) ** 2 +
        (MOVED_SHARE * movedL) ** 2 +
        (STILL_SHARE * capL) ** 2
      // What spills, or is not there to be drawn, takes with it what was not known of the level.
      const beyondL = Math.max(unboundL - capL, -unboundL, 0)
      const left = Math.max(0, 1 - beyondL / (2 * Math.sqrt(varianceL2[pool]!) + 1e-9))
      varianceL2[pool] = Math.min(capL ** 2 / 12, varianceL2[pool]! * left ** 2 + scale[pool]! * offL2)
    }
    for (; next < count && observed[next]!.day <= first + day; next++) take(observed[next]!, next)
  }
  for (let pool = 0; pool < pools; pool++) {
    made.endL[pool] = runs.poolL[pool * lanes]!
    made.endVarianceL2[pool] = varianceL2[pool]!
    for (let lane = 1; lane < lanes; lane++)
      made.endSlopes[lane - 1]![pool] = (runs.poolL[pool * lanes + lane]! - made.endL[pool]!) / stepOf(lane)
  }
  return made

  function take({ pool, litres, sdL, source }: Observed, at: number): void {
    const row = pool * lanes
    const expectedL = runs.poolL[row]!
    const totalL2 = varianceL2[pool]! + sdL * sdL
    const missedL = litres - expectedL
    made.expectedL[at] = expectedL
    made.missedL[at] = missedL
    made.varianceL2[at] = totalL2
    for (let lane = 1; lane < lanes; lane++)
      made.slopes[lane - 1]![at] = (runs.poolL[row + lane]! - expectedL) / stepOf(lane)
    // A level far off what was expected is more likely a day that went otherwise than a slip of the rule: then what was
    // expected is worth less. Of a device it is believed only once it stays there.
    const far = 1 - robustWeight(missedL, totalL2)
    const trusted = source === undefined ? 1 : DEVICE_TRUST
    varianceL2[pool]! += far * trusted * missedL * missedL
    const gain = varianceL2[pool]! / (varianceL2[pool]! + sdL * sdL)
    made.gain[at] = gain
    for (let lane = 0; lane < lanes; lane++) {
      const held = runs.poolL[row + lane]!
      runs.poolL[row + lane] = Math.max(0, Math.min(runs.capL[row]!, held + gain * (litres - held)))
    }
    varianceL2[pool]! *= 1 - gain
  }
}
const stepOf = (lane: number): number => (lane === ALL_LANES - 1 ? LEAK_STEP_L : STEP)
/** How much a reading counts by how far it lies off. */
export const robustWeight = (missedL: number, varianceL2: number): number =>
  Math.min(1, (TAILS + 1) / (TAILS + missedL ** 2 / varianceL2))

/** Uses that draw on each group of tanks first. */
function drawnBy({ compiled, pools }: LogModel): number[][] {
  const by = Array.from({ length: pools }, (): number[] => [])
  for (const [use, { sources }] of compiled.demands.entries()) {
    const first = sources.find(({ kind }) => kind === 'pool')
    if (first) by[first.index]!.push(use)
  }
  return by
}
const drawnOn = (by: number[][], { askedL, uses }: LogModel, day: number, pool: number): number =>
  by[pool]!.reduce((sum, use) => sum + askedL[day * uses + use]!, 0)
