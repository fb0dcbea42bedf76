import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { arbitraryRain, arbitrarySite, blank, build, joinedBy, plainTank } from '../../tests/sites'
import { seriesOf, weatherSeries } from '../climate'
import { roofYield } from '../sums'
import { moveOf, newSite, standInClimate, type Site } from '../site'
import { compile, massErrorL, meanMonths, outlook, poolsOf, simulate } from '.'

const series = (...rainMm: number[]) => seriesOf(0, Float64Array.from(rainMm), true)
/** A roof of 100 m² that loses nothing, led to the first tank. */
const withRoof = (site: Site, tank = 'tank-1') => {
  const roofed = build(site, moveOf('addRoof', { name: 'Roof', lengthM: 10, widthM: 10, material: 'steel', tank }))
  const index = roofed.roofs.length - 1
  return build(roofed, moveOf('change', { path: ['roofs', index, 'runoffCoefficient'], value: 1 }), moveOf('change', { path: ['roofs', index, 'wettingLossMm'], value: 0 }))
}
const using = (site: Site, litresPerDay: number, tank = 'tank-1') => {
  const used = build(site, moveOf('addUse', { preset: 'sheep', count: litresPerDay / 5, tank }))
  const tap = used.nodes.find(node => node.kind === 'tap' && node.id === used.uses.at(-1)!.at)!
  return build(used, moveOf('setHeight', { node: tap.id, baseM: 0 }))
}

const pairs = (values: number[]) => values.flatMap((value, index) => index % 2 ? [] : [[value, values[index + 1]!]])

describe('one tank, by hand', () => {
  const site = using(withRoof(plainTank(blank(), 'A')), 50)
  it('fills, spills, serves and runs dry as worked on paper', () => {
    // 900 L at the spill point. 4 mm give 400 L; 50 L go each day; 8 mm more: 350 + 800 − 900 spills 250.
    const run = simulate(compile(site), series(4, 8, 0, 0), { startL: [0] })
    expect([...run.storedL]).toEqual([350, 850, 800, 750])
    expect([...run.spilledL]).toEqual([0, 250, 0, 0])
    expect(massErrorL(run)).toBeCloseTo(0, 9)
  })
  it('catches what the worked sum says', () => {
    const roofed = withRoof(plainTank(blank(), 'A'))
    const lossy = build(roofed, moveOf('change', { path: ['roofs', 0, 'runoffCoefficient'], value: 0.83 }), moveOf('change', { path: ['roofs', 0, 'wettingLossMm'], value: 0.7 }), moveOf('change', { path: ['roofs', 0, 'spouts', 0, 'share'], value: 0.6 }))
    for (const rainMm of [0.5, 0.7, 3.4, 61]) {
      const { volumeL } = roofYield({ planAreaM2: 100, rainMm, runoffCoefficient: 0.83, wettingLossMm: 0.7, captureShare: 0.6 })
      expect(simulate(compile(lossy), series(rainMm), { startL: [0] }).caughtL[0]).toBeCloseTo(volumeL, 9)
    }
  })
  it('yield before spill serves first and so spills less', () => {
    const run = simulate(compile(site), series(4, 8, 0, 0), { startL: [0], yieldBeforeSpill: true })
    expect([...run.spilledL]).toEqual([0, 200, 0, 0])
    expect(run.storedL[1]).toBe(900)
  })
  it('gives what it has on the last day, and nothing afterwards', () => {
    const run = simulate(compile(site), series(0, 0, 0), { startL: [80] })
    expect([...run.shortL]).toEqual([0, 20, 50])
  })
  it('keeps what stands below the outlet, or below a tap that is fed by gravity', () => {
    const raised = build(site, moveOf('setPort', { tank: 'tank-1', port: 'outlet', heightM: 0.1 }))
    expect(simulate(compile(raised), series(0, 0, 0), { startL: [180] }).storedL[2]).toBeCloseTo(100)
    const tap = site.nodes.find(node => node.kind === 'tap')!.id
    const high = build(site, moveOf('setHeight', { node: tap, baseM: 0.4 }))
    expect(simulate(compile(high), series(0, 0, 0), { startL: [480] }).storedL[2]).toBeCloseTo(400)
  })
  it('a shut valve in the line stops the use', () => {
    const run = site.runs.findIndex(candidate => candidate.to.node === site.uses[0]!.at)
    const shut = build(site, moveOf('change', { path: ['runs', run, 'parts', 0, 'open'], value: false }))
    expect(simulate(compile(shut), series(0), { startL: [500] }).shortL[0]).toBe(50)
  })
})

