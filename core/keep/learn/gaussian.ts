/** A small symmetric system: rows of numbers. */
export type Matrix = number[][]

/**
 * The inverse of a small positive definite matrix, and the logarithm of its determinant, by Gauss and Jordan.
 * @returns nothing where it is not positive definite
 */
export function inverse(matrix: Matrix): { of: Matrix; logDet: number } | undefined {
  const n = matrix.length
  const rows = matrix.map((row, at) => [...row, ...Array.from({ length: n }, (_, to) => (to === at ? 1 : 0))])
  let logDet = 0
  for (let at = 0; at < n; at++) {
    const pivot = rows[at]![at]!
    if (!(pivot > 1e-300)) return undefined
    logDet += Math.log(pivot)
    for (let to = 0; to < 2 * n; to++) rows[at]![to]! /= pivot
    for (let row = 0; row < n; row++) {
      const factor = rows[row]![at]!
      if (row === at || factor === 0) continue
      for (let to = 0; to < 2 * n; to++) rows[row]![to]! -= factor * rows[at]![to]!
    }
  }
  return { of: rows.map(row => row.slice(n)), logDet }
}
export const times = (matrix: Matrix, vector: readonly number[]): number[] =>
  matrix.map(row => row.reduce((sum, value, at) => sum + value * vector[at]!, 0))
export const dot = (a: readonly number[], b: readonly number[]): number =>
  a.reduce((sum, value, at) => sum + value * b[at]!, 0)

/** Standard deviations either side of the middle that hold eight of ten. */
export const EIGHT_OF_TEN = 1.2815515655446004

/** The chance that a standard normal figure lies below a value (Abramowitz and Stegun 26.2.17, to 1e-7). */
export function normalBelow(value: number): number {
  const t = 1 / (1 + 0.2316419 * Math.abs(value))
  const tail =
    0.3989422804014327 *
    Math.exp((-value * value) / 2) *
    t *
    (0.31938153 + t * (-0.356563782 + t * (1.781477937 + t * (-1.821255978 + t * 1.330274429))))
  return value >= 0 ? 1 - tail : tail
}

/** The lower triangle whose square a covariance is (Cholesky). */
export function squareRoot(matrix: Matrix): Matrix {
  const root = matrix.map(row => row.map(() => 0))
  for (let row = 0; row < matrix.length; row++)
    for (let at = 0; at <= row; at++) {
      let rest = matrix[row]![at]!
      for (let k = 0; k < at; k++) rest -= root[row]![k]! * root[at]![k]!
      root[row]![at] = row === at ? Math.sqrt(Math.max(0, rest)) : root[at]![at]! > 0 ? rest / root[at]![at]! : 0
    }
  return root
}
