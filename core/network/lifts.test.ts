import { describe, expect, it } from 'vitest'
import { momentWith, tapsOf, type Stand } from './taps'
import { blank, build, plainTank, put, refusal } from '../../tests/sites'
import { branchingOf, moveOf, setField } from '../moves'
import { feedsOf, fillingsOf, graphOf, nodeById, portsByRole, type Feed, type Site } from '../site'
import type { NodeOf, Tank } from '../kinds'
import type { HoldId, LiftId } from '../catalog'

/** A tank on its base, with a kitchen, a shower and a garden tap served from it. */
const house = () =>
  build(
    plainTank(blank(), 'Tank', { lengthM: 2, widthM: 2, heightM: 2 }),
    moveOf('setPort', { tank: 'tank-1', port: 'outlet', heightM: 0.1 }),
    moveOf('setPort', { tank: 'tank-1', port: 'inlet', heightM: 1.9 }),
    moveOf('setPort', { tank: 'tank-1', port: 'overflow', heightM: 1.8 }),
    moveOf('addUse', { preset: 'kitchen' }),
    moveOf('addUse', { preset: 'shower' }),
    moveOf('addUse', { preset: 'washdown' }),
  )
const feedOf = (site: Site, source = 'tank-1', taps = 2): Feed =>
  feedsOf(site).find(feed => feed.source.id === source && feed.taps.length >= taps)!
const kinds = (site: Site, run: string) =>
  graphOf(site)
    .run(run)!
    .parts.map(part => part.kind)
const liftTo = (site: Site, by: LiftId, hold?: HoldId) =>
  build(site, moveOf('liftBy', { run: feedOf(site).trunk[0]!.id, by, ...(hold ? { hold } : {}) }))
const flows = (site: Site, taps = tapsOf(site).map(({ id }) => id), stand: Stand = 'low') => {
  const moment = momentWith(site, taps, stand)
  expect(moment.converged, moment.trouble).toBe(true)
  return taps.map(id => moment.taps[id]!)
}