describe('first flush', () => {
  const flushed = () => {
    const site = withRoof(plainTank(blank(), 'A'))
    const fitted = build(site, moveOf('fitFirstFlush', { spout: 'spout-1', depthMm: 1 }))
    const index = fitted.nodes.findIndex(node => node.kind === 'chamber')
    const chamber = compile(fitted).chambers[0]!
    return { fitted, index, chamber }
  }
  it('takes the first of the rain, empties by the falling head, and loses its outlet’s flow while it rains', () => {
    const { fitted, chamber } = flushed()
    const run = simulate(compile(fitted), series(8, 0, 0, 8), { startL: [0] })
    const passing = 2 * chamber.capL / chamber.drainHours * 6
    expect(run.poolL[0]).toBeCloseTo(Math.min(900, 800 - chamber.capL - passing), 6)
    expect(chamber.drainHours).toBeLessThan(24)
    expect(run.flushedL[1]).toBeCloseTo(chamber.capL, 6)
    expect(run.flushedL[2]).toBe(0)
    expect(massErrorL(run)).toBeCloseTo(0, 9)
  })
  it('without an outlet stays full after the first rain, until it is emptied by hand', () => {
    const { fitted, index, chamber } = flushed()
    const shut = build(fitted, moveOf('change', { path: ['nodes', index, 'orificeMm'], value: null }))
    const run = simulate(compile(shut), series(2, 0, 2), { startL: [0] })
    expect(run.poolL[2]).toBeCloseTo(200 - chamber.capL + 200, 6)
    const tended = build(shut, moveOf('change', { path: ['nodes', index, 'emptiedEveryDays'], value: 2 }))
    expect(simulate(compile(tended), series(2, 0, 2), { startL: [0] }).poolL[2]).toBeCloseTo(400 - 2 * chamber.capL, 6)
  })
  it('a winter by-pass sends its months to ground', () => {
    const { fitted } = flushed()
    const spout = fitted.nodes.findIndex(node => node.kind === 'spout')
    const open = build(fitted, moveOf('change', { path: ['nodes', spout, 'bypassMonths'], value: [1, 12] }))
    expect(simulate(compile(open), series(20, 20), { startL: [0] }).storedL[1]).toBe(0)
  })
})

describe('tanks joined', () => {
  it('two at the bottom make one pool, capped by the lower spill point', () => {
    const pair = build(plainTank(plainTank(blank(), 'A'), 'B'), moveOf('linkAtBottom', { a: 'tank-1', b: 'tank-2', boreMm: 50 }))
    expect(poolsOf(pair).map(pool => pool.capL)).toEqual([1800])
    const lower = build(pair, moveOf('setHeight', { node: 'tank-2', baseM: -0.3 }))
    // B spills at 0.6: A holds 600 of its 900, B its 900.
    expect(poolsOf(lower)[0]!.capL).toBeCloseTo(1500)
    expect(poolsOf(lower)[0]!.spillsAt).toMatchObject({ port: 'overflow', tank: { id: 'tank-2' } })
    // The outlet of A is at 0 and the link's higher end too: the 300 L of B below them are dead to A.
    expect(poolsOf(lower)[0]!.deadBelowL('tank-1', 0)).toBeCloseTo(300)
  })
  it('a shut or checked link makes two', () => {
    const pair = build(plainTank(plainTank(blank(), 'A'), 'B'), moveOf('linkAtBottom', { a: 'tank-1', b: 'tank-2', boreMm: 50 }))
    const link = pair.runs.findIndex(run => run.from.port === 'link')
    expect(poolsOf(build(pair, moveOf('change', { path: ['runs', link, 'parts', 0, 'open'], value: false })))).toHaveLength(2)
    expect(poolsOf(build(pair, moveOf('insertPart', { run: pair.runs[link]!.id, at: 1, part: { kind: 'check', boreMm: 50 } })))).toHaveLength(2)
  })
  it('a cascade of three fills in turn', () => {
    let site = withRoof(plainTank(plainTank(plainTank(blank(), 'A'), 'B'), 'C'))
    site = build(site, moveOf('spillInto', { from: 'tank-1', to: 'tank-2' }), moveOf('spillInto', { from: 'tank-2', to: 'tank-3' }))
    const run = simulate(compile(site), series(10, 10, 10), { startL: [0, 0, 0] })
    expect([...run.poolL]).toEqual([900, 100, 0, 900, 900, 200, 900, 900, 900])
    expect([...run.spilledL]).toEqual([0, 0, 300])
  })
  it('a ring of spills keeps its water', () => {
    let site = withRoof(plainTank(plainTank(blank(), 'A'), 'B'))
    site = build(site, moveOf('spillInto', { from: 'tank-1', to: 'tank-2' }), moveOf('spillInto', { from: 'tank-2', to: 'tank-1' }))
    const run = simulate(compile(site), series(30), { startL: [0, 0] })
    expect(run.storedL[0]! + run.spilledL[0]!).toBeCloseTo(3000)
  })
  it('a float valve fills a lower tank only while the upper stands higher', () => {
    let site = plainTank(plainTank(blank(), 'A'), 'B')
    site = build(site, moveOf('setHeight', { node: 'tank-2', baseM: -0.5 }))
    site = { ...site, runs: [...site.runs, { id: 'down', name: 'down', from: { node: 'tank-1', port: 'outlet' }, to: { node: 'tank-2', port: 'inlet' }, parts: [{ kind: 'float', boreMm: 25 }] }] }
    // B's inlet stands at 0.45: A gives what is above it, and B takes up to its spill point.
    const run = simulate(compile(site), series(0), { startL: [800, 700] })
    expect([...run.poolL]).toEqual([600, 900])
  })
})

