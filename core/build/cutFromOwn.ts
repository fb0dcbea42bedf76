import { sum } from 'd3-array'
import { cutList, fullest, type CutList, type Stock } from './cuts'

/** A length that pieces are cut from; one's own costs nothing. */
export interface OwnOrBought extends Stock {
  own?: true
}

/** What is left over is worth keeping from here on, m. */
export const WORTH_M = 0.3

/**
 * Lays pieces out on lengths that are there already, the shortest first and each as full as it goes, and the rest on
 * lengths that are bought. Where that would have to buy more than without them, nothing is cut from them.
 * @param ownM lengths that are there, each once
 * @returns nothing where a piece is longer than everything
 */
export function cutFromOwn(
  piecesM: readonly number[],
  stockM: readonly number[],
  ownM: readonly number[],
  kerfMm: number,
): (Pick<CutList, 'leastStocks'> & { stocks: OwnOrBought[] }) | undefined {
  const left = [...piecesM].sort((a, b) => b - a)
  const own: OwnOrBought[] = []
  for (const lengthM of ownM.toSorted((a, b) => a - b)) {
    const roomMm = lengthM * 1000 + kerfMm
    const fits = fullest(
      left.map(metres => metres * 1000 + kerfMm),
      roomMm,
    )
    if (!fits.length) continue
    const cut = fits.map(at => left[at]!)
    for (const at of fits.toSorted((a, b) => b - a)) left.splice(at, 1)
    const usedMm = sum(cut, metres => metres * 1000 + kerfMm)
    own.push({ stockM: lengthM, piecesM: cut, wasteM: Math.max(0, roomMm - usedMm - kerfMm) / 1000, own: true })
  }
  const rest = cutList(left, stockM, kerfMm)
  const without = own.length ? cutList(piecesM, stockM, kerfMm) : undefined
  if (!rest) return without
  if (without && lengthOf(without.stocks) < lengthOf(rest.stocks) - 1e-9) return without
  return { stocks: [...own, ...rest.stocks], leastStocks: rest.leastStocks }
}
const lengthOf = (stocks: readonly Stock[]): number => sum(stocks, ({ stockM }) => stockM)
