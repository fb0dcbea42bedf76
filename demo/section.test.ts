import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { blank, build, plainTank, put } from '../tests/sites'
import { nodeById, portHeightM, readSiteText, type Site } from '../core/site'
import {
  seenOf,
  drawSection,
  eavesM,
  roofRiseM,
  slotOfNode,
  standingWater,
  stormLines,
  type Drawing,
} from '../core/section'
import { moveOf } from '../core/moves'

function demo(name: string): Site {
  const read = readSiteText(readFileSync(`demo/${name}.json`, 'utf8'))
  if (!read.ok) throw new Error(name)
  return read.site
}
const slotX = (site: Site, drawing: Drawing, id: string) => slotOfNode(drawing, nodeById(site, id))!.x
const routeOf = (drawing: Drawing, id: string) => drawing.routes.find(route => route.runId === id)!

describe('Quillfern Ridge cut through', () => {
  const site = demo('quillfern-ridge')
  const drawing = drawSection(site, 892, 320)

  it('fits its frame at 1280 by 800, with the hill and the borehole folded', () => {
    expect(drawing.widthPx).toBe(892)
    expect(drawing.scale.folds.map(fold => Math.round(fold.metres))).toEqual([30, 12])
    expect(drawing.scale.bands[0]!.bottomPx).toBeLessThanOrEqual(320)
    expect(drawing.scale.bands.at(-1)!.topPx).toBeGreaterThanOrEqual(0)
  })
  it('stands in the order of the water: roofs, well, pair, header, taps', () => {
    const order = ['spout-1', 'spout-2', 'borehole', 'tank-1', 'tank-2', 'tank-3', 'kitchen-tap'].map(id =>
      slotX(site, drawing, id),
    )
    expect(order).toEqual([...order].sort((a, b) => a - b))
  })
  it('draws every tank to the one scale', () => {
    for (const id of ['tank-1', 'tank-2', 'tank-3']) {
      const tank = nodeById(site, id)
      if (tank.kind !== 'tank' || tank.shape.shape !== 'upright-cylinder') throw new Error(id)
      expect(drawing.scale.y(tank.baseM) - drawing.scale.y(tank.baseM + tank.shape.heightM)).toBeCloseTo(
        tank.shape.heightM * drawing.scale.pxPerM,
        6,
      )
    }
  })
  it('colours each line by where its water came from, and treated water from the lamp on', () => {
    const water = (id: string) =>
      seenOf(routeOf(drawing, id), 0, drawing.widthPx)!.stretches.map(stretch => stretch.water)
    expect(water('lift-line')).toEqual(['well'])
    expect(water(site.runs.find(run => run.from.port === 'overflow')!.id)).toEqual(['spill'])
    expect(water('to-kitchen')).toEqual(['roof', 'treated'])
    const [before, after] = seenOf(routeOf(drawing, 'to-kitchen'), 0, drawing.widthPx)!.stretches
    expect(after!.points[0]).toEqual(before!.points.at(-1))
  })
  it('keeps the parts of a line in their order along it, pump near the start and float at the end', () => {
    const { parts, points } = routeOf(drawing, 'hill-line')
    expect(parts.map(part => part.kind)).toEqual(['valve', 'pump', 'check', 'float'])
    const [x, y] = points.at(-1)!
    const far = (part: { x: number; y: number }) => Math.abs(part.x - x) + Math.abs(part.y - y)
    expect(parts.map(far)).toEqual(parts.map(far).sort((a, b) => b - a))
    expect(far(parts[3]!)).toBeLessThan(40)
  })
  it('begins the well’s line at its water', () => {
    expect(routeOf(drawing, 'lift-line').points[0]![1]).toBeCloseTo(drawing.scale.y(-31.3), 6)
  })
})

