import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import {
  arbitraryRain,
  arbitrarySite,
  blank,
  build,
  plainTank,
  rainDays,
  using,
  withRoof,
  put,
  setUp,
} from '../../tests/sites'
import { meanMonths, outlook } from './year'
import { massErrorL, simulate } from './simulate'
import { compile } from './compile'
import { roofYield } from '../sums'
import type { Site } from '../site'
import { moveOf } from '../moves'
import { seriesOf, weatherSeries } from '../climate'

describe('one tank, by hand', () => {
  const site = using(withRoof(plainTank(blank(), 'A')), 50)
  it('fills, spills, serves and runs dry as worked on paper', () => {
    // 900 L at the spill point. 4 mm give 400 L; 50 L go each day; 8 mm more: 350 + 800 − 900 spills 250.
    const run = simulate(compile(site), rainDays(4, 8, 0, 0), { startL: [0] })
    expect([...run.storedL]).toEqual([350, 850, 800, 750])
    expect([...run.spilledL]).toEqual([0, 250, 0, 0])
    expect(massErrorL(run)).toBeCloseTo(0, 9)
  })
  it('catches what the worked sum says', () => {
    const roofed = withRoof(plainTank(blank(), 'A'))
    const lossy = build(
      roofed,
      put(['roofs', 0, 'runoffCoefficient'], 0.83),
      put(['roofs', 0, 'wettingLossMm'], 0.7),
      put(['roofs', 0, 'spouts', 0, 'share'], 0.6),
    )
    for (const rainMm of [0.5, 0.7, 3.4, 61]) {
      const { volumeL } = roofYield({
        planAreaM2: 100,
        rainMm,
        runoffCoefficient: 0.83,
        wettingLossMm: 0.7,
        captureShare: 0.6,
      })
      expect(simulate(compile(lossy), rainDays(rainMm), { startL: [0] }).caughtL[0]).toBeCloseTo(volumeL, 9)
    }
  })
  it('yield before spill serves first and so spills less', () => {
    const run = simulate(compile(site), rainDays(4, 8, 0, 0), { startL: [0], yieldBeforeSpill: true })
    expect([...run.spilledL]).toEqual([0, 200, 0, 0])
    expect(run.storedL[1]).toBe(900)
  })
  it('gives what it has on the last day, and nothing afterwards', () => {
    const run = simulate(compile(site), rainDays(0, 0, 0), { startL: [80] })
    expect([...run.shortL]).toEqual([0, 20, 50])
  })
  it('keeps what stands below the outlet, or below a tap that is fed by gravity', () => {
    const raised = build(site, moveOf('setPort', { tank: 'tank-1', port: 'outlet', heightM: 0.1 }))
    expect(simulate(compile(raised), rainDays(0, 0, 0), { startL: [180] }).storedL[2]).toBeCloseTo(100)
    const tap = site.nodes.find(node => node.kind === 'tap')!.id
    const high = build(site, moveOf('setHeight', { node: tap, baseM: 0.4 }))
    expect(simulate(compile(high), rainDays(0, 0, 0), { startL: [480] }).storedL[2]).toBeCloseTo(400)
  })
  it('a shut valve in the line stops the use', () => {
    const run = site.runs.findIndex(candidate => candidate.to.node === site.uses[0]!.at)
    const shut = build(site, put(['runs', run, 'parts', 0, 'open'], false))
    expect(simulate(compile(shut), rainDays(0), { startL: [500] }).shortL[0]).toBe(50)
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
    const run = simulate(compile(fitted), rainDays(8, 0, 0, 8), { startL: [0] })
    const passing = ((2 * chamber.capL) / chamber.drainHours) * 6
    expect(run.poolL[0]).toBeCloseTo(Math.min(900, 800 - chamber.capL - passing), 6)
    expect(chamber.drainHours).toBeLessThan(24)
    expect(run.flushedL[1]).toBeCloseTo(chamber.capL, 6)
    expect(run.flushedL[2]).toBe(0)
    expect(massErrorL(run)).toBeCloseTo(0, 9)
  })
  it('without an outlet stays full after the first rain, until it is emptied by hand', () => {
    const { fitted, index, chamber } = flushed()
    const shut = build(fitted, put(['nodes', index, 'orificeMm'], null))
    const run = simulate(compile(shut), rainDays(2, 0, 2), { startL: [0] })
    expect(run.poolL[2]).toBeCloseTo(200 - chamber.capL + 200, 6)
    const tended = build(shut, put(['nodes', index, 'emptiedEveryDays'], 2))
    expect(simulate(compile(tended), rainDays(2, 0, 2), { startL: [0] }).poolL[2]).toBeCloseTo(
      400 - 2 * chamber.capL,
      6,
    )
  })
  it('a winter by-pass sends its months to ground', () => {
    const { fitted } = flushed()
    const spout = fitted.nodes.findIndex(node => node.kind === 'spout')
    const open = build(fitted, put(['nodes', spout, 'bypassMonths'], [1, 12]))
    expect(simulate(compile(open), rainDays(20, 20), { startL: [0] }).storedL[1]).toBe(0)
  })
})