describe('ways of lifting water from a tank', () => {
  const ways: [LiftId, HoldId, string[]][] = [
    ['on-demand', 'straight', ['valve', 'screen', 'flexible', 'union', 'pump', 'check', 'union', 'pipe']],
    ['on-demand-above', 'straight', ['check', 'flexible', 'screen', 'pump', 'check', 'union', 'valve', 'pipe']],
    ['submersible', 'straight', ['pump', 'check', 'flexible', 'union', 'valve', 'pipe']],
    ['jet', 'straight', ['valve', 'flexible', 'union', 'pump', 'check', 'union', 'pipe']],
    ['jet', 'pressure-tank', ['valve', 'flexible', 'union', 'pump', 'check', 'union', 'pipe', 'relief']],
    ['variable-speed', 'straight', ['valve', 'flexible', 'union', 'pump', 'check', 'union', 'pipe']],
  ]
  it.each(ways)(
    '%s, %s: its parts in the order in which water meets them, and water at every tap',
    (by, hold, parts) => {
      const site = liftTo(house(), by, hold)
      const feed = feedOf(site)
      expect([feed.lift, feed.hold]).toEqual([by, hold])
      expect(kinds(site, feed.trunk[0]!.id)).toEqual(parts)
      expect(feed.taps).toHaveLength(2)
      for (const { flowLps, pressureKPa } of flows(
        site,
        feed.taps.map(({ id }) => id),
      )) {
        expect(flowLps).toBeGreaterThan(0.1)
        expect(pressureKPa).toBeGreaterThan(50)
        expect(pressureKPa).toBeLessThan(550)
      }
    },
  )
  it('changes from every way into every other, and leaves nothing of the last behind', () => {
    let site = house()
    for (const [by] of ways)
      for (const [next, hold] of ways) {
        site = liftTo(liftTo(site, by), next, hold)
        const vessels = site.nodes.filter(node => node.kind === 'pressureTank')
        expect(vessels).toHaveLength(hold === 'pressure-tank' ? 1 : 0)
        expect(site.runs.flatMap(run => run.parts).filter(part => part.kind === 'pump')).toHaveLength(1)
        expect(feedOf(site).taps).toHaveLength(2)
        const high = portsByRole(nodeById(site, 'tank-1') as Tank, 'outlet').filter(port => port.intakeM !== undefined)
        expect(high).toHaveLength(next === 'submersible' || next === 'on-demand-above' ? 1 : 0)
      }
    const falls = liftTo(site, 'gravity')
    expect(falls.runs.flatMap(run => run.parts).some(part => part.kind === 'pump')).toBe(false)
  })
  it('a pump in the tank draws low while its hole and its cord stand above the highest water', () => {
    const site = liftTo(house(), 'submersible')
    const feed = feedOf(site)
    const tank = nodeById(site, 'tank-1') as Tank
    const port = tank.ports.find(({ name }) => name === feed.port)!
    expect(port.intakeM).toBeCloseTo(0.1)
    expect(port.heightM).toBeGreaterThan(1.8)
    expect(port.cordAtM).toBe(port.heightM)
  })
  it('a pressure tank stands before the house shut-off, with its switch under what the pump can, and a relief', () => {
    const site = liftTo(house(), 'jet', 'pressure-tank')
    const { vessel, pump, trunk } = feedOf(site)
    expect(kinds(site, trunk[1]!.id).slice(0, 2)).toEqual(['valve', 'union'])
    expect(vessel!.prechargeKPa).toBe(vessel!.cutInKPa - 14)
    expect((vessel!.cutOutKPa / 9.81) * 1.02).toBeLessThan(pump!.headM * 1.25)
    const relief = trunk[0]!.parts.find(part => part.kind === 'relief')!
    expect(relief).toMatchObject({ setKPa: vessel!.cutOutKPa + 150 })
  })
  it('keeps the pressure tank, its readings and its relief as they were set, behind another pump', () => {
    const first = liftTo(house(), 'jet', 'pressure-tank')
    const relief = feedOf(first).trunk[0]!.parts.find(part => part.kind === 'relief')!
    const set = build(
      first,
      setField('node', 'pressure-tank-1', 'volumeL', 325),
      setField('node', 'pressure-tank-1', 'gasReadings', { emptyKPa: 150 }),
      setField('part', relief.id, 'setKPa', 555),
    )
    const other = liftTo(set, 'submersible', 'pressure-tank')
    expect(feedOf(other).vessel).toEqual(feedOf(set).vessel)
    expect(feedOf(other).trunk[0]!.parts.find(part => part.kind === 'relief')).toMatchObject({ setKPa: 555 })
    expect(other.nodes.filter(node => node.kind === 'pressureTank')).toHaveLength(1)
  })
  it('keeps what treats the water where it stands', () => {
    const treated = build(house(), moveOf('fitTreatment', { tap: 'tap-1' }))
    const before = treated.runs.flatMap(run => run.parts).filter(part => part.kind === 'filter' || part.kind === 'lamp')
    const after = liftTo(liftTo(treated, 'jet', 'pressure-tank'), 'variable-speed')
      .runs.flatMap(run => run.parts)
      .filter(part => part.kind === 'filter' || part.kind === 'lamp')
    expect(after).toEqual(before)
    expect(before).toHaveLength(4)
  })
  it('refuses what cannot be, and says why', () => {
    const run = feedOf(house()).trunk[0]!.id
    expect(refusal(house(), moveOf('liftBy', { run, by: 'variable-speed', hold: 'pressure-tank' }))).toMatch(
      /by itself/,
    )
    expect(refusal(house(), moveOf('liftBy', { run, by: 'gravity', hold: 'pressure-tank' }))).toMatch(/wants a pump/)
    expect(refusal(house(), moveOf('liftBy', { run: 'gone', by: 'jet' }))).toMatch(/no longer there/)
  })
})

