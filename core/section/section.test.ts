import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { arbitrarySite, blank } from '../../tests/sites'
import { portHeightM } from '../site'
import { drawSection } from '.'
import { staffMarks, verticalScale } from './scale'

describe('the vertical scale', () => {
  it('is true within bands, folds empty height, and reads back', () => {
    const scale = verticalScale([[0, 3], [18, 20], [2, 4]], 316)
    expect(scale.bands.map(band => [band.lowM, band.highM])).toEqual([[0, 4], [18, 20]])
    expect(scale.folds).toHaveLength(1)
    expect(scale.folds[0]!.metres).toBe(14)
    expect(scale.y(1) - scale.y(2)).toBeCloseTo(scale.pxPerM, 9)
    expect(scale.y(18) - scale.y(19)).toBeCloseTo(scale.pxPerM, 9)
    fc.assert(fc.property(fc.double({ min: -2, max: 24, noNaN: true }), (heightM) => { expect(scale.metresAt(scale.y(heightM))).toBeCloseTo(heightM, 6) }))
  })
  it('never turns upside down', () => {
    const pair = fc.tuple(fc.double({ min: -60, max: 60, noNaN: true }), fc.double({ min: 0.1, max: 5, noNaN: true })).map(([low, tall]): [number, number] => [low, low + tall])
    fc.assert(fc.property(fc.array(pair, { minLength: 1, maxLength: 12 }), fc.double({ min: -70, max: 70, noNaN: true }), fc.double({ min: 0.01, max: 20, noNaN: true }), (intervals, heightM, more) => {
      const scale = verticalScale(intervals, 320)
      expect(scale.y(heightM + more)).toBeLessThan(scale.y(heightM))
    }))
  })
})

describe('the staff', () => {
  it('is graduated in the unit it is read in', () => {
    const scale = verticalScale([[-0.4, 5], [18, 20]], 316)
    for (const unitM of [1, 0.3048]) {
      const marks = staffMarks(scale, unitM)
      expect(marks.filter(mark => mark.figure).length).toBeGreaterThan(4)
      for (const mark of marks) {
        expect(mark.yPx).toBeCloseTo(scale.y(mark.reading * unitM), 9)
        if (mark.figure) expect(Number.isInteger(mark.reading)).toBe(true)
      }
    }
  })
})

describe('the drawing', () => {
  it('draws any site: runs end at their true heights, nothing falls outside or is not a number', () => {
    fc.assert(fc.property(arbitrarySite, (site) => {
      const drawing = drawSection(site, 904, 318)
      expect(drawing.routes).toHaveLength(site.runs.length)
      for (const [index, route] of drawing.routes.entries()) {
        expect(route.points[0]![1]).toBeCloseTo(drawing.scale.y(portHeightM(site, site.runs[index]!.from)), 6)
        expect(route.points.at(-1)![1]).toBeCloseTo(drawing.scale.y(portHeightM(site, site.runs[index]!.to)), 6)
        expect(route.points.flat().every(Number.isFinite)).toBe(true)
      }
      for (const slot of drawing.slots) {
        expect(slot.x).toBeGreaterThan(40)
        expect(slot.x + slot.width).toBeLessThanOrEqual(drawing.widthPx)
      }
      for (let index = 1; index < drawing.slots.length; index++) expect(drawing.slots[index]!.x).toBeGreaterThan(drawing.slots[index - 1]!.x + drawing.slots[index - 1]!.width)
    }), { numRuns: 60 })
  })
  it('draws bare ground for a site with nothing on it', () => {
    expect(drawSection(blank(), 904, 318).ground).toHaveLength(2)
  })
})
