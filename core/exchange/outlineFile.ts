import { kinks } from '@turf/kinks'
import { type Answer, refuse } from '../answers'
import { outlineAreaM2, outlineSchema, type Outline } from '../site'

export type OutlineReading = Answer<{ outline: Outline; areaM2: number }>

const MOST_M2 = 10000

/**
 * Reads a roof's outline from the text of a GeoJSON file: a polygon, several, or features that hold them. Whatever
 * else is there is refused
 * with what is wrong with it: lines that are not closed, rings that cross themselves, metres where degrees should be.
 */
export function readOutline(text: string): OutlineReading {
  let json: unknown
  try {
    json = JSON.parse(text.replace(/^\uFEFF/, ''))
  } catch {
    return refuse('This is not GeoJSON: it is no JSON at all.')
  }
  const found = polygonsIn(json)
  if (typeof found === 'string') return refuse(found)
  if (!found.length)
    return refuse('There is no polygon in this file; draw the roof’s outline as an area, not as a line or a point.')
  for (const ring of found.flat()) {
    const problem = ringProblem(ring)
    if (problem) return refuse(problem)
  }
  const read = outlineSchema.safeParse(found.map(part => part.map(ring => ring.map(corner => corner.slice(0, 2)))))
  if (!read.success) return refuse('This outline has more parts or corners than a roof has.')
  for (const ring of read.data.flat()) {
    const crossings = kinks({ type: 'Polygon', coordinates: [ring] }).features
    if (crossings.length)
      return refuse(
        `The outline crosses itself in ${crossings.length === 1 ? 'one place' : `${crossings.length} places`}, ` +
          `near ${at(crossings[0]!.geometry.coordinates)}. Put its corners in the order in which you would walk ` +
          'round it.',
      )
  }
  const areaM2 = outlineAreaM2(read.data)
  if (!(areaM2 > 0))
    return refuse('The outline holds no area: its holes are as large as itself, or its corners lie on one line.')
  if (areaM2 >= MOST_M2)
    return refuse(
      `The outline holds ${Math.round(areaM2 / MOST_M2)} hectares, which is no roof. Draw the roof alone, not ` +
        'the plot.',
    )
  return { ok: true, outline: read.data, areaM2 }
}

type Ring = number[][]

/** The polygons anywhere in a GeoJSON object, or what is wrong with it. */
function polygonsIn(json: unknown): Ring[][] | string {
  if (typeof json !== 'object' || json === null) return 'This is not GeoJSON: it must be one object with a type.'
  const { type, coordinates, geometry, geometries, features } = json as Record<string, unknown>
  const each = (list: unknown) =>
    Array.isArray(list)
      ? list
          .map(polygonsIn)
          .reduce(
            (all, one) => (typeof all === 'string' ? all : typeof one === 'string' ? one : [...all, ...one]),
            [] as Ring[][] | string,
          )
      : `This ${String(type)} has no list in it.`
  switch (type) {
    case 'FeatureCollection':
      return each(features)
    case 'GeometryCollection':
      return each(geometries)
    case 'Feature':
      return geometry ? polygonsIn(geometry) : []
    case 'Polygon':
      return rings(coordinates)
        ? [coordinates]
        : 'The polygon’s coordinates are not lists of corners, each a longitude and a latitude.'
    case 'MultiPolygon':
      return Array.isArray(coordinates) && coordinates.every(rings)
        ? coordinates
        : 'The polygons’ coordinates are not lists of corners, each a longitude and a latitude.'
    case 'Point':
    case 'MultiPoint':
    case 'LineString':
    case 'MultiLineString':
      return []
    default:
      return `This is not GeoJSON: its type is ${type === undefined ? 'missing' : `“${String(type).slice(0, 40)}”`}.`
  }
}

function rings(value: unknown): value is Ring[] {
  return (
    Array.isArray(value) &&
    value.length > 0 &&
    value.every(
      ring =>
        Array.isArray(ring) &&
        ring.every(corner => Array.isArray(corner) && corner.length >= 2 && corner.slice(0, 2).every(Number.isFinite)),
    )
  )
}

function ringProblem(ring: Ring): string | undefined {
  if (ring.length < 4) return 'A ring of the outline has fewer than three corners.'
  const [first, last] = [ring[0]!, ring.at(-1)!]
  if (first[0] !== last[0] || first[1] !== last[1])
    return `A ring of the outline is not closed: it begins at ${at(first)} and ends at ${at(last)}.`
  const beyond = ring.find(([lon, lat]) => Math.abs(lon!) > 180 || Math.abs(lat!) > 90)
  if (!beyond) return undefined
  const [lon, lat] = beyond as [number, number]
  if (Math.abs(lat) <= 180 && Math.abs(lon) <= 90)
    return (
      `The corner ${at(beyond)} has a latitude beyond 90°. GeoJSON puts the longitude first; latitude and ` +
      'longitude may be the wrong way round.'
    )
  return (
    `The corner ${at(beyond)} is not in degrees: longitudes run from −180 to 180, latitudes from −90 to 90. ` +
    'These look like metres of a map grid; export the outline in longitude and latitude (WGS 84).'
  )
}

const at = (corner: number[]) => `${corner[0]}, ${corner[1]}`
