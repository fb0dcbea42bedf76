import { deviation, mean } from 'd3-array'
import { describe, expect, it } from 'vitest'
import { dayNumber } from './calendar'
import { driestYears } from './dryYears'
import { fitRain } from './fitRain'
import { makeRain } from './rainMaker'
import { slowOfRecord, slowOfSpread, totalsOf, yearSpreadShare, type SlowFactor } from './slowFactor'
import { dailySeries, memberRain } from './series'
import { blank } from '../../tests/sites'
import { annualSpreadShare } from '../site'
import { standInClimate } from '../moves'
import { CLIMATE_IDS, CLIMATES, usualSpreadShare } from '../catalog'

const start = dayNumber('2001-01-01')
const LONG = 200
/** Deviations of the totals of every month and of the year, each the mean over several runs of so many years. */
function spreads(make: (seed: number) => Float64Array, seeds: number) {
  const runs = Array.from({ length: seeds }, (_, seed) => totalsOf(start, make(seed + 1)))
  return {
    months: Array.from({ length: 12 }, (_, at) => mean(runs, run => deviation(run.byMonth[at]!))!),
    year: mean(runs, run => deviation(run.byYear))!,
    yearMm: mean(runs, run => mean(run.byYear))!,
  }
}

describe('how much years differ', () => {
  it.each(CLIMATE_IDS)('those made for %s differ as its own do, within a tenth', id => {
    const { months } = standInClimate(id)
    const { annualSpreadShare: spread } = CLIMATES[id]
    const { year, yearMm } = spreads(seed => makeRain(months, start, LONG, seed, slowOfSpread(months, spread)), 6)
    expect(year / yearMm / spread).toBeGreaterThan(0.9)
    expect(year / yearMm / spread).toBeLessThan(1.1)
  })
  it('is typed, or the stand-in’s, or by rule: less alike the drier', () => {
    const site = blank()
    expect(annualSpreadShare(site)).toBe(0.12)
    const { standIn: _standIn, ...own } = site.climate
    expect(annualSpreadShare({ ...site, climate: own })).toBe(usualSpreadShare(922))
    expect(annualSpreadShare({ ...site, climate: { ...own, annualSpreadShare: 0.3 } })).toBe(0.3)
    expect([2000, 900, 250, 50].map(usualSpreadShare)).toEqual([0.12, 0.12, 0.35, 0.35])
    expect(usualSpreadShare(575)).toBeCloseTo(0.235, 9)
  })
  it('thirty years keep the luck of their mean, two hundred come back to it', () => {
    const { make } = memberRain(blank(), 30)
    const means = Array.from({ length: 30 }, (_, seed) => mean(totalsOf(start, make(seed + 1)).byYear)!)
    expect(deviation(means)! / 922).toBeGreaterThan(0.12 / Math.sqrt(30) / 1.4)
    expect(mean(means)! / 922).toBeGreaterThan(0.98)
    expect(mean(means)! / 922).toBeLessThan(1.02)
  })
})

