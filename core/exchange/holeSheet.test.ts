import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { holeSheets } from './holeSheet'
import { built, type Hole } from '../build'
import { demoSite } from '../../tests/demoSites'

/** Templates are held against a wall: they are true, apart, on the page, and none is missing. */
const [model] = built(demoSite('quillfern-ridge'), 4, '2027-04-18').holes
const hole = (sawMm: number, at: number): Hole => ({ ...model!, id: `hole-${at}`, sawMm })
const PAGES = { metric: [210, 297], us: [215.9, 279.4], imperial: [210, 297] } as const
const circlesOf = (svg: string) =>
  [...svg.matchAll(/<circle cx="([\d.]+)" cy="([\d.]+)" r="([\d.]+)"/g)].map(([, cx, cy, r]) => ({
    cx: Number(cx),
    cy: Number(cy),
    r: Number(r),
  }))

describe('templates of holes', () => {
  it('stand on as many pages as they need, at true size, apart and off the edges; what is wider is named', () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 12, max: 260 }), { maxLength: 20 }),
        fc.constantFrom('metric', 'us', 'imperial'),
        (saws, system) => {
          const sheets = holeSheets('Tank & Co', saws.map(hole), ({ id }) => id, system)
          const [width, height] = PAGES[system]
          const wide = saws.filter(saw => saw + 10 > width - 24)
          const all = sheets.flatMap(circlesOf)
          expect(all.map(({ r }) => 2 * r).sort((a, b) => a - b)).toEqual(
            saws.filter(saw => !wide.includes(saw)).sort((a, b) => a - b),
          )
          for (const sheet of sheets) {
            const circles = circlesOf(sheet)
            for (const [at, { cx, cy, r }] of circles.entries()) {
              expect(Math.min(cx - r, cy - r)).toBeGreaterThan(5)
              expect(cx + r).toBeLessThan(width - 5)
              expect(cy + r + 7).toBeLessThan(height - 10)
              for (const other of circles.slice(at + 1))
                expect(Math.hypot(cx - other.cx, cy - other.cy)).toBeGreaterThan(r + other.r)
            }
          }
          expect(sheets.at(-1)!.includes('Wider than this page')).toBe(wide.length > 0)
        },
      ),
    )
  })
  it('say which page they are where there are several', () => {
    const sheets = holeSheets('Tank', [150, 150, 150].map(hole), ({ id }) => id, 'metric')
    expect(sheets).toHaveLength(3)
    expect(sheets[1]).toContain('(2 of 3)')
    expect(holeSheets('Tank', [hole(60, 1)], ({ id }) => id, 'us').join()).not.toContain(' of 1)')
  })
})
