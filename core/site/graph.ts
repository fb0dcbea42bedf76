import { isDraft } from 'immer'
import type { Run, Site } from './schema'
import { does, levelsOut, passageOf, portsOf, runsThrough, type SiteNode } from '../kinds'

/** How a run is gone along: `run` from its beginning to its end where `forward`, else the other way round. */
export interface Hop {
  run: Run
  from: Run['from']
  to: Run['to']
  forward: boolean
}

/** One way that a walk found: the node it came to, and the steps it took there, in order. */
export interface WalkPath {
  node: SiteNode
  steps: Hop[]
}

/** How a walk goes. */
export interface Walk {
  /** Downstream from beginnings to ends, upstream from ends to beginnings, or both. */
  along: 'down' | 'up' | 'both'
  /** Steps that are taken, after those already taken; all, unless told. */
  takes?: (step: Hop, before: Hop[]) => boolean
  /** Nodes that are gone on from; those that lines run through (joints, chambers, pressure tanks), unless told. */
  goesOn?: (node: SiteNode) => boolean
  /** Ways that differ in this are followed each by itself; unless told, a node is gone on from once. */
  apart?: (steps: Hop[]) => string
}

/** What is joined to what in a site, looked up by id. */
export interface Graph {
  node: (id: string) => SiteNode | undefined
  run: (id: string) => Run | undefined
  /** The run in which a part sits. */
  runWith: (partId: string) => Run | undefined
  /** Runs that begin at a node, and that end there, in the document's order. */
  outOf: (id: string, port?: string) => Run[]
  into: (id: string, port?: string) => Run[]
  /** Every run that begins or ends at a node, in the document's order. */
  at: (id: string) => Run[]
}

const NONE: readonly Run[] = []
/** A document never changes once made, so what is joined in it is worked out once. */
const known = new WeakMap<SiteNode[], { runs: Run[]; graph: Graph }>()

/** The graph of a site, made once a document; a draft that a move is changing is looked up as it stands. */
export function graphOf(site: Pick<Site, 'nodes' | 'runs'>): Graph {
  const { nodes, runs } = site
  if (isDraft(site)) return lookedUp(nodes, runs)
  const last = known.get(nodes)
  if (last?.runs === runs) return last.graph
  const graph = make(nodes, runs)
  known.set(nodes, { runs, graph })
  return graph
}

/** Each question looked up by itself: in a draft, reading everything to answer one costs more than it saves. */
const lookedUp = (nodes: SiteNode[], runs: Run[]): Graph => ({
  node: id => nodes.find(node => node.id === id),
  run: id => runs.find(run => run.id === id),
  runWith: id => runs.find(run => run.parts.some(part => part.id === id)),
  outOf: (id, port) => runs.filter(({ from }) => from.node === id && (!port || from.port === port)),
  into: (id, port) => runs.filter(({ to }) => to.node === id && (!port || to.port === port)),
  at: id => runs.filter(run => run.from.node === id || run.to.node === id),
})

function make(nodes: SiteNode[], runs: Run[]): Graph {
  const nodeOf = new Map(nodes.map(node => [node.id, node]))
  const runOf = new Map(runs.map(run => [run.id, run]))
  const [out, into, at] = [new Map<string, Run[]>(), new Map<string, Run[]>(), new Map<string, Run[]>()]
  const put = (map: Map<string, Run[]>, key: string, run: Run) => {
    const list = map.get(key)
    if (list) list.push(run)
    else map.set(key, [run])
  }
  for (const run of runs) {
    put(out, run.from.node, run)
    put(into, run.to.node, run)
    put(at, run.from.node, run)
    if (run.to.node !== run.from.node) put(at, run.to.node, run)
  }
  let withPart: Map<string, Run> | undefined
  const listed = (map: Map<string, Run[]>, id: string) => (map.get(id) ?? NONE) as Run[]
  return {
    node: id => nodeOf.get(id),
    run: id => runOf.get(id),
    runWith: id => (withPart ??= new Map(runs.flatMap(run => run.parts.map(part => [part.id, run] as const)))).get(id),
    outOf: (id, port) => (port ? listed(out, id).filter(run => run.from.port === port) : listed(out, id)),
    into: (id, port) => (port ? listed(into, id).filter(run => run.to.port === port) : listed(into, id)),
    at: id => listed(at, id),
  }
}

