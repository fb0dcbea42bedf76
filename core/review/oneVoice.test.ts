import { describe, expect, it } from 'vitest'
import { CHECKS, review } from './review'
import { FAULTS } from '../../tests/faultySites'
import { sound } from '../../tests/soundSite'
import { partsOffered } from '../network'
import type { Site } from '../site'

const sites = (): [string, Site][] => Object.entries(FAULTS).map(([name, fault]) => [name, fault(sound())])

describe('one voice', () => {
  it('what a strip may call missing is what a check looks for, and stands there where it finds it', () => {
    const ids = new Set(CHECKS.map(({ id }) => id as string))
    const seen = new Set<string>()
    for (const [, site] of sites()) {
      const found = new Set(review(site).findings.map(({ check, subject }) => `${check} ${subject.id}`))
      for (const run of site.runs)
        for (const { foundBy } of partsOffered(site, run)) {
          if (foundBy === undefined) continue
          expect(ids).toContain(foundBy)
          if (found.has(`${foundBy} ${run.id}`)) seen.add(foundBy)
        }
    }
    expect([...seen].sort()).toEqual(['check-missing', 'rigid-at-pump', 'supply-unfitted'])
  })
  it('counts the checks that looked and found nothing: with those that found they are all', () => {
    for (const [name, site] of sites().slice(0, 30)) {
      const { findings, accepted, sound: clear } = review(site)
      const found = new Set([...findings, ...accepted].map(({ check }) => check))
      for (const { check } of clear) expect([name, found.has(check)]).toEqual([name, false])
      expect(clear.length + found.size).toBeLessThanOrEqual(CHECKS.length)
    }
  })
})
