import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { arbitrarySite, blank, build } from '../../tests/sites'
import { staffMarks, verticalScale } from './scale'
import { insideOf } from './inside'
import { drawSection, readableWidthPx, slotOfNode } from './drawing'
import { tankHeight } from '../sums'
import { portHeightM, tanksOf } from '../site'
import { moveOf } from '../moves'

describe('the vertical scale', () => {
  it('is true within bands, folds empty height, and reads back', () => {
    const scale = verticalScale(
      [
        [0, 3],
        [18, 20],
        [2, 4],
      ],
      316,
    )
    expect(scale.bands.map(band => [band.lowM, band.highM])).toEqual([
      [0, 4],
      [18, 20],
    ])
    expect(scale.folds).toHaveLength(1)
    expect(scale.folds[0]!.metres).toBe(14)
    expect(scale.y(1) - scale.y(2)).toBeCloseTo(scale.pxPerM, 9)
    expect(scale.y(18) - scale.y(19)).toBeCloseTo(scale.pxPerM, 9)
    fc.assert(
      fc.property(fc.double({ min: -2, max: 24, noNaN: true }), heightM => {
        expect(scale.metresAt(scale.y(heightM))).toBeCloseTo(heightM, 6)
      }),
    )
  })
  it('never turns upside down', () => {
    const pair = fc
      .tuple(fc.double({ min: -60, max: 60, noNaN: true }), fc.double({ min: 0.1, max: 5, noNaN: true }))
      .map(([low, tall]): [number, number] => [low, low + tall])
    fc.assert(
      fc.property(
        fc.array(pair, { minLength: 1, maxLength: 12 }),
        fc.double({ min: -70, max: 70, noNaN: true }),
        fc.double({ min: 0.01, max: 20, noNaN: true }),
        (intervals, heightM, more) => {
          const scale = verticalScale(intervals, 320)
          expect(scale.y(heightM + more)).toBeLessThan(scale.y(heightM))
        },
      ),
    )
  })
})

describe('the staff', () => {
  it('is graduated in the unit it is read in', () => {
    const scale = verticalScale(
      [
        [-0.4, 5],
        [18, 20],
      ],
      316,
    )
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
    fc.assert(
      fc.property(arbitrarySite, site => {
        const drawing = drawSection(site, 904, 318)
        expect(drawing.routes).toHaveLength(site.runs.length)
        for (const [index, route] of drawing.routes.entries()) {
          const source = site.nodes.find(node => node.id === site.runs[index]!.from.node)!
          // A line out of a well begins in its water, a little below where that stands.
          expect(route.points[0]![1]).toBeCloseTo(
            drawing.scale.y(
              source.kind === 'well'
                ? source.groundM - source.stillWaterDepthM - 0.3
                : portHeightM(site, site.runs[index]!.from),
            ),
            6,
          )
          expect(route.points.at(-1)![1]).toBeCloseTo(drawing.scale.y(portHeightM(site, site.runs[index]!.to)), 6)
          expect(route.points.flat().every(Number.isFinite)).toBe(true)
        }
        for (const slot of drawing.slots) {
          expect(slot.x).toBeGreaterThan(40)
          expect(slot.x + slot.width).toBeLessThanOrEqual(drawing.widthPx)
        }
        for (let index = 1; index < drawing.slots.length; index++)
          expect(drawing.slots[index]!.x).toBeGreaterThan(drawing.slots[index - 1]!.x + drawing.slots[index - 1]!.width)
      }),
      { numRuns: 60 },
    )
  })
  it('draws bare ground for a site with nothing on it', () => {
    expect(drawSection(blank(), 904, 318).ground).toHaveLength(2)
  })
})

describe('the inside of a tank', () => {
  const site = build(
    blank(),
    moveOf('addTank', { kind: 'upright', how: 'alone' }),
    moveOf('addUse', { preset: 'sheep' }),
  )
  const inside = (of: typeof site, waterM: number) => {
    const drawing = drawSection(of, 904, 318)
    const tank = tanksOf(of)[0]!
    return {
      tank,
      drawing,
      slot: slotOfNode(drawing, tank)!,
      ...insideOf(of, tank, slotOfNode(drawing, tank)!, drawing, waterM),
    }
  }

  it('shows the spare that waits for the next tank, until one is joined to it', () => {
    const { spares, tank, drawing } = inside(site, 1)
    expect(spares).toEqual([
      { port: 'link', x: expect.any(Number) as number, y: drawing.scale.y(tank.baseM + 0.1), away: -1, shut: 'valve' },
    ])
    expect(inside(build(site, moveOf('addTank', { kind: 'upright', how: 'joined', to: tank.id })), 1).spares).toEqual(
      [],
    )
  })
  it('hangs a floating intake a hand under the water, and on its stop once that falls', () => {
    const floated = build(site, moveOf('floatDrawOff', { tank: 'tank-1', port: 'outlet', hoseM: 1.5, stopM: 0.3 }))
    const at = (waterM: number) => {
      const { floats, drawing } = inside(floated, waterM)
      return drawing.scale.metresAt(floats[0]!.toY)
    }
    const { baseM } = tanksOf(floated)[0]!
    expect(at(baseM + 1)).toBeCloseTo(baseM + 0.9, 6)
    expect(at(baseM + 0.1)).toBeCloseTo(baseM + 0.3, 6)
  })
  it('marks the water kept for fire at the height that holds it', () => {
    const { reserveY, drawing, tank } = inside(build(site, moveOf('keepReserve', { tank: 'tank-1', litres: 1000 })), 1)
    if (tank.shape.shape !== 'upright-cylinder') throw new Error('the tank is round')
    expect(((drawing.scale.metresAt(reserveY!) - tank.baseM) * Math.PI * tank.shape.diameterM ** 2) / 4).toBeCloseTo(
      1,
      6,
    )
  })
  it('stands within the tank for any site', () => {
    fc.assert(
      fc.property(arbitrarySite, any => {
        const drawing = drawSection(any, 904, 318)
        for (const tank of tanksOf(any)) {
          const slot = slotOfNode(drawing, tank)!
          const { floats, calmed, spares } = insideOf(any, tank, slot, drawing, tank.baseM + 0.5)
          for (const x of [...floats.map(each => each.toX), ...calmed.map(each => each.x)])
            expect(x > slot.x && x < slot.x + slot.width).toBe(true)
          for (const y of [
            ...floats.map(each => each.toY),
            ...calmed.map(each => each.footY),
            ...spares.map(each => each.y),
          ])
            expect(Number.isFinite(y)).toBe(true)
        }
      }),
      { numRuns: 30 },
    )
  })
})