/**
 * True where one line both fills a tank and feeds from it: it ends at the tank's draw-off, and nothing in it keeps its
 * water from coming back.
 */
export function fillsAndFeeds(graph: Graph, run: Run): boolean {
  const tank = graph.node(run.to.node)
  if (tank?.kind !== 'tank') return false
  const role = tank.ports.find(port => port.name === run.to.port)?.role
  return role === 'outlet' && run.parts.every(levelsOut)
}

/** Ways along a run from one of its ends: with its water, against it, or both. */
function stepsFrom(graph: Graph, id: string, along: Walk['along']): Hop[] {
  return graph.at(id).flatMap(run => {
    const either = along === 'both' || fillsAndFeeds(graph, run)
    return [
      ...((either || along === 'down') && run.from.node === id
        ? [{ run, from: run.from, to: run.to, forward: true }]
        : []),
      ...((either || along === 'up') && run.to.node === id
        ? [{ run, from: run.to, to: run.from, forward: false }]
        : []),
    ]
  })
}

/**
 * Walks the runs from a node, the one walk through lines that there is, and tells every way that it comes to a node by,
 * in the order of the document. A node is gone on from once (once a kind of way, where those are kept apart), so a
 * ring ends and the work grows with the runs alone.
 */
export function* walk(site: Pick<Site, 'nodes' | 'runs'>, from: string, how: Walk): Generator<WalkPath> {
  const graph = graphOf(site)
  const goesOn = how.goesOn ?? runsThrough
  const gone = new Set<string>()
  function* onward(id: string, before: Hop[]): Generator<WalkPath> {
    const key = `${id} ${how.apart?.(before) ?? ''}`
    if (gone.has(key)) return
    gone.add(key)
    for (const step of stepsFrom(graph, id, how.along)) {
      if (before.some(taken => taken.run === step.run) || (how.takes && !how.takes(step, before))) continue
      const node = graph.node(step.to.node)
      if (!node) continue
      const steps = [...before, step]
      yield { node, steps }
      if (goesOn(node)) yield* onward(node.id, steps)
    }
  }
  yield* onward(from, [])
}

/** The nodes that can be reached from one, itself first, each once, in the order in which they are met. */
export function reached(site: Pick<Site, 'nodes' | 'runs'>, from: string, how: Walk): Set<string> {
  const found = new Set([from])
  for (const { node } of walk(site, from, how)) found.add(node.id)
  return found
}

/** True where water can go along a step, its parts as they stand. */
export function isOpen({ run, forward }: Pick<Hop, 'run' | 'forward'>): boolean {
  return run.parts.every(part => {
    const passage = passageOf(part)
    return passage === 'both ways' || (passage === 'forward' && forward)
  })
}

/** True where a valve of a run stands shut. */
export const isShut = (run: Run): boolean => run.parts.some(part => passageOf(part) === 'shut')

/** True where a run lifts its water by a pump. */
export const isPumped = (run: Run): boolean => run.parts.some(part => does(part, 'lifts'))

/** A node that the document is known to hold. */
export function nodeById(site: Pick<Site, 'nodes' | 'runs'>, id: string): SiteNode {
  const node = graphOf(site).node(id)
  if (!node) throw new Error(`no node ${id}`)
  return node
}

/** Height of a run's end above the datum. */
export function portHeightM(site: Pick<Site, 'nodes' | 'runs'>, end: Run['from']): number {
  const node = nodeById(site, end.node)
  if (isDraft(node)) return portsOf(node).find(port => port.name === end.port)!.heightM
  const known = heightsKnown.get(node) ?? new Map(portsOf(node).map(port => [port.name, port.heightM]))
  heightsKnown.set(node, known)
  return known.get(end.port)!
}
/** A node never changes once made. */
const heightsKnown = new WeakMap<SiteNode, Map<string, number>>()

export const runsFrom = (site: Pick<Site, 'nodes' | 'runs'>, node: string, port?: string): Run[] =>
  graphOf(site).outOf(node, port)

export const runsTo = (site: Pick<Site, 'nodes' | 'runs'>, node: string, port?: string): Run[] =>
  graphOf(site).into(node, port)
