import type { Site } from './schema'
import { onceLaid } from './remembered'
import { circleArea, tankHeight, tankVolume } from '../sums'
import type { Port, PortRole, Tank } from '../kinds'

/** A tank's fittings of one kind. */
export const portsByRole = (tank: Tank, role: PortRole): Port[] => tank.ports.filter(port => port.role === role)

export const tanksOf = onceLaid((site: Site): Tank[] => site.nodes.filter(node => node.kind === 'tank'))

export function tankNominalL(tank: Tank): number {
  return tankVolume({ ...tank.shape, levelM: tankHeight(tank.shape) }).volumeL
}

/**
 * Ground a tank rests on, m²: as somebody measured it, else all that it covers. A tote's frame carries it on its whole
 * footprint; a lying tank on a cradle of half its width.
 */
export function contactAreaM2(tank: Tank): number {
  if (tank.bearsOnM2 !== undefined) return tank.bearsOnM2
  switch (tank.shape.shape) {
    case 'upright-cylinder':
      return circleArea(tank.shape.diameterM)
    case 'box':
      return tank.shape.lengthM * tank.shape.widthM
    case 'lying-cylinder':
      return (tank.shape.lengthM * tank.shape.diameterM) / 2
  }
}

/** Height of a tank's rim above the datum. */
export function rimM(tank: Tank): number {
  return tank.baseM + tankHeight(tank.shape)
}
