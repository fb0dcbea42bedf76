import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { readSite, runName, thingName, type Site } from '.'
import { damage, damaged, DEMO_TEXTS, placesOf, type Json } from '../../tests/damaged'

describe('a document that is broken in any way', () => {
  it('is read or refused by path and sentence, and what is read has names for all that it holds', () => {
    fc.assert(
      fc.property(fc.constantFrom(...DEMO_TEXTS), fc.array(damage, { minLength: 1, maxLength: 4 }), (text, acts) => {
        const read = readSite(damaged(text, acts))
        if (!read.ok) {
          for (const { sentence } of read.problems) expect(sentence).toMatch(/\.$/)
          return
        }
        const { site } = read
        for (const { id } of [...site.nodes, ...site.roofs, ...site.uses]) expect(thingName(site, id)).not.toBe('')
        for (const run of site.runs) expect(runName(site, run)).not.toBe('')
      }),
      { numRuns: 1500 },
    )
  })
  it.each(['id', 'kind'])('is refused where an %s of anything is no text', field => {
    for (const text of DEMO_TEXTS) {
      const count = placesOf(JSON.parse(text)).filter(({ key }) => key === field).length
      expect(count).toBeGreaterThan(field === 'id' ? 40 : 30)
      for (let at = 0; at < count; at++) {
        const document = JSON.parse(text) as Json
        placesOf(document).filter(({ key }) => key === field)[at]!.holder[field] = { toString: 1 }
        const read = readSite(document)
        expect(read.ok).toBe(false)
      }
    }
  })
})

const outfall = (id: string) => ({ id, kind: 'outfall', name: '', baseM: 0, groundM: 0, to: 'ditch' })
const run = (id: string, from: string, to: string) => ({
  id,
  from: { node: from, port: 'in' },
  to: { node: to, port: 'in' },
  parts: [],
})
describe('outfalls', () => {
  it.each([
    ['by itself', ['a'], [['a', 'a']]],
    [
      'in a ring',
      ['a', 'b'],
      [
        ['a', 'b'],
        ['b', 'a'],
      ],
    ],
    ['by another', ['a', 'b'], [['a', 'b']]],
  ] as const)('that are fed %s are refused at the line that does it', (_how, ids, ways) => {
    const site = JSON.parse(DEMO_TEXTS[0]!) as Site
    const document = {
      ...site,
      nodes: [...site.nodes, ...ids.map(outfall)],
      runs: [...site.runs, ...ways.map(([from, to], at) => run(`ring-${at}`, from, to))],
    }
    const read = readSite(document)
    if (read.ok) throw new Error('it was read')
    expect(read.problems.map(({ path }) => path)).toEqual(ways.map((_, at) => `runs[${site.runs.length + at}].from`))
    for (const { sentence } of read.problems) expect(sentence).toContain('what has run out has left the site')
  })
})
