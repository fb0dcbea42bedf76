import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { blank, build, plainTank, put } from '../../tests/sites'
import { massErrorL, simulate } from './simulate'
import { flushTrade, flushYears, type FlushWay } from './flushTrade'
import { compile } from './compile'
import { catchYear } from './catchYear'
import { overMm } from './catch'
import { washOff } from '../sums'
import type { Gutter, Site } from '../site'
import { moveOf, standInClimate } from '../moves'
import { seriesOf, stormSplit, weatherSeries } from '../climate'
import { GUARDS, SCREENS } from '../catalog'

/** 100 m² that lose nothing, over one tank. */
function barn(gutter: Partial<Gutter> = {}): Site {
  const site = build(
    plainTank(blank(), 'A'),
    moveOf('addRoof', { name: 'Barn', lengthM: 10, widthM: 10, material: 'steel', eavesM: 3, tank: 'tank-1' }),
  )
  return build(
    site,
    put(['roofs', 0, 'runoffCoefficient'], 1),
    put(['roofs', 0, 'wettingLossMm'], 0),
    put(['roofs', 0, 'spouts', 0, 'gutter'], {
      profile: 'half-round',
      widthMm: 100,
      depthMm: 50,
      slope: 0,
      outletAt: 'end',
      guard: 'none',
      below: 'unknown',
      ...gutter,
    }),
  )
}
const day = (rainMm: number, split?: Float64Array) => ({ ...seriesOf(0, Float64Array.of(rainMm), true), split })

describe('what never reaches a tank', () => {
  it('spills over the gutter in the hardest minutes, by hand', () => {
    // Half the day's 20 mm in five minutes are 1000 L off 100 m², of which 0.77779 L/s · 300 s = 233.3 L go down; the
    // rest falls too slowly to spill.
    const split = Float64Array.from({ length: 72 }, (_, step) => (step === 0 ? 0.5 : 0.5 / 71))
    const run = simulate(compile(barn()), day(20, split), { startL: [0] })
    expect(run.gutterL[0]).toBeCloseTo(1000 - 0.77779 * 300, 1)
    expect(run.caughtL[0]).toBeCloseTo(2000 - run.gutterL[0]!, 9)
    expect(massErrorL(run)).toBeCloseTo(0, 9)
    expect(simulate(compile(barn()), day(20), { startL: [0] }).gutterL[0]).toBe(0)
  })
  it('step by step: more rain spills more, a wider gutter less, never more than falls', () => {
    const split = stormSplit(50, 80)
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 300, noNaN: true }),
        fc.double({ min: 0, max: 30, noNaN: true }),
        (rainMm, stepMm) => {
          const over = overMm(rainMm, split, stepMm)
          expect(over).toBeGreaterThanOrEqual(0)
          expect(over).toBeLessThanOrEqual(rainMm + 1e-9)
          expect(overMm(rainMm + 1, split, stepMm)).toBeGreaterThanOrEqual(over)
          expect(overMm(rainMm, split, stepMm + 1)).toBeLessThanOrEqual(over)
        },
      ),
    )
  })
  it('is thrown off by guard and screens, each its share', () => {
    const screened = build(barn({ guard: 'fine-mesh' }), moveOf('fitScreen', { spout: 'spout-1', type: 'spout' }))
    const through = (1 - GUARDS['fine-mesh'].lossShare) * (1 - SCREENS.spout.lossShare)
    expect(simulate(compile(screened), day(5), { startL: [0] }).caughtL[0]).toBeCloseTo(500 * through, 9)
  })
  it('goes to ground in by-pass months, and over the overflow’s head when a flap shuts a full tank', () => {
    const site = build(barn(), moveOf('setBypass', { spout: 'spout-1', months: [1] }))
    expect(simulate(compile(site), day(5), { startL: [0] }).storedL[0]).toBe(0)
    expect(catchYear(compile(site), weatherSeries(site)).catches[0]!.bypassedL).toBeGreaterThan(1000)
    const pair = build(barn(), moveOf('addTank', { kind: 'drum', how: 'spill', to: 'tank-1' }))
    expect(simulate(compile(pair), day(20), { startL: [900, 0] }).poolL[1]).toBeGreaterThan(100)
    const shut = build(pair, moveOf('setBypass', { spout: 'spout-1', whenFull: true }))
    expect(simulate(compile(shut), day(20), { startL: [900, 0] }).poolL[1]).toBe(0)
  })
  it('adds up over a mean year: runoff is what spilled, went by, was screened and came', () => {
    const site = {
      ...build(barn({ widthMm: 75, guard: 'mesh' }), moveOf('setBypass', { spout: 'spout-1', months: [1, 2] })),
      climate: standInClimate('monsoon-lowland'),
    }
    const series = weatherSeries(site)
    const [entry] = catchYear(compile(site), weatherSeries(site)).catches
    const caught =
      (simulate(compile(site), series, { startL: [0] }).caughtL.reduce((sum, litres) => sum + litres, 0) /
        series.rainMm.length) *
      365.25
    expect(entry!.overGutterL).toBeGreaterThan(100)
    expect(entry!.runoffL - entry!.overGutterL - entry!.bypassedL - entry!.screenedL).toBeCloseTo(caught, 6)
    // Nothing is lost on the roof, so the runoff is the climate's 1243 mm on 100 m².
    expect(entry!.runoffL / 124300).toBeCloseTo(1, 1)
  })
  it('one chamber for two spouts lets its outlet’s water go once', () => {
    const two = build(
      barn(),
      moveOf('addSpout', { roof: 'roof-1', tank: 'tank-1' }),
      moveOf('joinSpouts', { spout: 'spout-2', into: 'spout-1' }),
      moveOf('fitFirstFlush', { spout: 'spout-1', at: 'line', depthMm: 1 }),
    )
    const chamber = compile(two).chambers[0]!
    expect(chamber.capL).toBeGreaterThanOrEqual(100)
    const run = simulate(compile(two), day(20), { startL: [0] })
    expect(run.flushedL[0]).toBeCloseTo(((2 * chamber.capL) / chamber.drainHours) * 6, 6)
  })
})

