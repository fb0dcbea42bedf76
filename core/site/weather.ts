import type { Climate, Site } from './schema'
import { CLIMATES, usualSpreadShare } from '../catalog'
import { monthRadiationMJ, referenceEvapotranspiration, stormIntensity } from '../sums'

type Weather = Pick<Site, 'climate' | 'place'>
export type ClimateShift = NonNullable<Climate['shift']>
export const NO_SHIFT: ClimateShift = { rainShare: 1, summerShare: 1, fewerDaysShare: 0 }

/**
 * The three warmest months by the calendar, 0 for January: June to August, or December to February south of the
 * equator.
 */
export function summerMonths(latitudeDeg: number): number[] {
  return latitudeDeg < 0 ? [11, 0, 1] : [5, 6, 7]
}

/** What a climate's shift makes of a month's rain, as a factor. */
export function rainFactor({ climate: { shift }, place }: Weather, month: number): number {
  if (!shift) return 1
  return shift.rainShare * (summerMonths(place.latitudeDeg).includes(month) ? shift.summerShare : 1)
}

/** The twelve months that the plan runs on: the climate's own, under its shift. */
export function weatherMonths(weather: Weather): Climate['months'] {
  const { shift, months } = weather.climate
  if (!shift) return months
  return months.map((month, index) => {
    const rainMm = month.rainMm * rainFactor(weather, index)
    return { ...month, rainMm, wetDays: rainMm > 0 ? month.wetDays * (1 - shift.fewerDaysShare) : 0 }
  })
}

/** How much one year's rain differs from another's: as somebody typed it, as the stand-in has it, or by rule. */
export function annualSpreadShare(weather: Weather): number {
  const { annualSpreadShare: typed, standIn } = weather.climate
  const yearMm = weatherMonths(weather).reduce((sum, month) => sum + month.rainMm, 0)
  return typed ?? (standIn ? CLIMATES[standIn].annualSpreadShare : usualSpreadShare(yearMm))
}

/** True where nobody has told how much years differ, and no stand-in says. */
export const isSpreadByRule = ({ climate }: Weather): boolean =>
  climate.annualSpreadShare === undefined && climate.standIn === undefined

/**
 * What a reference lawn gives off in a month (0 for January), mm a day, by Hargreaves and Samani from its night and
 * day temperatures.
 */
export function et0Mm(latitudeDeg: number, month: number, tMinC: number, tMaxC: number): number {
  return referenceEvapotranspiration(
    monthRadiationMJ(latitudeDeg, month),
    Math.min(tMinC, tMaxC),
    Math.max(tMinC, tMaxC),
  )
}

/** The warmth of each month's mean day: what a reference lawn gives off, and the temperature. */
export function monthWarmth({ climate, place }: Weather): { et0MmPerDay: number[]; meanC: number[] } {
  return {
    et0MmPerDay: climate.months.map(({ tMinC, tMaxC }, month) => et0Mm(place.latitudeDeg, month, tMinC, tMaxC)),
    meanC: climate.months.map(({ tMinC, tMaxC }) => (tMinC + tMaxC) / 2),
  }
}

/** A month whose mean night is colder than this freezes standing water above ground. */
const FROST_C = -1

/** Months of frost, 1 for January. */
export function frostMonths(weather: Weather): number[] {
  return weatherMonths(weather).flatMap((month, index) => (month.tMinC < FROST_C ? [index + 1] : []))
}

export interface DesignStorm {
  intensityMmPerH: number
  minutes: number
  returnYears?: number
  sum?: { name: 'storm-intensity'; input: Parameters<typeof stormIntensity>[0] & Record<string, unknown> }
}

/** Rain on fewer days falls harder: what leaves the lost days comes down on the others. */
const harder = (climate: Climate) => (climate.shift ? 1 / (1 - climate.shift.fewerDaysShare) : 1)

/**
 * The storm that gutters, lines and overflows must carry: typed, or from the climate's bursts by how rare it may be.
 * Undefined where nobody knows.
 */
export function designStorm({ climate }: Pick<Site, 'climate'>): DesignStorm | undefined {
  const {
    storm: { intensityMmPerH, returnYears, minutes },
    burst,
  } = climate
  if (returnYears !== undefined && burst) {
    const input = {
      fiveYearMmPerH: round(burst.fiveYearMmPerH * harder(climate)),
      returnYears,
      minutes,
      returnExponent: burst.returnExponent,
    }
    return { ...stormIntensity(input), minutes, returnYears, sum: { name: 'storm-intensity', input } }
  }
  return intensityMmPerH ? { intensityMmPerH: intensityMmPerH * harder(climate), minutes } : undefined
}

/** The five-minute burst that comes back once in five years: the climate's own, else the design storm taken for it. */
export function fiveYearBurstMmPerH(site: Pick<Site, 'climate'>): number | undefined {
  const { burst } = site.climate
  return burst ? burst.fiveYearMmPerH * harder(site.climate) : designStorm(site)?.intensityMmPerH
}

const round = (value: number) => Math.round(value * 100) / 100
