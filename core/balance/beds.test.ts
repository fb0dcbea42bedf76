import { describe, expect, it } from 'vitest'
import { blank, build, plainTank, put, setUp } from '../../tests/sites'
import { moveOf, setField } from '../moves'
import { drySpellFrom } from './drySpell'
import { bedAsks, bedOf, type Bed } from './beds'
import { compile } from './compile'
import { massErrorL, simulate } from './simulate'
import { outlook } from './year'
import { readSite } from '../site'
import { gardenNeed } from '../sums'
import { dailySeries, dayNumber, seriesOf, weatherSeries, type DailySeries } from '../climate'

const warm = { et0MmPerDay: Array<number>(12).fill(5), meanC: Array<number>(12).fill(20) }
const bed = (told: Partial<Bed> = {}): Bed => ({
  areaM2: 10,
  irrigationEfficiency: 0.8,
  cropFactor: 0.9,
  availableMm: 80,
  sheltered: false,
  monthShares: Array<number>(12).fill(1),
  ...warm,
  ...told,
})
const days = (...rainMm: number[]) => seriesOf(0, Float64Array.from(rainMm), true)
const dry = (count: number) => days(...Array<number>(count).fill(0))

const bedAsksL = (asking: Bed, series: DailySeries) => bedAsks(asking, series).asksL

describe('a bed in a dry spell', () => {
  it('asks nothing until half of what its roots reach is gone, and then what a dry day takes', () => {
    // 4.5 mm a day out of 40: the ninth day takes it 0.5 mm past, the tenth asks the whole 4.5.
    const asks = bedAsksL(bed(), dry(12))
    expect([...asks.slice(0, 8)]).toEqual(Array(8).fill(0))
    expect(asks[8]).toBeCloseTo((9 * 4.5 - 40) * (10 / 0.8), 9)
    expect(asks[9]).toBeCloseTo(4.5 * (10 / 0.8), 9)
    expect(asks[11]).toBeCloseTo(4.5 * (10 / 0.8), 9)
  })
  it('asks sooner of sand than of loam, and less under mulch', () => {
    const first = (told: Partial<Bed>) => bedAsksL(bed(told), dry(60)).findIndex(litres => litres > 0)
    expect(first({ availableMm: 40 })).toBe(4)
    expect(first({ availableMm: 160 })).toBe(17)
    expect(bedAsksL(bed({ cropFactor: 0.72 }), dry(60))[50]).toBeCloseTo(3.6 * (10 / 0.8), 9)
  })
  it('half watered, it dries out further until a half of the shortfall is a day’s need', () => {
    const asks = bedAsksL(bed({ monthShares: Array<number>(12).fill(0.5) }), dry(200))
    expect(asks[199]).toBeCloseTo(4.5 * (10 / 0.8), 6)
    expect(asks[10]).toBeLessThan(4.5 * (10 / 0.8))
  })
  it('not watered, it never asks, however dry', () => {
    expect(Math.max(...bedAsksL(bed({ monthShares: Array<number>(12).fill(0) }), dry(400)))).toBe(0)
  })
})

describe('rain on a bed', () => {
  it('puts the asking off by what it leaves in the soil, and no more than the soil holds', () => {
    const first = (...rainMm: number[]) =>
      bedAsksL(bed(), days(...rainMm, ...Array<number>(40).fill(0))).findIndex(litres => litres > 0)
    expect(first(0, 0, 0)).toBe(8)
    // The third day's rain brings back all that three days took, and the rest runs off.
    expect(first(0, 0, 200)).toBe(11)
  })
  it('that only wets the leaves counts for nothing, and under glass none does', () => {
    const rain = (mm: number) => days(...Array<number>(30).fill(mm))
    expect([...bedAsksL(bed(), rain(0.9))]).toEqual([...bedAsksL(bed(), dry(30))])
    expect(bedAsksL(bed(), rain(1))[29]).toBeCloseTo(3.5 * (10 / 0.8), 9)
    expect([...bedAsksL(bed({ sheltered: true }), rain(30))]).toEqual([...bedAsksL(bed(), dry(30))])
  })
  it('months too cold to grow ask nothing', () => {
    const cold = bed({ meanC: [4.9, 4.9, ...Array<number>(10).fill(15)] })
    const asks = bedAsksL(cold, dry(100))
    expect(Math.max(...asks.slice(0, 59))).toBe(0)
    expect(asks.findIndex(litres => litres > 0)).toBe(59 + 8)
  })
})

