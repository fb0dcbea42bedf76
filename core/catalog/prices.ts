import { TANK_KINDS, type TankKindId } from './tanks'

/**
 * Larger tanks cost less a litre: price grows with about the three-quarter power of what a tank holds, for vessels of
 * one make.
 */
const SIZE_EXPONENT = 0.75

/** A starting guess of what a tank of a kind costs in a size, in whatever currency is spent; a quote beats it. */
export function guessedPrice(kind: TankKindId, volumeL: number): number {
  const { price, priceAtL } = TANK_KINDS[kind]
  return price * (volumeL / priceAtL) ** SIZE_EXPONENT
}

/** Sizes a kind is usually sold in, litres. */
export const STANDARD_SIZES_L: Record<TankKindId, number[]> = {
  drum: [120, 210],
  tote: [600, 1000],
  stock: [380, 1000, 1500],
  upright: [1000, 2500, 5000, 10000, 20000],
  lying: [1000, 2000, 5000],
  buried: [2500, 5000, 7500, 10000],
  steel: [10000, 22000, 45000, 90000],
  header: [500, 1000, 2000],
  pump: [200, 400, 750],
}
