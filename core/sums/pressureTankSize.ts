import { z } from 'zod'
import { checkSwitch, drawdownShare, shareStep, switchFields, type SwitchPressures } from './pressureTankDrawdown'
import { defineSum, digits, output, positive } from './sum'

export interface PressureTankSizeInput extends SwitchPressures {
  pumpFlowLps: number
  minRunS: number
}

/** The tank from which a pump runs so long at a time: its drawdown is what the pump lifts meanwhile. */
export const pressureTankSize = ({
  pumpFlowLps,
  minRunS,
  ...pressures
}: PressureTankSizeInput): { volumeL: number } => ({ volumeL: (pumpFlowLps * minRunS) / drawdownShare(pressures) })

export const pressureTankSizeSum = defineSum({
  name: 'pressure-tank-size',
  purpose: 'Pressure tank that lets a pump run long enough',
  formula: 'V = Q · t / (p₀ (1/p in − 1/p out)), pressures absolute',
  source: 'Boyle’s law; drawdown at least what the pump lifts in its shortest run',
  input: z
    .strictObject({ pumpFlowLps: positive(1000), minRunS: positive(36000), ...switchFields })
    .superRefine(checkSwitch),
  output: output('volumeL'),
  examples: [{ pumpFlowLps: 0.6, minRunS: 60, prechargeKPa: 190, cutInKPa: 200, cutOutKPa: 340 }],
  solve(input) {
    const result = pressureTankSize(input)
    const share = shareStep(input)
    return {
      result,
      working: [
        share,
        {
          symbol: 'V',
          expression: `${digits(input.pumpFlowLps)} × ${digits(input.minRunS)} / ${digits(share.value)}`,
          value: result.volumeL,
          unit: 'L',
        },
      ],
    }
  },
})
