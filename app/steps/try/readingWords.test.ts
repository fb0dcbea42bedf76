import { describe, expect, it } from 'vitest'
import { demoSite } from '../../../tests/demoSites'
import { NEVER, SYSTEMS } from '../../../tests/plainRules'
import { readingPlaces } from '../../../core/plant'
import { askedOf } from './readingWords'

const sites = (['quillfern-ridge', 'brindle-yard', 'cinder-tor'] as const).map(demoSite)

describe('what a person can read in a yard', () => {
  it('is asked for by name, each once', () => {
    for (const site of sites) {
      const asked = readingPlaces(site).map(place => askedOf(site, place))
      expect(asked.length).toBeGreaterThan(4)
      expect(new Set(asked.map(({ words }) => words)).size).toBe(asked.length)
      for (const { words } of asked) {
        expect(words).not.toMatch(/\b(run|tank|tap|spout|joint)-\d/)
        for (const rule of NEVER) expect(words).not.toMatch(rule)
      }
    }
  })
  it('is taken as it was written, and written as it was taken', () => {
    for (const site of sites)
      for (const place of readingPlaces(site)) {
        const { written, taken } = askedOf(site, place)
        for (const figure of [0.02, 0.4, 7]) expect(taken(written(figure))).toBeCloseTo(figure, 9)
      }
  })
  it('of a can is a watch’s seconds: a can of ten litres at a fifth of a litre a second takes fifty', () => {
    const [site] = sites
    const can = readingPlaces(site!).find(({ kind }) => kind === 'can')!
    const { kind, written, taken, words } = askedOf(site!, can)
    expect([kind, written(0.2), taken(50)]).toEqual(['count', 50, 0.2])
    expect(words).toContain('a can of 10 L')
    // What never fills it has no seconds, and none give no flow.
    expect([written(0), taken(0)]).toEqual([0, 0])
  })
  it('is read by a can that stands in a yard of that system', () => {
    const cans = SYSTEMS.map(units => {
      const site = { ...sites[0]!, standards: { ...sites[0]!.standards, units } }
      return askedOf(
        site,
        readingPlaces(site).find(({ kind }) => kind === 'can')!,
      )
    })
    expect(cans.map(({ words }) => /a can of (.+)$/.exec(words)![1])).toEqual(['10 L', '3 US gal', '2 imp gal'])
    // Three US gallons are 11.36 L, two imperial ones 9.09 L.
    expect(cans.map(({ written }) => written(1))).toEqual([10, expect.closeTo(11.356, 3), expect.closeTo(9.092, 3)])
  })
})
