import { describe, expect, it } from 'vitest'
import { blank, build, joinedBy, plainTank, rainDays, using, withJoint, withRoof, put } from '../../tests/sites'
import { massErrorL, simulate } from './simulate'
import { poolsOf } from './pools'
import { compile } from './compile'
import { moveOf } from '../moves'
import type { Site } from '../site'

const pairs = (values: number[]) => values.flatMap((value, index) => (index % 2 ? [] : [[value, values[index + 1]!]]))

describe('tanks joined', () => {
  it('two at the bottom make one pool, capped by the lower spill point', () => {
    const pair = build(
      plainTank(plainTank(blank(), 'A'), 'B'),
      moveOf('linkAtBottom', { a: 'tank-1', b: 'tank-2', boreMm: 50 }),
    )
    expect(poolsOf(pair).map(pool => pool.capL)).toEqual([1800])
    const lower = build(pair, moveOf('setHeight', { node: 'tank-2', baseM: -0.3 }))
    // B spills at 0.6: A holds 600 of its 900, B its 900.
    expect(poolsOf(lower)[0]!.capL).toBeCloseTo(1500)
    expect(poolsOf(lower)[0]!.spillsAt).toMatchObject({ port: 'overflow', tank: { id: 'tank-2' } })
    // The outlet of A is at 0 and the link's higher end too: the 300 L of B below them are dead to A.
    expect(poolsOf(lower)[0]!.deadBelowL('tank-1', 0)).toBeCloseTo(300)
  })
  it('a shut or checked link makes two', () => {
    const pair = build(
      plainTank(plainTank(blank(), 'A'), 'B'),
      moveOf('linkAtBottom', { a: 'tank-1', b: 'tank-2', boreMm: 50 }),
    )
    const link = pair.runs.findIndex(run => run.from.port === 'link')
    expect(poolsOf(build(pair, put(['runs', link, 'parts', 0, 'open'], false)))).toHaveLength(2)
    expect(
      poolsOf(
        build(
          pair,
          moveOf('insertPart', {
            run: pair.runs[link]!.id,
            before: pair.runs[link]!.parts[1]!.id,
            part: { kind: 'check', boreMm: 50 },
          }),
        ),
      ),
    ).toHaveLength(2)
  })
  it('a cascade of three fills in turn', () => {
    let site = withRoof(plainTank(plainTank(plainTank(blank(), 'A'), 'B'), 'C'))
    site = build(
      site,
      moveOf('setHeight', { node: 'tank-2', baseM: -0.1 }),
      moveOf('setHeight', { node: 'tank-3', baseM: -0.2 }),
      moveOf('setHeight', { node: 'outfall-3', baseM: -0.2 }),
      moveOf('spillInto', { from: 'tank-1', to: 'tank-2' }),
      moveOf('spillInto', { from: 'tank-2', to: 'tank-3' }),
    )
    const run = simulate(compile(site), rainDays(10, 10, 10), { startL: [0, 0, 0] })
    expect([...run.poolL]).toEqual([900, 100, 0, 900, 900, 200, 900, 900, 900].map(litres => expect.closeTo(litres, 6)))
    expect(run.spilledL[2]).toBeCloseTo(300, 6)
  })
  it('a spill runs once the water stands above its line, and not at all where that is above the rim', () => {
    const pair = withRoof(plainTank(plainTank(blank(), 'A'), 'B'))
    const spilling = build(pair, moveOf('spillInto', { from: 'tank-1', to: 'tank-2' }))
    const held = (site: Site) => [...simulate(compile(site), rainDays(10, 10), { startL: [0, 0] }).poolL]
    // B's inlet lies at 0.95 m: A fills 5 cm past the mouth of its overflow before any of it runs over.
    expect(held(spilling)).toEqual([950, 50, 950, 900])
    const above = build(spilling, moveOf('setHeight', { node: 'tank-2', baseM: 1.2 }))
    expect(compile(above).pools[0]).toMatchObject({ capL: 1000, spillsAt: { port: undefined } })
    expect(held(above)).toEqual([1000, 0, 1000, 0])
    // Nor does it through a shut valve, or up to an outfall that stands too high.
    const run = spilling.runs.find(each => each.from.port === 'overflow' && each.from.node === 'tank-1')!
    const shut = build(
      spilling,
      moveOf('insertPart', { run: run.id, before: run.parts[0]?.id, part: { kind: 'valve', boreMm: 50, open: false } }),
    )
    expect(held(shut)).toEqual([1000, 0, 1000, 0])
    const outfall = build(plainTank(blank(), 'A'), moveOf('setHeight', { node: 'outfall-1', baseM: 3 }))
    expect(compile(outfall).pools[0]).toMatchObject({ capL: 1000, spillsAt: { port: undefined } })
  })
  it('gravity lifts nothing over a hump, nor off a roof to an inlet above its spout', () => {
    const used = using(withRoof(plainTank(blank(), 'A')), 10)
    const line = used.runs.find(run => run.to.node === used.uses[0]!.at)!
    const humped: Site = {
      ...withJoint(used, 'hump'),
      runs: [
        ...used.runs.filter(run => run !== line),
        { ...line, to: { node: 'hump', port: 'in' } },
        { ...line, id: 'down', from: { node: 'hump', port: 'out' }, parts: [] },
      ],
    }
    const at = (baseM: number) => compile(build(humped, moveOf('setHeight', { node: 'hump', baseM }))).demands[0]!
    expect(at(0.4).sources[0]!.keepL).toBeCloseTo(400, 6)
    expect(at(-1).sources[0]!.keepL).toBeCloseTo(0, 6)
    const raised = build(used, moveOf('setHeight', { node: 'tank-1', baseM: 8 }))
    expect(compile(raised).caught[0]!.pool).toBe(-1)
  })
  it('a ring of spills keeps its water', () => {
    let site = withRoof(plainTank(plainTank(blank(), 'A'), 'B'))
    site = build(
      site,
      moveOf('spillInto', { from: 'tank-1', to: 'tank-2' }),
      moveOf('spillInto', { from: 'tank-2', to: 'tank-1' }),
    )
    const run = simulate(compile(site), rainDays(30), { startL: [0, 0] })
    expect(run.storedL[0]! + run.spilledL[0]!).toBeCloseTo(3000)
  })
  it('a float valve fills a lower tank only while the upper stands higher', () => {
    let site = plainTank(plainTank(blank(), 'A'), 'B')
    site = build(site, moveOf('setHeight', { node: 'tank-2', baseM: -0.5 }))
    site = {
      ...site,
      runs: [
        ...site.runs,
        {
          id: 'down',
          name: 'down',
          from: { node: 'tank-1', port: 'outlet' },
          to: { node: 'tank-2', port: 'inlet' },
          parts: [{ id: 'ball', kind: 'float', boreMm: 25 }],
        },
      ],
    }
    // B's inlet stands at 0.45: A gives what is above it, and B takes up to its spill point.
    const run = simulate(compile(site), rainDays(0), { startL: [800, 700] })
    expect([...run.poolL]).toEqual([600, 900])
  })
})