describe('beds of a site', () => {
  const site = setUp('dry-summer-hill', [{ preset: 'beds', count: 40 }])
  it('take soil, mulch, roots and shelter from the document', () => {
    const at = (field: string, value: unknown) =>
      bedOf(site, build(site, put(['uses', 0, 'amount', field], value)).uses[0]!.amount)!
    expect(bedOf(site, site.uses[0]!.amount)).toMatchObject({ availableMm: 80, sheltered: false, areaM2: 40 })
    expect(at('soil', 'sand').availableMm).toBe(40)
    expect(at('rootM', 1).availableMm).toBe(160)
    expect(at('availableMmPerM', 200).availableMm).toBe(100)
    expect(at('mulch', 'mulched').cropFactor).toBeCloseTo(0.9 * 0.8, 9)
    expect(at('sheltered', true).sheltered).toBe(true)
  })
  it('over many years ask of the order of the month’s rule of thumb in a dry summer', () => {
    const july = outlook(site, weatherSeries(site)).asks[0]!.litresPerDay[6]!
    const { rainMm, tMinC, tMaxC } = site.climate.months[6]!
    const { latitudeDeg } = site.place
    const rule = gardenNeed({ latitudeDeg, month: 7, tMinC, tMaxC, rainMm, areaM2: 40, cropCoefficient: 0.9 })
    expect(july / rule.litresPerDay).toBeGreaterThan(0.8)
    expect(july / rule.litresPerDay).toBeLessThan(1.25)
  })
  it('ask more in a dry year than in a wet one', () => {
    const { years, reference } = outlook(site, weatherSeries(site))
    expect(years[reference.dry]!.askedL).toBeGreaterThan(years[reference.wet]!.askedL)
    expect(new Set(years.map(year => Math.round(year.askedL))).size).toBeGreaterThan(20)
  })
  it('ask the same whatever the tanks hold, and the balance closes', () => {
    const series = weatherSeries(site)
    const [full, empty] = [[1e9], [0]].map(startL => simulate(compile(site), series, { startL }))
    expect(full!.askedL).toEqual(empty!.askedL)
    expect(Math.abs(massErrorL(full!))).toBeLessThan(1e-6)
  })
  it('follow the days’ own temperatures where the record has them', () => {
    const rainMm = Array<number>(90).fill(0)
    const record = (tMinC?: number[], tMaxC?: number[]) =>
      build(site, put(['climate', 'daily'], { start: '2001-06-01', rainMm, tMinC, tMaxC }))
    const asked = (document: typeof site) => {
      const series = dailySeries(document)
      return simulate(compile(document), series, { startL: [0] }).askedL
    }
    const { tMinC, tMaxC } = site.climate.months[5]!
    const asMonths = asked(record())
    const flat = asked(
      record(
        rainMm.map(() => tMinC),
        rainMm.map(() => tMaxC),
      ),
    )
    expect(flat.slice(0, 30)).toEqual(asMonths.slice(0, 30))
    const cold = asked(
      record(
        rainMm.map(() => 0),
        rainMm.map(() => 8),
      ),
    )
    expect(Math.max(...cold)).toBe(0)
    expect(
      readSite({ ...site, climate: { ...site.climate, daily: { start: '2001-06-01', rainMm, tMinC: [1] } } }),
    ).toMatchObject({
      ok: false,
    })
    expect(dailySeries(record()).startDay).toBe(dayNumber('2001-06-01'))
  })
})

describe('if it stops raining', () => {
  it('a tank and its bed last as long as a sum by hand says: the soil first, then the tank', () => {
    const months = Array.from({ length: 12 }, () => ({ rainMm: 60, wetDays: 9, tMinC: 14.8, tMaxC: 26.6 }))
    const site = build(
      plainTank(blank(), 'Tank'),
      moveOf('addUse', { preset: 'beds', count: 20 }),
      put(['climate', 'months'], months),
      setField('site', '', 'place.latitudeDeg', 45.72),
      setField('use', 'use-1', 'amount.cropCoefficient', 1),
      moveOf('setHeight', { node: 'tap-1', baseM: 0 }),
    )
    // FAO-56: 5.0 mm a day in July there. Loam gives 160 mm a metre over half a metre of roots, half of it easily.
    const { et0MmPerDay } = gardenNeed({
      ...{ latitudeDeg: 45.72, month: 7, tMinC: 14.8, tMaxC: 26.6 },
      ...{ areaM2: 20, cropCoefficient: 1, irrigationEfficiency: 0.9 },
    })
    expect(et0MmPerDay).toBeCloseTo(5, 1)
    const soilDays = 40 / et0MmPerDay
    const tankDays = 900 / ((et0MmPerDay * 20) / 0.9)
    const { days: lasts } = drySpellFrom(compile(site), dayNumber('2001-07-01'), 1)
    expect(lasts).toBe(Math.floor(soilDays + tankDays))
    expect(lasts).toBe(15)
  })
})
