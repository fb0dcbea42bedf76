import { describe, expect, it } from 'vitest'
import { blank, build, plainTank, put, rainDays, withRoof } from '../../tests/sites'
import { compile } from './compile'
import { massErrorL, simulate } from './simulate'
import { roofRunoff, snowShare } from './snow'
import { moveOf } from '../moves'
import { seriesOf } from '../climate'
import type { Site } from '../site'

/** January at −4 °C, February at +1 °C, the rest at 15 °C; 100 m² that lose nothing, pitched as told. */
function coldBarn(pitchDeg: number): Site {
  const site = withRoof(plainTank(blank(), 'A'))
  const months = site.climate.months.map((month, index) => {
    const mean = [-4, 1][index] ?? 15
    return { ...month, tMinC: mean - 4, tMaxC: mean + 4 }
  })
  return build(site, put(['climate', 'months'], months), put(['roofs', 0, 'pitchDeg'], pitchDeg))
}
const caught = (site: Site, ...rainMm: number[]) =>
  simulate(compile(site), rainDays(...rainMm), { startL: [0] }).caughtL
const january = (...rainMm: number[]) => [...rainMm, ...Array<number>(31 - rainMm.length).fill(0)]

describe('snow on a roof', () => {
  it('lies by its pitch: all up to 30°, none from 60° on', () => {
    expect([0, 30, 45, 60, 75].map(snowShare)).toEqual([1, 1, 0.5, 0, 0])
  })
  it('waits for the thaw, and comes by three millimetres a degree and day', () => {
    const litres = caught(coldBarn(20), ...january(4, 3), 0, 0, 0, 0)
    expect(Math.max(...litres.slice(0, 31))).toBe(0)
    expect([...litres.slice(31)]).toEqual([300, 300, 100, 0])
  })
  it('what slides off a steep roof is lost', () => {
    expect([...caught(coldBarn(45), ...january(4, 3), 0, 0, 0).slice(31)]).toEqual([300, 50, 0])
    expect(Math.max(...caught(coldBarn(60), ...january(4, 3), 0, 0))).toBe(0)
  })
  it('wets the roof once with the day’s rain', () => {
    const wetted = build(coldBarn(20), put(['roofs', 0, 'wettingLossMm'], 0.5))
    expect([...caught(wetted, ...january(9), 2, 0).slice(31)]).toEqual([450, 250])
  })
  it('the thaw comes evenly: only the rain’s part of it spills at the gutter', () => {
    const narrow = build(
      coldBarn(20),
      put(['roofs', 0, 'spouts', 0, 'gutter'], {
        profile: 'half-round',
        widthMm: 60,
        depthMm: 30,
        slope: 0,
        outletAt: 'end',
        guard: 'none',
        below: 'unknown',
      }),
    )
    const split = Float64Array.from({ length: 72 }, (_, step) => (step === 0 ? 1 : 0))
    const run = (...rainMm: number[]) =>
      simulate(compile(narrow), { ...rainDays(...rainMm), split }, { startL: [0] }).gutterL
    expect(run(...january(40), 0)[31]).toBe(0)
    expect(run(...january(40), 20)[31]).toBeCloseTo(run(...january(), 20)[31]!, 9)
    expect(run(...january(40), 20)[31]).toBeGreaterThan(1000)
  })
  it('that still lies when the first year ends lies when the years begin, and the balance closes', () => {
    const site = build(coldBarn(10), moveOf('addUse', { preset: 'sheep', count: 2 }))
    const frozen = build(site, put(['climate', 'months', 11], { rainMm: 50, wetDays: 9, tMinC: -9, tMaxC: -1 }))
    const start = Math.round(Date.UTC(2001, 0, 1) / 86400000)
    const rainMm = Float64Array.from({ length: 730 }, (_, day) => (day % 365 > 340 ? 5 : 0))
    const run = simulate(compile(frozen), seriesOf(start, rainMm, true))
    // 24 days of 5 mm in December lie over the new year, and run in February.
    expect(run.caughtL.slice(31, 59).reduce((sum, litres) => sum + litres, 0)).toBeCloseTo(28 * 3 * 100, 6)
    expect(Math.abs(massErrorL(run))).toBeLessThan(1e-6)
  })
  it('goes by the days’ own temperatures where the record has them', () => {
    const { month, rainMm } = rainDays(5, 5, 5)
    const warmth = { et0Mm: new Float64Array(3), meanC: Float64Array.of(-1, 0.5, 3) }
    const [water] = roofRunoff(
      { ...seriesOf(0, rainMm, false), month, warmth },
      3,
      Array<number>(12).fill(20),
      Float64Array.of(1),
      Float64Array.of(0),
    )
    expect([...water!.rainMm]).toEqual([0, 5, 5])
    expect([...water!.meltMm!]).toEqual([0, 1.5, 3.5])
  })
})
