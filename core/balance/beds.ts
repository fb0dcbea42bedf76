import { BED_SOILS, GROWS_ABOVE_C, MULCHES } from '../catalog'
import { monthWarmth, rootM, type Amount, type Site } from '../site'
import type { DailySeries } from '../climate'

/** A day's rain under this share of the reference evapotranspiration wets leaves, and no roots. */
const WETS_LEAVES_SHARE = 0.2
/** The share of what roots can reach that plants draw without going short (FAO-56, table 22, rounded). */
const READILY_SHARE = 0.5

/** A bed that is watered as its soil needs, as the daily balance sees it. Months count from January. */
export interface Bed {
  areaM2: number
  irrigationEfficiency: number
  /** Crop coefficient under its mulch. */
  cropFactor: number
  /** Water that the roots can reach in soil at field capacity, mm. */
  availableMm: number
  sheltered: boolean
  /** The share of its need that it is given, by month. */
  monthShares: number[]
  et0MmPerDay: number[]
  meanC: number[]
}

/** A bed laid out for the balance; none where it is dripped by the clock, which asks the same whatever the weather. */
export function bedOf(site: Site, amount: Amount): Bed | undefined {
  if (amount.by !== 'bed' || amount.drip) return undefined
  return {
    areaM2: amount.areaM2,
    irrigationEfficiency: amount.irrigationEfficiency,
    cropFactor: amount.cropCoefficient * MULCHES[amount.mulch ?? 'bare'].cropFactor,
    availableMm: rootM(amount) * (amount.availableMmPerM ?? BED_SOILS[amount.soil ?? 'loam'].availableMmPerM),
    sheltered: amount.sheltered ?? false,
    monthShares: amount.months,
    ...monthWarmth(site),
  }
}

/** What a bed asks each day of a series, and on the day that asks most, L. */
export interface BedAsks {
  asksL: Float64Array
  mostL: number
}

/** Most edits leave the beds as they were; then what they ask of the same weather is known. */
const known = new WeakMap<DailySeries, Map<string, BedAsks>>()
const MOST_KNOWN = 64

/**
 * What a bed asks each day of a series, L, by the water balance of its root zone (FAO-56, chapter 8, one crop
 * coefficient). The soil is at field capacity on the first day. What is asked is taken as given, so it does not depend
 * on what the tanks hold and is worked out once a series.
 */
export function bedAsks(bed: Bed, series: DailySeries): BedAsks {
  let asks = known.get(series)
  if (!asks || asks.size >= MOST_KNOWN) known.set(series, (asks = new Map<string, BedAsks>()))
  const key = JSON.stringify(bed)
  let found = asks.get(key)
  if (!found) asks.set(key, (found = rootZone(bed, series)))
  return found
}

function rootZone(bed: Bed, { rainMm, month, warmth }: DailySeries): BedAsks {
  const { availableMm, cropFactor, et0MmPerDay, meanC, monthShares, sheltered } = bed
  const readilyMm = availableMm * READILY_SHARE
  const litresPerMm = bed.areaM2 / bed.irrigationEfficiency
  const asksL = new Float64Array(rainMm.length)
  let [depletionMm, mostL] = [0, 0]
  for (let day = 0; day < asksL.length; day++) {
    const at = month[day]!
    const et0Mm = warmth?.et0Mm[day] ?? et0MmPerDay[at]!
    const grows = (warmth?.meanC[day] ?? meanC[at]!) >= GROWS_ABOVE_C
    const rain = sheltered || rainMm[day]! < WETS_LEAVES_SHARE * et0Mm ? 0 : rainMm[day]!
    depletionMm = Math.max(0, depletionMm + (grows ? cropFactor * et0Mm : 0) - rain)
    const givenMm = Math.max(0, depletionMm - readilyMm) * monthShares[at]!
    depletionMm = Math.min(availableMm, depletionMm - givenMm)
    asksL[day] = givenMm * litresPerMm
    if (asksL[day]! > mostL) mostL = asksL[day]!
  }
  return { asksL, mostL }
}
