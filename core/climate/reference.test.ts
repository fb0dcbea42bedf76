import { describe, expect, it } from 'vitest'
import { put, build, setUp } from '../../tests/sites'
import { dryHalf, referenceYears } from './reference'
import { dayNumber, isoDate } from './calendar'
import { seriesOf, weatherSeries } from './series'
import { overYears, outlook } from '../balance'
import { moveOf, setField } from '../moves'
import { tanksOf, type Site } from '../site'

const site = setUp('dry-summer-hill', [
  { preset: 'beds', count: 40 },
  { preset: 'flush', count: 2 },
])

const at = (plan: Site, id: string) => plan.nodes.findIndex(node => node.id === id)

describe('years that stand for others', () => {
  it('are the middle one, and those a tenth from either end, by the rain of the dry half', () => {
    expect([...dryHalf(site)].sort((a, b) => a - b)).toEqual([3, 4, 5, 6, 7, 8])
    // Eleven years: July rains 1 to 11 mm in a muddle, and January pours in the driest.
    const order = [4, 9, 1, 11, 6, 2, 8, 3, 10, 5, 7]
    const start = dayNumber('2001-01-01')
    const rainMm = new Float64Array(365 * 11 + 2)
    order.forEach((mm, year) => {
      rainMm[dayNumber(`${2001 + year}-07-10`) - start] = mm
      rainMm[dayNumber(`${2001 + year}-01-10`) - start] = 500 / mm
    })
    const series = seriesOf(start, rainMm, false)
    const { dry, middle, wet } = referenceYears(site, series)
    expect([dry, middle, wet].map(index => order[index])).toEqual([2, 6, 10])
    expect(isoDate(start + series.years[middle]!.from)).toBe('2005-01-01')
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
