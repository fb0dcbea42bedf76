import { z } from 'zod'
import { atLeastZero, defineSum, digits, output, positive } from './sum'
import { ATMOSPHERE_KPA } from './constants'

/** The pressures of a tank’s gas and of its switch, above the air’s. */
export interface SwitchPressures {
  prechargeKPa: number
  cutInKPa: number
  cutOutKPa: number
}

/** Share of a tank’s size that comes out of it between the switch’s two pressures (Boyle). */
export function drawdownShare({ prechargeKPa, cutInKPa, cutOutKPa }: SwitchPressures): number {
  const absolute = (gaugeKPa: number) => gaugeKPa + ATMOSPHERE_KPA
  return absolute(prechargeKPa) * (1 / absolute(cutInKPa) - 1 / absolute(cutOutKPa))
}

/** Litres that a pressure tank gives from cut-out to cut-in. */
export const pressureTankDrawdown = ({
  volumeL,
  ...pressures
}: SwitchPressures & { volumeL: number }): { drawdownL: number } => ({ drawdownL: volumeL * drawdownShare(pressures) })

/** The pressures as fields of a sum. */
export const switchFields = {
  prechargeKPa: atLeastZero(5000),
  cutInKPa: atLeastZero(5000),
  cutOutKPa: atLeastZero(5000),
}
type Context = { addIssue: (issue: { code: 'custom'; path: string[]; message: string }) => void }
export function checkSwitch({ prechargeKPa, cutInKPa, cutOutKPa }: SwitchPressures, context: Context): void {
  if (cutOutKPa <= cutInKPa)
    context.addIssue({ code: 'custom', path: ['cutOutKPa'], message: 'must be more than cutInKPa' })
  else if (prechargeKPa > cutInKPa) {
    const message = 'must be at most cutInKPa, or the tank is empty before the pump starts'
    context.addIssue({ code: 'custom', path: ['prechargeKPa'], message })
  }
}

/** The working of a drawdown for a litre of tank. */
export const shareStep = (input: SwitchPressures) => ({
  symbol: 'share',
  expression:
    `(${digits(input.prechargeKPa)} + 101.325) × (1 / (${digits(input.cutInKPa)} + 101.325) − ` +
    `1 / (${digits(input.cutOutKPa)} + 101.325))`,
  value: drawdownShare(input),
  unit: '',
})

export const pressureTankDrawdownSum = defineSum({
  name: 'pressure-tank-drawdown',
  purpose: 'Water that a pressure tank gives between two starts',
  formula: 'ΔV = V · p₀ (1/p in − 1/p out), pressures absolute',
  source: 'Boyle’s law',
  input: z.strictObject({ volumeL: positive(1e6), ...switchFields }).superRefine(checkSwitch),
  output: output('drawdownL'),
  examples: [{ volumeL: 300, prechargeKPa: 262, cutInKPa: 276, cutOutKPa: 414 }],
  solve(input) {
    const result = pressureTankDrawdown(input)
    const share = shareStep(input)
    return {
      result,
      working: [
        share,
        {
          symbol: 'ΔV',
          expression: `${digits(input.volumeL)} × ${digits(share.value)}`,
          value: result.drawdownL,
          unit: 'L',
        },
      ],
    }
  },
})
