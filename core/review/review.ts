import type { Site } from '../site'
import { bypassInFilling, bypassShutInFrost } from './bypass'
import { yardOf, type Check, type Finding } from './finding'
import { chamberShutForGood, chamberStaysFull, chamberTooSmall, noFirstFlush, outletTooSlow, outletWasteful } from './firstFlush'
import { downpipeTooSmall, gutterTooSmall, gutterUnknown, roofWithoutSpout, sharesOff, spillOverDoor, spoutWithoutShare, stormMissing } from './gutters'
import { linkWithoutValve, rimsDiffer } from './joined'
import { feederTooLow, floatMissing, linkTooSlow, noSpare, sharedOverflow, supplyUnfitted } from './linking'
import { drawnFromFloor, inletSiphons, intakeFouls, overflowBelowStorm, overflowOpen, overflowSiphons, ventTooSmall } from './openings'
import { noOverflow, overflowAboveInlet, overflowTooSmall } from './overflow'
import { dripShort, failsMoreThanAccepted, neverFills, spillsMoreThanKeeps, zoneOverFlow } from './plan'
import { fedFromBelow, lineClimbs, lineTooSlow, mosquitoMesh, unequalJoin, wetLineFreezes, wetLineUndrained } from './roofLines'
import { baseOverSoil, overflowHarms, reserveNotKept, soakawayFails, standForEngineer, standUnsound } from './standing'
import { bareSoil, lightInSun, noVent } from './tankCare'
import { topUpTooLow } from './topUps'
import { asksMoreThanComes, roofUnfit, untreatedDrinking, useWithoutSupply } from './uses'

/** Every check, in the order of the water. */
export const CHECKS: Check[] = [
  stormMissing, roofWithoutSpout, spoutWithoutShare, sharesOff, gutterUnknown, gutterTooSmall, downpipeTooSmall, spillOverDoor,
  fedFromBelow, lineClimbs, lineTooSlow, wetLineUndrained, wetLineFreezes, unequalJoin, mosquitoMesh,
  noFirstFlush, chamberStaysFull, chamberTooSmall, outletTooSlow, outletWasteful, chamberShutForGood, bypassInFilling, bypassShutInFrost,
  noOverflow, sharedOverflow, overflowTooSmall, overflowBelowStorm, overflowAboveInlet, overflowOpen, overflowSiphons, inletSiphons, overflowHarms, soakawayFails,
  rimsDiffer, linkWithoutValve, linkTooSlow, noSpare, floatMissing, feederTooLow, supplyUnfitted, drawnFromFloor, intakeFouls, reserveNotKept, topUpTooLow,
  noVent, ventTooSmall, lightInSun, bareSoil, baseOverSoil, standUnsound, standForEngineer, spillsMoreThanKeeps, neverFills,
  zoneOverFlow, dripShort, failsMoreThanAccepted, asksMoreThanComes, useWithoutSupply, untreatedDrinking, roofUnfit,
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
