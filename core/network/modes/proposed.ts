import { FLOWS_LPS } from './served'
import { islandsOf } from '../wrong/islands'
import { steady } from '../steady/steady'
import { levelsBetween, tapsOf } from '../taps'
import {
  frostMonths,
  graphOf,
  inMode,
  isPumped,
  nameOf,
  roleOf,
  tanksOf,
  walk,
  type Mode,
  type Run,
  type Site,
  type Hop,
} from '../../site'
import type { NodeOf, SiteNode } from '../../kinds'
import { FIXTURES } from '../../catalog'

/** A way of running the site that could be named: what is open and shut for it. */
export interface ProposedMode {
  name: string
  positions: Mode['positions']
}

const valvesIn = (run: Run) => run.parts.filter(part => part.kind === 'valve')
const isSource = (node: SiteNode | undefined) => node?.kind === 'well' || node?.kind === 'main' || node?.kind === 'tank'

/**
 * Ways of running a site that its lines allow: from each source to each tank it can fill and to the taps it can serve,
 * with the valves on the way open and those where other lines branch off shut; each tank shut off to be cleaned; what
 * still falls to taps in a power cut; and taps outside shut for the winter, where it freezes. Only where there is a
 * choice to be made by hand.
 */
export function modesFor(site: Site): ProposedMode[] {
  const proposals = [...waysOfRunning(site), ...powerCut(site), ...winter(site), ...cleanings(site)]
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
    const ends = new Map<string, Hop[]>()
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
function mayGo(site: Site, { run, to, forward }: Hop, first: boolean): boolean {
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

const shared = (one: Hop[], two: Hop[]): Hop[] => one.filter(step => two.some(other => other.run === step.run))

/** True where the way to some taps is part of the way from another source. */
const isShared = (site: Site, steps: Hop[]): boolean => steps.some(({ to }) => graphOf(site).at(to.node).length > 2)

/** Valves on the way open; of lines that branch off it, the first valve shut, unless that line is where it leads. */
function positionsFor(site: Site, steps: Hop[], toTank: boolean): Mode['positions'] {
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

/** With no pump running: valves that stand shut on a way by which water falls to a tap opened, those to pumps shut. */
function powerCut(site: Site): ProposedMode[] {
  if (!site.runs.some(isPumped)) return []
  const graph = graphOf(site)
  const dead = Object.fromEntries(site.runs.filter(isPumped).map(({ id }) => [id, false]))
  const served = (of: Site) => {
    const taps = tapsOf(of)
    const open = Object.fromEntries(taps.map(({ id }) => [id, 1]))
    const moment = steady(of, { levels: levelsBetween(of, 0.5), open, running: dead })
    return taps.filter(({ id }) => moment.taps[id]!.flowLps >= FLOWS_LPS).length
  }
  const falls = tanksOf(site).flatMap(tank =>
    [
      ...walk(site, tank.id, {
        along: 'both',
        takes: (step, before) => !isPumped(step.run) && mayGo(site, step, !before.length),
      }),
    ].filter(({ node }) => node.kind === 'tap'),
  )
  const by = new Set(falls.flatMap(({ steps }) => steps.map(({ run }) => run)))
  const opened = [...by].flatMap(run =>
    valvesIn(run).flatMap(({ id, open }) => (open ? [] : [{ part: id, open: true }])),
  )
  // What a pump's line would let run back is shut off, where it has a valve for that.
  const shut = site.runs.flatMap(run => {
    const [valve] = valvesIn(run)
    const meets = graph.at(run.to.node).some(other => by.has(other))
    return isPumped(run) && valve && meets ? [{ part: valve.id, open: false }] : []
  })
  const positions = [...opened, ...shut]
  const mode = { id: 'cut', name: 'Power cut', positions }
  return opened.length && served(inMode(site, mode)) > served(site) ? [{ name: mode.name, positions }] : []
}

/** Where it freezes: lines that lead to nothing but taps outside shut by their last valve, and for summer opened again. */
function winter(site: Site): ProposedMode[] {
  if (!frostMonths(site).length) return []
  const outside = (node: SiteNode | undefined): node is NodeOf<'tap'> =>
    node?.kind === 'tap' && FIXTURES[node.fixture].outside
  const shut = site.runs.flatMap(run => {
    const valve = valvesIn(run).at(-1)
    const ends = [
      graphOf(site).node(run.to.node)!,
      ...[...walk(site, run.to.node, { along: 'down' })].map(to => to.node),
    ]
    const last = ends.filter(({ kind }) => kind !== 'joint')
    return valve && last.length && last.every(outside) ? [valve.id] : []
  })
  const positions = (open: boolean) => shut.map(part => ({ part, open }))
  return shut.length
    ? [
        { name: 'Winter', positions: positions(false) },
        { name: 'Summer', positions: positions(true) },
      ]
    : []
}
