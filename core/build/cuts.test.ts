import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { sum } from 'd3-array'
import { cutList, type CutList } from './cuts'
import { timed } from '../../tests/machine'

const lengths = fc.array(
  fc.integer({ min: 20, max: 2900 }).map(mm => mm / 1000),
  { minLength: 1, maxLength: 40 },
)
const stocks = fc.uniqueArray(fc.constantFrom(3, 4, 5, 6, 3.048), { minLength: 1, maxLength: 3 })
const kerfs = fc.constantFrom(0, 1.5, 3)

/** As the field does it by hand: longest first, each from the first length with room. */
function firstFitDecreasing(pieces: number[], stockM: number, kerfM: number): number {
  const left: number[] = []
  for (const piece of pieces.toSorted((a, b) => b - a)) {
    const at = left.findIndex(room => room >= piece + kerfM - 1e-9)
    if (at < 0) left.push(stockM + kerfM - piece - kerfM)
    else left[at]! -= piece + kerfM
  }
  return left.length
}
function isCut({ stocks: list }: CutList, pieces: number[], kerfM: number): void {
  for (const { stockM, piecesM, wasteM } of list) {
    expect(sum(piecesM) + kerfM * (piecesM.length - 1)).toBeLessThan(stockM + 1e-6)
    const cut = sum(piecesM) + kerfM * piecesM.length
    expect(wasteM).toBeCloseTo(Math.max(0, stockM - cut), 3)
  }
  const all = list.flatMap(({ piecesM }) => piecesM).sort((a, b) => a - b)
  expect(all).toHaveLength(pieces.length)
  for (const [at, piece] of pieces.toSorted((a, b) => a - b).entries()) expect(all[at]).toBeCloseTo(piece, 4)
}

describe('a cut list', () => {
  it('by hand: seven pieces from three lengths of three metres, and what comes out even needs no last cut', () => {
    const made = cutList([1.2, 0.94, 0.62, 2.35, 0.41, 1.88, 0.55, 0.5], [3], 3)!
    expect(made.stocks).toHaveLength(3)
    expect(made.leastStocks).toBe(3)
    expect(cutList([1, 1, 1], [3], 0)!.stocks).toMatchObject([{ wasteM: 0, piecesM: [1, 1, 1] }])
    expect(cutList([1, 1, 1], [3], 3)!.stocks).toHaveLength(2)
    expect(cutList([0.998, 0.998, 0.998], [3], 3)!.stocks).toHaveLength(1)
    expect(cutList([], [3], 3)).toEqual({ stocks: [], leastStocks: 0 })
    expect(cutList([3.2], [3], 3)).toBeUndefined()
  })
  it('takes of several lengths those that come to least, then the fewest', () => {
    expect(cutList([2.9, 2.9], [3, 6], 3)!.stocks.map(({ stockM }) => stockM)).toEqual([6])
    expect(cutList([2.9, 1.9], [2, 3, 6], 3)!.stocks.map(({ stockM }) => stockM)).toEqual([3, 2])
  })
  it('loses no piece, fits every stock, and is never more than first-fit decreasing on one length', () => {
    fc.assert(
      fc.property(lengths, stocks, kerfs, (pieces, stockM, kerfMm) => {
        const made = cutList(pieces, stockM, kerfMm)!
        isCut(made, pieces, kerfMm / 1000)
        expect(made.stocks.length).toBeGreaterThanOrEqual(made.leastStocks)
        const [only] = stockM
        const one = cutList(pieces, [only!], kerfMm)!
        expect(one.stocks.length).toBeLessThanOrEqual(firstFitDecreasing(pieces, only!, kerfMm / 1000))
        expect(one.stocks.length).toBeLessThanOrEqual(one.leastStocks + 1)
        const total = (list: CutList) => sum(list.stocks, each => each.stockM)
        expect(total(made)).toBeLessThanOrEqual(total(one) + 1e-9)
      }),
      { numRuns: 120 },
    )
  }, 60000)
  it('with a thinner saw never needs more', () => {
    fc.assert(
      fc.property(lengths, kerfs, (pieces, kerfMm) => {
        const [thin, thick] = [cutList(pieces, [3], kerfMm)!, cutList(pieces, [3], kerfMm + 2)!]
        expect(thin.stocks.length).toBeLessThanOrEqual(thick.stocks.length)
      }),
      { numRuns: 60 },
    )
  }, 60000)
  it('of two hundred pieces is made in a moment', () => {
    const pieces = Array.from({ length: 200 }, (_, at) => 0.2 + ((at * 7919) % 2300) / 1000)
    const { answer: made, quietMs } = timed(() => cutList(pieces, [3, 6], 3)!)
    expect(quietMs).toBeLessThan(600)
    isCut(made, pieces, 0.003)
  })
  it('of a thousand pieces, and from long coils, takes little longer for each, and little more than there must be', () => {
    const pieces = Array.from({ length: 1000 }, (_, at) => 0.2 + ((at * 7919) % 2300) / 1000)
    for (const stockM of [
      [3, 6],
      [25, 50, 100],
    ]) {
      const { answer: made, quietMs } = timed(() => cutList(pieces, stockM, 3)!)
      expect(quietMs).toBeLessThan(3000)
      isCut(made, pieces, 0.003)
      const boughtM = sum(made.stocks, each => each.stockM)
      expect(boughtM).toBeLessThan(1.02 * sum(pieces, metres => metres + 0.003) + 25)
    }
  })
})
