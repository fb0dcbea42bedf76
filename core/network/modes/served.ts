import { steady } from '../steady/steady'
import { levelsBetween, tapsOf } from '../taps'
import { graphOf, inMode, roleOf, type Mode, type Run, type Site } from '../../site'
import type { PartOf } from '../../kinds'

/** A hand valve where it stands: the run it is in, and which of that run's it is. */
export interface HandValve {
  run: Run
  valve: PartOf<'valve'>
}

/** Every hand valve of the lines under pressure, in the order in which one walks past them. */
export function handValves(site: Site): HandValve[] {
  const graph = graphOf(site)
  const ofStorm = (id: string) => ['spout', 'chamber'].includes(graph.node(id)?.kind ?? 'spout')
  return site.runs.flatMap(run =>
    ofStorm(run.from.node) ? [] : run.parts.flatMap(valve => (valve.kind === 'valve' ? [{ run, valve }] : [])),
  )
}

/** What a mode does: the taps that get water, the tanks that fill, L/s. */
export interface Served {
  taps: string[]
  tanks: { id: string; flowLps: number }[]
}

/** Less than this serves nobody. */
export const FLOWS_LPS = 0.003

/** What is served with the valves as a site has them: each tap opened with all others, pumps running, tanks half full. */
export function servedAsValvesStand(site: Site): Served {
  const levels = levelsBetween(site, 0.5)
  const moment = steady(site, { levels, open: Object.fromEntries(tapsOf(site).map(({ id }) => [id, 1])) })
  const fills = new Map<string, number>()
  for (const run of site.runs) {
    const flowLps = moment.runs[run.id]?.flowLps ?? 0
    if (Math.abs(flowLps) < FLOWS_LPS) continue
    const end = flowLps > 0 ? run.to : run.from
    if (graphOf(site).node(end.node)?.kind === 'tank' && roleOf(site, run.from) !== 'link')
      fills.set(end.node, (fills.get(end.node) ?? 0) + Math.abs(flowLps))
  }
  return {
    taps: tapsOf(site).flatMap(({ id }) => (moment.taps[id]!.flowLps >= FLOWS_LPS ? [id] : [])),
    tanks: [...fills].map(([id, flowLps]) => ({ id, flowLps })),
  }
}
export const servedInMode = (site: Site, mode: Mode): Served => servedAsValvesStand(inMode(site, mode))