describe('a pump tank, and sites that cannot work', () => {
  it('is filled to its float, draws the big one down to that height, and then stands alone', () => {
    let site = using(plainTank(plainTank(blank(), 'Big'), 'Pump tank'), 200, 'tank-2')
    site = build(site, moveOf('setPort', { tank: 'tank-2', port: 'inlet', heightM: 0.5 }))
    site = joinedBy(site, ['tank-1', 'outlet'], ['tank-2', 'inlet'], [{ kind: 'float', boreMm: 25 }])
    const run = simulate(compile(site), series(0, 0, 0, 0, 0), { startL: [900, 500] })
    expect(pairs([...run.poolL])).toEqual([[900, 300], [700, 300], [500, 300], [500, 100], [500, 0]])
    expect([...run.shortL]).toEqual([0, 0, 0, 0, 100])
  })
  it('gives in a day far more than it holds, as long as the big one stands higher', () => {
    let site = using(plainTank(plainTank(blank(), 'Big'), 'Small', { lengthM: 0.1 }), 300, 'tank-2')
    site = build(site, moveOf('setPort', { tank: 'tank-2', port: 'inlet', heightM: 0.5 }))
    site = joinedBy(site, ['tank-1', 'outlet'], ['tank-2', 'inlet'], [{ kind: 'float', boreMm: 25 }])
    // 50 L at its float. Of 900 L, 400 stand above that: the second day has 150 L left to give, then nothing.
    const run = simulate(compile(site), series(0, 0, 0), { startL: [900, 50] })
    expect([...run.shortL]).toEqual([0, 150, 300])
    expect(run.poolL[4]).toBe(500)
    expect(massErrorL(run)).toBeCloseTo(0, 9)
    // Through three tanks as through two.
    let three = build(plainTank(site, 'Far'), moveOf('setHeight', { node: 'tank-3', baseM: 1 }))
    three = joinedBy(three, ['tank-3', 'outlet'], ['tank-1', 'inlet'], [{ kind: 'float', boreMm: 25 }])
    const far = simulate(compile(three), series(0, 0, 0), { startL: [900, 50, 900] })
    expect([...far.shortL]).toEqual([0, 0, 0])
    expect(massErrorL(far)).toBeCloseTo(0, 9)
  })
  it('two tanks of different rims at one level spill at the lower, and hold what both hold up to there', () => {
    let site = withRoof(plainTank(plainTank(blank(), 'Tall'), 'Low', { lengthM: 2 }))
    site = build(site, moveOf('resizeTank', { tank: 'tank-2', shape: { heightM: 0.6 } }), moveOf('setPort', { tank: 'tank-2', port: 'overflow', heightM: 0.5 }), moveOf('linkAtBottom', { a: 'tank-1', b: 'tank-2', boreMm: 50 }))
    // 1 m² and 2 m² up to 0.5 m are 1500 L; 20 mm on 100 m² bring 2000.
    const run = simulate(compile(site), series(20), { startL: [0] })
    expect([run.storedL[0], run.spilledL[0]]).toEqual([1500, 500])
  })
  it('a ring of links, a tank that can never fill and one that nothing draws from keep their books', () => {
    let site = withRoof(plainTank(plainTank(plainTank(blank(), 'A'), 'B'), 'C'))
    for (const [a, b] of [['tank-1', 'tank-2'], ['tank-2', 'tank-3'], ['tank-3', 'tank-1']] as const) site = build(site, moveOf('linkAtBottom', { a, b, boreMm: 50 }))
    site = plainTank(plainTank(site, 'High'), 'Idle')
    site = joinedBy(build(site, moveOf('setHeight', { node: 'tank-4', baseM: 3 })), ['tank-1', 'outlet'], ['tank-4', 'inlet'], [{ kind: 'float', boreMm: 25 }])
    const run = simulate(compile(site), series(10, 30, 0), { startL: [0, 0, 0] })
    // One pool of 2700 L; the high tank gets nothing, the idle one has no water to come.
    expect([...run.poolL]).toEqual([1000, 0, 0, 2700, 0, 0, 2700, 0, 0])
    expect([...run.spilledL]).toEqual([0, 1300, 0])
    expect(massErrorL(run)).toBeCloseTo(0, 9)
  })
})

