import { describe, expect, it } from 'vitest'
import { blank, build, plainTank, rainDays, using, put } from '../../tests/sites'
import { outlook } from './year'
import { massErrorL, simulate } from './simulate'
import { compile } from './compile'
import type { Site } from '../site'
import { moveOf } from '../moves'

describe('outside water', () => {
  it('a well tops up from its trigger to its stop, at what it yields', () => {
    const site: Site = using(plainTank(blank(), 'A'), 50)
    const withWell: Site = {
      ...site,
      nodes: [
        ...site.nodes,
        {
          kind: 'well',
          id: 'well',
          name: 'Well',
          baseM: -20,
          groundM: 0,
          depthM: 20,
          stillWaterDepthM: 8,
          yieldLPerDay: 120,
          rule: { startShare: 0.3, stopShare: 0.5, months: [1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12] },
        },
      ],
      runs: [
        ...site.runs,
        {
          id: 'lift',
          name: 'lift',
          from: { node: 'well', port: 'out' },
          to: { node: 'tank-1', port: 'inlet' },
          parts: [{ kind: 'pump', id: 'lifts', pump: 'submersible', flowLps: 0.3, headM: 20 }],
        },
      ],
    }
    const run = simulate(compile(withWell), rainDays(0, 0, 0, 0, 0), { startL: [360] })
    // Trigger at 270, stop at 450: falls to 310, 260 → +120, then tops up to its stop.
    expect([...run.storedL].map(Math.round)).toEqual([310, 380, 450, 400, 350])
    expect(massErrorL(run)).toBeCloseTo(0, 9)
  })
})

describe('rules of the person', () => {
  const site = using(plainTank(blank(), 'A'), 100)
  const withRule = (field: string, value: unknown, where: (string | number)[]) =>
    build(site, put([...where, field], value))
  it('rations a use below a level: given up is not short, and the tank lasts longer', () => {
    const rationed = withRule(
      'rations',
      [
        { belowShare: 0.6, share: 0.5 },
        { belowShare: 0.3, share: 0.2 },
      ],
      ['uses', 0],
    )
    const run = simulate(compile(rationed), rainDays(0, 0, 0, 0, 0, 0, 0, 0), { startL: [700] })
    // Below 540 L half of it, below 270 L a fifth.
    expect([...run.storedL].map(Math.round)).toEqual([600, 500, 450, 400, 350, 300, 250, 230])
    expect([...run.rationedL].map(Math.round)).toEqual([0, 0, 50, 50, 50, 50, 50, 80])
    expect([...run.shortL]).toEqual(Array.from({ length: 8 }, () => 0))
    expect(massErrorL(run)).toBeCloseTo(0, 9)
    const year = outlook(rationed, rainDays(...Array.from({ length: 8 }, () => 0)), { startL: [700] }).years[0]!
    expect(year).toMatchObject({
      rationedDays: 6,
      shortDays: 0,
      rationedL: expect.closeTo(330, 6),
      metL: expect.closeTo(470, 6),
    })
    expect(year.uses[0]).toMatchObject({ rationedL: expect.closeTo(330, 6), metL: expect.closeTo(470, 6) })
  })
  it('orders carted water by the load once the tank stands low', () => {
    const at = site.nodes.findIndex(node => node.kind === 'tank')
    const carted = withRule('carted', { loadL: 500, startShare: 0.2 }, ['nodes', at])
    const run = simulate(compile(carted), rainDays(0, 0, 0, 0, 0, 0), { startL: [350] })
    // Ordered at 180 L or less: 250, 150 + 500, 550, 450, 350, 250.
    expect([...run.storedL].map(Math.round)).toEqual([250, 650, 550, 450, 350, 250])
    expect([...run.loads]).toEqual([0, 1, 0, 0, 0, 0])
    expect(massErrorL(run)).toBeCloseTo(0, 9)
    // What does not fit is not tipped out.
    const small = simulate(compile(withRule('carted', { loadL: 5000, startShare: 0.5 }, ['nodes', at])), rainDays(0), {
      startL: [400],
    })
    expect([small.storedL[0], small.cartL[0]]).toEqual([900, 600])
  })
  it('a tank smaller than a day’s draw is topped up while it is drawn, by what main or well can bring', () => {
    const small = using(plainTank(blank(), 'Break tank', { lengthM: 0.1 }), 300)
    const fed = (kind: 'main' | 'well', mostL: number): Site => {
      const added = build(
        small,
        moveOf('addSource', { kind, tank: 'tank-1' }),
        moveOf('setTrigger', { source: `${kind}-1`, startShare: 0.9 }),
      )
      const at = added.nodes.findIndex(node => node.kind === kind)
      return build(added, put(['nodes', at, ...(kind === 'well' ? ['yieldLPerDay'] : ['rule', 'mostLPerDay'])], mostL))
    }
    for (const kind of ['main', 'well'] as const) {
      // 90 L stand in it. With 1000 L a day to come nothing is short; with 150, sixty are on the first day and from
      // then on half is.
      const plenty = simulate(compile(fed(kind, 1000)), rainDays(0, 0), { startL: [90] })
      expect([...plenty.shortL]).toEqual([0, 0])
      const little = simulate(compile(fed(kind, 150)), rainDays(0, 0), { startL: [90] })
      expect([...little.shortL]).toEqual([60, 150])
      expect([...little.mainL].map((litres, day) => litres + little.wellL[day]!)).toEqual([150, 150])
      expect(massErrorL(little)).toBeCloseTo(0, 9)
    }
  })
  it('a trickle from the main brings no more than it passes', () => {
    const rule = { startShare: 1, stopShare: 1, months: [1], mostLPerDay: 40 }
    const main: Site = {
      ...site,
      nodes: [
        ...site.nodes,
        { kind: 'main', id: 'street', name: 'Street', baseM: 1, groundM: 0, pressureKPa: 300, rule },
      ],
      runs: [
        ...site.runs,
        {
          id: 'feed',
          name: 'feed',
          from: { node: 'street', port: 'out' },
          to: { node: 'tank-1', port: 'inlet' },
          parts: [{ id: 'ball', kind: 'float', boreMm: 15 }],
        },
      ],
    }
    const run = simulate(compile(main), rainDays(0, 0, 0), { startL: [300] })
    expect([...run.storedL]).toEqual([240, 180, 120])
    expect([...run.mainL]).toEqual([40, 40, 40])
  })
})
