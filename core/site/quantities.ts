import { ROOFING } from '../catalog'
import { circleArea, gardenNeed, tankHeight, tankVolume, type GardenNeedInput } from '../sums'
import type { NodeOf, Roof, Site, Tank, Use } from './schema'

/** Plan area of a roof: the sum of its pieces, seen from above. */
export function roofAreaM2(roof: Roof): number {
  return roof.pieces.reduce((sum, piece) => sum + piece.lengthM * piece.widthM * piece.count, 0)
}

/** Runoff coefficient and wetting loss of a roof: measured where known, else its material's. */
export function roofLosses(roof: Roof): { runoffCoefficient: number, wettingLossMm: number } {
  const material = ROOFING[roof.material]
  return { runoffCoefficient: roof.runoffCoefficient ?? material.runoffCoefficient, wettingLossMm: roof.wettingLossMm ?? material.wettingLossMm }
}

/** The input of `roof-yield` for a mean year of the site's climate: the roof is wetted once every wet day. */
export function meanYearYieldInput(site: Site, roof: Roof) {
  const total = (field: 'rainMm' | 'wetDays') => site.climate.months.reduce((sum, month) => sum + month[field], 0)
  const { runoffCoefficient, wettingLossMm } = roofLosses(roof)
  const round = (value: number) => Math.round(value * 10) / 10
  return { planAreaM2: roofAreaM2(roof), rainMm: round(total('rainMm')), runoffCoefficient, wettingLossMm: round(wettingLossMm * total('wetDays')) }
}

/** Plan area that drains to a spout, over all roofs. */
export function spoutAreaM2(site: Site, spoutId: string): number {
  return site.roofs.reduce((sum, roof) => sum + roof.spouts.filter(spout => spout.nodeId === spoutId).reduce((part, spout) => part + spout.share * roofAreaM2(roof), 0), 0)
}

export function tankNominalL(tank: Tank): number {
  return tankVolume({ ...tank.shape, levelM: tankHeight(tank.shape) }).volumeL
}

export function chamberVolumeL(chamber: NodeOf<'chamber'>): number {
  return circleArea(chamber.innerDiameterMm / 1000) * chamber.heightM * 1000
}

/** Ground a tank rests on, m². A tote's frame carries it on its whole footprint; a lying tank on a cradle of half its width. */
export function contactAreaM2(tank: Tank): number {
  switch (tank.shape.shape) {
    case 'upright-cylinder': return circleArea(tank.shape.diameterM)
    case 'box': return tank.shape.lengthM * tank.shape.widthM
    case 'lying-cylinder': return tank.shape.lengthM * tank.shape.diameterM / 2
  }
}

/** The input of `garden-need` for a bed in a month (1–12) of the site's climate. */
export function bedNeedInput(site: Site, bed: Extract<Use['amount'], { by: 'bed' }>, month: number): GardenNeedInput {
  const { rainMm, tMinC, tMaxC } = site.climate.months[month - 1]!
  return {
    latitudeDeg: site.place.latitudeDeg, month, tMinC: Math.min(tMinC, tMaxC), tMaxC: Math.max(tMinC, tMaxC), rainMm,
    areaM2: bed.areaM2, cropCoefficient: bed.cropCoefficient, irrigationEfficiency: bed.irrigationEfficiency,
  }
}

/** Litres a day that a use asks for, January to December. */
export function litresPerDay(site: Site, use: Use): number[] {
  const { amount } = use
  return amount.months.map((share, index) => {
    switch (amount.by) {
      case 'people': return share * amount.people * amount.litresPerPersonDay
      case 'heads': return share * amount.heads * amount.litresPerHeadDay
      case 'day': return share * amount.litresPerDay
      case 'bed': return share * gardenNeed(bedNeedInput(site, amount, index + 1)).litresPerDay
    }
  })
}
