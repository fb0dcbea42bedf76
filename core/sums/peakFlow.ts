import { z } from 'zod'
import { defineSum, digits, output, within } from './sum'

/** Load units, and the flow in US gallons a minute that they may ask for at once; straight between the points. */
const HUNTER: [loadUnits: number, usGpm: number][] = [
  [1, 3],
  [2, 5],
  [3, 6.5],
  [4, 8],
  [5, 9.4],
  [6, 10.7],
  [7, 11.8],
  [8, 12.8],
  [9, 13.7],
  [10, 14.6],
  [12, 16],
  [14, 17],
  [16, 18],
  [18, 18.8],
  [20, 19.6],
  [25, 21.5],
  [30, 23.3],
  [35, 24.9],
  [40, 26.3],
  [45, 27.7],
  [50, 29.1],
  [60, 32],
  [70, 35],
  [80, 38],
  [90, 41],
  [100, 43.5],
]
const LPS_PER_US_GPM = 0.0630902

/** The points of the curve on either side of a number of load units, and the flow there, US gal/min. */
function onCurve(loadUnits: number) {
  const at = Math.max(
    1,
    HUNTER.findIndex(([units]) => units >= loadUnits),
  )
  const [low, high] = [HUNTER[at - 1]!, HUNTER[at]!]
  return { low, high, usGpm: low[1] + ((high[1] - low[1]) * (loadUnits - low[0])) / (high[0] - low[0]) }
}

/** The flow that so many load units may ask for at once, where toilets have flush tanks. */
export const peakFlow = ({ loadUnits }: { loadUnits: number }): { flowLps: number } => ({
  flowLps: onCurve(loadUnits).usGpm * LPS_PER_US_GPM,
})

export const peakFlowSum = defineSum({
  name: 'peak-flow',
  purpose: 'Flow that taps in use at once ask for',
  formula: 'Q from Hunter’s curve for flush tanks, straight between its points; 1 US gal/min = 0.0630902 L/s',
  source: 'Hunter (1940), as plumbing codes print it',
  input: z.strictObject({ loadUnits: within(1, 100) }),
  output: output('flowLps'),
  examples: [{ loadUnits: 12 }],
  solve(input) {
    const result = peakFlow(input)
    const { low, high, usGpm } = onCurve(input.loadUnits)
    return {
      result,
      working: [
        {
          symbol: 'curve',
          expression:
            `${digits(low[1])} + (${digits(high[1])} − ${digits(low[1])}) × ` +
            `(${digits(input.loadUnits)} − ${digits(low[0])}) / (${digits(high[0])} − ${digits(low[0])})`,
          value: usGpm,
          unit: 'US gal/min',
        },
        { symbol: 'Q', expression: `${digits(usGpm)} × 0.0630902`, value: result.flowLps, unit: 'L/s' },
      ],
    }
  },
})
