import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { blank, build, plainTank, put, using } from '../../tests/sites'
import { outlook } from './year'
import { simulate } from './simulate'
import { cutsOf, drawnMeanH, hoursAYear, medianHours, onShareOf, shorterShare } from './outages'
import { coverCurve, coversOf } from './cover'
import { compile } from './compile'
import { moveOf } from '../moves'
import type { OutageRule } from '../kinds'
import { seriesOf } from '../climate'

const dry = (days: number) => seriesOf(0, new Float64Array(days), true)
const outageOf = (rule: OutageRule) => ({ id: 'main-1', kind: 'main' as const, name: 'Main', rule })
const chance = fc
  .record({
    by: fc.constant('chance' as const),
    timesPerYear: fc.double({ min: 1, max: 60, noNaN: true }),
    meanHours: fc.double({ min: 1, max: 60, noNaN: true }),
    stretch: fc.oneof(fc.constant(Infinity), fc.double({ min: 1.2, max: 10, noNaN: true })),
  })
  .map(({ stretch, ...rule }): OutageRule =>
    stretch === Infinity ? rule : { ...rule, mostHours: rule.meanHours * stretch },
  )

/** A main-fed tank of 900 L with no roof, 1000 L a day asked of it; a main that keeps it full. */
function mainFed(outage: OutageRule, litresPerDay = 1000) {
  const tank = plainTank(blank(), 'Tank')
  const fed = build(tank, moveOf('addSource', { kind: 'main', tank: 'tank-1' }))
  const main = fed.nodes.findIndex(node => node.kind === 'main')
  return using(
    build(
      fed,
      put(['nodes', main, 'rule'], { startShare: 1, stopShare: 1, months: [1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12] }),
      put(['nodes', main, 'outage'], outage),
    ),
    litresPerDay,
  )
}

describe('cuts', () => {
  it('come as often, and last as long in the mean, as was said, none longer than the longest', () => {
    fc.assert(
      fc.property(chance, fc.integer({ min: 1, max: 1e6 }), (rule, seed) => {
        const years = 400
        const cuts = cutsOf(outageOf(rule), { ...dry(years * 365), seed })
        if (rule.by !== 'chance') return
        const meanHours = cuts.reduce((sum, cut) => sum + cut.hours, 0) / cuts.length
        const spread = 6 / Math.sqrt(cuts.length)
        expect(cuts.length / years / rule.timesPerYear).toBeCloseTo(1, 0)
        expect(Math.abs(meanHours / rule.meanHours - 1)).toBeLessThan(spread)
        expect(Math.max(...cuts.map(cut => cut.hours))).toBeLessThanOrEqual(rule.mostHours ?? Infinity)
        const shorter = cuts.filter(cut => cut.hours <= medianHours(rule)).length / cuts.length
        expect(Math.abs(shorter - Math.max(0.5, shorterShare(rule, medianHours(rule))))).toBeLessThan(spread)
      }),
      { numRuns: 25 },
    )
  })
  it('take from the days what they last, and the same seed makes the same', () => {
    const rule: OutageRule = { by: 'chance', timesPerYear: 20, meanHours: 30 }
    const series = dry(365 * 50)
    const off = onShareOf(outageOf(rule), series).reduce((sum, on) => sum + 24 * (1 - on), 0)
    expect(off).toBeCloseTo(
      cutsOf(outageOf(rule), series).reduce((sum, { fromH, hours }) => sum + Math.min(hours, 365 * 50 * 24 - fromH), 0),
      6,
    )
    expect(off / 50).toBeGreaterThan(hoursAYear(rule) * 0.8)
    expect(off / 50).toBeLessThan(hoursAYear(rule) * 1.2)
    expect(cutsOf(outageOf(rule), series)).toEqual(cutsOf(outageOf(rule), series))
    expect(cutsOf(outageOf(rule), { ...series, seed: 2 })).not.toEqual(cutsOf(outageOf(rule), series))
  })
  it('by a rota go round: two days with, five without', () => {
    const on = onShareOf(outageOf({ by: 'rota', daysOn: 2, daysOff: 5 }), dry(15))
    expect([...on]).toEqual([1, 1, 0, 0, 0, 0, 0, 1, 1, 0, 0, 0, 0, 0, 1])
    expect(medianHours({ by: 'rota', daysOn: 2, daysOff: 5 })).toBe(120)
  })
  it('that are all as long as the longest are so', () => {
    expect(drawnMeanH({ by: 'chance', timesPerYear: 3, meanHours: 8, mostHours: 8 })).toBe(Infinity)
    expect(shorterShare({ by: 'chance', timesPerYear: 3, meanHours: 8, mostHours: 8 }, 7.9)).toBe(0)
  })
})

