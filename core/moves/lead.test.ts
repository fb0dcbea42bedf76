import { describe, expect, it } from 'vitest'
import { blank, build, plainTank, refusal, setUp, using, withRoof } from '../../tests/sites'
import { moveOf, setField } from './registry'
import {
  chamberVolumeL,
  graphOf,
  lineFrom,
  nodeById,
  orificeForTrickleMm,
  trickleLph,
  portHeightM,
  runsFrom,
  runsTo,
  tanksOf,
  type Site,
} from '../site'
import { compile } from '../balance'
import type { NodeOf } from '../kinds'

const endOf = (site: Site, spout: string) => lineFrom(site, spout).at(-1)!.to.node
const pipeOf = (site: Site, run: string) =>
  graphOf(site)
    .run(run)!
    .parts.find(part => part.kind === 'pipe')!
/** Two boxes of a cubic metre, a roof led to the first. */
const two = () => withRoof(plainTank(plainTank(blank(), 'One'), 'Two'))

describe('a spout', () => {
  it('is led to another tank, its chamber with it, and back', () => {
    const flushed = build(two(), moveOf('fitFirstFlush', { spout: 'spout-1' }))
    const led = build(flushed, moveOf('leadSpout', { spout: 'spout-1', to: 'tank-2' }))
    expect(endOf(led, 'spout-1')).toBe('tank-2')
    expect(lineFrom(led, 'spout-1').map(run => run.to.node)).toContain('chamber-1')
    expect(compile(led).caught.map(entry => entry.pool)).toEqual([1])
    expect(endOf(build(led, moveOf('leadSpout', { spout: 'spout-1', to: 'tank-1' })), 'spout-1')).toBe('tank-1')
    expect(refusal(led, moveOf('leadSpout', { spout: 'spout-1', to: 'tank-2' }))).toContain('leads there already')
  })
  it('that shares a line leaves it alone, and one that led nowhere gets a line', () => {
    const second = build(two(), moveOf('addSpout', { roof: 'roof-1' }))
    const joined = build(second, moveOf('joinSpouts', { spout: 'spout-2', into: 'spout-1' }))
    const parted = build(joined, moveOf('leadSpout', { spout: 'spout-2', to: 'tank-2' }))
    expect([endOf(parted, 'spout-1'), endOf(parted, 'spout-2')]).toEqual(['tank-1', 'tank-2'])
    const cut = build(second, moveOf('remove', { id: runsFrom(second, 'spout-2')[0]!.id }))
    expect(endOf(build(cut, moveOf('leadSpout', { spout: 'spout-2', to: 'tank-2' })), 'spout-2')).toBe('tank-2')
  })
})

describe('an overflow', () => {
  it('is led to a tank, and away again; what it left behind is no outfall any more', () => {
    const site = two()
    const led = build(site, moveOf('leadOverflow', { tank: 'tank-1', to: 'tank-2' }))
    expect(graphOf(led).node('outfall-1')).toBeUndefined()
    expect(runsFrom(led, 'tank-1', 'overflow')[0]!.to.node).toBe('tank-2')
    const away = build(led, moveOf('leadOverflow', { tank: 'tank-1' }))
    expect(nodeById(away, runsFrom(away, 'tank-1', 'overflow')[0]!.to.node).kind).toBe('outfall')
    expect(refusal(site, moveOf('leadOverflow', { tank: 'tank-1', to: 'tank-1' }))).toContain('into itself')
  })
  it('never loses its next tank silently: the new one comes between, or it is refused', () => {
    const three = plainTank(build(two(), moveOf('spillInto', { from: 'tank-1', to: 'tank-2' })), 'Three')
    expect(refusal(three, moveOf('spillInto', { from: 'tank-1', to: 'tank-3' }))).toContain('spills into Two already')
    const free = build(three, moveOf('remove', { id: runsFrom(three, 'tank-3', 'overflow')[0]!.id }))
    const between = build(free, moveOf('spillInto', { from: 'tank-1', to: 'tank-3' }))
    expect(runsFrom(between, 'tank-1', 'overflow')[0]!.to.node).toBe('tank-3')
    expect(runsFrom(between, 'tank-3', 'overflow')[0]!.to.node).toBe('tank-2')
  })
  it('may be one of two, at two heights, and the lower one spills first', () => {
    const site = build(two(), moveOf('fitSecondOverflow', { tank: 'tank-1', heightM: 0.7 }))
    expect(compile(site).pools[0]).toMatchObject({ capM: 0.7, spillsAt: { port: 'overflow-1' } })
    expect(refusal(site, moveOf('fitSecondOverflow', { tank: 'tank-1', heightM: 3 }))).toContain('under its rim')
  })
  it('of a tank below the ground is lifted by a pump in a sump', () => {
    const cellar = build(
      two(),
      moveOf('setHeight', { node: 'tank-1', baseM: -2 }),
      moveOf('setHeight', { node: 'outfall-1', baseM: 0 }),
    )
    expect(compile(cellar).pools[0]!.spillsAt.port).toBeUndefined()
    const lifted = build(cellar, moveOf('fitSumpPump', { tank: 'tank-1', port: 'overflow', flowLps: 2 }))
    expect(compile(lifted).pools[0]!.spillsAt).toMatchObject({ port: 'overflow', path: { pumpLps: 2 } })
  })
})