describe('whatever the site and the rain', () => {
  it('the mass balance closes and no pool stands above its rim or below nothing', () => {
    fc.assert(
      fc.property(arbitrarySite, arbitraryRain, fc.boolean(), (site, rain, yieldBeforeSpill) => {
        const compiled = compile(site)
        const run = simulate(compiled, rainDays(...rain), { yieldBeforeSpill })
        const throughput =
          run.startL +
          run.caughtL.reduce((sum, value) => sum + value, 0) +
          run.wellL.reduce((sum, value) => sum + value, 0) +
          1
        expect(Math.abs(massErrorL(run)) / throughput).toBeLessThan(1e-9)
        for (let index = 0; index < run.poolL.length; index++) {
          expect(run.poolL[index]!).toBeGreaterThanOrEqual(-1e-9)
          expect(run.poolL[index]!).toBeLessThanOrEqual(compiled.pools[index % compiled.pools.length]!.capL + 1e-9)
        }
        for (let day = 0; day < run.days; day++) expect(run.shortL[day]!).toBeLessThanOrEqual(run.askedL[day]! + 1e-9)
      }),
      { numRuns: 150 },
    )
  })

  it('a larger tank never goes short more often on the same rain', () => {
    fc.assert(
      fc.property(
        arbitraryRain,
        fc.double({ min: 1, max: 4, noNaN: true }),
        fc.double({ min: 5, max: 900, noNaN: true }),
        (rain, factor, use) => {
          const site = using(withRoof(plainTank(blank(), 'A')), use)
          const index = site.nodes.findIndex(node => node.id === 'tank-1')
          const larger = build(site, put(['nodes', index, 'shape', 'lengthM'], factor))
          const short = (candidate: Site) =>
            outlook(candidate, rainDays(...rain)).years.reduce((sum, year) => sum + year.shortDays, 0)
          expect(short(larger)).toBeLessThanOrEqual(short(site))
        },
      ),
      { numRuns: 60 },
    )
  })

  it('an earlier use never goes short for a later one of the same tank', () => {
    fc.assert(
      fc.property(
        arbitraryRain,
        fc.double({ min: 5, max: 300, noNaN: true }),
        fc.double({ min: 5, max: 300, noNaN: true }),
        (rain, first, second) => {
          const site = using(using(withRoof(plainTank(blank(), 'A')), first), second)
          const run = simulate(compile(site), rainDays(...rain), { startL: [100] })
          for (let day = 0; day < run.days; day++) {
            if (run.shortByUseL[day * 2 + 1]! < second - 1e-9) expect(run.shortByUseL[day * 2]).toBeCloseTo(0, 6)
          }
        },
      ),
      { numRuns: 60 },
    )
  })

  it('splitting a tank into two equal joined ones changes nothing', () => {
    fc.assert(
      fc.property(arbitraryRain, rain => {
        const one = using(withRoof(plainTank(blank(), 'A', { lengthM: 2 })), 120)
        const two = using(
          withRoof(
            build(
              plainTank(plainTank(blank(), 'A'), 'B'),
              moveOf('linkAtBottom', { a: 'tank-1', b: 'tank-2', boreMm: 50 }),
            ),
          ),
          120,
        )
        const stored = (site: Site) => [...simulate(compile(site), rainDays(...rain)).storedL]
        const [whole, split] = [stored(one), stored(two)]
        whole.forEach((value, day) => expect(split[day]).toBeCloseTo(value, 6))
      }),
      { numRuns: 40 },
    )
  })
})

describe('the years', () => {
  it('adds them up, and says how long full tanks last', () => {
    const site = setUp('dry-summer-hill', [{ preset: 'beds', count: 25 }], {
      roof: { name: 'Shed', lengthM: 6, widthM: 5, material: 'steel' },
      place: { latitudeDeg: 39, altitudeM: 400, frostDepthM: 0.2 },
    })
    const result = outlook(
      site,
      seriesOf(
        11323,
        Float64Array.from({ length: 365 * 4 + 1 }, (_, day) =>
          day % 9 === 0 && (day % 365 < 150 || day % 365 > 270) ? 12 - Math.floor(day / 365) : 0,
        ),
        false,
      ),
    )
    expect(result.years.map(year => year.year)).toEqual([2001, 2002, 2003, 2004])
    expect(Math.max(...result.years.map(year => year.shortDays))).toBeGreaterThan(0)
    for (const year of result.years) expect(year.uses.reduce((sum, use) => sum + use.metL, 0)).toBeCloseTo(year.metL, 6)
    expect(result.autonomy!.days).toBeGreaterThan(3)
    expect(result.autonomy!.days).toBeLessThan(60)
    expect(result.pools[0]!.usableL).toBeLessThan(result.pools[0]!.nominalL)
  })
})

describe('the mean months', () => {
  it('come to the mean year, and each asks what its days ask', () => {
    const made = setUp('cold-upland', [{ preset: 'flush', count: 3 }])
    const bypassed = build(made, moveOf('setBypass', { spout: 'spout-1', months: [1, 2] }))
    const answer = outlook(bypassed, weatherSeries(bypassed))
    const { comesL, askedL } = meanMonths(answer)
    const mean = (of: (year: (typeof answer.years)[number]) => number) =>
      answer.years.reduce((sum, year) => sum + of(year), 0) / answer.years.length
    const sum = (values: number[]) => values.reduce((total, value) => total + value, 0)
    expect(sum(comesL)).toBeCloseTo(
      mean(year => year.caughtL - year.flushedL),
      6,
    )
    expect(sum(askedL)).toBeCloseTo(
      mean(year => year.askedL),
      6,
    )
    // What a by-pass leads to ground in winter does not come.
    expect(comesL[0]).toBeLessThan(1)
    expect(comesL[2]).toBeGreaterThan(1000)
    expect(Math.min(...comesL)).toBeGreaterThanOrEqual(0)
    expect(askedL[3]! / 30).toBeCloseTo(askedL[4]! / 31, 6)
  })
})
