import { group } from 'd3-array'
import { remembered } from './remembered'
import { monthWarmth, weatherMonths } from './weather'
import type { Drip } from './drip'
import type { Site, Use } from './schema'
import { dripZone, gardenNeed, type GardenNeedInput } from '../sums'
import { BED_SOILS, GROWS_ABOVE_C, HOT_MONTH_C, MULCHES } from '../catalog'

const byTap = remembered(['uses'], ({ uses }: Pick<Site, 'uses'>) => group(uses, ({ at }) => at))
/** What is used at a tap, in the document's order. */
export const usesAt = (site: Pick<Site, 'uses'>, tapId: string): readonly Use[] => byTap(site).get(tapId) ?? []

/** The input of `garden-need` for a bed in a month (1–12) of the site's climate. */
export function bedNeedInput(site: Site, bed: Extract<Use['amount'], { by: 'bed' }>, month: number): GardenNeedInput {
  const { rainMm, tMinC, tMaxC } = weatherMonths(site)[month - 1]!
  return {
    latitudeDeg: site.place.latitudeDeg,
    month,
    tMinC: Math.min(tMinC, tMaxC),
    tMaxC: Math.max(tMinC, tMaxC),
    rainMm,
    areaM2: bed.areaM2,
    cropCoefficient: bed.cropCoefficient * MULCHES[bed.mulch ?? 'bare'].cropFactor,
    irrigationEfficiency: bed.irrigationEfficiency,
    rainUseShare: BED_SOILS[bed.soil ?? 'loam'].rainUseShare,
  }
}

/** Litres a day that a bed needs in each month, whatever waters it; nought in months in which it is not watered. */
export function bedNeeds(site: Site, bed: Extract<Use['amount'], { by: 'bed' }>): number[] {
  return bed.months.map((share, index) => share * gardenNeed(bedNeedInput(site, bed, index + 1)).litresPerDay)
}

/** How deep a bed's plants root, where nobody said: as vegetables do. */
const USUAL_ROOT_M = 0.5
export const rootM = (bed: Pick<Extract<Use['amount'], { by: 'bed' }>, 'rootM'>) => bed.rootM ?? USUAL_ROOT_M

/** Months (1–12) whose days are hot on the mean. */
export function hotMonths(site: Site): number[] {
  return weatherMonths(site).flatMap(({ tMaxC }, index) => (tMaxC >= HOT_MONTH_C ? [index + 1] : []))
}

/** A drip's timer is shut in a month (0 for January) in which nothing grows, unless somebody lets it run. */
export const isDripShut = (site: Site, { runsInCold }: Pick<Drip, 'runsInCold'>, month: number): boolean =>
  !runsInCold && monthWarmth(site).meanC[month]! < GROWS_ABOVE_C

/** Litres a day that a use asks for, January to December. */
export function litresPerDay(site: Site, use: Use): number[] {
  const { amount } = use
  const hot = hotMonths(site)
  return amount.months.map((share, index) => {
    switch (amount.by) {
      case 'people':
        return share * amount.people * amount.litresPerPersonDay
      case 'habit':
        return share * amount.people * amount.timesPerPersonDay * amount.litresEach
      case 'heads':
        return share * amount.heads * amount.litresPerHeadDay * (hot.includes(index + 1) ? (amount.hotFactor ?? 1) : 1)
      case 'day':
        return share * amount.litresPerDay
      case 'bed':
        return (
          share *
          (amount.drip
            ? isDripShut(site, amount.drip, index)
              ? 0
              : dripZone(amount.drip).litresPerWeek / 7
            : gardenNeed(bedNeedInput(site, amount, index + 1)).litresPerDay)
        )
    }
  })
}