describe('drawing on', () => {
  it('holds its scale while a height is dragged', () => {
    const site = plainTank(blank(), 'A')
    const before = drawSection(site, 800, 300)
    const raised = build(site, moveOf('setHeight', { node: 'tank-1', baseM: 5 }))
    const held = drawSection(raised, 800, 300, 1, before.scale)
    expect(held.scale).toBe(before.scale)
    expect(before.scale.y(0) - held.scale.y(5)).toBeCloseTo(5 * before.scale.pxPerM, 6)
    expect(Math.abs(drawSection(raised, 800, 300).scale.y(5) - held.scale.y(5))).toBeGreaterThan(20)
  })
  it('grows wider than its frame rather than drawing things over each other', () => {
    let site = blank()
    for (let count = 0; count < 24; count++) site = build(site, moveOf('addTank', { kind: 'upright', how: 'alone' }))
    const drawing = drawSection(site, 800, 300)
    expect(drawing.widthPx).toBeGreaterThan(1500)
    for (let index = 1; index < drawing.slots.length; index++)
      expect(drawing.slots[index]!.x).toBeGreaterThan(drawing.slots[index - 1]!.x + drawing.slots[index - 1]!.width + 8)
  })
  it('gives a roof its eaves from its spouts and its rise from its pitch', () => {
    const site = build(
      plainTank(blank(), 'A'),
      moveOf('addRoof', { name: 'R', lengthM: 10, widthM: 6, material: 'slate', eavesM: 3.4, tank: 'tank-1' }),
      put(['roofs', 0, 'pitchDeg'], 45),
    )
    expect(eavesM(site, site.roofs[0]!)).toBeCloseTo(3.5, 9)
    expect(roofRiseM(site.roofs[0]!)).toBeCloseTo(3, 9)
  })
  it('every demo’s lines end where their ports are', () => {
    for (const name of ['quillfern-ridge', 'brindle-yard', 'cinder-tor']) {
      const site = demo(name)
      const drawing = drawSection(site, 892, 320)
      for (const run of site.runs)
        expect(routeOf(drawing, run.id).points.at(-1)![1]).toBeCloseTo(drawing.scale.y(portHeightM(site, run.to)), 6)
    }
  })
})

describe('a wet line in a storm', () => {
  const dipped = build(
    plainTank(blank(), 'A'),
    moveOf('addRoof', { name: 'R', lengthM: 10, widthM: 8, material: 'slate', eavesM: 3, tank: 'tank-1' }),
    moveOf('dipLine', { spout: 'spout-1', lowM: -0.5 }),
  )
  const drawing = drawSection(dipped, 892, 320)

  it('shows the water that stands in it, up to the tank’s inlet and no higher', () => {
    const standing = standingWater(dipped, drawing)
    const inletY = drawing.scale.y(0.95)
    expect(new Set(standing.map(part => part.runId)).size).toBe(2)
    const heights = standing.flatMap(part => part.points.map(point => point[1]))
    expect(Math.min(...heights)).toBeCloseTo(inletY, 6)
    expect(Math.max(...heights)).toBeCloseTo(drawing.scale.y(-0.5), 6)
  })
  it('draws the storm’s water line from the spout down to the inlet, higher the harder it rains', () => {
    const [gentle, hard] = [20, 400].map(mmPerH => stormLines(dipped, drawing, mmPerH)[0]!)
    expect(gentle!.parts.at(-1)![1][1]).toBeCloseTo(drawing.scale.y(0.95), 6)
    expect(gentle!.parts).toHaveLength(2)
    expect(hard!.atTopM).toBeGreaterThan(gentle!.atTopM)
    expect(gentle!.spills).toBe(false)
    expect(stormLines(dipped, drawing, 2000)[0]!.spills).toBe(true)
  })
  it('draws nothing where water falls freely in its pipe', () => {
    const site = demo('cinder-tor')
    const [line] = stormLines(site, drawSection(site, 892, 320), 60)
    expect(line!.runIds.length).toBeGreaterThan(2)
    expect(line!.parts).toHaveLength(1)
  })
  it('stands between the roof and the tank', () => {
    const order = ['spout-1', 'joint-1', 'tank-1'].map(id => slotX(dipped, drawing, id))
    expect(order).toEqual([...order].sort((a, b) => a - b))
  })
  it('has nothing standing in a line that falls all the way', () => {
    const dry = build(
      plainTank(blank(), 'A'),
      moveOf('addRoof', { name: 'R', lengthM: 10, widthM: 8, material: 'slate', eavesM: 3, tank: 'tank-1' }),
    )
    expect(standingWater(dry, drawSection(dry, 892, 320))).toEqual([])
  })
})
