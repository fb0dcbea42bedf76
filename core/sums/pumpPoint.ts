import { z } from 'zod'
import { risingTo } from './risingTo'
import { atLeastZero, defineSum, digits, output, within } from './sum'

export interface CurvePoint {
  flowLps: number
  headM: number
}
export interface PumpPointInput {
  curve: CurvePoint[]
  staticHeadM: number
  /** Metres per (L/s)². */
  lossCoefficient: number
}

/** The head of a pump at a flow: straight between the points of its curve, flat before the first. */
export function headOnCurve(curve: readonly CurvePoint[], flowLps: number): number {
  const at = curve.findIndex(point => point.flowLps >= flowLps)
  if (at === 0) return curve[0]!.headM
  if (at < 0) return curve.at(-1)!.headM
  const [low, high] = [curve[at - 1]!, curve[at]!]
  return low.headM + ((high.headM - low.headM) * (flowLps - low.flowLps)) / (high.flowLps - low.flowLps)
}

/** Where a falling pump curve meets the system's; inputs are such that it does. */
export function pumpPoint({ curve, staticHeadM, lossCoefficient }: PumpPointInput): CurvePoint {
  const most = curve.at(-1)!.flowLps
  const shutOffM = curve[0]!.headM
  // What the system asks beyond what the pump gives grows with the flow, from the shut-off head on.
  const asked = (flowLps: number) =>
    staticHeadM + lossCoefficient * flowLps ** 2 - headOnCurve(curve, flowLps) + shutOffM - staticHeadM
  const flowLps = risingTo(shutOffM - staticHeadM, asked, most / 2, most)
  return { flowLps, headM: headOnCurve(curve, flowLps) }
}

const rises = (curve: CurvePoint[]) => curve.some((point, at) => at > 0 && point.headM > curve[at - 1]!.headM)
const stalls = (curve: CurvePoint[]) => curve.some((point, at) => at > 0 && point.flowLps <= curve[at - 1]!.flowLps)

export const pumpPointSum = defineSum({
  name: 'pump-point',
  purpose: 'Where pump and system meet',
  formula: 'H pump(Q) = Hs + k Q²;  the pump’s curve straight between its points',
  source: 'duty point of pump and system curves',
  input: z
    .strictObject({
      curve: z
        .array(z.strictObject({ flowLps: atLeastZero(1e5), headM: atLeastZero(1e4) }), {
          error: 'must be a list of { flowLps, headM }',
        })
        .min(2, 'must hold at least two points')
        .max(200, 'must hold at most 200 points'),
      staticHeadM: within(-1000, 10000),
      lossCoefficient: atLeastZero(1e9),
    })
    .superRefine(({ curve, staticHeadM, lossCoefficient }, context) => {
      const refuse = (field: string, message: string) => context.addIssue({ code: 'custom', path: [field], message })
      if (curve.length < 2) return
      if (stalls(curve)) return refuse('curve', 'must have more flow from each point to the next')
      if (rises(curve)) return refuse('curve', 'must fall: a pump gives less head the more it passes')
      const [first, last] = [curve[0]!, curve.at(-1)!]
      if (staticHeadM >= first.headM)
        return refuse('staticHeadM', `must be less than ${digits(first.headM)} m, the most that this pump lifts`)
      if (staticHeadM + lossCoefficient * last.flowLps ** 2 < last.headM)
        refuse('curve', `must reach further: the system takes less than ${digits(last.headM)} m at its last point`)
    }),
  output: output('flowLps', 'headM'),
  examples: [
    {
      curve: [
        { flowLps: 0.2, headM: 40 },
        { flowLps: 0.8, headM: 30 },
        { flowLps: 1.2, headM: 12 },
      ],
      staticHeadM: 12,
      lossCoefficient: 20,
    },
  ],
  solve(input) {
    const result = pumpPoint(input)
    const { staticHeadM, lossCoefficient } = input
    return {
      result,
      working: [
        {
          symbol: 'H',
          expression: `${digits(staticHeadM)} + ${digits(lossCoefficient)} × ${digits(result.flowLps)}²`,
          value: result.headM,
          unit: 'm',
        },
        {
          symbol: 'Q',
          expression: `the flow at which the pump gives ${digits(result.headM)} m too`,
          value: result.flowLps,
          unit: 'L/s',
        },
      ],
    }
  },
})
