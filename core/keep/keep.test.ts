import { describe, expect, it } from 'vitest'
import {
  choresOf,
  dueChores,
  expectedDoubts,
  forecastOf,
  keepAnswer,
  keepOf,
  learnedFrom,
  monthsAfter,
  nextSeasonDay,
  plainDoubts,
  readFigure,
  readLevel,
  runOutOf,
  today,
  watch,
  type Odd,
} from '.'
import { dayNumber, isoDate } from '../climate'
import { tanksOf, type Site } from '../site'
import { moveOf, setField } from '../moves'
import { phraseText } from '../words'
import type { LogReading } from '../kinds'
import { demoSite } from '../../tests/demoSites'
import { LOG_START, madeLog } from '../../tests/madeLogs'
import { build, setUp } from '../../tests/sites'

const said = (odd: Odd | undefined): string => phraseText(odd?.what ?? '', 'metric')

const house = setUp('dry-summer-hill', [
  { preset: 'kitchen', count: 2 },
  { preset: 'beds', count: 20 },
])
const [tank] = tanksOf(house)
const day = (of: number) => isoDate(dayNumber(LOG_START) + of)
const level = (id: string, at: string, value: number, source?: string): LogReading => ({
  id,
  at,
  kind: 'level',
  subject: tank!.id,
  value,
  ...(source ? { source } : {}),
})

describe('when it runs short', () => {
  it('comes sooner from an empty tank than from a full one, and one in ten before one in two', () => {
    const from = (value: number) => {
      const kept = keepOf(house, [level('a', '2026-06-01', value)], '2026-06-01')
      return runOutOf(forecastOf(house, kept), kept)
    }
    const [low, high] = [from(0.3), from(1)]
    expect(low.p10! <= low.p50!).toBe(true)
    expect(low.p50! < (high.p50 ?? '9999')).toBe(true)
    expect(low.p10! > '2026-06-01').toBe(true)
  })
  it('comes later with rations, and later with rain that is promised', () => {
    const kept = keepOf(house, [level('a', '2026-06-01', 0.5)], '2026-06-01')
    const at = (options?: Parameters<typeof forecastOf>[2]) => runOutOf(forecastOf(house, kept, options), kept).p50
    expect(at({ rationed: kept.model.compiled.demands.map(() => 0.5) })! > at()!).toBe(true)
    expect(at({ promised: [0, 30, 30, 0, 0, 10] })! > at()!).toBe(true)
  })
  it('is the same each time it is asked', () => {
    const kept = keepOf(house, [level('a', '2026-06-01', 0.5)], '2026-06-01')
    expect(forecastOf(house, kept)).toEqual(forecastOf(house, kept))
  })
})

describe('the clock', () => {
  const rain = (id: string, at: string, value: number): LogReading => ({ id, at, kind: 'rain', value })
  const held = (log: LogReading[], on: string) => {
    const kept = keepOf(house, log, on)
    return kept.now.litres.reduce((sum, litres) => sum + litres, 0)
  }
  it('a level and a rain that are read together: the level has that rain in it', () => {
    const log = (rainAt: string) => [
      level('before', '2026-05-30T07:00', 0.3),
      rain('none', '2026-05-31T07:00', 0),
      level('a', '2026-06-01T07:00', 0.6),
      rain('wet', rainAt, 25),
    ]
    const [together, later] = ['2026-06-01T07:10', '2026-06-01T15:00'].map(at => held(log(at), '2026-06-01'))
    // An hour in the afternoon it comes on top; read with the level it stands in it already.
    expect(later! - together!).toBeGreaterThan(500)
  })
  it('a level that is read today is told as today’s', () => {
    const { held: tanks } = today(house, [level('a', '2026-06-01T07:00', 0.6)], '2026-06-01')
    expect(tanks.find(({ id }) => id === tank!.id)?.read?.at).toBe('2026-06-01')
  })
  it('before anybody has read a level no day is named', () => {
    const kept = keepOf(house, [rain('wet', '2026-05-20', 3)], '2026-06-01')
    expect(runOutOf(forecastOf(house, kept), kept)).toEqual({ p10: null, p50: null, p90: null })
    const late = keepOf(house, [level('a', '2026-06-08', 0.2)], '2026-06-01')
    expect(runOutOf(forecastOf(house, late), late).p10).toBeNull()
  })
})

