import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { blank } from '../../tests/sites'
import { dailySeries, seriesOf } from './series'
import { makeRain } from './rainMaker'
import { monthFigures, WET_DAY_MM } from './months'
import { dayNumber } from './calendar'
import type { Climate } from '../site'
import { standInClimate } from '../moves'
import { CLIMATES } from '../catalog'

const start = dayNumber('2001-01-01')

describe('made rain', () => {
  it.each(Object.keys(CLIMATES) as (keyof typeof CLIMATES)[])('gives back the months of %s over 200 years', id => {
    const { months } = standInClimate(id)
    const made = monthFigures(start, makeRain(months, start, 200, 7))
    made.forEach((figures, month) => {
      if (months[month]!.rainMm === 0) return expect(figures).toEqual({ rainMm: 0, wetDays: 0 })
      expect(figures.rainMm / months[month]!.rainMm).toBeGreaterThan(0.97)
      expect(figures.rainMm / months[month]!.rainMm).toBeLessThan(1.03)
      expect(figures.wetDays / months[month]!.wetDays).toBeGreaterThan(0.95)
      expect(figures.wetDays / months[month]!.wetDays).toBeLessThan(1.05)
    })
  })

  it('keeps a month’s rain where nearly every day is wet: what finds no day falls on the others', () => {
    const daily = (wetDays: number, rainMm: number) => {
      const months = blank().climate.months.map(month => ({ ...month, rainMm, wetDays }))
      const site = { ...blank(), climate: { ...blank().climate, months } }
      return dailySeries(site, { years: 90 }).rainMm.reduce((sum, mm) => sum + mm, 0) / 90 / 12
    }
    for (const [wetDays, mm] of [
      [31, 66],
      [30, 66],
      [31, 6],
    ] as const)
      expect(Math.abs(daily(wetDays, mm) / mm - 1)).toBeLessThan(0.04)
  })

  it('repeats by seed, differs between seeds, and is never negative or less than a wet day holds', () => {
    const { months } = standInClimate('wet-town')
    expect(makeRain(months, start, 3, 5)).toEqual(makeRain(months, start, 3, 5))
    expect(makeRain(months, start, 3, 5)).not.toEqual(makeRain(months, start, 3, 6))
    fc.assert(
      fc.property(
        fc.integer(),
        fc.array(
          fc.record({
            rainMm: fc.double({ min: 0, max: 900, noNaN: true }),
            wetDays: fc.double({ min: 0, max: 31, noNaN: true }),
          }),
          { minLength: 12, maxLength: 12 },
        ),
        (seed, figures) => {
          const rain = makeRain(figures, start, 2, seed)
          return rain.every(value => value === 0 || (value >= WET_DAY_MM - 1e-12 && Number.isFinite(value)))
        },
      ),
      { numRuns: 40 },
    )
  })

  it('keeps wet days together: a wet day follows a wet day more often than chance', () => {
    const rain = makeRain(standInClimate('wet-town').months, start, 100, 3)
    let [wet, after] = [0, 0]
    for (let index = 1; index < rain.length; index++)
      if (rain[index - 1]! > 0) {
        wet++
        if (rain[index]! > 0) after++
      }
    expect(after / wet).toBeGreaterThan(rain.filter(value => value > 0).length / rain.length + 0.1)
  })
})

describe('the series a climate runs on', () => {
  it('is the record where there is one, with its whole years', () => {
    const climate: Climate = {
      ...standInClimate('wet-town'),
      daily: { start: '1999-12-30', rainMm: Array.from({ length: 800 }, (_, index) => index % 7) },
    }
    const series = dailySeries({ ...blank(), climate })
    expect(series.made).toBe(false)
    expect(series.years).toEqual([
      { year: 2000, from: 2, to: 368 },
      { year: 2001, from: 368, to: 733 },
    ])
    expect([series.month[0], series.month[2]]).toEqual([11, 0])
  })
  it('is thirty made-up years where there is none, and one piece where no year is whole', () => {
    expect(dailySeries({ ...blank(), climate: standInClimate('wet-town') }).years).toHaveLength(30)
    const part = dailySeries({
      ...blank(),
      climate: {
        ...standInClimate('wet-town'),
        daily: { start: '2003-03-01', rainMm: Array.from({ length: 100 }, () => 1) },
      },
    })
    expect(part.years).toEqual([{ year: 2003, from: 0, to: 100 }])
    // Four hundred days that hold no whole calendar year are a year and some days, not one long year.
    expect(seriesOf(dayNumber('2003-03-01'), new Float64Array(400), false).years).toEqual([
      { year: 2003, from: 0, to: 365 },
    ])
  })
})
