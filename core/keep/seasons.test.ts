import { describe, expect, it } from 'vitest'
import { learnedFrom, lived, type Kept } from '.'
import { cameLately, monthsLived } from './seasons'
import { setUp } from '../../tests/sites'
import { madeLog } from '../../tests/madeLogs'
import { demoSite } from '../../tests/demoSites'
import { poolsOf, yearsAhead } from '../balance'
import { isoDate } from '../climate'
import type { Site } from '../site'
import type { LogReading } from '../kinds'

const house = setUp('dry-summer-hill', [
  { preset: 'kitchen', count: 2 },
  { preset: 'beds', count: 20 },
])
const YEAR = 365
const keptOf = (site: Site, seed: number, truth: { coefficient: number; use: number }): Kept => {
  const { log, on } = madeLog(site, seed, YEAR, 7, truth)
  return learnedFrom(site, log, on)
}

describe('what came and went', () => {
  it('adds up: what came is used, spilled, or stands in the tanks', () => {
    for (const site of [house, demoSite('quillfern-ridge'), demoSite('cinder-tor')]) {
      const kept = keptOf(site, 3, { coefficient: 1, use: 1 })
      const { year } = lived(site, kept)
      const { harvestL, usedL, spilledL, broughtL } = year.was
      const capL = poolsOf(site).reduce((sum, pool) => sum + pool.capL, 0)
      // Tanks hold between nothing and all at either end; where levels were read some is put right.
      expect(Math.abs(harvestL + broughtL - usedL - spilledL)).toBeLessThan(1.3 * capL + 0.06 * harvestL)
      expect(harvestL).toBeGreaterThan(0)
    }
  })
  it('is near the truth: less rain kept by the roof is less harvest', () => {
    const [plain, leaky] = [
      keptOf(house, 5, { coefficient: 1, use: 1 }),
      keptOf(house, 5, { coefficient: 0.7, use: 1 }),
    ]
    const of = (kept: Kept) => lived(house, kept).year.was.harvestL
    expect(of(leaky) / of(plain)).toBeGreaterThan(0.6)
    expect(of(leaky) / of(plain)).toBeLessThan(0.8)
    // The same rain fell, whatever the roof made of it.
    expect(lived(house, leaky).year.was.rainMm).toBeCloseTo(lived(house, plain).year.was.rainMm, 6)
  })
  it('as planned is a mean year of the plan, day for day', () => {
    const { year } = lived(house, keptOf(house, 5, { coefficient: 1, use: 1 }))
    const { years } = yearsAhead(house)
    const mean = (of: 'spilledL' | 'caughtL' | 'flushedL') =>
      years.reduce((sum, each) => sum + each[of], 0) / years.length
    expect(year.planned.spilledL / mean('spilledL')).toBeCloseTo(year.days / 365, 1)
    expect(year.planned.harvestL / (mean('caughtL') - mean('flushedL'))).toBeCloseTo(year.days / 365, 1)
  })
  it('of the last week is the end of it', () => {
    const kept = keptOf(house, 8, { coefficient: 1, use: 1 })
    const { startDay, rainMm } = kept.model.rain.series
    const week = cameLately(kept, 7)
    expect(week.rainMm).toBeCloseTo(
      Array.from(rainMm.slice(-7)).reduce((sum, mm) => sum + mm, 0),
      9,
    )
    expect(startDay + kept.model.days - 1).toBe(kept.onDay)
    const all = cameLately(kept, kept.model.days)
    const months = monthsLived(house, kept)
    expect(all.usedL).toBeCloseTo(
      months.reduce((sum, { was }) => sum + was.usedL, 0),
      6,
    )
  })
  it('is told by month and by season, which come to the same', () => {
    const kept = keptOf(house, 8, { coefficient: 1, use: 1 })
    const months = monthsLived(house, kept)
    const { seasons } = lived(house, kept)
    expect(seasons.map(({ name }) => name)).toEqual([
      'winter 2023 to 2024',
      'autumn 2023',
      'summer 2023',
      'spring 2023',
    ])
    const sum = (of: { was: { usedL: number } }[]) => of.reduce((all, { was }) => all + was.usedL, 0)
    expect(sum(seasons)).toBeCloseTo(sum(months), 6)
    const south = { ...house, place: { ...house.place, latitudeDeg: -38 } }
    expect(lived(south, kept).seasons[0]!.name).toBe('summer 2023 to 2024')
  })
})

describe('a meter', () => {
  const { log, on } = madeLog(house, 4, 200, 7, { coefficient: 1, use: 1.3 })
  const kept = learnedFrom(house, log, on)
  /** A meter in the line that the uses hang on, which counts what truly was drawn. */
  const line = house.runs.find(({ to }) => house.uses.some(({ at }) => at === to.node))!
  const askedLPerDay = (day: number) => {
    const { model } = kept
    const use = model.compiled.demands.findIndex(
      ({ id }) => house.uses.find(each => each.id === id)!.at === line.to.node,
    )
    return model.askedL[day * model.uses + use]!
  }
  const start = kept.model.rain.series.startDay
  const counted = (factor: number): LogReading[] => {
    let sumL = 5000
    const all: LogReading[] = []
    for (let day = 0; day < kept.model.days; day++) {
      sumL += factor * askedLPerDay(day)
      if (day % 14 === 0)
        all.push({ id: `m${day}`, at: isoDate(start + day), kind: 'meter', value: sumL, subject: line.id })
    }
    return all
  }
  it('teaches the use, and makes its band narrower', () => {
    const with13 = learnedFrom(house, [...log, ...counted(1.3)], on)
    expect(with13.use.mean).toBeGreaterThan(1.2)
    expect(with13.use.mean).toBeLessThan(1.4)
    const width = ({ use }: Kept) => use.high / use.low
    expect(width(with13)).toBeLessThan(width(kept))
    const [meter] = lived(house, with13).meters
    expect(meter!.countedL / meter!.reckonedL).toBeCloseTo(1.3 / with13.use.mean, 1)
  })
  it('alone, without a level, teaches it too', () => {
    const alone = learnedFrom(house, counted(1.3), on)
    expect(alone.use.mean).toBeGreaterThan(1.1)
    expect(alone.coefficient.mean).toBeCloseTo(alone.plannedCoefficient, 2)
  })
  it('that was changed for another starts anew; what it told before still stands', () => {
    const all = counted(1.3)
    const half = Math.floor(all.length / 2)
    const swapped = all.map((each, at) => (at < half ? each : { ...each, value: each.value! - all[half]!.value! + 3 }))
    const use = learnedFrom(house, [...log, ...swapped], on).use.mean
    expect(use).toBeGreaterThan(1.2)
    expect(use).toBeLessThan(1.4)
  })
  it('read in any order says the same', () => {
    const [one, two] = [counted(1.3), counted(1.3).reverse()].map(
      of => learnedFrom(house, [...log, ...of], on).use.mean,
    )
    expect(one).toBeCloseTo(two!, 12)
  })
  it('of a line that is not here, or of no time, teaches nothing', () => {
    const stray = counted(1.3).map(each => ({ ...each, subject: 'gone' }))
    expect(learnedFrom(house, [...log, ...stray], on).use).toEqual(kept.use)
    expect(learnedFrom(house, [...log, counted(1.3)[0]!], on).use).toEqual(kept.use)
  })
})
