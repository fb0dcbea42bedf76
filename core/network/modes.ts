import { islandsOf } from './wrong/islands'
import { steady } from './steady/steady'
import { levelsAt, levelsBetween, tapsOf } from './taps'
import { graphOf, inMode, nameOf, roleOf, walk, type Mode, type Run, type Site, type Step } from '../site'
import type { PartOf, SiteNode } from '../kinds'
import { usualSwitch } from '../catalog'

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

/** A way of running the site that could be named: what is open and shut for it. */
export interface ProposedMode {
  name: string
  positions: Mode['positions']
}

const valvesIn = (run: Run) => run.parts.filter(part => part.kind === 'valve')
const isSource = (node: SiteNode | undefined) => node?.kind === 'well' || node?.kind === 'main' || node?.kind === 'tank'

/**
 * Ways of running a site that its lines allow: from each source to each tank it can fill and to the taps it can serve,
 * with the valves on the way open and those where other lines branch off shut; each tank shut off to be cleaned; and by
 * gravity alone, where some of it falls. Only where there is a choice to be made by hand.
 */
export function modesFor(site: Site): ProposedMode[] {
  const proposals = [...waysOfRunning(site), ...cleanings(site)]
  const said = new Set(site.modes.map(mode => key(mode.positions)))
  return proposals.filter(({ positions }) => {
    if (!positions.length || said.has(key(positions))) return false
    said.add(key(positions))
    return true
  })
}
const key = (positions: Mode['positions']) =>
  positions
    .map(({ part, open }) => `${part}:${open}`)
    .sort()
    .join(' ')

function waysOfRunning(site: Site): ProposedMode[] {
  const graph = graphOf(site)
  const onIsland = new Set(islandsOf(site).flatMap(({ runs }) => runs))
  return site.nodes.filter(isSource).flatMap(source => {
    const ways = [
      ...walk(site, source.id, {
        along: 'both',
        takes: (step, before) => onIsland.has(step.run.id) && mayGo(site, step, before.length === 0),
      }),
    ].filter(({ steps }) => steps.some(({ run }) => valvesIn(run).length))
    const ends = new Map<string, Step[]>()
    for (const { node, steps } of ways) {
      // All taps of one line are one use of it: the house.
      const end = node.kind === 'tap' ? 'taps' : node.kind === 'tank' && node !== source ? node.id : undefined
      if (end !== undefined && !ends.has(end)) ends.set(end, steps)
      else if (end === 'taps') ends.set(end, shared(ends.get(end)!, steps))
    }
    // With one end alone nothing is chosen by valves.
    if (ends.size < 2 && !isShared(site, [...ends.values()][0] ?? [])) return []
    return [...ends].map(([end, steps]): ProposedMode => ({
      name: `${nameOf(site, source.id)} to ${end === 'taps' ? 'the taps' : nameOf(site, end)}`,
      positions: positionsFor(site, steps, graph.node(end)?.kind === 'tank'),
    }))
  })
}

/** Water goes down a line, back up one that lets it, and never into a well, a main, or out of an overflow. */
function mayGo(site: Site, { run, to, forward }: Step, first: boolean): boolean {
  const graph = graphOf(site)
  if (['overflow', 'drain'].includes(roleOf(site, run.from) ?? '')) return false
  const end = graph.node(to.node)
  if (end?.kind === 'well' || end?.kind === 'main' || end?.kind === 'outfall') return false
  const blocks = run.parts.some(({ kind }) => kind === 'check' || kind === 'pump' || kind === 'float')
  if (!forward && blocks) return false
  // A tank's outlet that only gives is no way into it.
  if (end?.kind === 'tank' && !forward) return false
  return !first || forward || roleOf(site, run.to) === 'outlet'
}

const shared = (one: Step[], two: Step[]): Step[] => one.filter(step => two.some(other => other.run === step.run))

/** True where the way to some taps is part of the way from another source. */
const isShared = (site: Site, steps: Step[]): boolean => steps.some(({ to }) => graphOf(site).at(to.node).length > 2)

/** Valves on the way open; of lines that branch off it, the first valve shut, unless that line is where it leads. */
function positionsFor(site: Site, steps: Step[], toTank: boolean): Mode['positions'] {
  const graph = graphOf(site)
  const on = new Set(steps.map(({ run }) => run))
  const positions = steps.flatMap(({ run }) => valvesIn(run).map(({ id }) => ({ part: id, open: true })))
  const passed = steps.slice(0, -1).map(({ to }) => to.node)
  const last = steps.at(-1)
  for (const node of [...passed, ...(toTank || !last ? [] : [last.to.node])])
    for (const run of graph.at(node)) {
      const [first] = valvesIn(run)
      if (on.has(run) || !first || positions.some(({ part }) => part === first.id)) continue
      const onward = run.from.node === node ? graph.node(run.to.node)?.kind : undefined
      // What goes on to more taps stays with the taps' line.
      if (!toTank && (onward === 'tap' || onward === 'joint')) continue
      positions.push({ part: first.id, open: false })
    }
  return positions
}