describe('a join undone', () => {
  it('leaves its valves behind on both tanks, for the next', () => {
    const linked = build(two(), moveOf('linkAtBottom', { a: 'tank-1', b: 'tank-2', boreMm: 50 }))
    const run = linked.runs.find(each => each.from.port === 'link')!
    const apart = build(linked, moveOf('remove', { id: run.id }))
    expect(compile(apart).pools).toHaveLength(2)
    for (const tank of tanksOf(apart)) expect(tank.ports.find(port => port.name === 'link')!.spare).toBe('valve')
  })
  it('by a tank that was taken out leaves a stub, capped where no valve stood', () => {
    const fed = build(two(), moveOf('feedByFloat', { from: 'tank-1', to: 'tank-2' }))
    const gone = build(fed, moveOf('remove', { id: 'tank-2' }))
    expect(tanksOf(gone)[0]!.ports.find(port => port.role === 'outlet')!.spare).toBe('valve')
    const other = build(fed, moveOf('remove', { id: 'tank-1' }))
    expect(tanksOf(other)[0]!.ports.find(port => port.name === 'float')!.spare).toBe('cap')
  })
})

describe('what hangs on a tank', () => {
  const flushed = () => build(setUp('wet-town', [{ preset: 'beds', count: 20 }]))
  const chamberOf = (site: Site) => site.nodes.find(node => node.kind === 'chamber') as NodeOf<'chamber'>

  it('goes up with it: the chamber whose tee the inlet would leave below, as far as its spout lets it', () => {
    const site = flushed()
    const tank = tanksOf(site)[0]!
    const teeM = (of: Site) => chamberOf(of).baseM + chamberOf(of).heightM
    const inletM = (of: Site) => portHeightM(of, lineFrom(of, 'spout-1').at(-1)!.to)
    const raised = build(site, moveOf('setHeight', { node: tank.id, baseM: tank.baseM + 0.5 }))
    expect(teeM(site)).toBeLessThan(inletM(raised))
    expect(teeM(raised)).toBeGreaterThanOrEqual(inletM(raised) - 1e-9)
    const high = build(site, moveOf('setHeight', { node: tank.id, baseM: 6 }))
    expect(teeM(high)).toBeLessThanOrEqual(nodeById(high, 'spout-1').baseM + 1e-9)
  })
  it('goes down with it: the outfall of its overflow, no deeper than a swale lies', () => {
    const site = two()
    const lowered = build(site, moveOf('setHeight', { node: 'tank-1', baseM: -0.95 }))
    expect(nodeById(lowered, 'outfall-1').baseM).toBeCloseTo(-0.15, 9)
    expect(nodeById(build(site, moveOf('setHeight', { node: 'tank-1', baseM: -5 })), 'outfall-1').baseM).toBe(-0.3)
  })
  it('buried, it lies in the dark below ground, and on gravel again in the sun', () => {
    const buried = build(two(), moveOf('standOn', { tank: 'tank-1', base: 'buried' }))
    expect(tanksOf(buried)[0]).toMatchObject({ baseM: -1.1, sunlit: false, cover: 'roofed' })
    const up = build(buried, moveOf('standOn', { tank: 'tank-1', base: 'gravel' }))
    expect(tanksOf(up)[0]).toMatchObject({ baseM: 0.15, sunlit: true })
    expect(tanksOf(up)[0]!.cover).toBeUndefined()
  })
})

