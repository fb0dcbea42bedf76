import {
  arrowAgainstFlow,
  endsDoNotMeet,
  fumesIndoors,
  glueDoesNotJoin,
  holeFaults,
  loopGluedShut,
  metalIntoPlastic,
  partWithoutUnion,
} from './build/ends'
import { choreNeverDone } from './keep/neverDone'
import { itemWithoutPrice } from './build/prices'
import { baseTooFresh, stageEmpties } from './build/stages'
import { lineFreezes, tankFreezes } from './frost'
import { lineTooShort, tankFloats, tankOffItsBase, wallNotForEarth } from './ground'
import { deadWater } from './deadWater'
import { outfallInTheGround, overflowCannotRun } from './uphill'
import { asksMoreThanComes, failsMoreThanAccepted, shortTooOften } from './shortDays'
import { roofUnfit, untreatedDrinking, useWithoutSupply } from './uses'
import { topUpTooHigh, topUpTooLow } from './topUps'
import { soakawayFails, soakawayUnsaid } from './soakaways'
import { bareSoil, baseRagged, lightInSun, noVent } from './tankCare'
import { baseOverSoil, overflowHarms, reserveNotKept, standForEngineer, standUnsound } from './standing'
import { fedFromBelow, lineClimbs, lineTooSlow, unequalJoin } from './roofLines'
import { mosquitoMesh } from './mosquitoes'
import { wetLineFreezes, wetLineUndrained } from './wetLines'
import { dripShort, neverFills, spillsMoreThanKeeps, zoneOverFlow } from './plan'
import { noOverflow, overflowAboveInlet, overflowRing, overflowTooSmall } from './overflow'
import {
  drawnFromFloor,
  inletSiphons,
  intakeFouls,
  overflowBelowStorm,
  overflowOpen,
  overflowSiphons,
  ventTooSmall,
} from './openings'
import {
  drainMissing,
  feederTooLow,
  floatMissing,
  linkTooSlow,
  noSpare,
  sharedOverflow,
  supplyUnfitted,
} from './linking'
import { joinsNothing, linkWithoutValve, rimsDiffer } from './joined'
import { downpipeTooSmall, gutterTooSmall, gutterUnknown, spillOverDoor, stormMissing } from './gutters'
import { roofWithoutSpout, sharesOff, spoutWithoutShare } from './spouts'
import {
  chamberShutForGood,
  chamberStaysFull,
  chamberTooSmall,
  noFirstFlush,
  outletTooSlow,
  outletWasteful,
} from './firstFlush'
import { HARMS, type Check, type Finding, type Harm, type ReviewStep } from './finding'
import { causesAmong } from './causes'
import { acceptedAs } from './accepted'
import { bypassInFilling, bypassShutInFrost } from './bypass'
import { airInLine, humpWithoutVent, waterTooFast } from './lift/lines'
import { pumpNotNeeded, tapTooStrong, tapWeak } from './lift/taps'
import { floatChokes, pumpInSoil, rigidAtPump } from './lift/pumpLines'
import { levelSwitchAlone, neverCutsOut, pumpOffItsCurve, pumpRunsDry } from './lift/pumps'
import { checkMissing } from './lift/noCheck'
import { cableTooThin } from './lift/power'
import { noFootValve, suctionTooHigh } from './lift/suction'
import { prechargeOff, reliefMissing, shutOffWrongSide, startsTooOften } from './lift/vessels'
import { dripUnstrained, dripWeak } from './lift/drips'
import { panelTooSmall } from './lift/panels'
import { coarseBehindFine, cordUnderWater, labelLies, lampWithoutSensor, treatmentOverrated } from './lift/quality'
import { floatFloods, floatTooHigh } from './reach/floats'
import { modeLeans, modeServesNobody, modeStalls, valveForgotten, valveInNoMode } from './reach/modes'
import { mainJoined, waterGoesWrong } from './reach/wrongWays'
import { monthsCrossed, weatherAssumed } from './weather'
import type { Site } from '../site'
import { readingOf } from './reading'

