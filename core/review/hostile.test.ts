import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { DEMO_TEXTS, leading, ledAnywhere } from '../../tests/damaged'
import { buildOf } from '../build'
import { steady } from '../network'
import { pictureOf } from '../section'
import { readSite, type Site } from '../site'
import { review } from './review'

describe('a document that was read, however its lines are led', () => {
  it('is reviewed, drawn, solved and taken off without a break', () => {
    fc.assert(
      fc.property(fc.constantFrom(...DEMO_TEXTS), fc.array(leading, { minLength: 1, maxLength: 5 }), (text, acts) => {
        const answer = readSite(ledAnywhere(JSON.parse(text) as Site, acts))
        fc.pre(answer.ok)
        if (!answer.ok) return
        const { site } = answer
        expect(review(site).sound.length).toBeGreaterThan(10)
        expect(pictureOf(site, { framePx: 900, heightPx: 320 }).drawing).toBeDefined()
        expect(Number.isFinite(buildOf(site).total)).toBe(true)
        expect(Object.keys(steady(site).runs).length).toBeGreaterThan(0)
      }),
      { numRuns: 50 },
    )
    // Fifty whole reviews, on a machine that may be building beside them.
  }, 120_000)
})
