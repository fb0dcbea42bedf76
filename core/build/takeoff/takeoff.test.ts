import fc from 'fast-check'
import { sum } from 'd3-array'
import { describe, expect, it } from 'vitest'
import { byLine } from './byLine'
import { byTrip, takeOff, takeOffVessels, toBuy, totalOf } from './takeoff'
import { GROUP_IDS, type Item } from './items'
import { moveOf, setField } from '../../moves'
import type { NewPart } from '../../kinds'
import type { Site } from '../../site'
import { demoSite } from '../../../tests/demoSites'
import { arbitrarySite, blank, build } from '../../../tests/sites'
import { pipe, tankAt, tapAt, worksOf } from '../../../tests/waterworks'

const countOf = (items: readonly Item[], start: string) =>
  sum(
    items.filter(({ id }) => id.startsWith(start)),
    ({ count }) => count,
  )
/** A tank and a tap that hangs lower, joined by so much pipe; told how its line is kept from frost. */
const line = (lengthM: number, boreMm = 26, more: object = {}, series = 'plastic-40'): Site => {
  const site = worksOf({
    nodes: [tankAt('tank', 2), tapAt('tap', 1)],
    runs: [['line', 'tank', 'tap', [{ ...pipe(lengthM, boreMm), series } as NewPart]]],
  })
  return { ...site, runs: site.runs.map(run => ({ ...run, ...more })) }
}

describe('a list of parts', () => {
  it('of any site is for things that stand there, adds up by them, and holds each thing once', () => {
    fc.assert(
      fc.property(arbitrarySite, site => {
        const items = takeOff(site)
        const known = new Set([...site.nodes, ...site.runs].map(({ id }) => id))
        expect(new Set(items.map(({ id }) => id)).size).toBe(items.length)
        for (const { count, shares, price, unit, what } of items) {
          const needed = sum(shares, share => share.count)
          const step = ['each', 'bag', 'tin', 'roll'].includes(unit) ? 1 : 0.1
          expect(count, what).toBeGreaterThan(needed - 1e-6)
          expect(count, what).toBeLessThan(needed + step + 1e-6)
          expect(new Set(shares.map(({ id }) => id)).size).toBe(shares.length)
          for (const { id } of shares) expect(known.has(id), what).toBe(true)
          if (price !== undefined) expect(price, what).toBeGreaterThan(0)
        }
        const groups = items.map(({ group }) => GROUP_IDS.indexOf(group))
        expect(groups).toEqual(groups.toSorted((a, b) => a - b))
      }),
      { numRuns: 40 },
    )
  })
  it('by lines tells no less and no more than the list, and every line its own pieces', () => {
    for (const name of ['quillfern-ridge', 'brindle-yard', 'cinder-tor'] as const) {
      const site = demoSite(name)
      const told = new Map<string, number>()
      for (const { things } of byLine(site))
        for (const { id, count } of things) told.set(id, (told.get(id) ?? 0) + count)
      for (const { id, group, shares } of takeOff(site))
        if (group === 'pipes') expect(told.has(id), id).toBe(false)
        else
          expect(told.get(id), id).toBeCloseTo(
            sum(shares, share => share.count),
            9,
          )
    }
  })
  it('by trips leaves nothing out, and what is hard to find is ordered ahead', () => {
    const items = toBuy(demoSite('quillfern-ridge'))
    const trips = byTrip(items)
    expect(
      trips
        .flatMap(trip => trip.items)
        .map(({ id }) => id)
        .toSorted(),
    ).toEqual(items.map(({ id }) => id).toSorted())
    expect(sum(trips, trip => totalOf(trip.items))).toBeCloseTo(totalOf(items), 6)
    for (const { trip, items: some } of trips) for (const { found } of some) if (found >= 3) expect(trip).toBe('ahead')
  })
  it('of the tanks alone is a part of the whole', () => {
    const site = demoSite('quillfern-ridge')
    const whole = new Map(takeOff(site).map(item => [item.id, item]))
    const tanks = takeOffVessels(site)
    expect(tanks.length).toBeGreaterThan(1)
    for (const tank of tanks) expect(whole.get(tank.id)).toEqual(tank)
  })
  it('of a site of nothing is empty', () => expect(takeOff(blank())).toEqual([]))
})

describe('what holds a line', () => {
  it('is more of the same for a longer line, and nothing where it lies in the ground', () => {
    const clips = (site: Site) => countOf(takeOff(site), 'clip-')
    const [short, long] = [clips(line(4)), clips(line(40))]
    expect(short).toBeGreaterThan(1)
    // Ten times as long: ten times as many, but for one more to each piece.
    expect(long).toBeGreaterThan(5 * short)
    expect(long).toBeLessThanOrEqual(10 * short)
    expect(clips(line(40, 26, { frostProof: 'buried' }))).toBe(0)
  })
  it('is lagged over its whole length where it is said to be', () => {
    const lagging = takeOff(line(12, 26, { frostProof: 'insulated' })).find(({ id }) => id.startsWith('lagging-'))!
    expect(lagging.unit).toBe('m')
    expect(lagging.count).toBeCloseTo(12, 1)
    expect(countOf(takeOff(line(12, 26, { frostProof: 'indoors' })), 'lagging-')).toBe(0)
  })
  it('is called by the size of its pipe as that is called on the shelf', () => {
    const inches = line(4, 26.64)
    const sized = takeOff({ ...inches, standards: { ...inches.standards, pipes: 'inch', units: 'us' } })
    expect(sized.find(({ id }) => id.startsWith('clip-'))!.size).toEqual(['1 in'])
    expect(takeOff(line(4, 26, {}, 'pe-100')).find(({ id }) => id.startsWith('clip-'))!.size).toEqual(['32 mm'])
  })
})

describe('what is there already', () => {
  const site = demoSite('brindle-yard')
  it('is taken off as far as it is needed, and never pays anything back', () => {
    const [first] = toBuy(site).filter(({ count, price }) => count > 1 && price)
    const bought = (count: number) => toBuy(site, [{ id: first!.id, count }]).find(({ id }) => id === first!.id)!
    for (const count of [0, 1, first!.count, first!.count + 5]) {
      const { owned, toBuy: left, cost } = bought(count)
      expect(owned).toBe(Math.min(count, first!.count))
      expect(owned + left).toBeCloseTo(first!.count, 9)
      expect(cost).toBeCloseTo(left * first!.price!, 9)
      expect(cost).toBeGreaterThanOrEqual(0)
    }
  })
  it('and what is paid for a thing make the total', () => {
    const items = toBuy(site)
    const [thing] = items.filter(({ price }) => price)
    const dearer = build(site, moveOf('notePrice', { of: thing!.id, price: thing!.price! + 10 }))
    expect(totalOf(toBuy(dearer)) - totalOf(items)).toBeCloseTo(10 * thing!.count, 6)
    const priced = build(site, setField('node', 'tank-1', 'price', 77))
    expect(takeOff(priced).some(({ group, price }) => group === 'tanks' && price === 77)).toBe(true)
  })
})
