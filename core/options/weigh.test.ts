import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { whyNot } from '../answers'
import { arbitrarySite, blank, build, plainTank, put, setUp } from '../../tests/sites'
import { differences, outsideCost, weigh, weighOption } from './weigh'
import { applyMoves, moveOf, waysFor } from '../moves'
import { weatherSeries } from '../climate'

const home = () =>
  setUp('cold-upland', [
    { preset: 'flush', count: 3 },
    { preset: 'beds', count: 15 },
  ])

describe('ways of doing it', () => {
  const site = home()
  const ways = waysFor(site)
  it('offer what people argue about, each one makes a sound document and is weighed', () => {
    expect(ways.map(way => way.id)).toEqual([
      'one-big',
      'many-totes',
      'one-more',
      'inlets',
      'big-chambers',
      'winter-by-pass',
      'bury',
    ])
    const series = weatherSeries(site)
    const now = weigh(site, series)
    const by = Object.fromEntries(
      ways.map(way => {
        const weighing = weighOption(site, way.moves, series)
        if (weighing.left.length) throw new Error(`${way.id}: ${weighing.left[0]!.problem}`)
        expect(weighing.differs.length).toBeGreaterThan(0)
        return [way.id, weighing.weighed]
      }),
    )
    // One big tank of the same litres holds about the same and costs less; totes the same and more; a third tank more
    // of everything but short days.
    expect(by['one-big']!.nominalL / now.nominalL).toBeCloseTo(1, 2)
    expect(by['one-big']!.price).toBeLessThan(now.price)
    expect(by['many-totes']!.nominalL / now.nominalL).toBeGreaterThan(0.9)
    expect(by['one-more']!.usableL).toBeGreaterThan(now.usableL * 1.4)
    expect(by['one-more']!.shortDays).toBeLessThanOrEqual(now.shortDays)
    expect(by['winter-by-pass']!.metShare).toBeLessThanOrEqual(now.metShare)
    expect(by['big-chambers']!.spilledL).toBeLessThan(now.spilledL)
    expect(by['bury']!.nominalL / now.nominalL).toBeCloseTo(1, 2)
  })
  it('can be offered for any site, and say why where they cannot be made', () => {
    fc.assert(
      fc.property(arbitrarySite, any => {
        for (const way of waysFor(any)) {
          const made = applyMoves(any, way.moves)
          if (!made.ok) expect(whyNot(made)).toMatch(/\.$/)
        }
      }),
      { numRuns: 60 },
    )
    expect(waysFor(blank())).toEqual([])
    expect(weighOption(blank(), [moveOf('remove', { id: 'gone' })], weatherSeries(blank())).left).toMatchObject([
      { label: 'Take out a part', problem: expect.stringContaining('no longer') },
    ])
  })
})

describe('weighing', () => {
  it('names what came, went and changed', () => {
    const site = build(plainTank(blank(), 'A'), moveOf('addUse', { preset: 'hens' }))
    expect(differences(site, site)).toEqual({ differs: [], differing: [] })
    const other = build(
      site,
      moveOf('addTank', { kind: 'tote', how: 'joined', to: 'tank-1' }),
      moveOf('remove', { id: 'use-1' }),
    )
    const { differs, differing } = differences(site, other)
    expect(differs).toEqual(['Tank B added', 'Hens gone', 'A changed'])
    expect(differing).toEqual(
      expect.arrayContaining(['tank-2', 'tank-1', other.runs.find(run => run.from.port.startsWith('link'))!.id]),
    )
  })
  it('prices outside water by what was said of it, and nothing by what was not', () => {
    const main = build(plainTank(blank(), 'A'), moveOf('addSource', { kind: 'main', tank: 'tank-1' }))
    const year = { wellL: 2000, mainL: 5000, loads: 2 }
    expect(outsideCost(main, year)).toBe(0)
    const at = main.nodes.findIndex(node => node.kind === 'main')
    const priced = build(
      main,
      put(['nodes', at, 'pricePerM3'], 3),
      put(['nodes', main.nodes.findIndex(node => node.kind === 'tank'), 'carted'], {
        loadL: 1000,
        startShare: 0.1,
        pricePerLoad: 80,
      }),
    )
    expect(outsideCost(priced, year)).toBe(5 * 3 + 2 * 80)
  })
})
