import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { blank } from '../../tests/sites'
import { fiveYearDayMm, stormOfDay, stormSplit } from './storm'
import { dailySeries, weatherSeries } from './series'
import { makeRain } from './rainMaker'
import { monthFigures, WET_DAY_MM } from './months'
import { fitRain } from './fitRain'
import { longestDrySpell } from './drySpell'
import { dayNumber } from './calendar'
import type { Site } from '../site'
import { standInClimate } from '../moves'
import { CLIMATE_IDS } from '../catalog'

const start = dayNumber('1991-01-01')
const made = (id: (typeof CLIMATE_IDS)[number], years: number, seed: number) =>
  makeRain(standInClimate(id).months, start, years, seed)
const withRecord = (rainMm: Float64Array, change: Partial<Site['climate']> = {}): Site => ({
  ...blank(),
  climate: { ...standInClimate('wet-town'), daily: { start: '1991-01-01', rainMm: [...rainMm] }, ...change },
})

describe('a rain maker fitted from a record', () => {
  it.each(CLIMATE_IDS)(
    'gives back the means within 3 %% and the wet days within 5 %% of a record in a %s, over 200 years',
    id => {
      const record = made(id, 25, 11)
      const wanted = monthFigures(start, record)
      monthFigures(start, makeRain(fitRain(start, record), start, 200, 3)).forEach((figures, month) => {
        expect(Math.abs(figures.rainMm - wanted[month]!.rainMm)).toBeLessThanOrEqual(
          0.03 * wanted[month]!.rainMm + 1e-9,
        )
        expect(Math.abs(figures.wetDays - wanted[month]!.wetDays)).toBeLessThanOrEqual(
          0.05 * wanted[month]!.wetDays + 0.02,
        )
      })
    },
  )
  it('finds the shape of the amounts and how wet days follow each other', () => {
    const months = standInClimate('wet-town').months.map(month => ({ ...month, shape: 1.6, wetAfterWet: 0.75 }))
    const fitted = fitRain(start, makeRain(months, start, 120, 5))
    for (const month of fitted) {
      expect(month.shape).toBeGreaterThan(1.3)
      expect(month.shape).toBeLessThan(1.9)
      expect(month.wetAfterWet).toBeGreaterThan(0.6)
    }
  })
  it('makes something of any record, and the same of the same', () => {
    fc.assert(
      fc.property(
        fc.array(fc.oneof(fc.constant(0), fc.double({ min: 0, max: 300, noNaN: true })), {
          minLength: 28,
          maxLength: 800,
        }),
        fc.integer(),
        (rain, seed) => {
          const months = fitRain(start, rain)
          for (const month of months)
            expect([month.rainMm, month.wetDays, month.shape ?? 0, month.wetAfterWet ?? 0].every(Number.isFinite)).toBe(
              true,
            )
          const years = makeRain(months, start, 2, seed)
          expect(years.every(value => value === 0 || (value > 0 && Number.isFinite(value)))).toBe(true)
          expect(makeRain(months, start, 2, seed)).toEqual(years)
        },
      ),
      { numRuns: 60 },
    )
  })
  it('runs a site on years made from its record when asked to', () => {
    const record = made('cold-upland', 8, 2)
    const series = dailySeries(withRecord(record, { runOn: 'made' }))
    expect(series).toMatchObject({ made: true })
    expect(series.years).toHaveLength(30)
    const total = (values: Float64Array) => values.reduce((sum, value) => sum + value, 0)
    expect(total(series.rainMm) / 30 / (total(record) / 8)).toBeCloseTo(1, 1)
  })
})

