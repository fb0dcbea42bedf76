import { randomNormal, randomUniform } from 'd3-random'
import { seeded } from '../climate'
import { FIXTURES, type FixtureId } from '../catalog'
import { graphOf, litresPerDay, type Site } from '../site'
import type { ScriptStep } from './commands'

/** When people draw: hours of the day about which it gathers, how widely, and how much of it. */
interface Peak {
  hour: number
  spreadH: number
  share: number
}
const MORNING_AND_EVENING: Peak[] = [
  { hour: 7.3, spreadH: 0.9, share: 0.4 },
  { hour: 12.5, spreadH: 1.5, share: 0.2 },
  { hour: 19, spreadH: 1.6, share: 0.4 },
]
const THROUGH_THE_DAY: Peak[] = [{ hour: 13, spreadH: 3, share: 1 }]
const AT_DAWN: Peak[] = [{ hour: 5.5, spreadH: 0.1, share: 1 }]
const IN_THE_EVENING: Peak[] = [
  { hour: 8.5, spreadH: 1, share: 0.3 },
  { hour: 19.5, spreadH: 0.8, share: 0.7 },
]

/** The usual pattern of each kind of fixture. */
const PATTERNS: Record<FixtureId, Peak[]> = {
  tap: THROUGH_THE_DAY,
  kitchen: MORNING_AND_EVENING,
  basin: MORNING_AND_EVENING,
  shower: MORNING_AND_EVENING,
  cistern: MORNING_AND_EVENING,
  'washing-machine': THROUGH_THE_DAY,
  hose: IN_THE_EVENING,
  trough: THROUGH_THE_DAY,
  hydrant: THROUGH_THE_DAY,
  drip: AT_DAWN,
}
/** A day has no more single draws of one use than this; each is then larger. */
const MOST_DRAWS = 120

/**
 * A usual day of a month, as people draw: single draws of each use at its tap, at its fixture's flow, that sum to what
 * the use asks for in a day. The same seed draws the same.
 */
export function dayOfDraws(
  site: Site,
  { month, seed, fromS = 0 }: { month: number; seed: number; fromS?: number },
): ScriptStep[] {
  const random = seeded(seed)
  const uniform = randomUniform.source(random)(0, 1)
  return site.uses
    .flatMap((use): ScriptStep[] => {
      const tap = graphOf(site).node(use.at)
      const dayL = litresPerDay(site, use)[month - 1]!
      if (tap?.kind !== 'tap' || !(dayL > 0)) return []
      // What drips by the clock does so in one go.
      const { drawL } = FIXTURES[tap.fixture]
      const usual = tap.fixture === 'drip' ? 1 : Math.max(1, Math.round(dayL / drawL))
      const count = Math.min(MOST_DRAWS, usual)
      return Array.from({ length: count }, (): ScriptStep => {
        const atH = timeOf(PATTERNS[tap.fixture], uniform(), random)
        return { atS: fromS + Math.round(atH * 3600), draw: tap.id, litres: dayL / count }
      })
    })
    .sort((a, b) => a.atS - b.atS)
}

function timeOf(peaks: Peak[], at: number, random: () => number): number {
  let left = at
  const peak = peaks.find(({ share }) => (left -= share) < 0) ?? peaks.at(-1)!
  const hour = randomNormal.source(random)(peak.hour, peak.spreadH)()
  return Math.min(23.9, Math.max(0.1, hour))
}