describe('the lines', () => {
  const insideOfTank = ([x, y]: [number, number], [toX]: [number, number], box: Record<string, number>) =>
    y > box.top! + 0.5 && y < box.foot! - 0.5 && Math.min(x, toX) < box.left! - 2 && Math.max(x, toX) > box.right! + 2

  it('run through no tank, on any site and at any width', () => {
    fc.assert(
      fc.property(arbitrarySite, fc.integer({ min: 400, max: 2600 }), (site, widthPx) => {
        const drawing = drawSection(site, widthPx, 318, 2)
        for (const tank of tanksOf(site)) {
          const { x, width } = slotOfNode(drawing, tank)!
          const top = drawing.scale.y(tank.baseM + tankHeight(tank.shape))
          const box = { left: x, right: x + width, top, foot: drawing.scale.y(tank.baseM) }
          for (const { points } of drawing.routes)
            for (const [at, point] of points.slice(1).entries())
              expect(point[1] === points[at]![1] && insideOfTank(points[at]!, point, box)).toBe(false)
        }
      }),
      { numRuns: 40 },
    )
  })
  const roof = { lengthM: 10, widthM: 8, material: 'clay-tile' as const }
  const row = build(
    blank(),
    moveOf('addTank', { kind: 'upright', how: 'alone' }),
    moveOf('addTank', { kind: 'upright', how: 'alone' }),
    moveOf('addRoof', { ...roof, name: 'House', tank: 'tank-1' }),
    moveOf('addRoof', { ...roof, name: 'Barn', tank: 'tank-2' }),
  )
  it('of a roof that fills the second of two tanks pass over the first', () => {
    const drawing = drawSection(row, 900, 300)
    const [first] = tanksOf(row)
    const { x, width } = slotOfNode(drawing, first!)!
    const line = drawing.routes.find(route => row.runs.find(run => run.id === route.runId)!.to.node === 'tank-2')!
    const above = line.points.filter(([at]) => at >= x - 7 && at <= x + width + 7).map(([, y]) => y)
    expect(Math.min(...above)).toBeLessThan(drawing.scale.y(first!.baseM + tankHeight(first!.shape)))
  })
  it('have their parts clear of each other at the width that is said to be readable, in order', () => {
    fc.assert(
      fc.property(arbitrarySite, site => {
        const drawing = drawSection(site, readableWidthPx(site, 318), 318)
        for (const { parts, points } of drawing.routes) {
          const alongPx = parts.map(part => placeOn(points, part))
          for (const [at, px] of alongPx.slice(1).entries()) expect(px).toBeGreaterThan(alongPx[at]!)
          for (const [at, part] of parts.entries())
            for (const other of parts.slice(at + 1))
              expect(Math.abs(part.x - other.x) + Math.abs(part.y - other.y)).toBeGreaterThan(11)
        }
      }),
      { numRuns: 30 },
    )
  })
  it('gain room with the width, and heights stay as they are', () => {
    const [narrow, wide] = [drawSection(row, 900, 300), drawSection(row, 1800, 300, 2)]
    expect(wide.widthPx).toBe(1800)
    expect(wide.slots.at(-1)!.x).toBeGreaterThan(narrow.slots.at(-1)!.x + 300)
    expect(wide.scale.y(1)).toBe(narrow.scale.y(1))
  })
})

/** How far along a way a part stands. */
function placeOn(points: [number, number][], { x, y }: { x: number; y: number }): number {
  let px = 0
  for (const [at, [toX, toY]] of points.slice(1).entries()) {
    const [fromX, fromY] = points[at]!
    const between = (value: number, a: number, b: number) =>
      value >= Math.min(a, b) - 0.01 && value <= Math.max(a, b) + 0.01
    if (between(x, fromX, toX) && between(y, fromY, toY)) return px + Math.abs(x - fromX) + Math.abs(y - fromY)
    px += Math.abs(toX - fromX) + Math.abs(toY - fromY)
  }
  return px
}