describe('what is not believed', () => {
  it('is told with why, and learned from by nobody', () => {
    const { log, on } = madeLog(house, 4, 120, 7, { coefficient: 0.9, use: 1.2 })
    const odd: LogReading[] = [
      level('tall', day(50), 88),
      { id: 'wet', at: day(51), kind: 'rain', value: 1999 },
      level('ahead', '2031-01-01', 0.4),
    ]
    const doubts = plainDoubts(house, [...log, ...odd], on)
    expect(doubts.get('tall')).toMatch(/centimetres/)
    expect(doubts.get('wet')).toMatch(/unit/)
    expect(doubts.get('ahead')).toMatch(/clock/)
    expect(doubts.size).toBe(3)
    expect(learnedFrom(house, [...log, ...odd], on).coefficient).toEqual(learnedFrom(house, log, on).coefficient)
  })
  it('is a device that tells the same over and over, or tells twice', () => {
    const same = Array.from({ length: 12 }, (_, at) => level(`s${at}`, day(at), 0.7, 'level sensor'))
    const doubts = plainDoubts(house, [...same, level('again', day(3), 0.7, 'level sensor')], day(30))
    expect([...doubts.values()]).toContain('it was told twice')
    expect([...doubts.values()].filter(why => why.includes('stuck')).length).toBeGreaterThan(8)
    // A person who reads the same level for a week has a tank that nobody uses.
    expect(
      plainDoubts(
        house,
        same.map(({ source: _source, ...each }) => each),
        day(30),
      ).size,
    ).toBe(0)
  })
  it('is a leap of a sensor that the next reading takes back; what is learned hardly moves', () => {
    const { log, on } = madeLog(house, 6, 120, 1, { coefficient: 1, use: 1 })
    const by = log.map(each => (each.kind === 'level' ? { ...each, source: 'level sensor' } : each))
    const spiked = by.map(each =>
      each.id === 'level-60-0' ? { ...each, value: each.value! > 0.7 ? 0.05 : 1.5 } : each,
    )
    const [plain, off] = [keepOf(house, by, on), keepOf(house, spiked, on)]
    expect(expectedDoubts(off).get('level-60-0')).toMatch(/leaps/)
    expect(off.use.mean / plain.use.mean).toBeCloseTo(1, 1)
  })
  it('is a device that lies off the stick, every time', () => {
    const { log, on } = madeLog(house, 6, 90, 7, { coefficient: 1, use: 1 })
    const sensor = log
      .filter(({ kind }) => kind === 'level')
      .map(each => ({ ...each, id: `s-${each.id}`, value: each.value! + 0.12, source: 'level sensor' }))
    const all = [...log, ...sensor]
    expect(said(watch(house, all, keepOf(house, all, on)).find(({ kind }) => kind === 'device'))).toMatch(
      /higher than the stick/,
    )
  })
  it('is a pump that starts more often than it did', () => {
    const starts = Array.from({ length: 100 }, (_, at): LogReading => ({
      id: `p${at}`,
      at: day(at),
      kind: 'starts',
      value: at < 70 ? 12 : 30,
    }))
    const [odd] = watch(house, starts, keepOf(house, starts, day(99)))
    expect(said(odd)).toMatch(/starts 30 times a day, where it started 12/)
    expect(watch(house, starts.slice(0, 69), keepOf(house, starts.slice(0, 69), day(68)))).toEqual([])
  })
})

describe('a level', () => {
  const ribbed = build(house, setField('node', tank!.id, 'ribsM', [0.3, 0.6, 0.9]))
  const said = (text: string, site: Site = ribbed) => readLevel(site, tanksOf(site)[0]!, text, 'metric')
  const spill = (said('full') as { value: number }).value
  it('is read as it is spoken', () => {
    expect(said('0.71 m')).toMatchObject({ value: 0.71, said: '0.71 m' })
    expect(said('28 in')).toMatchObject({ ok: true, value: expect.closeTo(0.7112, 6) as number })
    expect(said('half')).toMatchObject({ value: spill / 2, by: 'eye' })
    expect(said('60 %')).toMatchObject({ value: expect.closeTo(0.6 * spill, 9) as number })
    expect(said('knocks hollow above the third rib')).toMatchObject({ value: 0.9, by: 'knock' })
    expect(said('2nd rib')).toMatchObject({ value: 0.6 })
  })
  it('that cannot be is refused with what can', () => {
    expect(said('9 m')).toMatchObject({ ok: false })
    expect(said('140 %')).toMatchObject({ ok: false })
    expect(said('lots')).toMatchObject({ ok: false })
    expect(said('fifth rib')).toMatchObject({ ok: false })
    expect(said('third rib', house)).toMatchObject({ ok: false })
  })
  it('comes from programs in any unit', () => {
    const of = (value: number, unit?: string) => readFigure(house, { kind: 'level', subject: tank!.id, value, unit })
    expect(of(0.5)).toMatchObject({ value: 0.5 })
    expect(of(50, 'cm')).toMatchObject({ value: 0.5 })
    expect(of(0.5, 'share')).toMatchObject({ value: spill / 2 })
    expect(of(50, '%')).toMatchObject({ value: spill / 2 })
    expect(of(-0.004, 'm')).toMatchObject({ ok: true })
    expect(of(1, 'parsec')).toMatchObject({ ok: false })
    expect(readFigure(house, { kind: 'rain', value: 1, unit: 'in' })).toMatchObject({ value: 25.4 })
    expect(readFigure(house, { kind: 'level', subject: 'nowhere', value: 1 })).toMatchObject({ ok: false })
  })
})

