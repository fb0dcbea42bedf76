import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { placesOf, valueAt, withAt } from '../../tests/places'
import { arbitrarySite, setUp } from '../../tests/sites'
import { checkChange, readSite } from '.'
import type { Site } from './schema'
import { SUMS, solveSum } from '../sums'
import { moveOf, applyMove } from '../moves'

/** Words of the library that checks documents; none of them may reach a person. */
const THEIRS = /invalid|expected|received|too (big|small)|unrecognized|regex|\bNaN\b|undefined/i
const WRONG: unknown[] = [null, '', 'water', -1, 1e300, 5e-324, 0.5, true, [], {}, [[]], '1e9', '[object]']

const checkWhole = (json: unknown) => {
  const read = readSite(json)
  return read.ok ? [] : read.problems
}
const hasId = (value: unknown): boolean => typeof value === 'object' && value !== null && 'id' in value
const told = (json: unknown) => {
  const read = readSite(json)
  return read.ok ? [] : read.problems.map(({ sentence }) => sentence)
}

describe('a refusal', () => {
  it('of any field of a document is in our own words, a sentence that ends', () => {
    const site = JSON.parse(JSON.stringify(setUp('wet-town', [{ preset: 'beds', count: 12 }]))) as unknown
    const kinds = new Set<string>()
    for (const path of placesOf(site))
      for (const wrong of WRONG)
        for (const sentence of told(withAt(site, path, wrong))) {
          kinds.add(sentence.replace(/“[^”]*”|[\d.,]+/g, '#'))
          expect(sentence).not.toMatch(THEIRS)
          expect(sentence).toMatch(/^[A-Z“].*[.?]$/)
        }
    expect(kinds.size).toBeGreaterThan(60)
  })
  it('holds on any site, whatever one of its places is made', () => {
    fc.assert(
      fc.property(arbitrarySite, fc.nat(), fc.constantFrom(...WRONG), (made, at, wrong) => {
        const site = JSON.parse(JSON.stringify(made)) as unknown
        const places = placesOf(site)
        for (const sentence of told(withAt(site, places[at % places.length]!, wrong)))
          expect(sentence).not.toMatch(THEIRS)
      }),
      { numRuns: 200 },
    )
  })
  it('of a change says what one of the whole document would say', () => {
    fc.assert(
      fc.property(arbitrarySite, fc.nat(), fc.constantFrom(...WRONG), (site, at, wrong) => {
        const places = placesOf(site).filter(path => path.length > 1)
        const path = places[at % places.length]!
        // A thing that is read without an id is given one; a change brings its own.
        fc.pre(typeof wrong !== 'object' || !hasId(valueAt(site, path)))
        const changed = withAt(site, path, wrong) as Site
        expect(checkChange(site, changed)[0]).toEqual(checkWhole(changed)[0])
      }),
      { numRuns: 300 },
    )
  })
  it('of a sum or a move is so too', () => {
    for (const { name, examples } of SUMS)
      for (const field of Object.keys(examples[0]))
        for (const wrong of WRONG) {
          const solved = solveSum(name, { ...examples[0], [field]: wrong })
          if (!solved.ok) for (const { sentence } of solved.problems) expect(sentence).not.toMatch(THEIRS)
        }
    for (const wrong of WRONG) {
      const made = applyMove(
        setUp('wet-town', []),
        moveOf('setHeight', { node: wrong as string, baseM: wrong as number }),
      )
      if (!made.ok) for (const { sentence } of made.problems) expect(sentence).not.toMatch(THEIRS)
    }
  })
})