describe('outside water', () => {
  it('a well tops up from its trigger to its stop, at what it yields', () => {
    const site: Site = using(plainTank(blank(), 'A'), 50)
    const withWell: Site = {
      ...site,
      nodes: [...site.nodes, { kind: 'well', id: 'well', name: 'Well', baseM: -20, groundM: 0, depthM: 20, stillWaterDepthM: 8, yieldLPerDay: 120, rule: { startShare: 0.3, stopShare: 0.5, months: [1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12] } }],
      runs: [...site.runs, { id: 'lift', name: 'lift', from: { node: 'well', port: 'out' }, to: { node: 'tank-1', port: 'inlet' }, parts: [] }],
    }
    const run = simulate(compile(withWell), series(0, 0, 0, 0, 0), { startL: [360] })
    // Trigger at 270, stop at 450: falls to 310, 260 → +120, then tops up to its stop.
    expect([...run.storedL].map(Math.round)).toEqual([310, 380, 450, 400, 350])
    expect(massErrorL(run)).toBeCloseTo(0, 9)
  })
})

describe('rules of the person', () => {
  const site = using(plainTank(blank(), 'A'), 100)
  const withRule = (field: string, value: unknown, where: (string | number)[]) => build(site, moveOf('change', { path: [...where, field], value }))
  it('rations a use below a level: given up is not short, and the tank lasts longer', () => {
    const rationed = withRule('rations', [{ belowShare: 0.6, share: 0.5 }, { belowShare: 0.3, share: 0.2 }], ['uses', 0])
    const run = simulate(compile(rationed), series(0, 0, 0, 0, 0, 0, 0, 0), { startL: [700] })
    // Below 540 L half of it, below 270 L a fifth.
    expect([...run.storedL].map(Math.round)).toEqual([600, 500, 450, 400, 350, 300, 250, 230])
    expect([...run.rationedL].map(Math.round)).toEqual([0, 0, 50, 50, 50, 50, 50, 80])
    expect([...run.shortL]).toEqual(Array.from({ length: 8 }, () => 0))
    expect(massErrorL(run)).toBeCloseTo(0, 9)
    const year = outlook(rationed, series(...Array.from({ length: 8 }, () => 0)), { startL: [700] }).years[0]!
    expect(year).toMatchObject({ rationedDays: 6, shortDays: 0, rationedL: expect.closeTo(330, 6), metL: expect.closeTo(470, 6) })
    expect(year.uses[0]).toMatchObject({ rationedL: expect.closeTo(330, 6), metL: expect.closeTo(470, 6) })
  })
  it('orders carted water by the load once the tank stands low', () => {
    const at = site.nodes.findIndex(node => node.kind === 'tank')
    const carted = withRule('carted', { loadL: 500, startShare: 0.2 }, ['nodes', at])
    const run = simulate(compile(carted), series(0, 0, 0, 0, 0, 0), { startL: [350] })
    // Ordered at 180 L or less: 250, 150 + 500, 550, 450, 350, 250.
    expect([...run.storedL].map(Math.round)).toEqual([250, 650, 550, 450, 350, 250])
    expect([...run.loads]).toEqual([0, 1, 0, 0, 0, 0])
    expect(massErrorL(run)).toBeCloseTo(0, 9)
    // What does not fit is not tipped out.
    const small = simulate(compile(withRule('carted', { loadL: 5000, startShare: 0.5 }, ['nodes', at])), series(0), { startL: [400] })
    expect([small.storedL[0], small.cartL[0]]).toEqual([900, 600])
  })
  it('a tank smaller than a day’s draw is topped up while it is drawn, by what main or well can bring', () => {
    const small = using(plainTank(blank(), 'Break tank', { lengthM: 0.1 }), 300)
    const fed = (kind: 'main' | 'well', mostL: number): Site => {
      const added = build(small, moveOf('addSource', { kind, tank: 'tank-1' }), moveOf('setTrigger', { source: `${kind}-1`, startShare: 0.9 }))
      const at = added.nodes.findIndex(node => node.kind === kind)
      return build(added, moveOf('change', { path: ['nodes', at, ...kind === 'well' ? ['yieldLPerDay'] : ['rule', 'mostLPerDay']], value: mostL }))
    }
    for (const kind of ['main', 'well'] as const) {
      // 90 L stand in it. With 1000 L a day to come nothing is short; with 150, sixty are on the first day and from then on half is.
      const plenty = simulate(compile(fed(kind, 1000)), series(0, 0), { startL: [90] })
      expect([...plenty.shortL]).toEqual([0, 0])
      const little = simulate(compile(fed(kind, 150)), series(0, 0), { startL: [90] })
      expect([...little.shortL]).toEqual([60, 150])
      expect([...little.mainL].map((litres, day) => litres + little.wellL[day]!)).toEqual([150, 150])
      expect(massErrorL(little)).toBeCloseTo(0, 9)
    }
  })
  it('a trickle from the main brings no more than it passes', () => {
    const rule = { startShare: 1, stopShare: 1, months: [1], mostLPerDay: 40 }
    const main: Site = {
      ...site, nodes: [...site.nodes, { kind: 'main', id: 'street', name: 'Street', baseM: 1, groundM: 0, pressureKPa: 300, rule }],
      runs: [...site.runs, { id: 'feed', name: 'feed', from: { node: 'street', port: 'out' }, to: { node: 'tank-1', port: 'inlet' }, parts: [{ kind: 'float', boreMm: 15 }] }],
    }
    const run = simulate(compile(main), series(0, 0, 0), { startL: [300] })
    expect([...run.storedL]).toEqual([240, 180, 120])
    expect([...run.mainL]).toEqual([40, 40, 40])
  })
})