describe('a pipe that nobody measured', () => {
  it('follows the heights of its ends, until somebody types its length', () => {
    const site = using(two(), 100)
    const run = runsTo(site, site.uses[0]!.at)[0]!.id
    const was = pipeOf(site, run).lengthM
    const far = build(site, moveOf('setHeight', { node: site.uses[0]!.at, baseM: -20 }))
    expect(pipeOf(far, run).lengthM).toBeCloseTo(was + 20, 2)
    const measured = build(site, setField('part', pipeOf(site, run).id, 'lengthM', 7))
    expect(pipeOf(build(measured, moveOf('setHeight', { node: site.uses[0]!.at, baseM: -20 })), run).lengthM).toBe(7)
  })
})

describe('water from outside', () => {
  it('a well straight to a use without a tank, and a second one too, each behind its own check valve', () => {
    const site = using(plainTank(blank(), 'One'), 100)
    const well = build(site, moveOf('addSource', { kind: 'well', use: 'use-1' }))
    expect(compile(well).demands[0]!.sources.map(source => source.kind)).toEqual(['pool', 'well'])
    for (const run of runsTo(well, site.uses[0]!.at))
      expect(run.parts.some(part => part.kind === 'check' || part.kind === 'pump')).toBe(true)
    expect(refusal(well, moveOf('supplyFrom', { use: 'use-1', source: 'well-1' }))).toContain('already')
  })
  it('a tap that is moved to a main draws from it alone', () => {
    const site = build(using(plainTank(blank(), 'One'), 100), moveOf('addSource', { kind: 'main' }))
    const moved = build(site, moveOf('drawFrom', { use: 'use-1', tank: 'main-1' }))
    expect(compile(moved).demands[0]!.sources.map(source => source.kind)).toEqual(['main'])
    const back = build(moved, moveOf('drawFrom', { use: 'use-1', tank: 'tank-1' }))
    expect(compile(back).demands[0]!.sources.map(source => source.kind)).toEqual(['pool'])
  })
  it('a site that no roof fills stands, and a use may hang on a main alone', () => {
    const site = setUp('wet-town', [{ preset: 'kitchen', count: 2 }], { source: 'main' })
    expect(site.roofs).toEqual([])
    expect(compile(site).topUps).toHaveLength(1)
    const bare = build(blank(), moveOf('addSource', { kind: 'main' }), moveOf('addUse', { preset: 'laundry' }))
    expect(compile(bare).demands[0]!.sources.map(source => source.kind)).toEqual(['main'])
  })
})

describe('frost', () => {
  it('is kept out by emptying: the tank stands empty, and its roof is led to ground', () => {
    const site = build(two(), moveOf('protectFromFrost', { ids: ['tank-1'], by: 'drained', months: [12, 1, 2] }))
    expect(nodeById(site, 'spout-1')).toMatchObject({ bypassMonths: [1, 2, 12] })
    expect(compile(site).drainedMonths).toEqual([0b100000000011, 0])
    const lagged = build(site, moveOf('protectFromFrost', { ids: ['tank-1'], by: 'insulated' }))
    expect(tanksOf(lagged)[0]).toMatchObject({ frostProof: 'insulated' })
    expect(compile(lagged).drainedMonths[0]).toBe(0)
    expect(refusal(site, moveOf('protectFromFrost', { ids: ['tank-1'], by: 'drained' }))).toContain('which months')
  })
})

describe('the pump in a tank', () => {
  it('draws down to its intake, however high its pipe leaves', () => {
    const site = using(plainTank(blank(), 'One'), 100)
    const run = runsTo(site, site.uses[0]!.at)[0]!
    const pumped = build(
      site,
      moveOf('setPort', { tank: 'tank-1', port: 'outlet', heightM: 0.85 }),
      moveOf('insertPart', { run: run.id, part: { kind: 'pump', pump: 'submersible', flowLps: 0.3, headM: 20 } }),
    )
    expect(compile(pumped).demands[0]!.sources[0]!.keepL).toBeCloseTo(850, 6)
    const low = build(pumped, setField('port', 'tank-1.outlet', 'intakeM', 0.05))
    expect(compile(low).demands[0]!.sources[0]!.keepL).toBeCloseTo(50, 6)
  })
})

