import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { whyNot } from '../answers'
import { readOutline } from './outlineFile'
import { outlineAreaM2, outlinePlan } from '../site'

const METRE = 1 / 111195
/** A rectangle at 45° north, metres east and north. */
const ring = (widthM: number, heightM: number, eastM = 0, northM = 0): [number, number][] =>
  [
    [0, 0],
    [widthM, 0],
    [widthM, heightM],
    [0, heightM],
    [0, 0],
  ].map(([x, y]) => [10 + ((x! + eastM) * METRE) / Math.cos(Math.PI / 4), 45 + (y! + northM) * METRE])
const polygon = (...rings: unknown[]) => JSON.stringify({ type: 'Polygon', coordinates: rings })
const areaOf = (text: string) => {
  const read = readOutline(text)
  if (!read.ok) throw new Error(whyNot(read))
  return read.areaM2
}
const refusal = (text: string) => {
  const read = readOutline(text)
  return read.ok ? 'read' : whyNot(read)
}

describe('an outline from GeoJSON', () => {
  it('has the area of its ground, either way round, holes taken out', () => {
    expect(areaOf(polygon(ring(12, 8))) / 96).toBeCloseTo(1, 2)
    expect(areaOf(polygon(ring(12, 8).reverse()))).toBeCloseTo(areaOf(polygon(ring(12, 8))), 9)
    expect(areaOf(polygon(ring(12, 8), ring(2, 3, 4, 2))) / 90).toBeCloseTo(1, 2)
  })
  it('is found in features, collections and several polygons, beside points and lines', () => {
    const feature = (geometry: unknown) => ({ type: 'Feature', properties: {}, geometry })
    const parts = { type: 'MultiPolygon', coordinates: [[ring(5, 4)], [ring(5, 4, 20)]] }
    const text = JSON.stringify({
      type: 'FeatureCollection',
      features: [
        feature({ type: 'Point', coordinates: [10, 45] }),
        feature(parts),
        feature({ type: 'GeometryCollection', geometries: [{ type: 'Polygon', coordinates: [ring(10, 10, 40)] }] }),
      ],
    })
    expect(areaOf(`\uFEFF${text}`) / 140).toBeCloseTo(1, 2)
  })
  it('keeps its area on the plan', () => {
    const read = readOutline(polygon(ring(12, 8)))
    if (!read.ok) throw new Error(whyNot(read))
    const [[corners]] = outlinePlan(read.outline) as [[[number, number][]]]
    const planM2 =
      Math.abs(
        corners.slice(1).reduce((sum, [x, y], index) => sum + corners[index]![0] * y - x * corners[index]![1], 0),
      ) / 2
    expect(planM2 / outlineAreaM2(read.outline)).toBeCloseTo(1, 2)
  })
  it.each([
    ['nothing', '', 'no JSON'],
    ['another kind of file', '{"type":"Topology"}', '“Topology”'],
    ['a list', '[]', 'GeoJSON'],
    ['a line', '{"type":"LineString","coordinates":[[0,0],[1,1]]}', 'no polygon'],
    ['an open ring', polygon(ring(12, 8).slice(0, -1)), 'not closed'],
    [
      'two corners',
      polygon([
        [0, 0],
        [1, 1],
        [0, 0],
      ]),
      'fewer than three corners',
    ],
    [
      'a bow tie',
      polygon([
        [10, 45],
        [10.0001, 45.0001],
        [10.0001, 45],
        [10, 45.0001],
        [10, 45],
      ]),
      'crosses itself',
    ],
    [
      'metres of a grid',
      polygon([
        [512000, 4980000],
        [512010, 4980000],
        [512010, 4980010],
        [512000, 4980000],
      ]),
      'not in degrees',
    ],
    [
      'latitude first',
      polygon([
        [45, 120],
        [45, 120.0001],
        [45.0001, 120.0001],
        [45, 120],
      ]),
      'wrong way round',
    ],
    ['a plot, not a roof', polygon(ring(400, 300)), 'hectares'],
    ['words for numbers', '{"type":"Polygon","coordinates":[[["a","b"]]]}', 'lists of corners'],
    ['a hole as large as itself', polygon(ring(5, 5), ring(5, 5)), 'no area'],
  ])('says what is wrong with %s', (_, text, words) => expect(refusal(text)).toContain(words))
  it('never throws, whatever the file holds', () => {
    fc.assert(
      fc.property(
        fc.oneof(
          fc.json(),
          fc.string(),
          fc
            .record({
              type: fc.constantFrom('Polygon', 'MultiPolygon', 'Feature', 'FeatureCollection', 'GeometryCollection'),
              coordinates: fc.jsonValue(),
              features: fc.jsonValue(),
              geometry: fc.jsonValue(),
              geometries: fc.jsonValue(),
            })
            .map(value => JSON.stringify(value)),
        ),
        text => {
          const read = readOutline(text)
          return read.ok ? read.areaM2 > 0 : whyNot(read).endsWith('.')
        },
      ),
      { numRuns: 300 },
    )
  })
})
