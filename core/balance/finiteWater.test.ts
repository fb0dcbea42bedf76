import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { arbitraryRain, arbitrarySite, blank, build, plainTank, rainDays, using } from '../../tests/sites'
import { simulate } from './simulate'
import { compile } from './compile'
import { seriesOf } from '../climate'
import { moveOf, setField } from '../moves'
import type { Site } from '../site'

const dry = (days: number) => rainDays(...Array<number>(days).fill(0))
const sumOf = (values: ArrayLike<number>) => Array.from(values).reduce((sum, value) => sum + value, 0)
/** A big tank that a line with a float leads into a small one, from which a use asks. */
const behindSmall = (litresPerDay: number): Site =>
  using(
    build(
      plainTank(plainTank(blank(), 'Small'), 'Big', { lengthM: 5, widthM: 5 }),
      moveOf('setHeight', { node: 'tank-2', baseM: 1.5 }),
      moveOf('feedByFloat', { from: 'tank-2', to: 'tank-1' }),
    ),
    litresPerDay,
  )
const pipesOf = (site: Site, from: string) =>
  site.runs.filter(run => run.from.node === from).flatMap(run => run.parts.filter(part => part.kind === 'pipe'))

describe('behind a small tank', () => {
  it('water passes on by the day as its filling line brings it, and no faster', () => {
    const wide = behindSmall(3000)
    const startL = compile(wide).pools.map(({ capL }) => capL)
    const shortOf = (site: Site) => sumOf(simulate(compile(site), dry(3), { startL }).shortL)
    expect(shortOf(wide)).toBe(0)
    // A thread of a line: so thin that it brings little in a day.
    const thin = pipesOf(wide, 'tank-2').reduce(
      (site, pipe) => build(site, setField('part', pipe.id, 'innerDiameterMm', 4)),
      wide,
    )
    const { transfers, limits } = compile(thin)
    const bringsL = limits[transfers[0]!.limits[0]!]!.mostL[0]!
    expect(bringsL).toBeGreaterThan(10)
    expect(bringsL).toBeLessThan(1000)
    // Three days ask 9000 L: the small tank's own, and what its line brings on each of them.
    expect(shortOf(thin)).toBeCloseTo(9000 - startL[0]! - 3 * bringsL, 3)
  })
})

describe('while a tank is drawn', () => {
  const onMain = (litresPerDay: number) =>
    using(build(plainTank(blank(), 'Tank'), moveOf('addSource', { kind: 'main', tank: 'tank-1' })), litresPerDay)
  it('the main brings in a day what its line passes, to whoever draws by it', () => {
    const pipes = pipesOf(onMain(5000), 'main-1')
    const open = build(onMain(5000), setField('node', 'main-1', 'rule.mostLPerDay', 1e6))
    const thin = pipes.reduce((site, pipe) => build(site, setField('part', pipe.id, 'innerDiameterMm', 3)), open)
    const compiled = compile(thin)
    const bringsL = compiled.topUps[0]!.mostL
    expect(bringsL).toBeLessThan(4000)
    const run = simulate(compiled, dry(5), { startL: [0] })
    for (const litres of run.mainL) expect(litres).toBeCloseTo(bringsL, 6)
  })
  it('a float below half of the tank still lets no more through than its line', () => {
    const site = build(onMain(5000), setField('node', 'main-1', 'rule.mostLPerDay', undefined))
    const run = site.runs.find(({ from }) => from.node === 'main-1')!
    const float = run.parts.find(part => part.kind === 'float')!
    const low = build(site, setField('part', float.id, 'dropM', 0.9))
    expect(compile(low).topUps[0]!.mostL).toBeGreaterThan(0)
    expect(compile(low).topUps[0]!.mostL).toBeLessThan(1e6)
    // It is filled no higher than its float.
    expect(compile(low).topUps[0]!.stopL).toBeCloseTo(50, 6)
    expect(compile(site).topUps[0]!.stopL).toBeCloseTo(225, 6)
  })
  it('a main that stands too low, and a pump that sucks too far, bring nothing', () => {
    const well = using(build(plainTank(blank(), 'Tank'), moveOf('addSource', { kind: 'well' })), 500)
    const sucking = build(
      well,
      moveOf('liftUp', { from: 'well-1', tank: 'tank-1', by: 'jet', line: 'over' }),
      setField('node', 'well-1', 'stillWaterDepthM', 3),
    )
    expect(compile(sucking).topUps[0]!.mostL).toBeGreaterThan(100)
    expect(compile(build(sucking, setField('node', 'well-1', 'stillWaterDepthM', 9))).topUps).toEqual([])
    const low = build(
      onMain(500),
      setField('node', 'main-1', 'pressureKPa', 1),
      moveOf('setHeight', { node: 'tank-1', baseM: 5 }),
    )
    expect(compile(low).topUps).toEqual([])
    expect(compile(low).demands[0]!.sources.filter(({ kind }) => kind === 'main')).toEqual([])
  })
})

describe('nowhere does more come out of a chain than goes in', () => {
  it('on any site, any day: what is drawn and stands was there, fell or was brought; a way keeps to its limit', () => {
    fc.assert(
      fc.property(arbitrarySite, arbitraryRain, (site, rain) => {
        const compiled = compile(site)
        if (!compiled.pools.length) return
        const series = seriesOf(0, Float64Array.from(rain), true)
        const run = simulate(compiled, series)
        for (const [index, { mostL }] of compiled.limits.entries())
          expect(
            mostL.every(litres => litres >= 0),
            `way ${index}`,
          ).toBe(true)
        for (const { kind, index, mostL } of compiled.topUps) {
          if (kind === 'cart') continue
          const yieldsL = kind === 'well' ? compiled.wells[index]!.yieldLPerDay : compiled.mains[index]!.mostLPerDay
          const ways = compiled.topUps.filter(each => each.kind === kind).length
          const brought = kind === 'well' ? run.wellL : run.mainL
          const direct = compiled.demands.some(({ sources }) => sources.some(source => source.kind === kind))
          if (ways > 1 || direct) continue
          for (const litres of brought) expect(litres).toBeLessThanOrEqual(Math.min(yieldsL, mostL) + 1e-6)
        }
      }),
      { numRuns: 80 },
    )
  })
  it('and a limit that is raised never lowers what is met of one use', () => {
    const site = behindSmall(2000)
    const compiled = compile(site)
    const startL = compiled.pools.map(({ capL }) => capL)
    const metBy = (litres: number) => {
      const limits = compiled.limits.map(limit => ({ ...limit, mostL: Array<number>(12).fill(litres) }))
      const run = simulate({ ...compiled, limits }, dry(20), { startL })
      return sumOf(run.askedL) - sumOf(run.shortL)
    }
    const met = [0, 50, 200, 800, 3000, 9000].map(metBy)
    for (const [at, litres] of met.entries()) if (at) expect(litres).toBeGreaterThanOrEqual(met[at - 1]! - 1e-9)
    expect(met.at(-1)).toBeGreaterThan(met[0]! + 1000)
  })
})
