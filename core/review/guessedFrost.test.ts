import { describe, expect, it } from 'vitest'
import { FAULTS } from '../../tests/faultySites'
import { sound } from '../../tests/soundSite'
import { review } from './review'
import { phraseText } from '../words'

const GUESSED = /Nobody has told how warm it is here/

describe('what is said of frost', () => {
  it.each(['line-freezes', 'tank-freezes', 'wet-line-freezes', 'bypass-shut-in-frost'])(
    '%s says that the temperatures are guessed where they are, and then is only a look',
    check => {
      const told = FAULTS[check]!(sound())
      const guessed = { ...told, climate: { ...told.climate, assumed: ['temperatures' as const] } }
      for (const site of [told, guessed]) {
        const found = review(site).findings.filter(finding => finding.check === check)
        expect(found.length).toBeGreaterThan(0)
        for (const { why, severity } of found) {
          expect(GUESSED.test(phraseText(why, 'metric'))).toBe(site === guessed)
          if (site === guessed) expect(severity).toBe('look')
        }
      }
    },
  )
})
