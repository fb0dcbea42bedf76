import { circleArea, gardenNeed, tankHeight, tankVolume, type GardenNeedInput } from '../sums'
import type { NodeOf, Site, Tank, Use } from './schema'
import { weatherMonths } from './weather'

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
  const { rainMm, tMinC, tMaxC } = weatherMonths(site)[month - 1]!
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
