import { refuse } from '../answers'
import { chlorineDoseSum } from './chlorineDose'
import { frostDepthSum } from './frostDepth'
import { solarLiftSum } from './solarLift'
import { voltageDropSum } from './voltageDrop'
import { pumpCycleSum } from './pumpCycle'
import { pressureTankSizeSum } from './pressureTankSize'
import { pressureTankDrawdownSum } from './pressureTankDrawdown'
import { pumpPowerSum } from './pumpPower'
import { pumpPointSum } from './pumpPoint'
import { pumpHeadSum } from './pumpHead'
import { suctionLiftSum } from './suctionLift'
import { peakFlowSum } from './peakFlow'
import { washOffSum } from './washOff'
import { tankVolumeSum } from './tankVolume'
import { answer, type Sum, type SumAnswer } from './sum'
import { stormIntensitySum } from './stormIntensity'
import { stormFlowSum } from './stormFlow'
import { staticPressureSum } from './staticPressure'
import { soakawaySum } from './soakaway'
import { roofYieldSum } from './roofYield'
import { postLoadSum } from './postLoad'
import { pipeFrictionSum } from './pipeFriction'
import { openingFlowSum } from './openingFlow'
import { levelTogetherSum } from './levelTogether'
import { gutterSlopedSum } from './gutterSloped'
import { gutterHalfRoundSum } from './gutterHalfRound'
import { gravityFlowSum } from './gravityFlow'
import { gardenNeedSum } from './gardenNeed'
import { firstFlushVolumeSum } from './firstFlushVolume'
import { dripZoneSum } from './dripZone'
import { drainDownTimeSum } from './drainDownTime'
import { downpipeFlowSum } from './downpipeFlow'
import { chamberLengthSum } from './chamberLength'
import { chamberDrainTimeSum } from './chamberDrainTime'
import { baseLoadSum } from './baseLoad'

/** Every worked sum there is, in the order of the work. */
export const SUMS = [
  roofYieldSum,
  stormIntensitySum,
  stormFlowSum,
  gutterHalfRoundSum,
  gutterSlopedSum,
  downpipeFlowSum,
  firstFlushVolumeSum,
  washOffSum,
  chamberLengthSum,
  chamberDrainTimeSum,
  tankVolumeSum,
  drainDownTimeSum,
  levelTogetherSum,
  baseLoadSum,
  postLoadSum,
  openingFlowSum,
  soakawaySum,
  gardenNeedSum,
  dripZoneSum,
  staticPressureSum,
  pipeFrictionSum,
  gravityFlowSum,
  peakFlowSum,
  suctionLiftSum,
  pumpHeadSum,
  pumpPointSum,
  pumpPowerSum,
  pressureTankDrawdownSum,
  pressureTankSizeSum,
  pumpCycleSum,
  voltageDropSum,
  solarLiftSum,
  chlorineDoseSum,
  frostDepthSum,
] as unknown as Sum<Record<string, unknown>, Record<string, number>>[]

export function findSum(name: string): Sum<Record<string, unknown>, Record<string, number>> | undefined {
  return SUMS.find(sum => sum.name === name)
}

/** Solves a sum by its name, on unchecked input. */
export function solveSum(name: string, input: unknown): SumAnswer<Record<string, number>> {
  const sum = findSum(name)
  return sum ? answer(sum, input) : refuse(`There is no sum called “${name}”.`, 'name')
}
