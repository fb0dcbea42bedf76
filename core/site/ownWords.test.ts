import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { arbitrarySite, setUp } from '../../tests/sites'
import { readSite } from './read'
import { SUMS, solveSum } from '../sums'
import { moveOf, applyMove } from '../moves'
import { weatherSeries } from '../climate'
import { outlook } from '../balance'

/** Words of the library that checks documents; none of them may reach a person. */
const THEIRS = /invalid|expected|received|too (big|small)|unrecognized|regex|\bNaN\b|undefined/i
const WRONG: unknown[] = [null, '', 'water', -1, 1e300, 5e-324, 0.5, true, [], {}, [[]], '1e9', '[object]']

/** Every place of a document, as a path. */
function placesOf(value: unknown, path: (string | number)[] = []): (string | number)[][] {
  if (typeof value !== 'object' || value === null) return [path]
  const inner = Array.isArray(value) ? [...value.keys()].slice(0, 3) : Object.keys(value)
  return [path, ...inner.flatMap(key => placesOf((value as Record<string, unknown>)[key], [...path, key]))]
}
function withAt(value: unknown, [key, ...rest]: (string | number)[], wrong: unknown): unknown {
  if (key === undefined) return wrong
  const copy = Array.isArray(value) ? [...(value as unknown[])] : { ...(value as object) }
  const holder = copy as Record<string | number, unknown>
  holder[key] = withAt(holder[key], rest, wrong)
  return copy
}

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

describe('the least that a thing may measure', () => {
  it('is that of a real thing, so that no figure of a readable site is none', () => {
    const site = setUp('wet-town', [{ preset: 'beds', count: 12 }])
    const json = JSON.parse(JSON.stringify(site)) as unknown
    for (const path of placesOf(json)) {
      const at = path.reduce<unknown>((here, key) => (here as Record<string | number, unknown>)?.[key], json)
      if (typeof at !== 'number') continue
      for (const tiny of [5e-324, 1e-4]) {
        const read = readSite(withAt(json, path, tiny))
        if (!read.ok) continue
        const told = outlook(read.site, weatherSeries(read.site))
        const figures = [
          ...told.years.flatMap(year => Object.values(year).filter(value => typeof value === 'number')),
          ...told.pools.flatMap(({ nominalL, capL, usableL }) => [nominalL, capL, usableL]),
        ]
        for (const figure of figures) expect([path.join('.'), tiny, figure]).toSatisfy(() => Number.isFinite(figure))
      }
    }
  })
})
