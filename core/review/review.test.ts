import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { FAULTS } from '../../tests/faultySites'
import { set, sound } from '../../tests/soundSite'
import { arbitrarySite, blank, build } from '../../tests/sites'
import { CHECKS, review } from './review'
import { mendsOf } from './finding'
import { phraseText } from '../words'
import { applyMove, moveOf } from '../moves'
import { TANK_KIND_IDS } from '../catalog'

/** Mends that go one step of the way, and the number that must fall. */
const STEPS_TOWARDS: Record<string, string> = {
  'spills-more-than-keeps': 'spilledL',
  'fails-more-than-accepted': 'shortDays',
  'short-too-often': 'shortDays',
}

describe('the checks', () => {
  it('find nothing on a new site, and say what was sound', () => {
    expect(review(sound()).findings).toEqual([])
    expect(review(sound()).sound).toHaveLength(CHECKS.length)
  })

  it.each(CHECKS.map(check => check.id))(
    '%s: is found, says why with its numbers in the site’s units, and its move mends it',
    check => {
      const faulty = FAULTS[check]!(sound())
      const found = review(faulty).findings.filter(finding => finding.check === check)
      expect(found.length).toBeGreaterThan(0)
      const finding = found[0]!
      for (const system of ['metric', 'us', 'imperial'] as const) {
        expect(phraseText(finding.sentence, system)).toMatch(/\.$/)
        expect(phraseText(finding.why, system)).not.toMatch(/NaN|undefined|Infinity/)
      }
      if (!finding.mend) return
      const mended = applyMove(faulty, finding.mend.move)
      expect(mended).toMatchObject({ ok: true })
      if (!mended.ok) return
      const left = review(mended.site).findings.find(other => other.id === finding.id)
      const step = STEPS_TOWARDS[check]
      if (step && left) expect(left.numbers[step]).toBeLessThan(finding.numbers[step]!)
      else expect(left).toBeUndefined()
    },
  )

  it('put the worst first', () => {
    const site = build(sound(), set(sound(), 'tank-2', 'lightTight', false), set(sound(), 'tank-1', 'ventMm', 0))
    expect(review(site).findings.map(finding => finding.severity)).toEqual(['wrong', 'look'])
  })

  it('hold on an empty site and on any site that can be built, and every mend can be made', () => {
    expect(review(blank()).findings).toEqual([])
    fc.assert(
      fc.property(arbitrarySite, site => {
        const { findings } = review(site)
        expect(new Set(findings.map(finding => finding.id)).size).toBe(findings.length)
        for (const { answers = [], ...finding } of findings)
          for (const { move } of [...mendsOf(finding), ...answers])
            expect([move, applyMove(site, move)]).toMatchObject([move, { ok: true }])
      }),
      { numRuns: 100 },
    )
  })

  it.each(['alone', 'joined', 'spill', 'stepped', 'pump'] as const)(
    'find nothing wrong with a tank that was added %s',
    how => {
      for (const kind of how === 'pump' ? (['pump'] as const) : TANK_KIND_IDS) {
        const site = build(sound(), moveOf('addTank', { kind, how, to: how === 'alone' ? undefined : 'tank-2' }))
        expect(
          review(site)
            .findings.filter(finding => finding.severity === 'wrong')
            .map(finding => `${kind}: ${finding.id} ${phraseText(finding.why, 'metric')}`),
        ).toEqual([])
      }
    },
  )
})
