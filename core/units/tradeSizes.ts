import { INCH_MM } from './measures'
/**
 * Pipe by the size it is called in the trade, inches, and what it truly measures inside: schedule 40 in steel and
 * plastic (ASME B36.10M, ASTM D1785).
 */
const TRADE_SIZES: { inches: number; text: string; innerMm: number }[] = [
  { inches: 0.5, text: '1/2', innerMm: 15.8 },
  { inches: 0.75, text: '3/4', innerMm: 20.93 },
  { inches: 1, text: '1', innerMm: 26.64 },
  { inches: 1.25, text: '1 1/4', innerMm: 35.05 },
  { inches: 1.5, text: '1 1/2', innerMm: 40.89 },
  { inches: 2, text: '2', innerMm: 52.5 },
  { inches: 2.5, text: '2 1/2', innerMm: 62.71 },
  { inches: 3, text: '3', innerMm: 77.93 },
  { inches: 4, text: '4', innerMm: 102.26 },
  { inches: 5, text: '5', innerMm: 128.19 },
  { inches: 6, text: '6', innerMm: 154.05 },
  { inches: 8, text: '8', innerMm: 202.72 },
  { inches: 10, text: '10', innerMm: 254.51 },
  { inches: 12, text: '12', innerMm: 303.23 },
]

/** Nearer than this to a trade size, a bore is called by it; what somebody typed in eighths is left as it is. */
const NEAR_SHARE = 0.062
const isEighths = (mm: number) => Math.abs((mm / INCH_MM) * 8 - Math.round((mm / INCH_MM) * 8)) < 1e-6

/** The trade size that a bore goes by; undefined where it goes by none. */
export function tradeSizeOf(innerMm: number): string | undefined {
  const nearest = TRADE_SIZES.reduce((best, size) =>
    Math.abs(size.innerMm - innerMm) < Math.abs(best.innerMm - innerMm) ? size : best,
  )
  const isExact = nearest.inches * INCH_MM === innerMm
  if (isEighths(innerMm) && !isExact) return undefined
  return Math.abs(nearest.innerMm - innerMm) <= NEAR_SHARE * nearest.innerMm ? nearest.text : undefined
}

/** What a pipe of a trade size measures inside, mm; undefined where none is sold by that size. */
export const innerMmOf = (inches: number): number | undefined =>
  TRADE_SIZES.find(size => Math.abs(size.inches - inches) < 1e-9)?.innerMm
