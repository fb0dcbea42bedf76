import { describe, expect, it } from 'vitest'
import { put, build, setUp } from '../../tests/sites'
import { dryHalf, referenceYears } from './reference'
import { dayNumber, isoDate } from './calendar'
import { seriesOf, weatherSeries } from './series'
import { overYears, outlook } from '../balance'
import { setField } from '../moves'
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
