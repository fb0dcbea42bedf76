import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { causesAmong } from './causes'
import { byRoot } from './roots'
import { CHECKS, review } from './review'
import type { Check, Finding } from './finding'
import { FAULTS } from '../../tests/faultySites'
import { demoSite } from '../../tests/demoSites'
import { sound } from '../../tests/soundSite'
import { arbitrarySite, build, put } from '../../tests/sites'
import { moveOf } from '../moves'
import type { Site } from '../site'

const ROWS: Check[] = CHECKS
const causesOf = (id: string) => ROWS.find(row => row.id === id)!.follows ?? []
const rootsOf = (site: Site) => byRoot(review(site).findings)
const checksOf = (roots: ReturnType<typeof rootsOf>) =>
  roots.map(({ root, followers }) => [root.check, followers.map(({ check }) => check).sort()])

describe('the cause first', () => {
  it('what brings about what is a check, and nothing brings itself about', () => {
    const ids = new Set(ROWS.map(({ id }) => id))
    const above = (id: string, before: string[]): void => {
      expect(before, `${id} brings itself about`).not.toContain(id)
      for (const cause of causesOf(id)) {
        expect(ids, `${id} follows ${cause}`).toContain(cause)
        above(cause, [...before, id])
      }
    }
    for (const id of ids) above(id, [])
  })
  it('a house with an empty gutter is one card: the gutter, with the empty tank and the short use in it', () => {
    const roots = rootsOf(build(sound(), put(['roofs', 0, 'spouts'], [])))
    expect(checksOf(roots)).toEqual([
      ['roof-without-spout', ['asks-more-than-comes', 'never-fills', 'spout-without-share']],
    ])
  })
  it('a tank that was lifted off its base is one card, with all that no longer runs', () => {
    const [card, ...others] = rootsOf(FAULTS['fed-from-below']!(sound()))
    expect(others).toEqual([])
    expect(card!.root.check).toBe('tank-off-its-base')
    expect(card!.followers.map(({ check }) => check)).toEqual(
      expect.arrayContaining(['fed-from-below', 'asks-more-than-comes', 'spill-over-door', 'never-fills']),
    )
  })
  it('what stands on another water is no cause', () => {
    const site = build(
      sound(),
      moveOf('addTank', { kind: 'upright', how: 'alone' }),
      moveOf('addUse', { preset: 'cattle', count: 1 }),
    )
    const found = (check: string, kind: Finding['subject']['kind'], id: string) => ({
      id: `${check}:${id}`,
      check,
      severity: 'look' as const,
      subject: { kind, id, name: id },
      sentence: [],
      why: [],
      numbers: {},
    })
    const short = found('short-too-often', 'use', site.uses[0]!.id)
    expect(causesAmong(site, [found('dead-water', 'node', 'tank-3'), short], causesOf)).toEqual(new Map())
    // Of two tanks that are joined either is on the water of what is drawn from one.
    for (const tank of ['tank-1', 'tank-2'])
      expect(causesAmong(site, [found('dead-water', 'node', tank), short], causesOf).get(short.id)).toEqual([
        `dead-water:${tank}`,
      ])
  })
  it('every finding is told once, at a root, on any site; roots come in the order of the worst that is told there', () => {
    const told = (site: Site) => {
      const { findings } = review(site)
      const roots = byRoot(findings)
      const all = roots.flatMap(({ root, followers }) => [root, ...followers].map(({ id }) => id))
      expect(all.toSorted()).toEqual(findings.map(({ id }) => id).sort())
      expect(roots.every(({ root }) => !root.follows)).toBe(true)
      const wrong = roots.map(({ root, followers }) => [root, ...followers].some(each => each.severity === 'wrong'))
      expect(wrong).toEqual(wrong.toSorted((a, b) => Number(b) - Number(a)))
      return [findings.length, roots.length] as const
    }
    fc.assert(
      fc.property(arbitrarySite, site => void told(site)),
      { numRuns: 40 },
    )
    const counts = Object.values(FAULTS).map(fault => told(fault(sound())))
    const [findings, cards] = [0, 1].map(at => counts.reduce((sum, count) => sum + count[at]!, 0))
    console.info(`findings on faulty sites: ${findings}, cards: ${cards}`)
    expect(cards! / findings!).toBeLessThan(0.85)
  })
  it('what hurts people comes before what costs', () => {
    const site = build(demoSite('quillfern-ridge'), moveOf('standOn', { tank: 'tank-1', base: 'bare-soil' }))
    const looks = review(site).findings.filter(({ severity }) => severity === 'look')
    const order = ['people', 'loss', 'season', 'cost']
    const ranks = looks.map(({ harms }) => order.indexOf(harms))
    expect(new Set(ranks).size).toBeGreaterThan(1)
    expect(ranks).toEqual(ranks.toSorted())
  })
})