describe('whatever the site and the rain', () => {
  it('the mass balance closes and no pool stands above its rim or below nothing', () => {
    fc.assert(fc.property(arbitrarySite, arbitraryRain, fc.boolean(), (site, rain, yieldBeforeSpill) => {
      const compiled = compile(site)
      const run = simulate(compiled, series(...rain), { yieldBeforeSpill })
      const throughput = run.startL + run.caughtL.reduce((sum, value) => sum + value, 0) + run.wellL.reduce((sum, value) => sum + value, 0) + 1
      expect(Math.abs(massErrorL(run)) / throughput).toBeLessThan(1e-9)
      for (let index = 0; index < run.poolL.length; index++) {
        expect(run.poolL[index]!).toBeGreaterThanOrEqual(-1e-9)
        expect(run.poolL[index]!).toBeLessThanOrEqual(compiled.pools[index % compiled.pools.length]!.capL + 1e-9)
      }
      for (let day = 0; day < run.days; day++) expect(run.shortL[day]!).toBeLessThanOrEqual(run.askedL[day]! + 1e-9)
    }), { numRuns: 150 })
  })

  it('a larger tank never goes short more often on the same rain', () => {
    fc.assert(fc.property(arbitraryRain, fc.double({ min: 1, max: 4, noNaN: true }), fc.double({ min: 5, max: 900, noNaN: true }), (rain, factor, use) => {
      const site = using(withRoof(plainTank(blank(), 'A')), use)
      const index = site.nodes.findIndex(node => node.id === 'tank-1')
      const larger = build(site, moveOf('change', { path: ['nodes', index, 'shape', 'lengthM'], value: factor }))
      const short = (candidate: Site) => outlook(candidate, series(...rain)).years.reduce((sum, year) => sum + year.shortDays, 0)
      expect(short(larger)).toBeLessThanOrEqual(short(site))
    }), { numRuns: 60 })
  })

  it('an earlier use never goes short for a later one of the same tank', () => {
    fc.assert(fc.property(arbitraryRain, fc.double({ min: 5, max: 300, noNaN: true }), fc.double({ min: 5, max: 300, noNaN: true }), (rain, first, second) => {
      const site = using(using(withRoof(plainTank(blank(), 'A')), first), second)
      const run = simulate(compile(site), series(...rain), { startL: [100] })
      for (let day = 0; day < run.days; day++) {
        if (run.shortByUseL[day * 2 + 1]! < second - 1e-9) expect(run.shortByUseL[day * 2]).toBeCloseTo(0, 6)
      }
    }), { numRuns: 60 })
  })

  it('splitting a tank into two equal joined ones changes nothing', () => {
    fc.assert(fc.property(arbitraryRain, (rain) => {
      const one = using(withRoof(plainTank(blank(), 'A', { lengthM: 2 })), 120)
      const two = using(withRoof(build(plainTank(plainTank(blank(), 'A'), 'B'), moveOf('linkAtBottom', { a: 'tank-1', b: 'tank-2', boreMm: 50 }))), 120)
      const stored = (site: Site) => [...simulate(compile(site), series(...rain)).storedL]
      const [whole, split] = [stored(one), stored(two)]
      whole.forEach((value, day) => expect(split[day]).toBeCloseTo(value, 6))
    }), { numRuns: 40 })
  })
})

