import { area } from '@turf/area'
import type { Outline } from './schema'

/** Area of an outline on the ground, holes taken out; which way its rings turn makes no difference. */
export function outlineAreaM2(outline: Outline): number {
  const known = areas.get(outline)
  if (known !== undefined) return known
  const areaM2 = outline.reduce(
    (sum, [outer, ...holes]) => sum + ringAreaM2(outer!) - holes.reduce((cut, hole) => cut + ringAreaM2(hole), 0),
    0,
  )
  areas.set(outline, areaM2)
  return areaM2
}
/** An outline never changes once it is in a document, and its area is asked for at every figure. */
const areas = new WeakMap<Outline, number>()
const ringAreaM2 = (ring: [number, number][]) => area({ type: 'Polygon', coordinates: [ring] })

const METRES_A_DEGREE = 111195

/**
 * An outline in metres east and north of its middle, for a plan. Good to a part in a thousand for anything the size
 * of a roof.
 */
export function outlinePlan(outline: Outline): [number, number][][][] {
  const corners = outline.flat(2)
  const middle = (axis: 0 | 1) =>
    (Math.min(...corners.map(corner => corner[axis])) + Math.max(...corners.map(corner => corner[axis]))) / 2
  const [east, north] = [middle(0), middle(1)]
  const shrink = Math.cos((north * Math.PI) / 180)
  return outline.map(part =>
    part.map(ring =>
      ring.map(([lon, lat]): [number, number] => [
        (lon - east) * METRES_A_DEGREE * shrink,
        (lat - north) * METRES_A_DEGREE,
      ]),
    ),
  )
}
