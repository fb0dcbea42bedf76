import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { BASE_PARTS } from './bases'
import { listOf, type Item } from './items'
import { BASE_IDS, type BaseId } from '../../catalog'
import type { Tank } from '../../kinds'
import type { Site } from '../../site'
import { blank } from '../../../tests/sites'
import { tankAt } from '../../../tests/waterworks'

const metric = blank()
const inches: Site = { ...metric, standards: { ...metric.standards, units: 'us' } }
/** A tank of one metre by one, its floor two metres over the ground. */
const raised = tankAt('tank', 2) as Tank
const made = (base: BaseId, tank: Tank = raised, site = metric): Item[] => {
  const list = listOf(site)
  BASE_PARTS[base](site, list, tank)
  return list.all()
}
const counts = (items: Item[]) => Object.fromEntries(items.map(({ id, count }) => [id, count]))

describe('what a base takes', () => {
  // Twenty centimetres more than the tank to each side: 1.4 m by 1.4 m, 5.6 m round.
  it.each<[BaseId, Record<string, number>]>([
    ['bare-soil', {}],
    ['gravel', { gravel: 0.3, curb: 5.6 }],
    ['slab', { concrete: 16, 'steel-mesh': 2, gravel: 0.2, shuttering: 5.6 }],
    ['blocks', { block: 13, gravel: 0.2 }],
    ['stand', { post: 8.4, beam: 7.7, deck: 8.4, brace: 9.2, bolt: 24, concrete: 8 }],
    ['buried', { sand: 0.9 }],
  ])('of %s, counted by hand', (base, by) => expect(counts(made(base))).toEqual(by))
  it('is told by the yard and the pound where these are spoken, at the same cost', () => {
    const [gravel] = made('gravel', raised, inches)
    const [metricGravel] = made('gravel')
    expect(gravel).toMatchObject({ unit: 'yd³', count: 0.4, price: 42 })
    expect(metricGravel).toMatchObject({ unit: 'm³', price: 55 })
    // 0.294 m³ are 0.3845 yd³.
    expect(gravel!.shares[0]!.count * 0.764554857984).toBeCloseTo(metricGravel!.shares[0]!.count, 9)
    expect(made('slab', raised, inches).find(({ id }) => id === 'concrete')!.size).toEqual(['50 lb'])
  })
  it('of a stand without braces has none, and of three posts a quarter less of them', () => {
    const three = counts(made('stand', { ...raised, stand: { posts: 3, braced: false } } as Tank))
    expect(three).not.toHaveProperty('brace')
    expect([three.post, three.bolt, three.concrete]).toEqual([6.3, 18, 6])
  })
  it('is never less for a tank that is longer or wider', () => {
    const sideM = fc.double({ min: 0.5, max: 4, noNaN: true })
    fc.assert(
      fc.property(fc.constantFrom(...BASE_IDS), sideM, sideM, sideM, (base, lengthM, widthM, moreM) => {
        const sized = (longM: number): Tank =>
          ({ ...raised, shape: { shape: 'box', lengthM: longM, widthM, heightM: 2 } }) as Tank
        const less = counts(made(base, sized(lengthM)))
        for (const [id, count] of Object.entries(counts(made(base, sized(lengthM + moreM)))))
          expect(count, id).toBeGreaterThanOrEqual(less[id]!)
      }),
    )
  })
  it('of two tanks is on one line each, with what either takes', () => {
    const list = listOf(metric)
    for (const id of ['one', 'two']) BASE_PARTS.slab(metric, list, { ...raised, id })
    const concrete = list.all().find(({ id }) => id === 'concrete')!
    expect(concrete.shares.map(({ id, count }) => [id, Math.round(count * 100) / 100])).toEqual([
      ['one', 15.68],
      ['two', 15.68],
    ])
    // Bags are counted once for both: 31.36 are 32, not twice 16.
    expect(concrete.count).toBe(32)
  })
})