/** Every check, in the order of the water. */
export const CHECKS = [
  weatherAssumed,
  monthsCrossed,
  stormMissing,
  roofWithoutSpout,
  spoutWithoutShare,
  sharesOff,
  gutterUnknown,
  gutterTooSmall,
  downpipeTooSmall,
  spillOverDoor,
  fedFromBelow,
  lineClimbs,
  lineTooSlow,
  wetLineUndrained,
  wetLineFreezes,
  unequalJoin,
  mosquitoMesh,
  noFirstFlush,
  chamberStaysFull,
  chamberTooSmall,
  outletTooSlow,
  outletWasteful,
  chamberShutForGood,
  bypassInFilling,
  bypassShutInFrost,
  noOverflow,
  overflowCannotRun,
  overflowRing,
  outfallInTheGround,
  sharedOverflow,
  overflowTooSmall,
  overflowBelowStorm,
  overflowAboveInlet,
  overflowOpen,
  overflowSiphons,
  inletSiphons,
  overflowHarms,
  soakawayFails,
  soakawayUnsaid,
  rimsDiffer,
  joinsNothing,
  linkWithoutValve,
  linkTooSlow,
  noSpare,
  floatMissing,
  feederTooLow,
  supplyUnfitted,
  drainMissing,
  drawnFromFloor,
  intakeFouls,
  reserveNotKept,
  topUpTooLow,
  topUpTooHigh,
  noVent,
  ventTooSmall,
  lightInSun,
  bareSoil,
  baseRagged,
  tankOffItsBase,
  wallNotForEarth,
  tankFloats,
  tankFreezes,
  lineFreezes,
  lineTooShort,
  baseOverSoil,
  standUnsound,
  standForEngineer,
  spillsMoreThanKeeps,
  neverFills,
  deadWater,
  zoneOverFlow,
  dripShort,
  failsMoreThanAccepted,
  shortTooOften,
  asksMoreThanComes,
  useWithoutSupply,
  untreatedDrinking,
  roofUnfit,
  tapWeak,
  tapTooStrong,
  waterTooFast,
  airInLine,
  humpWithoutVent,
  suctionTooHigh,
  noFootValve,
  pumpOffItsCurve,
  pumpRunsDry,
  pumpNotNeeded,
  pumpInSoil,
  rigidAtPump,
  checkMissing,
  floatChokes,
  neverCutsOut,
  levelSwitchAlone,
  startsTooOften,
  prechargeOff,
  reliefMissing,
  shutOffWrongSide,
  cableTooThin,
  panelTooSmall,
  cordUnderWater,
  dripWeak,
  dripUnstrained,
  coarseBehindFine,
  treatmentOverrated,
  lampWithoutSensor,
  labelLies,
  waterGoesWrong,
  mainJoined,
  floatTooHigh,
  floatFloods,
  modeServesNobody,
  modeStalls,
  modeLeans,
  valveInNoMode,
  valveForgotten,
  endsDoNotMeet,
  holeFaults,
  loopGluedShut,
  partWithoutUnion,
  glueDoesNotJoin,
  metalIntoPlastic,
  fumesIndoors,
  stageEmpties,
  baseTooFresh,
  arrowAgainstFlow,
  itemWithoutPrice,
  choreNeverDone,
] satisfies Check[]
export type CheckId = (typeof CHECKS)[number]['id']

/** A finding with the step at which it is mended, whom it harms, and the findings that it follows from. */
export type StepFinding = Finding & {
  step: ReviewStep
  harms: Harm
  follows?: string[]
  /** Its owner wants it so, and why, where that was said; it counts for nothing. */
  accepted?: { reason?: string }
}

export interface Review {
  findings: StepFinding[]
  /** What was found and is as its owner wants it. */
  accepted: StepFinding[]
  sound: { check: string; step: ReviewStep; sentence: string }[]
}

const CAUSES = new Map((CHECKS as Check[]).map(({ id, follows = [] }) => [id, follows]))
const causesOf = (id: string): readonly string[] => CAUSES.get(id) ?? []

/**
 * Looks a site over: what is wrong or wants another look, worst first and of that what hurts people first, each with what
 * it follows from; and what was found sound.
 */
export function review(site: Site): Review {
  const reading = readingOf(site)
  const rank = { wrong: 0, look: 1 }
  const worst = (findings: Finding[]) => Math.min(2, ...findings.map(finding => rank[finding.severity]))
  const found = CHECKS.map((check: Check) => ({ check, findings: check.find(reading) }))
  const results = found.map(({ check, findings }) => {
    const said = worst(found.filter(other => check.yieldsTo?.includes(other.check.id)).flatMap(other => other.findings))
    return { check, findings: findings.filter(finding => rank[finding.severity] < said) }
  })
  const findings = results.flatMap(({ check: { step, harms }, findings: of }) =>
    of.map(finding => ({ ...finding, step, harms })),
  )
  const accepted: StepFinding[] = []
  const told: StepFinding[] = []
  for (const finding of findings) {
    const as = acceptedAs(site, finding)
    if (as) accepted.push({ ...finding, accepted: as })
    else told.push(finding)
  }
  const causes = causesAmong(site, told, causesOf)
  return {
    accepted,
    findings: told
      .map((finding): StepFinding => {
        const follows = causes.get(finding.id)
        return follows ? { ...finding, follows } : finding
      })
      .sort((a, b) => rank[a.severity] - rank[b.severity] || HARMS.indexOf(a.harms) - HARMS.indexOf(b.harms)),
    sound: found
      .filter(result => !result.findings.length)
      .map(({ check: { id, step, sound } }) => ({ check: id, step, sentence: sound })),
  }
}
