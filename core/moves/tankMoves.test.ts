import { describe, expect, it } from 'vitest'
import { blank, build, plainTank, refusal } from '../../tests/sites'
import { moveOf } from './registry'
import { spareLink } from './joins'
import { tankHeight } from '../sums'
import {
  heightHoldingM,
  joinedTanks,
  nodeById,
  portHeightM,
  rimM,
  runsFrom,
  runsTo,
  spillM,
  tankNominalL,
  tanksOf,
  type Site,
  portsByRole,
} from '../site'
import type { NodeOf, Tank } from '../kinds'
import { TANK_KIND_IDS } from '../catalog'

const tank = (site: Site, id: string) => nodeById(site, id) as Tank
const last = (site: Site) => tanksOf(site).at(-1)!
const add = (site: Site, how: 'joined' | 'spill' | 'stepped' | 'pump', kind: (typeof TANK_KIND_IDS)[number] = 'tote') =>
  build(site, moveOf('addTank', { kind, how, to: 'tank-1' }))
const one = () => build(blank(), moveOf('addTank', { kind: 'upright', how: 'alone' }))

describe('joining', () => {
  it.each(TANK_KIND_IDS)(
    'a step down: a %s takes all that the upper one’s outlet gives, and its float shuts before it spills',
    kind => {
      const site = add(one(), 'stepped', kind)
      const [upper, lower] = [tank(site, 'tank-1'), last(site)]
      const line = runsFrom(site, 'tank-1', 'outlet').find(run => run.to.node === lower.id)!
      expect(line.parts.map(part => part.kind)).toEqual(['valve', 'union', 'pipe', 'union', 'float'])
      expect(portHeightM(site, line.to)).toBeLessThan(upper.baseM + portsByRole(upper, 'outlet')[0]!.heightM)
      expect(portHeightM(site, line.to)).toBeLessThan(spillM(site, lower))
      expect(lower.groundM).toBeLessThanOrEqual(upper.groundM)
    },
  )
  it('a pump tank is filled low down from the big one, and the pump draws from it', () => {
    const pumped = build(one(), moveOf('addUse', { preset: 'shower' }))
    const site = add(pumped, 'pump', 'pump')
    const small = last(site)
    const pump = site.runs.find(run => run.parts.some(part => part.kind === 'pump'))!
    expect(pump.from.node).toBe(small.id)
    const fill = runsTo(site, small.id).find(run => run.from.node === 'tank-1')!
    expect(portHeightM(site, fill.to)).toBeLessThan(rimM(tank(site, 'tank-1')) - 1)
    expect(runsFrom(site, 'tank-1').some(run => run.parts.some(part => part.kind === 'pump'))).toBe(false)
  })
  it('one more takes the spare fitting and leaves one of its own', () => {
    const site = add(one(), 'joined', 'upright')
    expect(spareLink(site, tank(site, 'tank-1'))).toBeUndefined()
    const left = build(site, moveOf('fitSpare', { tank: 'tank-1' }))
    expect(spareLink(left, tank(left, 'tank-1'))).toMatchObject({ spare: 'valve', role: 'link' })
    const three = add(left, 'joined', 'upright')
    expect(tank(three, 'tank-1').ports).toHaveLength(tank(left, 'tank-1').ports.length)
    expect(tank(three, 'tank-1').ports.filter(port => port.spare)).toEqual([])
    expect(
      joinedTanks(three, tank(three, 'tank-3'))
        .map(member => member.id)
        .sort(),
    ).toEqual(['tank-1', 'tank-2', 'tank-3'])
  })
  it('a float valve is fitted where a line ends, below the overflow, once', () => {
    let site = plainTank(plainTank(blank(), 'A'), 'B')
    site = {
      ...site,
      runs: [
        ...site.runs,
        {
          id: 'down',
          name: 'down',
          from: { node: 'tank-1', port: 'outlet' },
          to: { node: 'tank-2', port: 'inlet' },
          parts: [],
        },
      ],
    }
    const fitted = build(site, moveOf('fitFloat', { run: 'down' }))
    expect(portHeightM(fitted, { node: 'tank-2', port: 'inlet' })).toBeCloseTo(0.85, 9)
    expect(refusal(fitted, moveOf('fitFloat', { run: 'down' }))).toContain('already')
    expect(refusal(site, moveOf('fitFloat', { run: 'gone' }))).toContain('no longer')
    expect(refusal(site, moveOf('feedByFloat', { from: 'tank-1', to: 'tank-1' }))).toContain('cannot fill itself')
  })
  it('a valve is shut and opened, and only a valve', () => {
    const site = add(one(), 'joined')
    const link = site.runs.find(run => run.from.port.startsWith('link'))!
    const shut = build(site, moveOf('turnValve', { part: link.parts[0]!.id, open: false }))
    expect(shut.runs.find(run => run.id === link.id)!.parts[0]).toMatchObject({ open: false })
    expect(refusal(site, moveOf('turnValve', { part: link.parts[1]!.id, open: false }))).toContain('no longer there')
  })
})