describe('a first flush', () => {
  const flushed = () => build(two(), moveOf('fitFirstFlush', { spout: 'spout-1', depthMm: 0.4 }))
  const chamberOf = (site: Site) => site.nodes.find(node => node.kind === 'chamber') as NodeOf<'chamber'>

  it('of a pipe laid down holds what the standing one held, at the height of its top, and stands up again', () => {
    const [standing, lying] = [
      flushed(),
      build(flushed(), moveOf('formChamber', { chamber: 'chamber-1', form: 'lying' })),
    ]
    const [was, is] = [chamberOf(standing), chamberOf(lying)]
    expect(is).toMatchObject({ form: 'lying', heightM: is.innerDiameterMm / 1000 })
    expect(chamberVolumeL(is)).toBeCloseTo(chamberVolumeL(was), 0)
    expect(is.baseM + is.heightM).toBeCloseTo(was.baseM + was.heightM, 3)
    // As the upright one of its volume that is as tall as its bore: it too is empty within a day.
    const { drainHours } = compile(lying).chambers[0]!
    expect(drainHours).toBeGreaterThan(15)
    expect(drainHours).toBeLessThanOrEqual(24)
    const up = chamberOf(build(lying, moveOf('formChamber', { chamber: 'chamber-1', form: 'standpipe' })))
    expect(up.lengthM).toBeUndefined()
    expect(chamberVolumeL(up)).toBeCloseTo(chamberVolumeL(was), 0)
    const more = chamberOf(build(lying, moveOf('sizeChamber', { chamber: 'chamber-1', depthMm: 0.8 })))
    expect(chamberVolumeL(more)).toBeCloseTo(80, 0)
  })
  it('through a valve set to a trickle is a hole that passes as much', () => {
    const orificeMm = orificeForTrickleMm(1.2, 20)
    expect(trickleLph({ heightM: 1.2, orificeMm })).toBeCloseTo(20, 9)
    // Torricelli: 2 mm under 1 m passes 0.62 · π · 1 mm² · √(2g) = 8.63 mL/s.
    expect(trickleLph({ heightM: 1, orificeMm: 2 })).toBeCloseTo(31.06, 1)
  })
})

describe('a hub', () => {
  it('joins three tanks to one tee, each behind its valve, so that they stand at one level', () => {
    const three = plainTank(two(), 'Three')
    const hubbed = build(three, moveOf('joinAtHub', { tanks: ['tank-1', 'tank-2', 'tank-3'], boreMm: 50 }))
    const { pools } = compile(hubbed)
    expect(pools).toHaveLength(1)
    expect(pools[0]!.capL).toBeCloseTo(2700, 6)
    const hub = hubbed.nodes.find(node => node.kind === 'joint')!
    for (const run of runsTo(hubbed, hub.id)) expect(run.parts[0]!.kind).toBe('valve')
    expect(refusal(three, moveOf('joinAtHub', { tanks: ['tank-1'], boreMm: 50 }))).not.toBe('made')
  })
})

describe('a name', () => {
  it('carries through to what was called after it, and leaves what somebody named alone', () => {
    const site = setUp('wet-town', [{ preset: 'beds', count: 10 }])
    const more = build(
      site,
      moveOf('addSpout', { roof: 'roof-1' }),
      moveOf('dipLine', { spout: 'spout-2', lowM: -0.4 }),
      setField('roof', 'roof-1', 'name', 'Old barn'),
    )
    const names = (of: Site) =>
      of.nodes.flatMap(({ kind, name }) => (['spout', 'chamber', 'joint'].includes(kind) ? [name] : []))
    expect(names(more)).toEqual([
      'Old barn spout',
      'First flush of Old barn spout',
      'Old barn spout 2',
      'Low point of Old barn spout 2',
    ])
    const own = build(more, setField('node', 'spout-1', 'name', 'North'), setField('roof', 'roof-1', 'name', 'Shed'))
    expect(names(own)).toEqual(['North', 'First flush of North', 'Shed spout 2', 'Low point of Shed spout 2'])
  })
})
