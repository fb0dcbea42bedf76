import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { freeId, idsOf, withIds } from './ids'
import { arbitrarySite } from '../../tests/sites'
import type { Site } from './schema'

/** A document as it was before its parts and pieces had ids. */
function bareOf(site: Site): Site {
  const bare = structuredClone(site)
  const things = [
    ...bare.runs.flatMap(run => run.parts),
    ...bare.roofs.flatMap(roof => [...roof.pieces, ...roof.spouts]),
    ...bare.uses.flatMap(use => use.rations ?? []),
  ]
  for (const thing of things) Reflect.deleteProperty(thing, 'id')
  return bare
}

describe('ids', () => {
  it('that are free are the next of their stem, and never one that is taken', () => {
    expect(freeId(new Set(), 'tank')).toBe('tank-1')
    expect(freeId(new Set(['tank-1', 'tank-3']), 'tank')).toBe('tank-2')
    expect(freeId(new Set(), 'winter', '')).toBe('winter')
    expect(freeId(new Set(['winter']), 'winter', '')).toBe('winter-2')
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 1, max: 9 })), fc.string({ minLength: 1 }), (numbers, stem) => {
        const taken = new Set(numbers.map(number => `${stem}-${number}`))
        expect(taken.has(freeId(taken, stem))).toBe(false)
      }),
    )
    expect(freeId(new Set(), 'x'.repeat(400)).length).toBeLessThan(100)
  })
  it('are given to what lacks one, the same each time, and are kept by what has one', () => {
    fc.assert(
      fc.property(arbitrarySite, site => {
        expect(withIds(site)).toBe(site)
        const bare = bareOf(site)
        const parts = bare.runs.flatMap(run => run.parts)
        expect(parts.every(part => part.id === undefined)).toBe(true)
        const once = withIds(bare)
        expect(withIds(bareOf(site))).toEqual(once)
        expect(withIds(once)).toBe(once)
        const ids = [...idsOf(once)]
        expect(ids).toHaveLength(idsOf(site).size)
        expect(once.runs.flatMap(run => run.parts).every(part => ids.includes(part.id))).toBe(true)
      }),
      { numRuns: 40 },
    )
  })
})
