import { IMPERIAL_GALLON_L, US_GALLON_L } from '../units'
import { TANK_KINDS, type TankKindId } from './tanks'
import type { System } from '../units'

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

const gallons = (...sizes: number[]) => sizes.map(size => size * US_GALLON_L)
const imperialGallons = (...sizes: number[]) => sizes.map(size => size * IMPERIAL_GALLON_L)

/** Sizes a kind is usually sold in where US gallons are spoken, litres. */
const US_SIZES_L: Record<TankKindId, number[]> = {
  drum: gallons(30, 55),
  tote: gallons(275, 330),
  stock: gallons(100, 300, 400),
  upright: gallons(300, 550, 1000, 1600, 2500, 5000),
  lying: gallons(300, 550, 1000),
  buried: gallons(600, 1200, 1700, 2500),
  steel: gallons(2500, 5000, 12000, 25000),
  header: gallons(150, 300, 550),
  pump: gallons(55, 105, 210),
}

/** Sizes a kind is usually sold in where imperial gallons are spoken, litres. */
const IMPERIAL_SIZES_L: Record<TankKindId, number[]> = {
  drum: imperialGallons(25, 45),
  tote: imperialGallons(130, 220),
  stock: imperialGallons(85, 165, 330),
  upright: imperialGallons(165, 220, 550, 1100, 2200, 4400),
  lying: imperialGallons(220, 440, 1100),
  buried: imperialGallons(550, 1100, 1650, 2200),
  steel: imperialGallons(2200, 4800, 10000, 20000),
  header: imperialGallons(110, 220, 440),
  pump: imperialGallons(45, 90, 165),
}

/** Sizes a kind is usually sold in where litres are spoken. */
const LITRE_SIZES_L: Record<TankKindId, number[]> = {
  drum: [120, 205],
  tote: [600, 1000],
  stock: [380, 750, 1500],
  upright: [750, 1000, 2500, 5000, 10000, 20000],
  lying: [1000, 2000, 5000],
  buried: [2500, 5000, 7500, 10000],
  steel: [10000, 22000, 45000, 90000],
  header: [500, 1000, 2000],
  pump: [200, 400, 750],
}

const SIZES_L = { metric: LITRE_SIZES_L, us: US_SIZES_L, imperial: IMPERIAL_SIZES_L }

/** Sizes a kind is usually sold in, in the system of units that its market speaks; litres. */
export const sizesSoldL = (kind: TankKindId, units: System): number[] => SIZES_L[units][kind]

/** A starting guess of what a pressure tank costs. */
export const vesselPrice = (volumeL: number): number => Math.round((260 * (volumeL / 100) ** 0.7) / 10) * 10
