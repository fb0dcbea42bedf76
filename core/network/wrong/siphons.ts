import { DAY_S } from '../../units'
import { runLossM } from '../loss'
import { fillL } from '../taps'
import { flowAtHead, openingFlow } from '../../sums'
import { graphOf, portHeightM, portsByRole, spillM, tanksOf, type Run, type Site } from '../../site'
import type { NodeOf, Port, Tank } from '../../kinds'
import { FITTING_K } from '../../catalog'

/** A pipe that goes on by itself until its tank is empty: where it begins, by which runs, and how much. */
export interface Siphon {
  id: string
  tankId: string
  /** The port whose air hole ends it. */
  port: string
  by: 'inlet' | 'overflow'
  toId: string
  path: { runId: string; forward: boolean }[]
  flowLps: number
  litresPerDay: number
}

const ORIFICE_CD = 0.62

/** Inlets that end under water, and overflows that skim, with no air hole: what each would draw out of a full tank. */
export function siphonsOf(site: Site): Siphon[] {
  return tanksOf(site).flatMap(tank => [
    ...siphoningInlets(site, tank).flatMap(({ port, run }) => backOut(site, tank, port, run) ?? []),
    ...portsByRole(tank, 'overflow').flatMap(port => (skims(port) ? (overAndOut(site, tank, port) ?? []) : [])),
  ])
}

/** An inlet pipe that ends at the bottom, with nothing in its line that holds water back. */
export function siphoningInlets(site: Site, tank: Tank): { port: Port; run: Run }[] {
  if (tank.inletStyle !== 'calmed') return []
  return portsByRole(tank, 'inlet').flatMap(port => {
    if (port.airHole) return []
    const runs = graphOf(site)
      .into(tank.id, port.name)
      .filter(({ parts }) => !parts.some(({ kind }) => kind === 'float' || kind === 'check'))
    return runs.slice(0, 1).map(run => ({ port, run }))
  })
}
export const skims = ({ ending, airHole }: Port): boolean => ending === 'skimming' && !airHole

/** Back through the inlet's line to the chamber by whose outlet it runs off; nothing where none stands low enough. */
function backOut(site: Site, tank: Tank, port: Port, last: Run): Siphon | undefined {
  const graph = graphOf(site)
  const path: Run[] = []
  let run: Run | undefined = last
  while (run && !path.includes(run)) {
    path.push(run)
    const node = graph.node(run.from.node)
    if (node?.kind === 'chamber') return outOfChamber(site, tank, port, path, node)
    run = node?.kind === 'joint' ? graph.into(node.id)[0] : undefined
  }
  return undefined
}

function outOfChamber(site: Site, tank: Tank, port: Port, path: Run[], chamber: NodeOf<'chamber'>): Siphon | undefined {
  const headM = spillM(site, tank) - chamber.baseM
  if (chamber.orificeMm === null || headM <= 0) return undefined
  const outlet = { innerDiameterMm: chamber.orificeMm, depthMm: 1000 * headM, dischargeCoefficient: ORIFICE_CD }
  const back = path.map(({ id }) => ({ runId: id, forward: false }))
  return told(site, tank, port, 'inlet', chamber.id, back, openingFlow(outlet).flowLps)
}

/** Over the top and down the overflow's line, once that has run full. */
function overAndOut(site: Site, tank: Tank, port: Port): Siphon | undefined {
  const [run] = graphOf(site).outOf(tank.id, port.name)
  if (!run) return undefined
  const headM = spillM(site, tank) - portHeightM(site, run.to)
  if (headM <= 0) return undefined
  const { waterTemperatureC } = site.place
  const flowLps = flowAtHead(headM, lps => runLossM(run, lps, waterTemperatureC, FITTING_K.entry + FITTING_K.exit))
  return told(site, tank, port, 'overflow', run.to.node, [{ runId: run.id, forward: true }], flowLps)
}

function told(
  site: Site,
  tank: Tank,
  port: Port,
  by: Siphon['by'],
  toId: string,
  path: Siphon['path'],
  flowLps: number,
): Siphon {
  const litresPerDay = Math.min(flowLps * DAY_S, fillL(site, tank.id))
  return {
    id: `siphon:${tank.id}:${port.name}`,
    tankId: tank.id,
    port: port.name,
    by,
    toId,
    path,
    flowLps,
    litresPerDay,
  }
}
