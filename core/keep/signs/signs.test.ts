import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { SIGN_IDS, signsOf, type SignId } from '..'
import { moveOf } from '../../moves'
import { demoSite } from '../../../tests/demoSites'
import { arbitrarySite, blank, build } from '../../../tests/sites'

const of = (site: ReturnType<typeof demoSite>, id: SignId) => signsOf(site).find(sign => sign.id === id)
const means = (site: ReturnType<typeof demoSite>, id: SignId) =>
  of(site, id)?.branches.map(branch => branch.means) ?? []

describe('signs', () => {
  it('lead to what this system’s own parts can do, named where they stand', () => {
    const ridge = demoSite('quillfern-ridge')
    expect(signsOf(ridge).map(({ id }) => id)).toEqual([...SIGN_IDS].filter(id => of(ridge, id)))
    expect(means(ridge, 'weak').join()).toMatch(/cartridge is full/)
    expect(means(demoSite('brindle-yard'), 'weak').join()).not.toMatch(/cartridge/)
    expect(of(ridge, 'dirty')!.branches[0]!.at).not.toEqual([])
  })
  it('tell of light where it comes in, and of it no more once the tank is covered', () => {
    const green = (site: ReturnType<typeof demoSite>) => means(site, 'green').some(words => words.includes('Algae'))
    const site = build(
      demoSite('brindle-yard'),
      ...['tank-1', 'tank-2', 'tank-3'].map(id => moveOf('set', { of: 'node', id, field: 'cover', value: 'black' })),
    )
    expect(green(site)).toBe(false)
    expect(green(build(site, moveOf('set', { of: 'node', id: 'tank-1', field: 'cover', value: 'clear' })))).toBe(true)
  })
  it('say of any site how each is tried, what it means and what mends it; a chore is one that it has', () => {
    expect(signsOf(blank()).every(({ branches }) => branches.every(({ at }) => !at.length))).toBe(true)
    fc.assert(
      fc.property(arbitrarySite, site => {
        for (const { branches } of signsOf(site)) {
          expect(new Set(branches.map(({ id }) => id)).size).toBe(branches.length)
          for (const { test, means: what, mend, chore } of branches) {
            expect(Math.min(test.length, what.length, mend.length)).toBeGreaterThan(10)
            expect(test).toMatch(/\?$/)
            if (chore) expect(chore.done.length).toBeGreaterThan(10)
          }
        }
      }),
      { numRuns: 30 },
    )
  })
})
