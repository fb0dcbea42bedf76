import { describe, expect, it } from 'vitest'
import fc from 'fast-check'
import { pictureOf, seenOf } from '.'
import { largeYard } from '../../tests/largeYard'
import type { Point } from './parts'
import type { Route } from './routes'

const route = (points: Point[], treatedFrom?: number): Route => {
  const xs = points.map(([x]) => x)
  const parts = points.map(([x, y], at) => ({
    id: `part-${at}`,
    kind: 'valve' as const,
    x,
    y,
    upright: false,
    open: true,
  }))
  const reachPx: [number, number] = [Math.min(...xs), Math.max(...xs)]
  return { runId: 'run-1', name: 'Tank to bench', water: 'roof', treatedFrom, parts, points, reachPx }
}
const STAIRS = route([
  [0, 0],
  [100, 0],
  [100, 50],
  [200, 50],
  [200, 90],
  [300, 90],
])
const lengthPx = (points: Point[]) =>
  points.slice(1).reduce((sum, [x, y], at) => sum + Math.abs(x - points[at]![0]) + Math.abs(y - points[at]![1]), 0)

describe('what a frame shows of a route', () => {
  it('is all of one that stands within it, and nothing of one that stands beside it', () => {
    expect(seenOf(STAIRS, -10, 400)).toMatchObject({
      points: STAIRS.points,
      parts: STAIRS.parts,
      stretches: [{ water: 'roof', points: STAIRS.points, beforePx: 0 }],
    })
    expect(seenOf(STAIRS, 301, 400)).toBeUndefined()
    expect(seenOf(STAIRS, -50, -1)).toBeUndefined()
  })
  it('is the legs that come into it, with how much of the line goes before', () => {
    const seen = seenOf(STAIRS, 110, 190)!
    expect(seen.points).toEqual([
      [100, 50],
      [200, 50],
    ])
    expect(seen.stretches).toEqual([{ water: 'roof', points: seen.points, beforePx: 150 }])
    expect(seen.parts).toEqual([])
  })
  it('says from where on the water is treated', () => {
    const treated = route(STAIRS.points, 3)
    const waters = (fromPx: number, toPx: number) =>
      seenOf(treated, fromPx, toPx)!.stretches.map(({ water, beforePx }) => [water, beforePx])
    expect(waters(0, 300)).toEqual([
      ['roof', 0],
      ['treated', 0],
    ])
    expect(waters(0, 90)).toEqual([['roof', 0]])
    expect(waters(250, 300)).toEqual([['treated', 40]])
  })
  it('leaves out nothing that lies within the frame, of any site', () => {
    const { drawing } = pictureOf(largeYard(12, 8), { framePx: 900, heightPx: 300 })
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 1, noNaN: true }),
        fc.double({ min: 10, max: 900, noNaN: true }),
        (at, px) => {
          const [fromPx, toPx] = [at * drawing.widthPx, at * drawing.widthPx + px]
          for (const each of drawing.routes) {
            const seen = seenOf(each, fromPx, toPx)
            const within = each.points.filter(([x]) => x >= fromPx && x <= toPx)
            const kept = new Set(seen?.points)
            expect(within.filter(point => !kept.has(point))).toEqual([])
            if (!seen) continue
            const shown = seen.stretches.map(({ points }) => lengthPx(points)).reduce((sum, each) => sum + each)
            expect(seen.stretches[0]!.beforePx + shown).toBeLessThanOrEqual(lengthPx(each.points) + 1e-6)
          }
        },
      ),
    )
  })
})