describe('one tank takes over another’s lines', () => {
  const pair = () =>
    build(
      one(),
      moveOf('addTank', { kind: 'upright', how: 'joined', to: 'tank-1' }),
      moveOf('addUse', { preset: 'shower' }),
      moveOf('addUse', { preset: 'sheep' }),
      moveOf('drawFrom', { use: 'use-1', tank: 'tank-2' }),
      moveOf('drawFrom', { use: 'use-2', tank: 'tank-2' }),
    )
  it('what was drawn from it is drawn from the other, at the height it was; lines between them go', () => {
    const before = pair()
    const draws = runsFrom(before, 'tank-2').filter(run => nodeById(before, run.to.node).kind !== 'outfall')
    expect(draws.length).toBeGreaterThan(0)
    const site = build(before, moveOf('mergeTank', { tank: 'tank-2', into: 'tank-1' }))
    expect(tanksOf(site).map(each => each.id)).toEqual(['tank-1'])
    expect(site.uses).toHaveLength(2)
    for (const run of draws) {
      const now = site.runs.find(each => each.id === run.id)!
      expect(now.from.node).toBe('tank-1')
      expect(portHeightM(site, now.from)).toBeCloseTo(portHeightM(before, run.from), 6)
    }
    expect(site.runs.every(run => ![run.from.node, run.to.node].includes('tank-2'))).toBe(true)
    expect(site.nodes.filter(node => node.kind === 'outfall')).toHaveLength(1)
  })
  it('a third tank stays joined, through the one that is left; what was kept back is kept', () => {
    const three = build(
      pair(),
      moveOf('addTank', { kind: 'upright', how: 'joined', to: 'tank-2' }),
      moveOf('keepReserve', { tank: 'tank-2', litres: 800 }),
    )
    const site = build(three, moveOf('mergeTank', { tank: 'tank-2', into: 'tank-1' }))
    expect(joinedTanks(site, tank(site, 'tank-1')).map(each => each.id)).toEqual(['tank-1', 'tank-3'])
    expect(tank(site, 'tank-1').reserveL).toBe(800)
    expect(refusal(site, moveOf('mergeTank', { tank: 'tank-1', into: 'tank-1' }))).toContain('its own lines')
  })
})

