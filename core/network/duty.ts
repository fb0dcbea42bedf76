import { runningLaw } from './steady/pumps'
import { momentWith, type Stand } from './taps'
import { boreMm } from './loss'
import { DIAPHRAGM, PUMPS } from '../catalog'
import { nodeById, portHeightM, type Run, type Site } from '../site'
import type { PartOf } from '../kinds'
import { pumpPower, risingTo, type CurvePoint } from '../sums'

type Pump = PartOf<'pump'>

/** How a pump runs with the taps that are open: where it stands on its curve, and what its system asks at other flows. */
export interface Duty {
  run: Run
  pump: Pump
  /** What it passes, and how much higher the water stands behind it than before. */
  at: CurvePoint
  /** Its curve at full speed, and its system’s: what the lines ask at more and at less flow. */
  curve: CurvePoint[]
  system: CurvePoint[]
  /** What its head is made of: the lift to its line's end, friction on the way, and the pressure that is left there. */
  asks: { staticLiftM: number; frictionM: number; deliveryPressureKPa: number }
  /** Share of full speed at which a set runs that holds a pressure; none else. */
  speed?: number
  inputW: number
  efficiency: number
}

/** Where a pump runs that does what it is made for. */
export const dutyAt = ({ flowLps, headM }: Pump): CurvePoint => ({ flowLps, headM })

/** Speeds at which a pump’s own duty points trace its system’s curve. */
const SPEEDS = [0.4, 0.55, 0.7, 0.85, 1, 1.15, 1.3]
const CURVE_POINTS = 30

export const pumpsOf = (site: Site): { run: Run; pump: Pump }[] =>
  site.runs.flatMap(run => run.parts.flatMap(part => (part.kind === 'pump' ? [{ run, pump: part }] : [])))

/** The same pump at another speed: flow grows with it, head with its square. */
function atSpeed(site: Site, pump: Pump, speed: number): Site {
  const turned: Pump = {
    ...pump,
    pump: pump.pump === 'variable-speed' ? 'submersible' : pump.pump,
    flowLps: pump.flowLps * speed,
    headM: pump.headM * speed ** 2,
    curve: pump.curve?.map(point => ({ flowLps: point.flowLps * speed, headM: point.headM * speed ** 2 })),
  }
  const parts = (run: Run) => run.parts.map(part => (part.id === pump.id ? turned : part))
  return { ...site, runs: site.runs.map(run => (run.parts.includes(pump) ? { ...run, parts: parts(run) } : run)) }
}

/** The head a pump gives at a flow at full speed, m. */
function headAt(pump: Pump, pipeMm: number, flowLps: number): number {
  const loss = { headM: 0, slope: 0 }
  runningLaw(pump, pipeMm)(flowLps, loss)
  return -loss.headM
}

/** The flow past which a pump gives no head, L/s. */
export function mostFlowLps({ pump, flowLps, curve }: Pump): number {
  if (curve) return curve.at(-1)!.flowLps
  const { shutOff } = PUMPS[pump]
  return flowLps * (shutOff === undefined ? DIAPHRAGM.openFlow : Math.sqrt(shutOff / (shutOff - 1)))
}

/** The share of full speed at which a pump gives a head at a flow: flow goes with speed, head with its square. */
const speedAt = (pump: Pump, pipeMm: number, { flowLps, headM }: CurvePoint): number =>
  risingTo(headM, speed => (speed ? speed ** 2 * headAt(pump, pipeMm, flowLps / speed) : -1), 0.5, 1)

/** Where a pump runs, by its id, as it goes from thread to thread: without a duty it moves no water. */
export function dutyOfPump(site: Site, pumpId: string, taps: readonly string[], stand: Stand): { duty?: Duty } {
  const found = pumpsOf(site).find(({ pump }) => pump.id === pumpId)
  const duty = found && dutyOf(site, found, taps, stand)
  return duty ? { duty } : {}
}

/** Where a pump of a site runs while some taps are open; undefined where it moves no water. */
export function dutyOf(
  site: Site,
  { run, pump }: { run: Run; pump: Pump },
  taps: readonly string[],
  stand: Stand,
): Duty | undefined {
  const pipeMm = boreMm(run)
  const pointAt = (of: Site): CurvePoint | undefined => {
    const { nodes, runs, converged } = momentWith(of, taps, stand)
    const state = runs[run.id]
    if (!converged || !state || state.flowLps <= 0) return undefined
    // Into a tank above its water a line must lift to its own end.
    const endM = (end: Run['from']) => {
      const tank = nodeById(of, end.node).kind === 'tank'
      return tank ? Math.max(nodes[end.node]!.headM, portHeightM(of, end)) : nodes[end.node]!.headM
    }
    return { flowLps: state.flowLps, headM: endM(run.to) - endM(run.from) + state.lossM }
  }
  const at = pointAt(site)
  if (!at) return undefined
  const { nodes, runs } = momentWith(site, taps, stand)
  const end = nodeById(site, run.to.node)
  const waterM = nodes[run.from.node]!.headM
  const endM = end.kind === 'tank' ? Math.max(nodes[end.id]!.headM, portHeightM(site, run.to)) : end.baseM
  const asks = {
    staticLiftM: endM - waterM,
    frictionM: runs[run.id]!.lossM,
    deliveryPressureKPa: end.kind === 'tank' ? 0 : Math.max(0, nodes[end.id]!.pressureKPa),
  }
  const mostLps = mostFlowLps(pump)
  const curve = Array.from({ length: CURVE_POINTS + 1 }, (_, point) => {
    const flowLps = (mostLps * point) / CURVE_POINTS
    // Its last point has no head but for rounding.
    return { flowLps, headM: Math.max(0, headAt(pump, pipeMm, flowLps)) }
  })
  const system = SPEEDS.flatMap(speed => pointAt(atSpeed(site, pump, speed)) ?? [])
  const efficiency = pump.efficiency || PUMPS[pump.pump].efficiency
  return {
    run,
    pump,
    at,
    asks,
    curve,
    system: system.sort((one, two) => one.flowLps - two.flowLps),
    speed: pump.pump === 'variable-speed' ? speedAt(pump, pipeMm, at) : undefined,
    inputW: pumpPower({ ...at, efficiency }).inputW,
    efficiency,
  }
}