describe('chores', () => {
  it('come so many months after, over short months and leap years', () => {
    const after = (date: string, months: number) => isoDate(monthsAfter(dayNumber(date), months))
    expect(after('2027-01-31', 1)).toBe('2027-02-28')
    expect(after('2028-01-31', 1)).toBe('2028-02-29')
    expect(after('2028-02-29', 12)).toBe('2029-02-28')
    expect(after('2027-11-15', 14)).toBe('2029-01-15')
    expect(after('2027-08-31', 6)).toBe('2028-02-29')
  })
  it('come on days of the year, the next one after', () => {
    const days = [
      { month: 11, day: 15 },
      { month: 5, day: 15 },
    ]
    expect(isoDate(nextSeasonDay(dayNumber('2027-05-15'), days))).toBe('2027-11-15')
    expect(isoDate(nextSeasonDay(dayNumber('2027-11-15'), days))).toBe('2028-05-15')
  })
  it('come from paint and low points too: a stand, a painted tank, the drain of a line that stays full', () => {
    const site = demoSite('quillfern-ridge')
    const stems = (of: Site) => new Set(choresOf(of).map(({ id }) => id.slice(0, id.indexOf(':'))))
    expect(stems(site).has('low-drain')).toBe(true)
    const painted = build(site, setField('node', 'tank-1', 'cover', 'painted'))
    expect(choresOf(painted).filter(({ id }) => id === 'paint:tank-1')).toHaveLength(1)
    expect(
      choresOf(build(site, setField('node', 'tank-1', 'cover', 'black'))).some(({ id }) => id === 'paint:tank-1'),
    ).toBe(false)
  })
  it('are those of this system’s own parts, with all that is told of them', () => {
    const chores = choresOf(demoSite('quillfern-ridge'))
    const ids = chores.map(({ id }) => id)
    expect(new Set(ids).size).toBe(ids.length)
    for (const kind of ['gutter', 'chamber', 'meshes', 'lamp', 'filter', 'check', 'pump', 'well'])
      expect(ids.some(id => id.startsWith(`${kind}:`))).toBe(true)
    for (const { why, done, skipping, minutes } of chores) {
      expect(Math.min(why.length, done.length, skipping.length)).toBeGreaterThan(15)
      expect(minutes[0]).toBeLessThanOrEqual(minutes[1])
    }
    expect(choresOf(demoSite('brindle-yard')).some(({ id }) => id.startsWith('lamp:'))).toBe(false)
  })
  it('of leaves come in November, and south of the equator in June', () => {
    const south = build(house, setField('site', '', 'place.latitudeDeg', -33))
    const gutter = (site: Site) => dueChores(site, [], '2027-09-01').find(({ id }) => id.startsWith('gutter:'))!.due
    expect(gutter(house)).toBe('2027-11-15')
    expect(gutter(south)).toBe('2027-11-15')
    const next = (site: Site) => dueChores(site, [], '2027-12-01').find(({ id }) => id.startsWith('gutter:'))!.due
    expect(next(house)).toBe('2028-05-15')
    expect(next(south)).toBe('2028-06-15')
  })
  it('that are done move on; put off they wait; never to come they are gone', () => {
    const meshes = (site: Site, log: LogReading[]) =>
      dueChores(site, log, '2027-06-01').find(({ id }) => id === `meshes:${tank!.id}`)
    expect(meshes(house, [])).toMatchObject({ last: null, due: '2027-12-01' })
    const done: LogReading = { id: 'c', at: '2027-05-20', kind: 'chore', subject: `meshes:${tank!.id}` }
    expect(meshes(house, [done])).toMatchObject({ last: '2027-05-20', due: '2027-11-20' })
    const off = build(house, moveOf('putChore', { chore: `meshes:${tank!.id}`, until: '2028-02-01' }))
    expect(meshes(off, [done])).toMatchObject({ due: '2028-02-01' })
    expect(meshes(build(house, moveOf('putChore', { chore: `meshes:${tank!.id}`, never: true })), [])).toBeUndefined()
  })
})

describe('the answer', () => {
  it('holds what the contract says, whatever the site, and no figure that is none', () => {
    for (const id of ['quillfern-ridge', 'brindle-yard', 'cinder-tor'] as const) {
      const site = demoSite(id)
      const { log, on } = madeLog(site, 1, 100, 7, { coefficient: 0.9, use: 1.1 })
      const made = keepAnswer(site, log, on)
      expect(Object.keys(made)).toEqual(['learned', 'level', 'runOut', 'chores', 'watch'])
      for (const { mean, low, high } of [made.learned.coefficient, made.learned.use, made.level])
        expect([low <= mean, mean <= high, Number.isFinite(low + mean + high)]).toEqual([true, true, true])
      expect(JSON.stringify(made)).not.toMatch(/NaN|Infinity/)
    }
  })
})