describe('the years', () => {
  it('ranks them, adds up, and says how long full tanks last', () => {
    const made = newSite({
      id: 'n', name: 'New', units: 'metric', climate: standInClimate('dry-summer-hill'), place: { latitudeDeg: 39, altitudeM: 400, frostDepthM: 0.2 },
      roof: { name: 'Shed', lengthM: 6, widthM: 5, material: 'steel' }, uses: [{ preset: 'beds', count: 25 }],
    })
    if (!made.ok) throw new Error(made.problem)
    const site = made.site
    const result = outlook(site, seriesOf(11323, Float64Array.from({ length: 365 * 4 + 1 }, (_, day) => day % 9 === 0 && (day % 365 < 150 || day % 365 > 270) ? 12 - Math.floor(day / 365) : 0), false))
    expect(result.years.map(year => year.year)).toEqual([2001, 2002, 2003, 2004])
    const [typical, worst] = [result.years[result.typical]!, result.years[result.worst]!]
    expect(worst.askedL - worst.metL).toBeGreaterThanOrEqual(typical.askedL - typical.metL)
    expect(worst.shortDays).toBeGreaterThan(0)
    for (const year of result.years) expect(year.uses.reduce((sum, use) => sum + use.metL, 0)).toBeCloseTo(year.metL, 6)
    expect(result.autonomy!.days).toBeGreaterThan(3)
    expect(result.autonomy!.days).toBeLessThan(60)
    expect(result.pools[0]!.usableL).toBeLessThan(result.pools[0]!.nominalL)
  })
})

describe('the mean months', () => {
  it('come to the mean year, and each asks what its days ask', () => {
    const made = newSite({ id: 's', name: 'S', units: 'metric', climate: standInClimate('cold-upland'), place: { latitudeDeg: 52, altitudeM: 300, frostDepthM: 0.6 }, roof: { name: 'House', lengthM: 11, widthM: 8, material: 'slate' }, uses: [{ preset: 'flush', count: 3 }] })
    if (!made.ok) throw new Error(made.problem)
    const bypassed = build(made.site, moveOf('setBypass', { spout: 'spout-1', months: [1, 2] }))
    const answer = outlook(bypassed, weatherSeries(bypassed))
    const { comesL, askedL } = meanMonths(answer)
    const mean = (of: (year: (typeof answer.years)[number]) => number) => answer.years.reduce((sum, year) => sum + of(year), 0) / answer.years.length
    const sum = (values: number[]) => values.reduce((total, value) => total + value, 0)
    expect(sum(comesL)).toBeCloseTo(mean(year => year.caughtL - year.flushedL), 6)
    expect(sum(askedL)).toBeCloseTo(mean(year => year.askedL), 6)
    // What a by-pass leads to ground in winter does not come.
    expect(comesL[0]).toBeLessThan(1)
    expect(comesL[2]).toBeGreaterThan(1000)
    expect(Math.min(...comesL)).toBeGreaterThanOrEqual(0)
    expect(askedL[3]! / 30).toBeCloseTo(askedL[4]! / 31, 6)
  })
})
