import { min } from 'd3-array'
import { runHoldsL } from './loss'
import { graphOf, portHeightM, roleOf, walk, type Hop, type Run, type Site } from '../site'
import { levelsOut, type SiteNode } from '../kinds'

/** A line that stays full of water when a system is drained down, and how much stands in it. */
export interface LeftFull {
  run: Run
  litres: number
}

/** An end may lie so much above a line's lowest place and still be called as low, m. */
const AS_LOW_M = 0.05
const OF_STORM: readonly SiteNode['kind'][] = ['spout', 'chamber']

/** True where water can run back through a run: no pump, no check, no float in it. */
const runsBack = ({ parts }: Run): boolean => parts.every(part => part.kind === 'valve' || levelsOut(part))

/**
 * The lines that keep their water with pumps off, mains shut, every tap open and every valve too: those that lie lower
 * than every open end which their water could run to, past no check, pump or float the wrong way. A tank is as open as
 * it can be emptied.
 */
export function leftFull(site: Site): LeftFull[] {
  return site.runs.flatMap((run): LeftFull[] => {
    const graph = graphOf(site)
    const [from, to] = [graph.node(run.from.node), graph.node(run.to.node)]
    const litres = runHoldsL(run)
    if (!from || !to || litres <= 0 || [from, to].some(({ kind }) => OF_STORM.includes(kind))) return []
    // What a well's pump stands in is the well's own water.
    const lowM = min([
      ...(from.kind === 'well' || from.kind === 'main' ? [] : [portHeightM(site, run.from)]),
      portHeightM(site, run.to),
      ...(run.profile ?? []).map(({ heightM }) => heightM),
    ])!
    const endsM = [...openEndsM(site, run, 'to'), ...(runsBack(run) ? openEndsM(site, run, 'from') : [])]
    return endsM.some(heightM => heightM <= lowM + AS_LOW_M) ? [] : [{ run, litres }]
  })
}

/** Heights of the open ends that a run's water comes to by one of its ends. */
function openEndsM(site: Site, run: Run, end: 'from' | 'to'): number[] {
  const first = run[end]
  const here = endM(site, first)
  if (here !== undefined) return [here]
  return waysOn(site, first.node, step => step.run !== run).flatMap(({ steps }) => endM(site, steps.at(-1)!.to) ?? [])
}

const waysOn = (site: Site, from: string, takes: (step: Hop) => boolean) => [
  ...walk(site, from, { along: 'both', takes: step => takes(step) && (step.forward || runsBack(step.run)) }),
]

/** How low water can run to at an end; undefined where it is none. */
function endM(site: Site, end: Run['from']): number | undefined {
  const node = graphOf(site).node(end.node)!
  if (node.kind === 'tap' || node.kind === 'outfall') return portHeightM(site, end)
  return node.kind === 'tank' ? Math.max(portHeightM(site, end), emptiedM(site, node.id)) : undefined
}

/** How low a tank runs out by what is led from it, past its overflow. */
const emptiedM = (site: Site, tankId: string): number =>
  min(
    waysOn(site, tankId, ({ from }) => from.node !== tankId || roleOf(site, from) !== 'overflow').flatMap(
      ({ node, steps }) =>
        node.kind === 'tap' || node.kind === 'outfall'
          ? [Math.max(portHeightM(site, steps[0]!.from), portHeightM(site, steps.at(-1)!.to))]
          : [],
    ),
  ) ?? Infinity
