import { randomNormal } from 'd3-random'
import { dot, inverse, squareRoot, times, type Matrix } from './gaussian'
import type { LogModel, Theta } from './model'
import { seeded } from '../../climate'

/** What is believed of the figures: their middle, and how they vary together. */
export interface Belief {
  theta: Theta
  covariance: Matrix
}

/** Figures that are tried in each round; so many days of a log that is followed take the time that there is. */
const [ROUNDS, MOST_TRIED, LEAST_TRIED, DAYS_TRIED] = [2, 48, 12, 16_000]
/** They are tried so much farther out than is believed at first, and no nearer than this, as logarithms. */
const [WIDER, LEAST_SD] = [2.5, 0.05]
/**
 * Believed of few figures, a middle is worth so many of them; and a switch that trips on another day than planned is off
 * for weeks, which no reading by itself tells.
 */
const [FEW, HANGS_TOGETHER] = [4, 1.3]

/** True where switches move water: pumps, wells and floats that trip at a level. Then a figure may fit by chance alone. */
export const isSwitched = ({ compiled }: LogModel): boolean =>
  compiled.topUps.length > 0 || compiled.transfers.length > 0

/**
 * What is believed of the figures where the way down to the likeliest is rough: many are tried about it, each weighed
 * by how likely it is (importance sampling, twice over, the second time where the first found most).
 * @param costOf minus the logarithm of how likely figures are
 */
export function explored(begin: Belief, days: number, costOf: (theta: Theta) => number): Belief {
  const count = Math.max(LEAST_TRIED, Math.min(MOST_TRIED, Math.round(DAYS_TRIED / Math.max(1, days))))
  const normal = randomNormal.source(seeded(19))()
  const tried: { theta: Theta; log: number }[] = []
  let { theta, covariance } = begin
  for (let round = 0; round < ROUNDS; round++) {
    const wide = widened(covariance)
    const root = squareRoot(wide)
    const { of: precision, logDet } = inverse(wide)!
    const middle = theta
    const random = (): number[] => {
      const z = [normal(), normal(), normal()]
      return middle.map((value, of) => value + dot(root[of]!, z))
    }
    for (let at = 0; at < count; at++) {
      // Each is tried with its mirror image, so that the middle is not off by chance.
      const drawn = at % 2 ? tried.at(-1)!.theta.map((value, of) => 2 * middle[of]! - value) : random()
      const off = drawn.map((value, of) => value - middle[of]!)
      const proposed = -(dot(off, times(precision, off)) + logDet) / 2
      tried.push({ theta: drawn as Theta, log: -costOf(drawn as Theta) - proposed })
    }
    ;({ theta, covariance } = weighed(tried))
  }
  return { theta, covariance }
}

/** A belief spread out, so that what lies beyond it is tried too. */
function widened(covariance: Matrix): Matrix {
  const sds = covariance.map((row, at) => Math.sqrt(row[at]!))
  const grown = sds.map(sd => Math.max(LEAST_SD, WIDER * sd))
  return covariance.map((row, one) =>
    row.map((value, two) => {
      // What hangs together is tried apart as well.
      const together = one === two ? 1 : (0.7 * value) / (sds[one]! * sds[two]!)
      return together * grown[one]! * grown[two]!
    }),
  )
}

function weighed(tried: readonly { theta: Theta; log: number }[]): Belief {
  const most = Math.max(...tried.map(({ log }) => log))
  const weights = tried.map(({ log }) => Math.exp(log - most))
  const all = weights.reduce((sum, weight) => sum + weight, 0)
  const theta = [0, 1, 2].map(of => tried.reduce((sum, each, at) => sum + weights[at]! * each.theta[of]!, 0) / all)
  // Of so many as count, the middle is itself only so sure.
  const counting = all ** 2 / weights.reduce((sum, weight) => sum + weight ** 2, 0)
  const sure = HANGS_TOGETHER * (1 + FEW / counting)
  const covariance = [0, 1, 2].map(one =>
    [0, 1, 2].map(
      two =>
        (sure *
          tried.reduce(
            (sum, each, at) => sum + weights[at]! * (each.theta[one]! - theta[one]!) * (each.theta[two]! - theta[two]!),
            0,
          )) /
        all,
    ),
  )
  // One figure that outweighs all others says nothing of how far off it may be.
  for (let at = 0; at < 3; at++) covariance[at]![at]! += (0.2 * LEAST_SD) ** 2
  return { theta: theta as Theta, covariance }
}