describe('a pump tank, and sites that cannot work', () => {
  it('is filled to its float, draws the big one down to that height, and then stands alone', () => {
    let site = using(plainTank(plainTank(blank(), 'Big'), 'Pump tank'), 200, 'tank-2')
    site = build(site, moveOf('setPort', { tank: 'tank-2', port: 'inlet', heightM: 0.5 }))
    site = joinedBy(site, ['tank-1', 'outlet'], ['tank-2', 'inlet'], [{ kind: 'float', boreMm: 25 }])
    const run = simulate(compile(site), rainDays(0, 0, 0, 0, 0), { startL: [900, 500] })
    // As they are found in the morning: what was drawn by day has run on by night, while the big one stands higher.
    expect(pairs([...run.poolL])).toEqual([
      [700, 500],
      [500, 500],
      [500, 300],
      [500, 100],
      [500, 0],
    ])
    expect([...run.shortL]).toEqual([0, 0, 0, 0, 100])
  })
  it('gives in a day far more than it holds, as long as the big one stands higher', () => {
    let site = using(plainTank(plainTank(blank(), 'Big'), 'Small', { lengthM: 0.1 }), 300, 'tank-2')
    site = build(site, moveOf('setPort', { tank: 'tank-2', port: 'inlet', heightM: 0.5 }))
    site = joinedBy(site, ['tank-1', 'outlet'], ['tank-2', 'inlet'], [{ kind: 'float', boreMm: 25 }])
    // 50 L at its float. Of 900 L, 400 stand above that: the second day has 150 L left to give, then nothing.
    const run = simulate(compile(site), rainDays(0, 0, 0), { startL: [900, 50] })
    expect([...run.shortL]).toEqual([0, 150, 300])
    expect(run.poolL[4]).toBe(500)
    expect(massErrorL(run)).toBeCloseTo(0, 9)
    // Through three tanks as through two.
    let three = build(plainTank(site, 'Far'), moveOf('setHeight', { node: 'tank-3', baseM: 1 }))
    three = joinedBy(three, ['tank-3', 'outlet'], ['tank-1', 'inlet'], [{ kind: 'float', boreMm: 25 }])
    const far = simulate(compile(three), rainDays(0, 0, 0), { startL: [900, 50, 900] })
    expect([...far.shortL]).toEqual([0, 0, 0])
    expect(massErrorL(far)).toBeCloseTo(0, 9)
  })
  it('two tanks of different rims at one level spill at the lower, and hold what both hold up to there', () => {
    let site = withRoof(plainTank(plainTank(blank(), 'Tall'), 'Low', { lengthM: 2 }))
    site = build(
      site,
      moveOf('resizeTank', { tank: 'tank-2', shape: { heightM: 0.6 } }),
      moveOf('setPort', { tank: 'tank-2', port: 'overflow', heightM: 0.5 }),
      moveOf('linkAtBottom', { a: 'tank-1', b: 'tank-2', boreMm: 50 }),
    )
    // 1 m² and 2 m² up to 0.5 m are 1500 L; 20 mm on 100 m² bring 2000.
    const run = simulate(compile(site), rainDays(20), { startL: [0] })
    expect([run.storedL[0], run.spilledL[0]]).toEqual([1500, 500])
  })
  it('a ring of links, a tank that can never fill and one that nothing draws from keep their books', () => {
    let site = withRoof(plainTank(plainTank(plainTank(blank(), 'A'), 'B'), 'C'))
    for (const [a, b] of [
      ['tank-1', 'tank-2'],
      ['tank-2', 'tank-3'],
      ['tank-3', 'tank-1'],
    ] as const)
      site = build(site, moveOf('linkAtBottom', { a, b, boreMm: 50 }))
    site = plainTank(plainTank(site, 'High'), 'Idle')
    site = joinedBy(
      build(site, moveOf('setHeight', { node: 'tank-4', baseM: 3 })),
      ['tank-1', 'outlet'],
      ['tank-4', 'inlet'],
      [{ kind: 'float', boreMm: 25 }],
    )
    const run = simulate(compile(site), rainDays(10, 30, 0), { startL: [0, 0, 0] })
    // One pool of 2700 L; the high tank gets nothing, the idle one has no water to come.
    expect([...run.poolL]).toEqual([1000, 0, 0, 2700, 0, 0, 2700, 0, 0])
    expect([...run.spilledL]).toEqual([0, 1300, 0])
    expect(massErrorL(run)).toBeCloseTo(0, 9)
  })
})