describe('taps of one line', () => {
  it('hang on a manifold or one after another, and go back', () => {
    const start = build(liftTo(house(), 'jet'), moveOf('leadTap', { tap: 'tap-3', run: feedOf(house()).trunk[0]!.id }))
    expect(branchingOf(start, feedOf(start))).toBe('manifold')
    const tees = build(start, moveOf('branchBy', { run: feedOf(start).trunk[0]!.id, by: 'tees' }))
    expect(branchingOf(tees, feedOf(tees))).toBe('tees')
    expect(feedOf(tees).taps).toHaveLength(3)
    flows(tees)
    const back = build(tees, moveOf('branchBy', { run: feedOf(tees).trunk[0]!.id, by: 'manifold' }))
    expect(back.nodes).toEqual(start.nodes)
    expect(back.runs.map(({ from, to }) => [from.node, to.node])).toEqual(
      start.runs.map(({ from, to }) => [from.node, to.node]),
    )
  })
  it('a tap is led off another line, and what it hung on alone goes', () => {
    const site = house()
    expect(feedsOf(site)).toHaveLength(2)
    const led = build(site, moveOf('leadTap', { tap: 'tap-3', run: feedOf(site).trunk[0]!.id }))
    expect(feedsOf(led)).toHaveLength(1)
    expect(feedOf(led).taps.map(({ id }) => id)).toEqual(['tap-1', 'tap-2', 'tap-3'])
  })
  it('a hose tap, a trough and a hydrant hang on a line or on a tank', () => {
    const run = feedOf(house()).trunk[0]!.id
    const site = build(
      house(),
      moveOf('addTap', { fixture: 'hose', run, name: 'Yard hose' }),
      moveOf('addTap', { fixture: 'trough', tank: 'tank-1' }),
      moveOf('addTap', { fixture: 'hydrant', run }),
    )
    expect(feedOf(site).taps).toHaveLength(4)
    for (const { id } of tapsOf(site)) expect(flows(site, [id], 'full')[0]!.flowLps).toBeGreaterThan(0)
  })
})

describe('a well without a tank', () => {
  const well = (by: LiftId, hold: HoldId = 'straight') => {
    const site = build(
      blank(),
      moveOf('addSource', { kind: 'well' }),
      put(['nodes', 0, 'stillWaterDepthM'], 5),
      moveOf('addUse', { preset: 'kitchen' }),
      moveOf('addUse', { preset: 'shower' }),
    )
    // One pump in the well serves both.
    expect(feedsOf(site)).toHaveLength(1)
    return build(site, moveOf('liftBy', { run: feedsOf(site)[0]!.trunk[0]!.id, by, hold }))
  }
  it.each([
    ['jet', 'straight', ['check', 'pipe', 'union', 'pump', 'union', 'valve']],
    ['jet', 'pressure-tank', ['check', 'pipe', 'union', 'pump', 'union', 'valve']],
    ['submersible', 'pressure-tank', ['pump', 'check', 'pipe', 'union', 'valve']],
    ['variable-speed', 'straight', ['pump', 'check', 'pipe', 'union', 'valve']],
  ] as const)('%s, %s', (by, hold, parts) => {
    const site = well(by, hold)
    const feed = feedOf(site, 'well-1')
    expect(kinds(site, feed.trunk[0]!.id).slice(0, parts.length)).toEqual(parts)
    for (const { flowLps } of flows(site)) expect(flowLps).toBeGreaterThan(0.08)
  })
})