describe('a climate that shifts', () => {
  const yearly = (site: Site) => {
    const { rainMm } = dailySeries(site)
    return (rainMm.reduce((sum, value) => sum + value, 0) / rainMm.length) * 365.25
  }
  const wet = (values: Float64Array) => values.filter(value => value >= WET_DAY_MM).length
  it.each([
    ['its months', blank()],
    ['its record', withRecord(made('wet-town', 12, 4))],
  ])('scales %s without touching the source', (_, site) => {
    const drier = {
      ...site,
      climate: { ...site.climate, shift: { rainShare: 0.8, summerShare: 1, fewerDaysShare: 0 } },
    }
    expect(yearly(drier) / yearly(site)).toBeCloseTo(0.8, 2)
    expect(drier.climate.months).toBe(site.climate.months)
    const bunched = {
      ...site,
      climate: { ...site.climate, shift: { rainShare: 1, summerShare: 1, fewerDaysShare: 0.3 } },
    }
    expect(yearly(bunched) / yearly(site)).toBeCloseTo(1, 1)
    expect(wet(dailySeries(bunched).rainMm) / wet(dailySeries(site).rainMm)).toBeCloseTo(0.7, 1)
  })
  it('takes from the summer of its own half of the earth', () => {
    for (const [latitudeDeg, summer] of [
      [50, 6],
      [-30, 0],
    ] as const) {
      const site = { ...withRecord(made('wet-town', 10, 6)), place: { ...blank().place, latitudeDeg } }
      const dry = dailySeries({
        ...site,
        climate: { ...site.climate, shift: { rainShare: 1, summerShare: 0.5, fewerDaysShare: 0 } },
      })
      const [before, after] = [monthFigures(start, site.climate.daily!.rainMm), monthFigures(start, dry.rainMm)]
      expect(after[summer]!.rainMm / before[summer]!.rainMm).toBeCloseTo(0.5, 6)
      expect(after[(summer + 6) % 12]!.rainMm).toBeCloseTo(before[(summer + 6) % 12]!.rainMm, 6)
    }
  })
})

describe('a day’s rain split into five minutes', () => {
  it('adds up to the day, hardest first, whatever the day and the burst', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 400, noNaN: true }),
        fc.double({ min: 0, max: 500, noNaN: true }),
        fc.double({ min: 0, max: 600, noNaN: true }),
        (dayMm, fiveYear, burst) => {
          const split = stormSplit(fiveYear, burst)
          expect(split.reduce((sum, share) => sum + share, 0)).toBeCloseTo(1, 9)
          for (let step = 1; step < split.length; step++)
            expect(split[step]!).toBeLessThanOrEqual(split[step - 1]! + 1e-12)
          const inTime = stormOfDay(dayMm, split)
          expect(inTime.reduce((sum, intensity) => sum + intensity / 12, 0)).toBeCloseTo(dayMm, 6)
          expect(Math.max(...inTime)).toBeCloseTo(split[0]! * dayMm * 12, 6)
        },
      ),
    )
  })
  it('brings the five-year burst on the five-year day', () => {
    const series = dailySeries(blank())
    const fiveYear = fiveYearDayMm(series.rainMm)
    // Six days in thirty years are at least as wet.
    expect(series.rainMm.filter(value => value >= fiveYear)).toHaveLength(6)
    expect(Math.max(...stormOfDay(fiveYear, series.split!))).toBeCloseTo(60, 6)
  })
  it('is unknown where no storm is', () => {
    expect(
      dailySeries({ ...blank(), climate: { ...blank().climate, burst: undefined, storm: { minutes: 5 } } }).split,
    ).toBeUndefined()
  })
})

it('the longest dry spell is counted with its beginning, traces as dry', () => {
  expect(longestDrySpell([0, 0, 5, 0, 0.1, 0, 3, 0])).toEqual({ days: 3, from: 3 })
  expect(longestDrySpell([4, 5])).toEqual({ days: 0, from: 0 })
  expect(longestDrySpell([0, 0])).toEqual({ days: 2, from: 0 })
})

it('the series of a climate is made once, and anew where the climate or the half of the earth is another', () => {
  const site = blank()
  expect(weatherSeries(site)).toBe(weatherSeries({ climate: site.climate, place: site.place }))
  expect(weatherSeries({ ...site, climate: { ...site.climate } })).not.toBe(weatherSeries(site))
})
