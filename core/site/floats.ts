import type { Run, Site } from './schema'
import { graphOf, portHeightM } from './graph'
import { spillM } from './spills'

/** A float valve hangs so far below where its tank spills that it shuts first, m. */
const FLOAT_UNDER_SPILL_M = 0.05

/** The height above the datum at which the float at a run's end shuts it; undefined where it has none, or no tank. */
export function floatShutsM(site: Site, run: Run): number | undefined {
  const float = run.parts.find(part => part.kind === 'float')
  if (!float || graphOf(site).node(run.to.node)?.kind !== 'tank') return undefined
  return portHeightM(site, run.to) - (float.dropM ?? 0)
}

/** How far below a height above a tank's floor a float must hang there, so that it shuts before the tank spills. */
export function floatDropM(site: Site, tankId: string, aboveFloorM: number): number {
  const tank = graphOf(site).node(tankId)
  if (tank?.kind !== 'tank') return 0
  const shutsM = spillM(site, tank) - tank.baseM - FLOAT_UNDER_SPILL_M
  return Math.max(0, Math.round((aboveFloorM - shutsM) * 1000) / 1000)
}