describe('drawing off', () => {
  it(
    'a reserve lifts every draw-off of the group above what is kept, and a hydrant reaches it; nought gives it ' +
      'free',
    () => {
      const pair = build(
        plainTank(plainTank(blank(), 'A'), 'B'),
        moveOf('linkAtBottom', { a: 'tank-1', b: 'tank-2', boreMm: 50 }),
      )
      const kept = build(pair, moveOf('keepReserve', { tank: 'tank-1', litres: 600 }))
      // Two of a square metre: 600 L stand 0.3 m deep.
      for (const id of ['tank-1', 'tank-2'])
        expect(portsByRole(tank(kept, id), 'outlet')[0]!.heightM).toBeCloseTo(0.3, 3)
      const hydrant = kept.nodes.find(node => node.kind === 'tap') as NodeOf<'tap'>
      expect(hydrant.fixture).toBe('hydrant')
      expect(runsTo(kept, hydrant.id)[0]!.from).toEqual({ node: 'tank-1', port: 'fire' })
      const free = build(kept, moveOf('keepReserve', { tank: 'tank-1', litres: 0 }))
      expect(portsByRole(tank(free, 'tank-2'), 'outlet')[0]!.heightM).toBeCloseTo(0.1, 6)
      expect(tank(free, 'tank-1').reserveL).toBeUndefined()
      expect(refusal(pair, moveOf('keepReserve', { tank: 'tank-1', litres: 1790 }))).toContain('nothing would be left')
      expect(
        build(kept, moveOf('keepReserve', { tank: 'tank-1', litres: 300 })).nodes.filter(node => node.kind === 'tap'),
      ).toHaveLength(1)
    },
  )
  it('the height that holds some litres answers for any shapes together', () => {
    const site = build(
      blank(),
      moveOf('addTank', { kind: 'lying', how: 'alone' }),
      moveOf('addTank', { kind: 'drum', how: 'alone' }),
    )
    const both = tanksOf(site)
    const whole = both.reduce((sum, each) => sum + tankNominalL(each), 0)
    let before = -Infinity
    for (const share of [0.1, 0.4, 0.9, 0.999]) {
      const heightM = heightHoldingM(both, whole * share)
      expect(heightM).toBeGreaterThan(before)
      before = heightM
    }
    expect(before).toBeLessThanOrEqual(Math.max(...both.map(rimM)))
  })
  it('hangs from a float and goes back to the wall', () => {
    const floating = build(one(), moveOf('floatDrawOff', { tank: 'tank-1', port: 'outlet', hoseM: 1.4 }))
    expect(portsByRole(tank(floating, 'tank-1'), 'outlet')[0]!.floating).toEqual({ hoseM: 1.4, stopM: 0.15 })
    expect(
      portsByRole(
        tank(build(floating, moveOf('floatDrawOff', { tank: 'tank-1', port: 'outlet', hoseM: 0 })), 'tank-1'),
        'outlet',
      )[0]!.floating,
    ).toBeUndefined()
  })
  it('a supply valve is fitted on each line that has none, and a bare outlet is shut', () => {
    const bare = build(one(), moveOf('fitSupplyValve', { tank: 'tank-1' }))
    expect(portsByRole(tank(bare, 'tank-1'), 'outlet')[0]).toMatchObject({ spare: 'valve' })
    const used = build(one(), moveOf('addUse', { preset: 'beds', tank: 'tank-1' }))
    const open = {
      ...used,
      runs: used.runs.map(run => ({ ...run, parts: run.parts.filter(part => part.kind !== 'valve') })),
    }
    const fitted = build(open, moveOf('fitSupplyValve', { tank: 'tank-1' }))
    expect(runsFrom(fitted, 'tank-1', 'outlet').every(run => run.parts[0]!.kind === 'valve')).toBe(true)
  })
  it('a use is drawn from another tank, by its own line or the pump’s', () => {
    const two = build(
      one(),
      moveOf('addTank', { kind: 'upright', how: 'alone' }),
      moveOf('addUse', { preset: 'shower', tank: 'tank-1' }),
      moveOf('addUse', { preset: 'beds', tank: 'tank-1' }),
    )
    const moved = build(
      two,
      moveOf('drawFrom', { use: 'use-1', tank: 'tank-2' }),
      moveOf('drawFrom', { use: 'use-2', tank: 'tank-2' }),
    )
    expect(runsFrom(moved, 'tank-1', 'outlet')).toEqual([])
    expect(runsFrom(moved, 'tank-2', 'outlet')).toHaveLength(2)
  })
})