describe('a tank on a main that fails', () => {
  // Its float shuts 5 cm under the overflow: 850 L at 1000 L a day are 20.4 hours; 900 L, where it was fuller, 21.6.
  it('covers what it holds, over what is used', () => {
    const site = mainFed({ by: 'rota', daysOn: 2, daysOff: 1 })
    const compiled = compile(site)
    const series = dry(300)
    const [cover] = coversOf(compiled, series, simulate(compiled, series))
    expect(cover).toMatchObject({ kind: 'main', uses: [site.uses[0]!.name], cuts: 100 })
    expect(cover!.fullHours).toBeCloseTo(21.6, 6)
    expect(cover!.usualHours).toBeCloseTo(20.4, 6)
    expect(cover!.bridged).toBe(0)
    expect(outlook(site, series).autonomy!.hours).toBeCloseTo(21.6, 6)
  })
  it('bridges a cut within the day by what it holds, and goes short on the rest', () => {
    const site = mainFed({ by: 'rota', daysOn: 2, daysOff: 1 })
    const compiled = compile(site)
    const run = simulate(compiled, dry(6), { startL: [900] })
    expect([...run.shortL].map(Math.round)).toEqual([0, 0, 150, 0, 0, 150])
    expect([...run.mainL].map(Math.round)).toEqual([950, 1000, 0, 1850, 1000, 0])
  })
  it('the more it holds, the more it bridges, up to all', () => {
    const site = mainFed({ by: 'chance', timesPerYear: 12, meanHours: 20, mostHours: 72 })
    const series = dry(365 * 30)
    const curve = coverCurve(compile(site), 'main-1', 0, series)
    for (const [index, point] of curve.entries())
      if (index) expect(point.bridgedShare).toBeGreaterThanOrEqual(curve[index - 1]!.bridgedShare)
    expect(curve[0]!.bridgedShare).toBeLessThan(0.2)
    expect(curve.at(-1)!.bridgedShare).toBe(1)
    // What is held and what it lasts go together.
    for (const { capL, fullHours } of curve) expect(fullHours).toBeCloseTo((capL / 1000) * 24, 1)
  })
})

describe('who serves first', () => {
  const both = (servedBy?: 'tank' | 'outside' | 'both') => {
    const tank = mainFed({ by: 'rota', daysOn: 1, daysOff: 1 }, 400)
    const led = build(
      tank,
      moveOf('supplyFrom', { use: 'use-1', source: 'main-1' }),
      put(['uses', 0, 'servedBy'], servedBy),
    )
    // Nothing fills the tank here: what it gives is told by what it loses.
    const compiled = compile(led)
    return simulate({ ...compiled, topUps: [] }, dry(2), { startL: [900] })
  }
  it('is the tank, with the main taking over; or the main, with the tank taking over; or both alike', () => {
    const first = ({ poolL, mainL }: ReturnType<typeof both>) => [...poolL, ...mainL].map(Math.round)
    expect(first(both())).toEqual([500, 100, 0, 0])
    expect(first(both('outside'))).toEqual([900, 500, 400, 0])
    expect(first(both('both'))).toEqual([700, 300, 200, 0])
  })
})
