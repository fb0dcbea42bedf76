import { FOOT_M } from '../units'
import type { System } from '../units'

/** Pipe for standpipes: the length it is sold in, what one costs, and its cap, ball and tee. */
export interface Standpipe {
  id: string
  innerDiameterMm: number
  soldInM: number
  price: number
  endsPrice: number
}
/** A sealed drum with a lid that opens. */
export interface FlushDrum {
  id: string
  innerDiameterMm: number
  heightM: number
  price: number
}

const [SOLD_IN_M, SOLD_IN_FEET_M] = [3, 10 * FOOT_M]

/**
 * Prices are a start, in whatever money the site counts; what a person pays beats them. A price a metre is alike
 * wherever it is bought, so a length costs as it is long.
 */
const PER_M: [price: number, ends: number][] = [
  [9, 22],
  [17, 38],
  [31, 64],
]
const pipes = (boresMm: number[], soldInM: number): Standpipe[] =>
  boresMm.map((innerDiameterMm, at) => ({
    id: `standpipe-${Math.round(innerDiameterMm)}`,
    innerDiameterMm,
    soldInM,
    price: Math.round(PER_M[at]![0] * soldInM),
    endsPrice: PER_M[at]![1],
  }))

const METRIC_PIPES = pipes([104, 154, 193], SOLD_IN_M)
/** Schedule 40 of 4, 6 and 8 in, sold in ten feet. */
const INCH_PIPES = pipes([102.26, 154.05, 202.72], SOLD_IN_FEET_M)

const DRUM_PRICES = [24, 30, 42, 55]
const drums = (measures: [innerDiameterMm: number, heightM: number][]): FlushDrum[] =>
  measures.map(([innerDiameterMm, heightM], at) => ({
    id: `drum-${Math.round(innerDiameterMm)}`,
    innerDiameterMm,
    heightM,
    price: DRUM_PRICES[at]!,
  }))

/** Of 30, 60, 120 and 200 L. */
const LITRE_DRUMS = drums([
  [300, 0.43],
  [370, 0.56],
  [460, 0.73],
  [570, 0.8],
])
/** Of 5, 15, 30 and 55 US gallons; across in whole and half inches. */
const US_DRUMS = drums([
  [279.4, 0.3087],
  [355.6, 0.5717],
  [457.2, 0.6917],
  [571.5, 0.8116],
])
/** Of 5, 10, 25 and 45 imperial gallons. */
const IMPERIAL_DRUMS = drums([
  [292.1, 0.3392],
  [355.6, 0.4577],
  [457.2, 0.6923],
  [571.5, 0.7975],
])

/** Pipe that standpipes are made of, where a site buys it. */
export const standpipesSold = (units: System): Standpipe[] => (units === 'us' ? INCH_PIPES : METRIC_PIPES)

/** Sealed drums, where a site buys them. */
export const flushDrumsSold = (units: System): FlushDrum[] =>
  units === 'us' ? US_DRUMS : units === 'imperial' ? IMPERIAL_DRUMS : LITRE_DRUMS