describe('a record’s own spread', () => {
  /** A record that was made with a known slow factor: its truth. */
  const { months } = standInClimate('dry-summer-hill')
  const truth: SlowFactor = { sigmas: months.map((_, at) => 0.35 + 0.02 * at), memory: 0.6, yearShare: 1 }
  const record = makeRain(months, start, 120, 11, truth)

  it('comes back in two hundred made years, month by month and year by year, within a tenth', () => {
    const fit = fitRain(start, record)
    const own = totalsOf(start, record)
    const made = spreads(seed => makeRain(fit, start, LONG, seed, slowOfRecord(start, record, fit, 0.23)), 4)
    const ratio = mean(made.months, (spread, at) => spread / deviation(own.byMonth[at]!)!)!
    expect(ratio).toBeGreaterThan(0.9)
    expect(ratio).toBeLessThan(1.1)
    expect(made.year / deviation(own.byYear)!).toBeGreaterThan(0.9)
    expect(made.year / deviation(own.byYear)!).toBeLessThan(1.1)
  })
  /** How a month's total goes with the next one's, each against its own month. */
  function memoryOf(rain: Float64Array): number {
    const { inOrder, byMonth } = totalsOf(start, rain)
    const deviates = inOrder.map(({ month, mm }) => (mm - mean(byMonth[month]!)!) / deviation(byMonth[month]!)!)
    return mean(deviates.slice(1), (value, at) => value * deviates[at]!)!
  }
  it('comes back of thirty years, its memory from month to month within 0.05', () => {
    const wet = standInClimate('mild-coast').months
    for (const memory of [0, 0.3]) {
      const off = [1, 2, 3, 4].map(seed => {
        const thirty = makeRain(wet, start, 30, seed, { sigmas: wet.map(() => 0.4), memory, yearShare: 1 })
        const fit = fitRain(start, thirty)
        const made = makeRain(fit, start, LONG, seed, slowOfRecord(start, thirty, fit, 0.12))
        return memoryOf(made) - memoryOf(thirty)
      })
      expect(Math.abs(mean(off)!)).toBeLessThan(0.05)
    }
  })
  it('of own months without a record is what months usually have: they differ as those of a record do', () => {
    const wet = standInClimate('mild-coast').months
    const thirty = makeRain(wet, start, 120, 5, { sigmas: wet.map(() => 0.4), memory: 0.2, yearShare: 1 })
    const bare = fitRain(start, thirty).map(({ rainMm, wetDays }) => ({ rainMm, wetDays }))
    const made = spreads(seed => makeRain(bare, start, LONG, seed, slowOfSpread(bare, 0.12, true)), 3)
    const own = totalsOf(start, thirty).byMonth.map(totals => deviation(totals)!)
    const ratio = mean(made.months, (spread, at) => spread / own[at]!)!
    expect(ratio).toBeGreaterThan(0.9)
    expect(ratio).toBeLessThan(1.1)
  })
  it('without a slow factor years come out too alike', () => {
    const fit = fitRain(start, record)
    const own = totalsOf(start, record)
    const made = spreads(seed => makeRain(fit, start, LONG, seed), 2)
    expect(made.year / deviation(own.byYear)!).toBeLessThan(0.8)
  })
  it('a short record is drawn towards the climate, one without two whole years takes it over', () => {
    const fit = fitRain(start, record)
    const short = record.subarray(0, 365 * 2)
    const year = record.subarray(0, 300)
    expect(slowOfRecord(start, year, fit, 0.2)).toEqual(slowOfSpread(fit, 0.2))
    const alike = Float64Array.from({ length: 366 * 4 }, (_, day) => (day % 3 ? 0 : 6))
    const even = fitRain(start, alike)
    expect(slowOfRecord(start, alike, even, 0.3).sigmas[0]).toBeLessThan(slowOfSpread(even, 0.3).sigmas[0]!)
    expect(slowOfRecord(start, alike, even, 0.3).sigmas[0]).toBeGreaterThan(0)
    expect(Math.abs(slowOfRecord(start, short, fit, 0.23).memory)).toBeLessThan(0.98)
  })
  it('the driest three years in a row are found', () => {
    const years = Array.from({ length: 6 }, (_, at) => ({ year: 2001 + at, from: at, to: at + 1 }))
    const series = { years, rainMm: Float64Array.of(100, 60, 70, 50, 130, 190) }
    expect(driestYears(series, 3)).toEqual({ first: 1, belowShare: expect.closeTo(0.4, 9) })
    expect(driestYears({ ...series, years: years.slice(0, 3) }, 3)).toBeUndefined()
  })
  it('is told of a series, where it has two whole years', () => {
    expect(yearSpreadShare(start, new Float64Array(400).fill(1))).toBeUndefined()
    const series = dailySeries(blank())
    expect(yearSpreadShare(series.startDay, series.rainMm)).toBeGreaterThan(0.06)
  })
})
