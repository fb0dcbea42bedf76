import { explored, isSwitched } from './explore'
import { follow, robustWeight, type Followed, type Leak } from './follow'
import { dot, inverse, times, type Matrix } from './gaussian'
import { meterMiss, type Metered } from './meters'
import { PRIOR, type LogModel, type Theta } from './model'
import type { Observed } from './observed'

/** What a log has taught: the figures and how they vary together, and what followed from them. */
export interface Learned {
  theta: Theta
  covariance: Matrix
  /** How far readings of each group lie off, against what is expected beforehand; 1 as expected. */
  scale: number[]
  /** What the figures would still be moved by, and the levels that it was learned from: for the next time. */
  rest: number[]
  levels: number
  followed: Followed
}

/** Where a learning begins: what was learned of the log before its last lines. */
export type Begin = Omit<Learned, 'followed'>

export const beginFrom = ({ followed: _followed, ...begin }: Learned): Begin => begin

const [MOST_ROUNDS, STILL] = [12, 1e-3]
/** A figure is moved by no more than this in one round. */
const MOST_STEP = 0.5
/** What is expected beforehand counts as so many readings against what the log says of its own scatter. */
const PRIOR_READINGS = 6
const [LEAST_SCALE, MOST_SCALE] = [0.1, 30]

const precision = inverse(PRIOR)!.of

/**
 * Finds the figures that the plan, the levels and the meters of a log together make likeliest, by Gauss and Newton on
 * the filter's misses, with their covariance. Each round follows the log once; the scatter is learned beside them. A leak
 * that is taken to be there is lost beside what is used, so that it does not pass for use.
 */
export function learn(
  model: LogModel,
  observed: readonly Observed[],
  begin?: Begin,
  metered: readonly Metered[] = [],
  leak?: Leak,
): Learned {
  const told = begin && !leak && aFewMore(model, observed, begin, metered)
  if (told) return told
  const run = (theta: Theta, scale: readonly number[], slopes = true) =>
    follow(model, observed, theta, scale, leak, slopes)
  let theta: Theta = begin ? [...begin.theta] : [0, 0, 0]
  let scale = Array.from({ length: model.pools }, (_, pool) => begin?.scale[pool] ?? 1)
  let followed = run(theta, scale)
  let covariance: Matrix = PRIOR
  let cost = costOf(theta, followed, metered)
  for (let round = 0; round < MOST_ROUNDS && (observed.length || metered.length); round++) {
    const { step, of } = towards(theta, followed, metered)
    covariance = of
    let share = Math.min(1, MOST_STEP / Math.max(...step.map(Math.abs), 1e-9))
    let moved = false
    const far = Math.max(...step.map(Math.abs)) >= STILL
    for (let times = 0; far && times < 5; times++, share /= 2) {
      const tried = theta.map((value, at) => value + share * step[at]!) as Theta
      const next = run(tried, scale)
      const nextCost = costOf(tried, next, metered)
      if (nextCost > cost + 1e-9) continue
      ;[theta, followed, cost] = [tried, next, nextCost]
      moved = true
      break
    }
    const was = scale
    scale = scatter(model, observed, followed, scale)
    if (scale.some((each, pool) => Math.abs(each / was[pool]! - 1) > 0.02)) {
      followed = run(theta, scale)
      cost = costOf(theta, followed, metered)
    } else if (!moved || share * Math.max(...step.map(Math.abs)) < STILL) break
  }
  if (observed.length || metered.length)
    covariance = widened(towards(theta, followed, metered).of, followed, theta, metered)
  if (observed.length && isSwitched(model)) {
    const cost = (tried: Theta) => costOf(tried, run(tried, scale, false), metered)
    ;({ theta, covariance } = explored({ theta, covariance }, model.days, cost))
    followed = run(theta, scale)
  }
  const { step: rest } = towards(theta, followed, metered)
  return { theta, covariance, scale, rest, levels: observed.length, followed }
}

/** So many levels more, of so many times as many, hardly move what was learned: by less than this, in its own doubt. */
const [FEW_MORE, OF_TIMES, HARDLY] = [8, 5, 0.25]

/**
 * What was learned, with a few levels more: the log is followed once more, and the figures stay where they are as long
 * as nothing pulls at them harder than before. Nothing where it does; then all is learned anew.
 */
function aFewMore(
  model: LogModel,
  observed: readonly Observed[],
  begin: Begin,
  metered: readonly Metered[],
): Learned | undefined {
  if (begin.scale.length !== model.pools || begin.levels < OF_TIMES * FEW_MORE) return undefined
  if (Math.abs(observed.length - begin.levels) > FEW_MORE) return undefined
  const followed = follow(model, observed, begin.theta, begin.scale)
  const { step } = towards(begin.theta, followed, metered)
  const hardly = step.every(
    (value, at) => Math.abs(value - begin.rest[at]!) < HARDLY * Math.sqrt(begin.covariance[at]![at]!),
  )
  return hardly ? { ...begin, followed } : undefined
}

