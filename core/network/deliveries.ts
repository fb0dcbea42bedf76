import { levelsAt, levelsBetween } from './taps'
import { steady, type Steady } from './steady/steady'
import { peakSunHours } from './power'
import { FLOWS_OF } from './reads'
import { pumpingDepthM, suctionOf } from './suction'
import { runLossM } from './loss'
import { headOfPressureM } from '../sums'
import { FIXTURES } from '../catalog'
import type { SiteNode } from '../kinds'
import {
  floatShutsM,
  graphOf,
  highestM,
  joinedTanks,
  onceLaid,
  remembered,
  tanksOf,
  type Path,
  type Run,
  type Site,
} from '../site'

/** A line with less than this brings nothing, L/s. */
const LEAST_LPS = 1e-6
/** A float is looked at with the water so far below where it shuts, m. */
const UNDER_FLOAT_M = 0.01
const [DAY_H, S_PER_H] = [24, 3600]

/** How high the water stands under the lowest float of each tank that has one, m above its floor. */
const underFloatsM = onceLaid((site: Site): Map<string, number> => {
  const under = new Map<string, number>()
  for (const run of site.runs) {
    const shutsM = floatShutsM(site, run)
    if (shutsM === undefined) continue
    const { node } = run.to
    const levelM = Math.max(0, shutsM - graphOf(site).node(node)!.baseM - UNDER_FLOAT_M)
    under.set(node, Math.min(levelM, under.get(node) ?? Infinity))
  }
  return under
})
const withFloatsOpen = (site: Site, levels: Record<string, number>): Record<string, number> => {
  const under = underFloatsM(site)
  return Object.fromEntries(
    Object.entries(levels).map(([id, levelM]) => [id, Math.min(levelM, under.get(id) ?? Infinity)]),
  )
}

/** Tanks at half of what can be drawn from them, under their floats. */
const usualLevels = onceLaid((site: Site) => withFloatsOpen(site, levelsBetween(site, 0.5)))

/** Tanks the lower the further down a chain of tanks they stand: so that what can fall from one to the next falls. */
const fallingLevels = onceLaid((site: Site): Record<string, number> => {
  const depth = new Map<string, number>()
  const isTank = new Set(tanksOf(site).map(({ id }) => id))
  const depthOf = (id: string, below: readonly string[] = []): number => {
    const known = depth.get(id)
    if (known !== undefined) return known
    const above = graphOf(site)
      .into(id)
      .flatMap(({ from }) =>
        isTank.has(from.node) && from.node !== id && !below.includes(from.node) ? [from.node] : [],
      )
    const found = Math.max(0, ...above.map(tank => 1 + depthOf(tank, [...below, id])))
    depth.set(id, found)
    return found
  }
  const [full, low] = [levelsAt(site, 'full'), levelsAt(site, 'low')]
  const levels = tanksOf(site).map(({ id }) => [id, low[id]! + (full[id]! - low[id]!) / (1 + depthOf(id))] as const)
  return withFloatsOpen(site, Object.fromEntries(levels))
})

const settled = (moment: Steady): Steady | undefined => (moment.converged ? moment : undefined)
/** Every line as it runs with all taps shut, and with all of them open, at the usual levels. */
const usualShut = remembered(FLOWS_OF, (site: Site) => settled(steady(site, { levels: usualLevels(site) })))
const fallingShut = remembered(FLOWS_OF, (site: Site) => settled(steady(site, { levels: fallingLevels(site) })))
const usualOpen = remembered(FLOWS_OF, (site: Site) => {
  const open = Object.fromEntries(site.nodes.flatMap(({ id, kind }) => (kind === 'tap' ? [[id, 1] as const] : [])))
  return settled(steady(site, { levels: usualLevels(site), open }))
})

/** What flows along a way from its beginning to its end, L/s: no more than through the least of its lines. */
function alongLps(moment: Steady | undefined, { runs, steps, end }: Pick<Path, 'runs' | 'steps' | 'end'>): number {
  if (!moment) return 0
  const flows = steps.map(({ run, forward }) => (forward ? 1 : -1) * (moment.runs[run.id]?.flowLps ?? 0))
  const tap = end.kind === 'tap' ? [moment.taps[end.id]?.flowLps ?? 0] : []
  return runs.length ? Math.max(0, Math.min(...flows, ...tap)) : 0
}

/**
 * A way by itself, no other line there: pumped at the usual levels, by a fall from a full tank into an empty one. What
 * else runs may hold it shut for now, and does not when it rests.
 */
