import { weatherMonths } from './weather'
import type { Roof, Site } from './schema'
import { outlineAreaM2 } from './outline'
import { roofYield } from '../sums'
import type { Part } from '../kinds'
import { FLAT_SHARE, GUARDS, ROOF_EXTRAS, ROOFING, SCREENS, type LossSchoolId, type Quality } from '../catalog'

/** One roof is smaller than this; more is a slip of a unit. */
export const ROOF_MOST_M2 = 10000

/** Plan area of a roof, seen from above: its rectangles less the cuts, its outline, or the area that was typed. */
export function roofAreaM2(roof: Roof): number {
  if (roof.measuredBy === 'area') return roof.areaM2 ?? 0
  if (roof.measuredBy === 'outline') return roof.outline ? outlineAreaM2(roof.outline) : 0
  return roof.pieces.reduce((sum, piece) => sum + piece.lengthM * piece.widthM * piece.count * (piece.cut ? -1 : 1), 0)
}

export interface RoofLosses {
  runoffCoefficient: number
  wettingLossMm: number
}

/** Runoff coefficient and wetting loss of a roof by one school: measured where known, else its material's. */
export function roofLosses(roof: Roof, school: LossSchoolId = 'events'): RoofLosses {
  const material = ROOFING[roof.material]
  const runoffCoefficient = roof.runoffCoefficient ?? material.runoffCoefficient
  switch (school) {
    case 'flat':
      return { runoffCoefficient: FLAT_SHARE, wettingLossMm: 0 }
    case 'coefficient':
      return { runoffCoefficient, wettingLossMm: 0 }
    case 'events':
      return { runoffCoefficient, wettingLossMm: roof.wettingLossMm ?? material.wettingLossMm }
  }
}

/** The school of loss that the plan reckons by. */
export const lossSchool = (site: Site): LossSchoolId => site.standards.losses ?? 'events'

/** The input of `roof-yield` for a mean year of the site's climate: the roof is wetted once every wet day. */
export function meanYearYieldInput(site: Site, roof: Roof, school: LossSchoolId = lossSchool(site)) {
  const months = weatherMonths(site)
  const total = (field: 'rainMm' | 'wetDays') => months.reduce((sum, month) => sum + month[field], 0)
  const { runoffCoefficient, wettingLossMm } = roofLosses(roof, school)
  const round = (value: number) => Math.round(value * 10) / 10
  return {
    planAreaM2: roofAreaM2(roof),
    rainMm: round(total('rainMm')),
    runoffCoefficient,
    wettingLossMm: round(wettingLossMm * total('wetDays')),
  }
}

/** Plan area that drains to a spout, over all roofs. */
export function spoutAreaM2(site: Site, spoutId: string): number {
  return site.roofs.reduce(
    (sum, roof) =>
      sum +
      roof.spouts
        .filter(spout => spout.nodeId === spoutId)
        .reduce((part, spout) => part + spout.share * roofAreaM2(roof), 0),
    0,
  )
}

/** Share of a roof's water that a leaf guard and the screens of a line let through, over a year. */
export function captureShare(gutter: Roof['spouts'][number]['gutter'], parts: Part[]): number {
  const screens = parts
    .filter(part => part.kind === 'screen')
    .map(part => (part.type ? SCREENS[part.type].lossShare : 0))
  return screens.reduce((share, loss) => share * (1 - loss), 1 - (gutter ? GUARDS[gutter.guard].lossShare : 0))
}

/** Why a roof's water is doubtful for a use, in words; empty where it is fit. */
export function roofCautions(roof: Roof, quality: Quality): string[] {
  const material = ROOFING[roof.material]
  return [
    ...(material.unfitFor?.includes(quality) ? [`it is ${material.name}: ${material.caution}`] : []),
    ...(roof.extras ?? [])
      .filter(extra => (ROOF_EXTRAS[extra].unfitFor as Quality[]).includes(quality))
      .map(extra => ROOF_EXTRAS[extra].caution),
  ]
}

/** Litres that the roofs, or those of one spout, give in a mean month (1–12), by the plan's school of loss or another. */
export function roofMonthL(site: Site, month: number, spoutId?: string, school = lossSchool(site)): number {
  const { rainMm, wetDays } = weatherMonths(site)[month - 1]!
  return site.roofs.reduce((sum, roof) => {
    const { runoffCoefficient, wettingLossMm } = roofLosses(roof, school)
    const share = roof.spouts
      .filter(spout => !spoutId || spout.nodeId === spoutId)
      .reduce((part, spout) => part + spout.share, 0)
    return (
      sum +
      roofYield({
        planAreaM2: roofAreaM2(roof) * share,
        rainMm,
        runoffCoefficient,
        wettingLossMm: wettingLossMm * wetDays,
      }).volumeL
    )
  }, 0)
}