describe('a tank on a hill', () => {
  const hill = () =>
    build(
      plainTank(house(), 'Hill'),
      moveOf('setHeight', { node: 'tank-2', baseM: 15 }),
      moveOf('setPort', { tank: 'tank-2', port: 'outlet', heightM: 0.1 }),
      moveOf('drawFrom', { use: 'use-3', tank: 'tank-2' }),
    )
  it.each(['jet', 'submersible', 'solar', 'variable-speed'] as const)('is filled over its top by a %s', by => {
    const site = build(hill(), moveOf('liftUp', { from: 'tank-1', tank: 'tank-2', by, line: 'over' }))
    const [filling] = fillingsOf(site)
    expect(filling!.runs).toHaveLength(1)
    expect(kinds(site, filling!.runs[0]!.id).at(-1)).toBe('float')
    const moment = momentWith(site, [], 'low')
    expect(moment.runs[filling!.runs[0]!.id]!.flowLps).toBeGreaterThan(0.05)
    // Full, its float shuts the line.
    expect(momentWith(site, [], 'full').runs[filling!.runs[0]!.id]!.flowLps).toBe(0)
  })
  it('fills and feeds by one line, both ways, and is turned back into two', () => {
    const one = build(hill(), moveOf('liftUp', { from: 'tank-1', tank: 'tank-2', by: 'jet', line: 'fills-and-feeds' }))
    const [filling] = fillingsOf(one)
    const shared = filling!.runs.at(-1)!
    expect(momentWith(one, [], 'low').runs[shared.id]!.flowLps).toBeGreaterThan(0.05)
    const still = momentWith(one, ['tap-3'], 'low', { running: { [filling!.runs[0]!.id]: false } })
    expect(still.taps['tap-3']!.flowLps).toBeGreaterThan(0.1)
    expect(still.runs[shared.id]!.flowLps).toBeLessThan(-0.1)
    const two = build(one, moveOf('liftUp', { from: 'tank-1', tank: 'tank-2', by: 'jet', line: 'over' }))
    expect(fillingsOf(two)[0]!.runs).toHaveLength(1)
    expect(momentWith(two, ['tap-3'], 'low').taps['tap-3']!.flowLps).toBeGreaterThan(0.1)
    expect(two.runs.flatMap(run => run.parts).filter(part => part.kind === 'pump')).toHaveLength(2)
  })
  it('refuses to push up through what lets water down alone', () => {
    const checked = build(
      hill(),
      moveOf('insertPart', {
        run: feedOf(hill(), 'tank-2', 1).trunk[0]!.id,
        part: { kind: 'check', boreMm: 25 },
      }),
    )
    const move = moveOf('liftUp', { from: 'tank-1', tank: 'tank-2', by: 'jet', line: 'fills-and-feeds' })
    expect(refusal(checked, move)).toMatch(/line of its own/)
  })
})

describe('a tank on the main', () => {
  it('gets its float, the house both waters by check valves, and a tap by gravity', () => {
    const start = liftTo(build(house(), moveOf('remove', { id: 'use-3' })), 'variable-speed')
    const site = build(start, moveOf('backByMain', { run: feedOf(start).trunk[0]!.id }))
    const main = site.nodes.find(node => node.kind === 'main') as NodeOf<'main'>
    // One line comes from the street, and parts to the tank and to the house.
    const [street, ...others] = graphOf(site).outOf(main.id)
    expect(others).toEqual([])
    const lines = graphOf(site).outOf(street!.to.node)
    expect(lines).toHaveLength(2)
    expect(lines.some(run => run.parts.at(-1)!.kind === 'float')).toBe(true)
    expect([street!, lines.at(-1)!].every(run => run.parts.some(part => part.kind === 'check'))).toBe(true)
    const gravity = feedsOf(site).find(feed => feed.lift === 'gravity' && feed.source.id === 'tank-1')!
    expect(gravity.taps[0]).toMatchObject({ fixture: 'hose', name: 'Tap for power cuts' })
    // The power out and the tank full: the main serves the house, and none of it runs into the tank by its outlet.
    const running = Object.fromEntries(site.runs.map(run => [run.id, false]))
    const cut = momentWith(site, ['tap-1'], 'low', { running })
    expect(cut.taps['tap-1']!.flowLps).toBeGreaterThan(0.1)
    expect(cut.runs[feedOf(site).trunk[0]!.id]!.flowLps).toBe(0)
    expect(
      momentWith(site, [gravity.taps[0]!.id], 'full', { running }).taps[gravity.taps[0]!.id]!.flowLps,
    ).toBeGreaterThan(0)
  })
})