/** The next step of the figures, and their covariance, as the slopes stand. */
function towards(
  theta: Theta,
  { missedL, varianceL2, slopes }: Followed,
  metered: readonly Metered[],
): { step: number[]; of: Matrix } {
  const hessian = precision.map(row => [...row])
  const gradient = times(precision, theta).map(value => -value)
  for (let at = 0; at < missedL.length; at++) {
    const weight = robustWeight(missedL[at]!, varianceL2[at]!) / varianceL2[at]!
    for (let one = 0; one < 3; one++) {
      gradient[one]! += weight * slopes[one]![at]! * missedL[at]!
      for (let two = 0; two < 3; two++) hessian[one]![two]! += weight * slopes[one]![at]! * slopes[two]![at]!
    }
  }
  for (const each of metered) {
    const { miss, slopes: along } = meterMiss(each, theta)
    for (let one = 0; one < 3; one++) {
      gradient[one]! += each.weight * along[one]! * miss
      for (let two = 0; two < 3; two++) hessian[one]![two]! += each.weight * along[one]! * along[two]!
    }
  }
  const { of } = inverse(hessian)!
  return { step: times(of, gradient), of }
}

/** A band grows by so much at most where the misses hang together. */
const [MOST_WIDER, LEAST_NARROW] = [4, 0.8]
/** Misses so many readings apart are looked at together. */
const LAGS = 4

/**
 * The covariance, widened where misses hang together or pull harder than they should (the sandwich of Huber and White,
 * with the lags of Newey and West): a switch that trips otherwise than planned is off for weeks.
 */
function widened(
  of: Matrix,
  { missedL, varianceL2, slopes }: Followed,
  theta: Theta,
  metered: readonly Metered[],
): Matrix {
  const pulls = Array.from(missedL, (missed, at) => {
    const weight = robustWeight(missed, varianceL2[at]!) / varianceL2[at]!
    return [0, 1, 2].map(one => weight * missed * slopes[one]![at]!)
  })
  const meat: Matrix = precision.map(row => [...row])
  for (const each of metered) {
    const { slopes: along } = meterMiss(each, theta)
    for (let one = 0; one < 3; one++)
      for (let two = 0; two < 3; two++) meat[one]![two]! += each.weight * along[one]! * along[two]!
  }
  for (let lag = 0; lag <= LAGS; lag++) {
    const share = lag ? 2 * (1 - lag / (LAGS + 1)) : 1
    for (let at = lag; at < pulls.length; at++)
      for (let one = 0; one < 3; one++)
        for (let two = 0; two < 3; two++) {
          const [now, before] = [pulls[at]!, pulls[at - lag]!]
          meat[one]![two]! += (share * (now[one]! * before[two]! + now[two]! * before[one]!)) / 2
        }
  }
  const wider = [0, 1, 2].map(one => {
    const varianceOf = dot(of[one]!, times(meat, of[one]!))
    return Math.min(MOST_WIDER, Math.sqrt(Math.max(LEAST_NARROW, varianceOf / of[one]![one]!)))
  })
  return of.map((row, one) => row.map((value, two) => value * wider[one]! * wider[two]!))
}

/** Minus the logarithm of how likely the figures are, but for what does not hang on them. */
function costOf(theta: Theta, { missedL, varianceL2 }: Followed, metered: readonly Metered[]): number {
  let cost = dot(theta, times(precision, theta)) / 2
  for (const each of metered) cost += (each.weight * meterMiss(each, theta).miss ** 2) / 2
  for (let at = 0; at < missedL.length; at++) {
    const z2 = missedL[at]! ** 2 / varianceL2[at]!
    cost += 3 * Math.log1p(z2 / 5) + Math.log(varianceL2[at]!) / 2
  }
  return cost
}

/**
 * How far the readings of each group lie off, against what is expected: their scatter, drawn towards 1 where there are
 * few. One of a tank that stands full or empty says nothing of it, whatever the figures.
 */
function scatter(
  { compiled }: LogModel,
  observed: readonly Observed[],
  { missedL, varianceL2, expectedL }: Followed,
  scale: readonly number[],
): number[] {
  const sums = scale.map(each => PRIOR_READINGS / each)
  const counts = scale.map(() => PRIOR_READINGS)
  for (const [at, { pool, litres, sdL }] of observed.entries()) {
    const { capL } = compiled.pools[pool]!
    const bound = (held: number) => held < 1.5 * sdL || held > capL - 1.5 * sdL
    if (bound(litres) || bound(expectedL[at]!)) continue
    // The reading's own doubt is known; what is left of the miss is how far the days went otherwise.
    const own = varianceL2[at]! - sdL * sdL
    const share = own / varianceL2[at]!
    const missed2 = missedL[at]! ** 2 * robustWeight(missedL[at]!, varianceL2[at]!)
    sums[pool]! += share * Math.max(0, (missed2 - sdL * sdL) / Math.max(own, 1e-6))
    counts[pool]! += share
  }
  return scale.map((each, pool) => Math.max(LEAST_SCALE, Math.min(MOST_SCALE, (each * sums[pool]!) / counts[pool]!)))
}