/** A tank that is cleaned has every valve at it shut. */
function cleanings(site: Site): ProposedMode[] {
  const graph = graphOf(site)
  return site.nodes.flatMap((node): ProposedMode[] => {
    if (node.kind !== 'tank') return []
    const positions = graph.at(node.id).flatMap(run => {
      const valves = valvesIn(run)
      const nearest = run.from.node === node.id ? valves[0] : valves.at(-1)
      return nearest && roleOf(site, run.from.node === node.id ? run.from : run.to) !== 'drain'
        ? [{ part: nearest.id, open: false }]
        : []
    })
    return positions.length > 1 ? [{ name: `${nameOf(site, node.id)} being cleaned`, positions }] : []
  })
}

/** What a mode does: the taps that get water, the tanks that fill, L/s. */
export interface Served {
  taps: string[]
  tanks: { id: string; flowLps: number }[]
}

const FLOWS_LPS = 0.003

/** What is served with the valves as a site has them: each tap opened with all others, pumps running, tanks half full. */
export function servedIn(site: Site): Served {
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
export const servedInMode = (site: Site, mode: Mode): Served => servedIn(inMode(site, mode))

/** A valve that, forgotten as it was before a mode, lets a tank run out or leaves a pump against a wall. */
export interface Forgotten {
  mode: Mode
  valve: string
  /** As it would be found. */
  open: boolean
  what: 'empties' | 'stalls'
  id: string
  flowLps: number
}

/** Valves of which one, left the other way, spoils a mode: each by itself. */
export function forgottenValves(site: Site): Forgotten[] {
  const graph = graphOf(site)
  const turned = turnedBetween(site)
  return site.modes.flatMap(mode => {
    const right = inMode(site, mode)
    const asMeant = still(right)
    return mode.positions.flatMap(({ part, open }): Forgotten[] => {
      const positions = mode.positions.map(each => (each.part === part ? { part, open: !open } : each))
      const wrong = still(inMode(site, { ...mode, positions }))
      const found = site.runs.flatMap((run): Forgotten[] => {
        const [now, meant] = [wrong.runs[run.id], asMeant.runs[run.id]]
        const flowLps = now?.flowLps ?? 0
        const common = { mode, valve: part, open: !open }
        const [from, to] = [graph.node(run.from.node), graph.node(run.to.node)]
        if (
          from?.kind === 'tank' &&
          to?.kind === 'outfall' &&
          flowLps > FLOWS_LPS &&
          !(meant && meant.flowLps > FLOWS_LPS)
        )
          return [{ ...common, what: 'empties', id: from.id, flowLps }]
        const pumps = run.parts.some(({ kind }) => kind === 'pump')
        const stopsByItself = run.parts.some(each => each.kind === 'pump' && feelsIt(each))
        if (
          pumps &&
          !stopsByItself &&
          turned.has(part) &&
          meant &&
          meant.flowLps > FLOWS_LPS &&
          Math.abs(flowLps) < FLOWS_LPS
        )
          return [{ ...common, what: 'stalls', id: run.id, flowLps: meant.flowLps }]
        return []
      })
      return found.slice(0, 1)
    })
  })
}
/** Valves that some mode turns: they do not stand alike in all of them and in the plan. */
function turnedBetween(site: Site): Set<string> {
  const now = new Map(handValves(site).map(({ valve: { id, open } }) => [id, open]))
  const named = site.modes.flatMap(({ positions }) => positions)
  const other = (part: string, open: boolean) =>
    now.get(part) !== open || named.some(each => each.part === part && each.open !== open)
  return new Set(named.filter(({ part, open }) => other(part, open)).map(({ part }) => part))
}

/** True where a pump's switch feels that nothing flows, and stops it. */
const feelsIt = ({ pump, switchedBy }: PartOf<'pump'>): boolean => {
  const by = switchedBy ?? usualSwitch(pump, false)
  return by === 'flow-switch' || by === 'pressure-switch'
}

/** With pumps running, tanks low and all taps shut: what then flows fills something, or is lost. */
const still = (site: Site) => steady(site, { levels: levelsAt(site, 'low') })
