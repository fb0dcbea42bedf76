import { describe, expect, it } from 'vitest'
import { blank, build, plainTank } from '../../tests/sites'
import { outlook } from './year'
import { addTally, emptyTally, readTally, runMembers } from './ensemble'
import { compile } from './compile'
import type { Site } from '../site'
import { moveOf, standInClimate } from '../moves'
import { dailySeries, memberRain, seriesOf, weatherSeries } from '../climate'

/** 40 m² of roof over a cubic metre, in a place with a dry summer, and 60 litres a day. */
const site: Site = {
  ...build(
    plainTank(blank(), 'A'),
    moveOf('addRoof', { name: 'R', lengthM: 8, widthM: 5, material: 'steel', eavesM: 3, tank: 'tank-1' }),
    moveOf('fitFirstFlush', { spout: 'spout-1' }),
    moveOf('addUse', { preset: 'sheep', count: 12 }),
  ),
  climate: standInClimate('dry-summer-hill'),
}
const compiled = compile(site)
const own = weatherSeries(site)
const run = (from: number, to: number, years = 10) => runMembers(site, compiled, own, from, to, years)

describe('an ensemble', () => {
  const whole = run(0, 20)

  it('repeats by seed, and is the same however it is shared out', () => {
    expect(run(0, 20)).toEqual(whole)
    for (const cuts of [
      [0, 7, 20],
      [0, 1, 2, 19, 20],
      [0, 8, 16, 20],
    ]) {
      const parts = cuts
        .slice(1)
        .map((to, at) => run(cuts[at]!, to))
        .reverse()
      expect(parts.reduce(addTally, emptyTally())).toEqual(whole)
    }
  })
  it('says of each member what its own balance says', () => {
    for (const seed of [1, 5]) {
      const rain = memberRain(site, 10)
      const { years } = outlook(site, { ...seriesOf(rain.startDay, rain.make(seed), true), split: own.split })
      const tally = run(seed - 1, seed)
      const days = [...tally.byShortDays].flatMap((count, at) => Array.from({ length: count }, () => at))
      expect(days).toEqual(years.map(year => year.shortDays).sort((a, b) => a - b))
      expect(tally.shortL).toBe(Math.round(years.reduce((sum, year) => sum + year.askedL - year.metL, 0)))
      expect(tally.dryYears).toBe(years.filter(year => year.shortDays > 0).length)
    }
    expect([...memberRain(site, 30).make(1)]).toEqual([...dailySeries(site, { seed: 1 }).rainMm])
  })
  it('reads as chances between nothing and certain, good years no worse than bad ones', () => {
    const said = readTally(whole)
    expect(said).toMatchObject({ members: 20, years: 200 })
    expect(said.shortDays[0]).toBeLessThanOrEqual(said.shortDays[1])
    expect(said.shortDays[1]).toBeLessThan(said.shortDays[2])
    expect(Math.max(...said.dryByMonth)).toBeLessThanOrEqual(said.dryShare)
    expect(said.dryShare).toBeLessThanOrEqual(1)
    // The dry months of this climate are those of its summer.
    expect(said.dryByMonth[7]).toBeGreaterThan(said.dryByMonth[0]!)
    for (const [low, middle, high] of said.level) {
      expect(low).toBeLessThanOrEqual(middle)
      expect(middle).toBeLessThanOrEqual(high)
      expect(high).toBeLessThanOrEqual(1)
    }
    const aDay = compiled.demands[0]!.litresPerDay.reduce((sum, litres) => sum + litres, 0) / 12
    expect(said.meanL.asked / (aDay * 365.25)).toBeCloseTo(1, 2)
  })
  it('of a site without tanks or uses is no trouble', () => {
    const bare = compile(blank())
    expect(readTally(runMembers(blank(), bare, weatherSeries(blank()), 0, 3, 10))).toMatchObject({
      dryShare: 0,
      shortDays: [0, 0, 0],
    })
    expect(readTally(emptyTally())).toMatchObject({ years: 0, dryShare: 0 })
  })
})
