import { describe, expect, it } from 'vitest'
import { put, build, setUp } from '../../tests/sites'
import { droughtsMm, referenceYears } from './reference'
import { dayNumber, isoDate } from './calendar'
import { seriesOf, weatherSeries } from './series'
import { overYears, outlook } from '../balance'
import { moveOf, setField } from '../moves'
import { monthWarmth, tanksOf, type Site } from '../site'

const site = setUp('dry-summer-hill', [
  { preset: 'beds', count: 40 },
  { preset: 'flush', count: 2 },
])

const at = (plan: Site, id: string) => plan.nodes.findIndex(node => node.id === id)

describe('years that stand for others', () => {
  it('are the middle one, and those a tenth from either end, by what a fixed draw leaves wanting', () => {
    // Eleven years of even rain but for a summer of none, 10 to 60 days long, in a muddle; the wettest in all is driest.
    const order = [4, 9, 1, 11, 6, 2, 8, 3, 10, 5, 7]
    const start = dayNumber('2001-01-01')
    const rainMm = new Float64Array(365 * 11 + 2).fill(2)
    order.forEach((rank, year) => {
      const from = dayNumber(`${2001 + year}-07-01`) - start
      rainMm.fill(0, from, from + 5 * rank + 5)
      if (rank === 11) rainMm.fill(12, from - 20, from)
    })
    const series = seriesOf(start, rainMm, false)
    const { dry, middle, wet } = referenceYears(site, series)
    expect([dry, middle, wet].map(index => order[index])).toEqual([10, 6, 2])
    expect(isoDate(start + series.years[middle]!.from)).toBe('2005-01-01')
    // By hand: so many days of July's draw, or July's and August's, less nothing.
    const droughts = droughtsMm(site, series)
    const { et0MmPerDay } = monthWarmth(site)
    const meanMm = rainMm.reduce((sum, mm) => sum + mm, 0) / rainMm.length
    const draw = (month: number) =>
      0.8 * meanMm * (0.5 + (0.5 * et0MmPerDay[month]!) / (et0MmPerDay.reduce((sum, mm) => sum + mm, 0) / 12))
    const julyMm = 25 * draw(6)
    expect(draw(6)).toBeGreaterThan(2)
    // What July's draw is over its rain before the dry days comes to nothing here: they begin with the month.
    expect(droughts[0]!).toBeGreaterThan(julyMm)
    expect(droughts[order.indexOf(9)]!).toBeGreaterThan(droughts[0]!)
  })
  it('begins a year before: a drought that runs over the new year counts in both', () => {
    const start = dayNumber('2001-01-01')
    const rainMm = new Float64Array(365 * 3).fill(3)
    rainMm.fill(0, dayNumber('2001-12-01') - start, dayNumber('2002-02-01') - start)
    const droughts = droughtsMm(site, seriesOf(start, rainMm, false))
    expect(droughts[1]!).toBeGreaterThan(1.9 * droughts[0]! * 0.5)
    expect(droughts[1]!).toBeGreaterThan(droughts[2]!)
  })
  it('in a single year are that year', () => {
    const series = seriesOf(dayNumber('2001-01-01'), new Float64Array(365), false)
    expect(referenceYears(site, series)).toEqual({ dry: 0, middle: 0, wet: 0 })
  })
})

describe('headlines', () => {
  const tank = tanksOf(site)[0]!.id
  const chamber = site.nodes.findIndex(node => node.kind === 'chamber')
  const headlines = (plan: Site) => {
    const told = outlook(plan, weatherSeries(plan))
    const middle = (of: Parameters<typeof overYears>[1]) => overYears(told, of).middle
    return {
      reference: told.reference,
      shortDays: middle(year => year.shortDays),
      shortL: middle(year => year.askedL - year.metL),
      caughtL: middle(year => year.caughtL),
      keptL: middle(year => year.caughtL - year.flushedL),
    }
  }
  it.each([
    [
      'a wider tank',
      site,
      (size: number) =>
        put(['nodes', at(site, tank), 'shape'], { shape: 'box', lengthM: 1 + size, widthM: 1, heightM: 1.5 }),
    ],
    ['a smaller flush', site, (size: number) => put(['nodes', chamber, 'heightM'], 2.6 - size * 0.25)],
    ['less asked', site, (size: number) => setField('use', site.uses[1]!.id, 'amount.people', 20 - 2 * size)],
  ])('of %s never worsen, and the weather that tells them stays', (_, plan, step) => {
    const told = Array.from({ length: 10 }, (_, size) => headlines(build(plan, step(size))))
    for (const [index, { reference, shortDays, shortL, keptL }] of told.entries()) {
      const before = told[Math.max(0, index - 1)]!
      expect(reference).toEqual(told[0]!.reference)
      expect(shortDays).toBeLessThanOrEqual(before.shortDays)
      expect(shortL).toBeLessThanOrEqual(before.shortL + 1e-6)
      expect(keptL).toBeGreaterThanOrEqual(before.keptL - 1e-6)
    }
    expect(told.at(-1)!.shortL).toBeLessThan(told[0]!.shortL)
  })
})

describe('headlines that used to move with the plan', () => {
  const years = (plan: Site) => outlook(plan, weatherSeries(plan))
  /** Two roofs, each with its chamber, to one tank. */
  const yard = (litresEach: number) => {
    const begun = build(
      setUp('dry-summer-hill', [{ preset: 'beds', count: 25 }]),
      moveOf('addRoof', { name: 'Barn', lengthM: 8, widthM: 5, material: 'steel', tank: tanksOf(site)[0]!.id }),
      moveOf('fitFirstFlush', { spout: 'spout-2', depthMm: 0.8 }),
    )
    return begun.nodes.reduce(
      (plan, node, index) =>
        node.kind === 'chamber'
          ? build(
              plan,
              put(['nodes', index, 'heightM'], litresEach / (Math.PI * (node.innerDiameterMm / 2) ** 2 * 1e-3)),
            )
          : plan,
      begun,
    )
  }
  it('two chambers cut from 78 to 17 L: no year gets worse, and so no headline does', () => {
    const [large, small] = [years(yard(39)), years(yard(8.5))]
    expect(large.years).toHaveLength(30)
    for (const [year, { shortDays, metL }] of large.years.entries()) {
      expect(small.years[year]!.shortDays).toBeLessThanOrEqual(shortDays)
      expect(small.years[year]!.metL).toBeGreaterThanOrEqual(metL - 1e-6)
    }
    const short = (told: typeof large) => overYears(told, year => year.shortDays)
    expect(short(small).middle).toBeLessThanOrEqual(short(large).middle)
    expect(short(small).most).toBeLessThanOrEqual(short(large).most)
    expect(small.reference).toEqual(large.reference)
  })
  it('a tank made 20 cm wider: as much is caught to the litre, in every year', () => {
    const [tank] = tanksOf(site)
    const wider = build(
      site,
      moveOf('reshapeTank', { tank: tank!.id, shape: 'upright-cylinder' }),
      moveOf('resizeTank', { tank: tank!.id, shape: { diameterM: 1.4 } }),
    )
    const widest = build(wider, moveOf('resizeTank', { tank: tank!.id, shape: { diameterM: 1.6 } }))
    const caught = (plan: Site) => years(plan).years.map(year => year.caughtL)
    expect(caught(widest)).toEqual(caught(wider))
    expect(years(widest).reference).toEqual(years(wider).reference)
  })
})
