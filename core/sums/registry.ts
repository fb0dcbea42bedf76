import { baseLoadSum } from './baseLoad'
import { chamberDrainTimeSum } from './chamberDrainTime'
import { chamberLengthSum } from './chamberLength'
import { firstFlushVolumeSum } from './firstFlushVolume'
import { gardenNeedSum } from './gardenNeed'
import { openingFlowSum } from './openingFlow'
import { roofYieldSum } from './roofYield'
import { staticPressureSum } from './staticPressure'
import { stormFlowSum } from './stormFlow'
import { answer, type Sum, type SumAnswer } from './sum'
import { tankVolumeSum } from './tankVolume'

/** Every worked sum there is, in the order of the work. */
export const SUMS = [
  roofYieldSum, stormFlowSum, firstFlushVolumeSum, chamberLengthSum, chamberDrainTimeSum,
  tankVolumeSum, baseLoadSum, openingFlowSum, gardenNeedSum, staticPressureSum,
] as unknown as Sum<Record<string, unknown>, Record<string, number>>[]

export function findSum(name: string): Sum<Record<string, unknown>, Record<string, number>> | undefined {
  return SUMS.find(sum => sum.name === name)
}

/** Solves a sum by its name, on unchecked input. */
export function solveSum(name: string, input: unknown): SumAnswer<Record<string, number>> {
  const sum = findSum(name)
  return sum ? answer(sum, input) : { ok: false, problems: [{ path: 'name', sentence: `There is no sum called “${name}”.` }] }
}
