import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { arbitrarySite, build, setUp } from '../../tests/sites'
import { FOREIGN, NEVER, NO_SENTENCE, SYSTEMS, type SpokenSystem } from '../../tests/plainRules'
import { review, type StepFinding } from './review'
import { phraseText } from '../words'
import { applyMove, moveOf, standInClimate } from '../moves'
import { CLIMATE_IDS } from '../catalog'
import type { Site } from '../site'

function faultsOf(text: string, system: SpokenSystem, whole: boolean): string[] {
  const faults: string[] = []
  if (whole && !/^[A-Z0-9“]/.test(text)) faults.push('begins small')
  if (whole && !/[.?]$/.test(text)) faults.push('has no end')
  if (whole && text.split(' ').length < 4) faults.push('is no sentence')
  for (const rule of [...NEVER, NO_SENTENCE]) if (rule.test(text)) faults.push(String(rule))
  if (FOREIGN[system].test(text)) faults.push(`speaks another system than ${system}`)
  return faults
}

/** Every sentence of a review in every system, with what is wrong with it. */
function badSentences(site: Site): string[] {
  const { findings } = review(site)
  const texts = (finding: StepFinding) => [
    { text: finding.sentence, whole: true },
    { text: finding.why, whole: true },
    ...[finding.mend, ...(finding.answers ?? [])].flatMap(mend => (mend ? [{ text: mend.label, whole: false }] : [])),
  ]
  return findings.flatMap(finding =>
    texts(finding).flatMap(({ text, whole }) =>
      SYSTEMS.flatMap(system => {
        const read = phraseText(text, system)
        return faultsOf(read, system, whole).map(fault => `${finding.id} [${fault}] ${read}`)
      }),
    ),
  )
}

/** A figure is never more than the whole it is said to be part of. */
function partsOverWholes(site: Site): string[] {
  return review(site).findings.flatMap(({ id, sentence, why }) =>
    [sentence, why].flatMap(phrase =>
      phrase.flatMap((piece, at) => {
        const [of, whole] = [phrase[at + 1], phrase[at + 2]]
        const joins = typeof of === 'string' && /^\s+of( the| what [\w ]+ holds)?\s+$/.test(of)
        if (!joins || typeof piece === 'string' || !whole || typeof whole === 'string') return []
        return piece.kind === whole.kind && piece.value > whole.value * 1.001
          ? [`${id}: ${piece.value} of ${whole.value}`]
          : []
      }),
    ),
  )
}

describe('every sentence of a review', () => {
  it('holds to plain rules on any site, in each system of units', () => {
    fc.assert(
      fc.property(arbitrarySite, fc.constantFrom(...CLIMATE_IDS), (site, climate) => {
        const there = { ...site, climate: standInClimate(climate) }
        expect(badSentences(there)).toEqual([])
        expect(partsOverWholes(there)).toEqual([])
      }),
      { numRuns: 30 },
    )
  })

  it('holds to them on sites that were built wrong in many ways at once', () => {
    const faults = [
      moveOf('setHeight', { node: 'tank-1', baseM: -3 }),
      moveOf('standOn', { tank: 'tank-2', base: 'buried' }),
      moveOf('setPort', { tank: 'tank-1', port: 'outlet', heightM: 1.2 }),
      moveOf('setPort', { tank: 'tank-1', port: 'overflow', boreMm: 25 }),
      moveOf('leadTo', { outfall: 'outfall-1', to: 'soakaway', soil: 'stiff-clay' }),
      moveOf('standOn', { tank: 'tank-1', base: 'stand', heightM: 3 }),
      moveOf('addUse', { preset: 'cattle', count: 40 }),
      moveOf('addSource', { kind: 'well', tank: 'tank-1' }),
      moveOf('dipLine', { spout: 'spout-1', lowM: -1 }),
      moveOf('takeOutChamber', { chamber: 'chamber-1' }),
    ]
    fc.assert(
      fc.property(
        fc.subarray(faults, { minLength: 1 }),
        fc.constantFrom(...CLIMATE_IDS),
        fc.constantFrom('kitchen' as const, 'beds' as const, 'sheep' as const),
        (moves, climate, preset) => {
          const begun = build(setUp(climate, [{ preset, count: 12 }]))
          const site = moves.reduce((now, move) => {
            const made = applyMove(now, move)
            return made.ok ? made.site : now
          }, begun)
          expect(badSentences(site)).toEqual([])
          expect(partsOverWholes(site)).toEqual([])
        },
      ),
      { numRuns: 30 },
    )
  })
})
