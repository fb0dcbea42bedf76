import { z } from 'zod'
import { defineSum, digits, output, positive } from './sum'

export interface PumpCycleInput {
  drawdownL: number
  pumpFlowLps: number
  demandLps: number
}
export interface PumpCycle {
  onS: number
  offS: number
  startsPerHour: number
  worstStartsPerHour: number
}

/** How a pump with a pressure tank runs and rests while water is drawn; worst is half of what it lifts. */
export function pumpCycle({ drawdownL, pumpFlowLps, demandLps }: PumpCycleInput): PumpCycle {
  const [onS, offS] = [drawdownL / (pumpFlowLps - demandLps), drawdownL / demandLps]
  return {
    onS,
    offS,
    startsPerHour: 3600 / (onS + offS),
    worstStartsPerHour: (3600 * pumpFlowLps) / (4 * drawdownL),
  }
}

export const pumpCycleSum = defineSum({
  name: 'pump-cycle',
  purpose: 'How often a pump starts',
  formula: 'on = V / (Qp − q);  off = V / q;  starts = 3600 / (on + off), most where q = Qp / 2',
  source: 'volume balance of a pressure tank',
  input: z
    .strictObject({ drawdownL: positive(1e6), pumpFlowLps: positive(1000), demandLps: positive(1000) })
    .refine(({ pumpFlowLps, demandLps }) => demandLps < pumpFlowLps, {
      path: ['demandLps'],
      message: 'must be less than pumpFlowLps, or the pump never stops',
    }),
  output: output('onS', 'offS', 'startsPerHour', 'worstStartsPerHour'),
  examples: [{ drawdownL: 40, pumpFlowLps: 0.6, demandLps: 0.15 }],
  solve(input) {
    const result = pumpCycle(input)
    const [volume, pump, demand] = [input.drawdownL, input.pumpFlowLps, input.demandLps].map(digits)
    return {
      result,
      working: [
        { symbol: 'on', expression: `${volume} / (${pump} − ${demand})`, value: result.onS, unit: 's' },
        { symbol: 'off', expression: `${volume} / ${demand}`, value: result.offS, unit: 's' },
        {
          symbol: 'starts',
          expression: `3600 / (${digits(result.onS)} + ${digits(result.offS)})`,
          value: result.startsPerHour,
          unit: 'an hour',
        },
        {
          symbol: 'worst',
          expression: `3600 × ${pump} / (4 × ${volume})`,
          value: result.worstStartsPerHour,
          unit: 'an hour',
        },
      ],
    }
  },
})
