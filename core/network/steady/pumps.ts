import { type Law, perVelocityHead, squareLaw, WALL } from './laws'
import { headOfPressureM, type CurvePoint } from '../../sums'
import { DIAPHRAGM, PUMPS, STOPPED_PUMP_K } from '../../catalog'
import type { PartOf } from '../../kinds'

type Pump = PartOf<'pump'>

/** The points a diaphragm pump’s flow falls between: from its stall to no head. */
const diaphragmCurve = ({ flowLps, headM }: Pump): CurvePoint[] => [
  { flowLps: DIAPHRAGM.stallFlow * flowLps, headM: DIAPHRAGM.stallHead * headM },
  { flowLps: DIAPHRAGM.openFlow * flowLps, headM: 0 },
]

/** True where a stopped pump lets nothing through: a diaphragm’s valves shut. */
export const isDiaphragm = (pump: Pump): boolean => PUMPS[pump.pump].shutOff === undefined

/** Head a pump gives while nothing leaves it. */
export function shutOffM(pump: Pump): number {
  const { shutOff } = PUMPS[pump.pump]
  if (pump.curve) return pump.curve[0]!.headM
  return shutOff === undefined ? DIAPHRAGM.stallHead * pump.headM : shutOff * pump.headM
}

/** What a pump adds to its line while it runs at full speed, as a loss below nothing. */
export function runningLaw(pump: Pump, boreMm: number): Law {
  const { shutOff } = PUMPS[pump.pump]
  const points = pump.curve ?? (shutOff === undefined ? diaphragmCurve(pump) : undefined)
  return points ? pointsLaw(points, boreMm) : squareFallLaw(pump, shutOff!, boreMm)
}

/** Straight between its points, flat before the first, and no flow past the last. */
function pointsLaw(points: readonly CurvePoint[], boreMm: number): Law {
  const back = STOPPED_PUMP_K * perVelocityHead(boreMm)
  const [first, last] = [points[0]!, points.at(-1)!]
  return (flowLps, loss) => {
    if (flowLps <= first.flowLps) {
      loss.headM -= first.headM
      if (flowLps < 0) {
        loss.headM -= back * flowLps * flowLps
        loss.slope -= 2 * back * flowLps
      }
    } else if (flowLps > last.flowLps) {
      loss.headM += WALL * (flowLps - last.flowLps) - last.headM
      loss.slope += WALL
    } else {
      let at = 1
      while (points[at]!.flowLps < flowLps) at++
      const [low, high] = [points[at - 1]!, points[at]!]
      const fall = (low.headM - high.headM) / (high.flowLps - low.flowLps)
      loss.headM -= low.headM - fall * (flowLps - low.flowLps)
      loss.slope += fall
    }
  }
}

/** H = s·Hd − (s − 1)·Hd·(Q/Qd)². */
function squareFallLaw({ flowLps: dutyLps, headM: dutyM }: Pump, shutOff: number, boreMm: number): Law {
  const fall = squareLaw(((shutOff - 1) * dutyM) / dutyLps ** 2, STOPPED_PUMP_K * perVelocityHead(boreMm))
  return (flowLps, loss) => {
    fall(flowLps, loss)
    loss.headM -= shutOff * dutyM
  }
}

/** What runs through a pump that stands still. */
export const stoppedLaw = (boreMm: number): Law => squareLaw(STOPPED_PUMP_K * perVelocityHead(boreMm))

/** The head above its own height that a variable-speed set holds: as it is set, else that of its duty point. */
export const heldHeadM = ({ setKPa, headM }: Pump): number => (setKPa === undefined ? headM : headOfPressureM(setKPa))