function byItself(site: Site, path: Path, sourceId: string, drawnM?: number): Steady | undefined {
  const ends = new Set([sourceId, ...path.steps.flatMap(({ from, to }) => [from.node, to.node])])
  const alone: Site = { ...site, nodes: site.nodes.filter(({ id }) => ends.has(id)), runs: path.runs }
  const levels = { ...usualLevels(site) }
  if (path.pumpLps === undefined) {
    const [full, low] = [levelsAt(site, 'full'), levelsAt(site, 'low')]
    for (const { id } of tanksTogether(site, sourceId)) levels[id] = full[id]!
    for (const { id } of tanksTogether(site, path.end.id)) levels[id] = low[id]!
  }
  if (drawnM !== undefined) levels[sourceId] = drawnM
  const open = path.end.kind === 'tap' ? { [path.end.id]: 1 } : {}
  return settled(steady(alone, { levels: withFloatsOpen(site, levels), open }))
}
function tanksTogether(site: Site, id: string) {
  const node = graphOf(site).node(id)
  return node?.kind === 'tank' ? joinedTanks(site, node) : []
}

/** Whether every pump of a way can suck what it would lift, its water at the lowest. */
const canSuck = (site: Site, runs: readonly Run[], flowLps: number): boolean =>
  runs.every(run =>
    run.parts.every(part => part.kind !== 'pump' || (suctionOf(site, run, part, flowLps)?.spareM ?? 0) >= 0),
  )

/**
 * What a way from a source to a tank or tap passes, L/s, as its heights, its pumps and its pipes let it: tanks at half of
 * what can be drawn, under their floats; a tap open. Nothing where it cannot lift so high, suck so far, or is held shut
 * whatever else runs. Undefined where the site finds no steady flow.
 */
function deliveredLps(site: Site, path: Path, sourceId: string): number | undefined {
  const usual = path.end.kind === 'tap' ? usualOpen(site) : usualShut(site)
  if (!usual) return undefined
  let flowLps = alongLps(usual, path)
  if (flowLps < LEAST_LPS && path.end.kind === 'tank') flowLps = alongLps(fallingShut(site), path)
  if (flowLps < LEAST_LPS) flowLps = alongLps(byItself(site, path, sourceId), path)
  return flowLps < LEAST_LPS || !canSuck(site, path.runs, flowLps) ? 0 : flowLps
}

/** Water left above the very hole that a way draws by, m. */
const LEFT_M = 0.05

/** The same, L/s, its source drawn down to the very hole that it draws by, and nothing else at work. */
export function deliveredLowLps(site: Site, path: Path, sourceId: string): number | undefined {
  const source = graphOf(site).node(sourceId)
  const port = source?.kind === 'tank' ? source.ports.find(({ name }) => name === path.steps[0]!.from.port) : undefined
  const moment = byItself(site, path, sourceId, port && (port.intakeM ?? port.heightM) + LEFT_M)
  return moment && alongLps(moment, path)
}

/** What a way brings in a day of each month, January first, L: a solar pump by the month's sun, all else the whole day. */
export function deliveredLPerDay(site: Site, path: Path, sourceId: string): number[] | undefined {
  const flowLps = deliveredLps(site, path, sourceId)
  if (flowLps === undefined) return undefined
  const isSolar = path.runs.some(run => run.parts.some(part => part.kind === 'pump' && part.pump === 'solar'))
  const hours = isSolar ? peakSunHours(site) : Array<number>(12).fill(DAY_H)
  return hours.map(each => flowLps * S_PER_H * Math.min(DAY_H, each))
}

/**
 * The head that a way asks of its pump at a flow, m: from its source's water at the lowest to where it ends, a pressure
 * tank on it at its cut-out or a tap at its rated pressure, and what its lines take on the way.
 */
export function headAskedM(site: Site, path: Path, sourceId: string, flowLps: number): number {
  const source = graphOf(site).node(sourceId)!
  const waterM =
    source.kind === 'well'
      ? source.groundM - pumpingDepthM(source, flowLps)
      : source.baseM + (levelsAt(site, 'low')[sourceId] ?? 0)
  const nodes = path.steps.map(({ to }) => graphOf(site).node(to.node)!)
  const endsM = nodes.map(node => node.baseM + headOfPressureM(wantsKPa(node)))
  const { waterTemperatureC } = site.place
  const takenM = path.runs.reduce((sum, run) => sum + runLossM(run, flowLps, waterTemperatureC), 0)
  return Math.max(0, Math.max(highestM(site, path), ...endsM) - waterM) + takenM
}
const wantsKPa = (node: SiteNode): number =>
  node.kind === 'pressureTank'
    ? node.cutOutKPa
    : node.kind === 'tap'
      ? (node.ratedKPa ?? FIXTURES[node.fixture].ratedKPa)
      : 0
