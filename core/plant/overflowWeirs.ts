import { openingFlow } from '../sums'
import { overflowsOf, rimM, type Site } from '../site'
import { lineFlowLps } from '../network'
import type { Tank } from '../kinds'

/** How water goes over one weir of a tank: an overflow's mouth with its line, or the rim itself. */
export interface WeirFlow {
  tankId: string
  /** The overflow's port; over the rim, none. */
  port?: string
  /** The run that it leaves by. */
  runId?: string
  /** The height above the datum at which it begins. */
  beginsM: number
  /** What it passes with the water so deep over that, L/s; and how fast that grows, L/s per m. */
  at: (depthM: number) => { flowLps: number; slope: number }
  /** The tank that it spills into; away, none. */
  intoTank?: string
}

/** Depths at which a mouth is worked out, as shares of the deepest; close together where it begins to run. */
const SHARES = Array.from({ length: 41 }, (_, at) => (at / 40) ** 2)
const DEEPEST_MOUTHS = 3
/** A sharp rim over which water runs, per metre of its length (Poleni, L/s at a metre's depth to the power of 1.5). */
const RIM_LPS_PER_M = 1800

/** Every way out over the weir of a tank, in the order in which lines know them: its overflows, then its rim. */
export function overflowWeirs(site: Site, tank: Tank): WeirFlow[] {
  const overflows = overflowsOf(site, tank).map(({ port, path, runsAtM }): WeirFlow => {
    const lineLps = path.pumpLps ?? lineFlowLps(site, path.runs, rimM(tank))
    const end = path.end.kind === 'tank' && path.end.id !== tank.id ? path.end.id : undefined
    return {
      tankId: tank.id,
      port: port.name,
      runId: path.runs[0]!.id,
      beginsM: runsAtM,
      at: mouth(port.boreMm, lineLps),
      intoTank: end,
    }
  })
  return [...overflows, { tankId: tank.id, beginsM: rimM(tank), at: overRim(tank) }]
}

/** A round mouth, by a table of what it passes, straight between; and no more than its line does. */
function mouth(boreMm: number, lineLps: number): WeirFlow['at'] {
  const deepestM = (DEEPEST_MOUTHS * boreMm) / 1000
  const depthsM = SHARES.map(share => share * deepestM)
  const flows = depthsM.map(depthM => openingFlow({ innerDiameterMm: boreMm, depthMm: depthM * 1000 }).flowLps)
  return depthM => {
    if (depthM <= 0) return { flowLps: 0, slope: 0 }
    let at = 1
    while (at < depthsM.length - 1 && depthsM[at]! < depthM) at++
    const slope = (flows[at]! - flows[at - 1]!) / (depthsM[at]! - depthsM[at - 1]!)
    const flowLps = flows[at - 1]! + slope * (depthM - depthsM[at - 1]!)
    return flowLps >= lineLps ? { flowLps: lineLps, slope: 0 } : { flowLps, slope }
  }
}

/** Over a rim water runs all round. */
function overRim({ shape }: Tank): WeirFlow['at'] {
  const lengthM =
    shape.shape === 'upright-cylinder'
      ? Math.PI * shape.diameterM
      : shape.shape === 'box'
        ? 2 * (shape.lengthM + shape.widthM)
        : shape.lengthM
  const size = RIM_LPS_PER_M * lengthM
  return depthM => {
    const deep = Math.max(0, depthM)
    return { flowLps: size * deep ** 1.5, slope: 1.5 * size * Math.sqrt(deep) }
  }
}
