import { baseLoadSum } from './baseLoad'
import { chamberDrainTimeSum } from './chamberDrainTime'
import { chamberLengthSum } from './chamberLength'
import { drainDownTimeSum } from './drainDownTime'
import { dripZoneSum } from './dripZone'
import { downpipeFlowSum } from './downpipeFlow'
import { firstFlushVolumeSum } from './firstFlushVolume'
import { gardenNeedSum } from './gardenNeed'
import { gravityFlowSum } from './gravityFlow'
import { gutterHalfRoundSum } from './gutterHalfRound'
import { gutterSlopedSum } from './gutterSloped'
import { levelTogetherSum } from './levelTogether'
import { openingFlowSum } from './openingFlow'
import { pipeFrictionSum } from './pipeFriction'
import { postLoadSum } from './postLoad'
import { roofYieldSum } from './roofYield'
import { soakawaySum } from './soakaway'
import { staticPressureSum } from './staticPressure'
import { stormFlowSum } from './stormFlow'
import { stormIntensitySum } from './stormIntensity'
import { answer, type Sum, type SumAnswer } from './sum'
import { tankVolumeSum } from './tankVolume'
import { washOffSum } from './washOff'

/** Every worked sum there is, in the order of the work. */
export const SUMS = [
  roofYieldSum, stormIntensitySum, stormFlowSum, gutterHalfRoundSum, gutterSlopedSum, downpipeFlowSum, firstFlushVolumeSum, washOffSum, chamberLengthSum, chamberDrainTimeSum,
  tankVolumeSum, drainDownTimeSum, levelTogetherSum, baseLoadSum, postLoadSum, openingFlowSum, soakawaySum, gardenNeedSum, dripZoneSum, staticPressureSum, pipeFrictionSum, gravityFlowSum,
] as unknown as Sum<Record<string, unknown>, Record<string, number>>[]

export function findSum(name: string): Sum<Record<string, unknown>, Record<string, number>> | undefined {
  return SUMS.find(sum => sum.name === name)
}

/** Solves a sum by its name, on unchecked input. */
export function solveSum(name: string, input: unknown): SumAnswer<Record<string, number>> {
  const sum = findSum(name)
  return sum ? answer(sum, input) : { ok: false, problems: [{ path: 'name', sentence: `There is no sum called “${name}”.` }] }
}