describe('dirt kept out against litres lost', () => {
  const way: FlushWay = { capL: 200, drainHours: Infinity, emptiedEveryDays: 1, ball: true, tee: 'swept' }
  const rain = (...rainMm: number[]) => ({ rainMm: Float64Array.from(rainMm) })
  it('is the worked sum for one rain: 2 mm kept of 10 mm off 100 m²', () => {
    const { washedShare, keptShare } = washOff({ runoffMm: 10, keptMm: 2 })
    const found = flushYears(Float64Array.of(1000), 100, way, rain(10))
    expect(found.keptShare).toBeCloseTo(keptShare / washedShare, 9)
  })
  it('a chamber that nobody empties keeps only the first rain’s dirt', () => {
    const arriving = Float64Array.from({ length: 400 }, (_, at) => (at % 4 ? 0 : 1000))
    const rains = { rainMm: arriving.map(litres => litres / 100) }
    const never = flushYears(arriving, 100, { ...way, emptiedEveryDays: 0 }, rains)
    expect(never.keptShare).toBeLessThan(0.05)
    expect(never.foulRains).toBeCloseTo((99 / 400) * 365.25, 6)
    expect(flushYears(arriving, 100, way, rains).keptShare).toBeGreaterThan(0.7)
  })
  it('without a ball it keeps less, and with a straight tee less still', () => {
    const arriving = Float64Array.of(5000)
    const kept = (change: Partial<FlushWay>) => flushYears(arriving, 100, { ...way, ...change }, rain(50)).keptShare
    expect(kept({ ball: false })).toBeLessThan(kept({}))
    expect(kept({ ball: false, tee: 'straight' })).toBeLessThan(kept({ ball: false }))
  })
  it('deeper keeps more dirt out and more water; a wider outlet empties sooner and wastes more', () => {
    const site = build(barn(), moveOf('fitFirstFlush', { spout: 'spout-1' }))
    const trade = flushTrade(site, compile(site), 'chamber-1', weatherSeries(site))!
    const rises = (values: number[]) => expect(values).toEqual([...values].sort((a, b) => a - b))
    rises(trade.byDepth.map(entry => entry.keptShare))
    rises(trade.byDepth.map(entry => entry.lostL))
    rises(trade.byOutlet.map(entry => entry.outletL))
    rises(trade.byOutlet.map(entry => -entry.hours))
    expect(trade.neverEmptied.keptShare).toBeLessThan(trade.byHandWeekly.keptShare)
    expect(trade.now.lostL).toBeLessThan(trade.arrivesL)
  })
  it('agrees with the balance on what the chamber costs', () => {
    const site = build(barn(), moveOf('fitFirstFlush', { spout: 'spout-1' }))
    const trade = flushTrade(site, compile(site), 'chamber-1', weatherSeries(site))!
    const [chamber] = catchYear(compile(site), weatherSeries(site)).chambers
    expect(trade.now.outletL).toBeCloseTo(chamber!.outletL, 3)
    expect(trade.now.lostL).toBeCloseTo(chamber!.outletL + chamber!.emptiedL, 3)
  })
  it('has nothing to say of a chamber that no roof reaches', () => {
    const site = build(barn(), moveOf('fitFirstFlush', { spout: 'spout-1' }), put(['roofs', 0, 'spouts'], []))
    expect(flushTrade(site, compile(site), 'chamber-1', weatherSeries(site))).toBeUndefined()
  })
})

describe('two chambers in one line', () => {
  it('work one after the other: the second takes what the first lets by', () => {
    const site = build(barn(), moveOf('fitFirstFlush', { spout: 'spout-1', at: 'spout' }))
    const compiled = compile(site)
    const first = { ...compiled.chambers[0]!, capL: 100, drainHours: Infinity, emptiedEveryDays: 0 }
    const twice = {
      ...compiled,
      chambers: [first, { ...first, id: 'second', capL: 300 }],
      caught: compiled.caught.map(entry => ({ ...entry, chambers: [0, 1] })),
    }
    const series = { ...seriesOf(0, Float64Array.of(0.5, 2, 5), true) }
    const run = simulate(twice, series, { startL: [0] })
    // 50 L into the first; 50 more and 150 into the second; 150 more, and 350 past both.
    expect([...run.poolL]).toEqual([0, 0, 350])
    expect(massErrorL(run)).toBeCloseTo(0, 9)
    // A trade of the second is reckoned on what comes past the first.
    const trade = flushTrade(site, { ...twice, chambers: [{ ...first, id: 'first' }, first] }, first.id, series)
    expect(trade!.arrivesL).toBeCloseTo((650 / 3) * 365.25, 6)
  })
})
