import type { Site } from '../site'
import { yardOf, type Check, type Finding } from './finding'
import { linkWithoutValve, rimsDiffer } from './joined'
import { chamberStaysFull, fedFromBelow, noFirstFlush, roofWithoutSpout, sharesOff } from './lines'
import { noOverflow, overflowAboveInlet, overflowTooSmall } from './overflow'
import { bareSoil, lightInSun, noVent } from './tankCare'
import { asksMoreThanComes, roofUnfitToDrink, untreatedDrinking, useWithoutSupply } from './uses'

/** Every check, in the order of the water. */
export const CHECKS: Check[] = [
  roofWithoutSpout, sharesOff, fedFromBelow, noFirstFlush, chamberStaysFull,
  noOverflow, overflowTooSmall, overflowAboveInlet, rimsDiffer, linkWithoutValve, noVent, lightInSun, bareSoil,
  asksMoreThanComes, useWithoutSupply, untreatedDrinking, roofUnfitToDrink,
]

export interface Review { findings: Finding[], sound: { check: string, sentence: string }[] }

/** Looks a site over: what is wrong or wants another look, worst first, and what was found sound. */
export function review(site: Site): Review {
  const yard = yardOf(site)
  const results = CHECKS.map(check => ({ check, findings: check.find(yard) }))
  const rank = { wrong: 0, look: 1 }
  return {
    findings: results.flatMap(result => result.findings).sort((a, b) => rank[a.severity] - rank[b.severity]),
    sound: results.filter(result => !result.findings.length).map(({ check }) => ({ check: check.id, sentence: check.sound })),
  }
}