describe('kinds, shapes and bases', () => {
  it.each(TANK_KIND_IDS)('an upright tank made a %s keeps its lines, with every fitting inside its walls', kind => {
    const site = build(one(), moveOf('setKind', { tank: 'tank-1', kind, volumeL: 3000 }))
    const made = tank(site, 'tank-1')
    expect(made.tankKind).toBe(kind)
    expect(tankNominalL(made) / 3000).toBeCloseTo(1, 2)
    for (const port of made.ports) expect(port.heightM).toBeLessThan(tankHeight(made.shape))
    expect(runsFrom(site, 'tank-1', 'overflow')).toHaveLength(1)
  })
  it('another shape is as tall and holds about as much', () => {
    const before = tank(one(), 'tank-1')
    for (const shape of ['box', 'lying-cylinder'] as const) {
      const site = build(one(), moveOf('reshapeTank', { tank: 'tank-1', shape }))
      expect(tankHeight(tank(site, 'tank-1').shape)).toBeCloseTo(1.9, 9)
      expect(tankNominalL(tank(site, 'tank-1')) / tankNominalL(before)).toBeCloseTo(1, 2)
      expect(
        tankNominalL(
          tank(build(site, moveOf('reshapeTank', { tank: 'tank-1', shape: 'upright-cylinder' })), 'tank-1'),
        ) / tankNominalL(before),
      ).toBeCloseTo(1, 2)
    }
  })
  it.each(['upright', 'tote', 'lying'] as const)(
    'a %s widened by a share holds that share more, its fittings where they were',
    kind => {
      const site = build(blank(), moveOf('addTank', { kind, how: 'alone' }))
      const wide = build(site, moveOf('widenTanks', { tanks: ['tank-1'], share: 1.7 }))
      expect(tankNominalL(tank(wide, 'tank-1')) / tankNominalL(tank(site, 'tank-1'))).toBeCloseTo(1.7, 2)
      expect(tank(wide, 'tank-1').ports).toEqual(tank(site, 'tank-1').ports)
    },
  )
  it('a base lifts or sinks the floor, and a stand has its posts', () => {
    const high = tank(build(one(), moveOf('standOn', { tank: 'tank-1', base: 'stand', heightM: 2.4 })), 'tank-1')
    expect(high).toMatchObject({ baseM: 2.4, stand: { posts: 4, braced: true } })
    const sunk = tank(build(one(), moveOf('standOn', { tank: 'tank-1', base: 'buried' })), 'tank-1')
    expect(rimM(sunk)).toBeCloseTo(-0.1, 9)
    expect(sunk.stand).toBeUndefined()
  })
})

describe('water from outside, and where it goes', () => {
  it.each(['well', 'main'] as const)('a %s tops a tank up above the water, past a check', kind => {
    const site = build(one(), moveOf('addSource', { kind, tank: 'tank-1' }))
    const run = site.runs.at(-1)!
    expect(portHeightM(site, run.to)).toBeGreaterThan(spillM(site, tank(site, 'tank-1')))
    expect(run.parts.some(part => part.kind === 'check')).toBe(true)
    expect(run.parts.some(part => part.kind === (kind === 'well' ? 'pump' : 'float'))).toBe(true)
  })
  it('a soakaway gets a pit, and keeps it', () => {
    const site = build(one(), moveOf('leadTo', { outfall: 'outfall-1', to: 'soakaway', soil: 'sand', near: 'nothing' }))
    const pit = (nodeById(site, 'outfall-1') as NodeOf<'outfall'>).pit
    expect(pit).toMatchObject({ voidShare: 0.4 })
    expect(
      (nodeById(build(site, moveOf('leadTo', { outfall: 'outfall-1', to: 'swale' })), 'outfall-1') as NodeOf<'outfall'>)
        .pit,
    ).toEqual(pit)
  })
})
