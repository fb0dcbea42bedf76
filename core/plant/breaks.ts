import { plantOf } from './plant'
import { broken, type Fault } from './faults'
import { holeId, holeJointId, wholeRunId } from './holes'
import { handValves, levelsAt, steady, type HandValve } from '../network'
import type { Part } from '../kinds'
import { graphOf, type Site } from '../site'

/** What a break loses until somebody comes, and what would have stopped it. */
export interface BreakLoss {
  litres: number
  /** Flow at the break at first, L/s; and the time after which it has run dry, h, where it does before. */
  flowLps: number
  dryAfterH?: number
  /** The hand valves that stop it, once they are shut: one, or one on either side; none where none stands between. */
  stoppedBy: { runId: string; partId: string }[]
}

/** A pipe that parts altogether. */
const WHOLE = 1
/** A hole in a tank's wall, mm: a fitting torn out. */
const TORN_MM = 40
/** What trickles on after that is nothing. */
const DRY_LPS = 0.002
const LOOK_S = 300

/**
 * What is lost by a line that bursts, or a tank whose wall is torn open, with valves as the site has them and no tap
 * open, until somebody comes in so many hours.
 */
export function breakLoss(site: Site, at: string, hours: number): BreakLoss {
  const isTank = graphOf(site).node(at)?.kind === 'tank'
  const fault: Fault = isTank ? { fault: 'tank-leaks', at, to: TORN_MM } : { fault: 'burst', at, to: WHOLE }
  const sound = lost(site, undefined, hours)
  const hurt = lost(site, fault, hours)
  const site1 = broken(site, [fault])
  const flowAt = (of: Site) =>
    steady(of, { levels: levelsAt(site, 'full'), open: { [holeId(at)]: 1 } }).taps[holeId(at)]?.flowLps ?? 0
  const flowLps = flowAt(site1)
  return {
    litres: Math.max(0, hurt.litres - sound.litres),
    flowLps,
    ...(hurt.dryAfterH === undefined ? {} : { dryAfterH: hurt.dryAfterH }),
    ...stopping(site1, at, flowLps, flowAt),
  }
}

function lost(site: Site, fault: Fault | undefined, hours: number): { litres: number; dryAfterH?: number } {
  const plant = plantOf(site)
  if (fault) plant.act(fault)
  let dryAfterH: number | undefined
  for (let atS = LOOK_S; atS <= hours * 3600 + 1; atS += LOOK_S) {
    plant.advance(atS)
    if (!fault) continue
    const flow = plant.view().taps[holeId(fault.at)]?.flowLps ?? 0
    if (flow < DRY_LPS) dryAfterH ??= atS / 3600
    else dryAfterH = undefined
  }
  const { out, spilled } = plant.litres()
  return { litres: out + spilled, ...(dryAfterH === undefined ? {} : { dryAfterH }) }
}

/** Of so many valves near a break two are looked for that end it together. */
const NEAREST = 6

/** The valve nearest to a break that ends it when it is shut, or the two nearest that do together. */
function stopping(
  site: Site,
  at: string,
  flowLps: number,
  flowAt: (site: Site) => number,
): Pick<BreakLoss, 'stoppedBy'> {
  if (flowLps < DRY_LPS) return { stoppedBy: [] }
  const near = distances(site, at)
  const valves = handValves(site)
    .filter(({ valve }) => valve.open)
    .sort((a, b) => (near.get(a.run.id) ?? Infinity) - (near.get(b.run.id) ?? Infinity))
  const stops = (shut: HandValve[]): boolean => {
    const ids = new Set(shut.map(({ valve }) => valve.id))
    const runs = site.runs.map(run =>
      run.parts.some(part => ids.has(part.id))
        ? { ...run, parts: run.parts.map(part => (ids.has(part.id) ? { ...part, open: false } : part) as Part) }
        : run,
    )
    return flowAt({ ...site, runs }) < 0.01 * flowLps
  }
  const one = valves.find(valve => stops([valve]))
  const close = valves.slice(0, NEAREST)
  const two = close.flatMap((first, at) => close.slice(at + 1).map(second => [first, second])).find(stops)
  const found = one ? [one] : (two ?? [])
  return { stoppedBy: found.map(({ run, valve }) => ({ runId: wholeRunId(run.id), partId: valve.id })) }
}

/** How many runs off each run is from the break. */
function distances(site: Site, at: string): Map<string, number> {
  const graph = graphOf(site)
  const found = new Map<string, number>()
  let edge = [graph.node(holeJointId(at))?.id ?? at]
  const seen = new Set(edge)
  for (let far = 0; edge.length; far++) {
    const next: string[] = []
    for (const node of edge)
      for (const run of graph.at(node)) {
        if (!found.has(run.id)) found.set(run.id, far)
        for (const end of [run.from.node, run.to.node])
          if (!seen.has(end)) {
            seen.add(end)
            next.push(end)
          }
      }
    edge = next
  }
  return found
}
