import { DAY_S } from '../../units'
import { scenariosOf, type Scenario } from './scenarios'
import { steady, type RunState } from '../steady/steady'
import { fillL, levelsAt } from '../taps'
import { FLOWS_OF } from '../reads'
import { graphOf, inMode, remembered, roleOf, type Mode, type Run, type Site } from '../../site'
import { levelsOut, type SiteNode } from '../../kinds'

/** Ways in which water goes where it should not. */
export type WrongKind =
  'into-main' | 'into-well' | 'into-tank-by-outlet' | 'round-the-pump' | 'back-through-pump' | 'float-stuck'

/** Water that goes a wrong way: in which mode and when, from where to where, and by which runs. */
export interface WrongWay {
  id: string
  kind: WrongKind
  /** The mode in which it does; as the valves stand, where there is none. */
  mode?: string
  happening: string
  words: string
  fromId: string
  toId: string
  path: { runId: string; forward: boolean }[]
  flowLps: number
  litresPerDay: number
  /** Where a check valve ends it: in a run, before one of its parts or at its end. */
  check?: { runId: string; before?: string }
}

/** Less than this is a drip that nobody finds. */
const LEAST_LPS = 0.003

/** Every wrong way of a site, in each of its modes and as its valves stand; of each the worst, worst first. */
export const wrongWaysOf = remembered([...FLOWS_OF, 'modes'], (site: Site): WrongWay[] => {
  const worst = new Map<string, WrongWay>()
  for (const mode of [undefined, ...site.modes]) {
    const as = mode ? inMode(site, mode) : site
    for (const happening of scenariosOf(as))
      for (const way of waysIn(happening, mode)) {
        const known = worst.get(way.id)
        if (!known || known.flowLps < way.flowLps) worst.set(way.id, way)
      }
  }
  return [...worst.values()].sort((a, b) => b.flowLps - a.flowLps)
})

/** One way along a run that water flows: its beginning and its end, as the water meets them. */
interface Along {
  run: Run
  state: RunState
  from: Run['from']
  to: Run['to']
}

function waysIn({ id, words, site, asked }: Scenario, mode: Mode | undefined): WrongWay[] {
  const { runs, converged } = steady(site, asked)
  if (!converged) return []
  const graph = graphOf(site)
  const flowing = new Map<string, Along>()
  for (const run of site.runs) {
    const state = runs[run.id]
    if (!state || Math.abs(state.flowLps) < LEAST_LPS || roleOf(site, run.from) === 'overflow') continue
    const [from, to] = state.flowLps > 0 ? [run.from, run.to] : [run.to, run.from]
    flowing.set(run.id, { run, state, from, to })
  }
  const told = (kind: WrongKind, along: Along): WrongWay => {
    const path = pathThrough(flowing, graph.node, along)
    const [first, last] = [path[0]!, path.at(-1)!]
    const flowLps = Math.min(...path.map(({ state }) => Math.abs(state.flowLps)))
    return {
      id: `${kind}:${along.run.id}`,
      kind,
      ...(mode ? { mode: mode.id } : {}),
      happening: id,
      words,
      fromId: first.from.node,
      toId: last.to.node,
      path: path.map(({ run, from }) => ({ runId: run.id, forward: from === run.from })),
      flowLps,
      litresPerDay: Math.min(flowLps * DAY_S, mostL(site, first.from.node)),
      ...checkFor(site, kind, path, along),
    }
  }
  return [...flowing.values()].flatMap((along): WrongWay[] => {
    const kind = wrongAt(site, along, flowing, id)
    return kind ? [told(kind, along)] : []
  })
}

/** What there is to lose: a tank's own water, and of a well or a main as much as comes. */
const mostL = (site: Site, from: string): number =>
  graphOf(site).node(from)?.kind === 'tank' ? fillL(site, from) : Infinity

/** What is wrong about a flow at its end; nothing where it goes as it was laid. */
function wrongAt(site: Site, along: Along, flowing: Map<string, Along>, happening: string): WrongKind | undefined {
  const { run, from, to } = along
  const graph = graphOf(site)
  const [source, sink] = [graph.node(from.node)!, graph.node(to.node)!]
  // Behind its back-flow device a main is a joint that its branches share.
  if (sink.kind === 'main') return isJoint(sink) ? undefined : 'into-main'
  if (sink.kind === 'well') return 'into-well'
  const backwards = to === run.from
  if (sink.kind === 'tank') {
    if (happening.startsWith('float-') && !backwards && hadFloat(site, run)) return 'float-stuck'
    const role = roleOf(site, to)
    if (backwards && (role === 'outlet' || role === 'fire')) {
      const begins = pathThrough(flowing, graph.node, along)[0]!.from.node
      // Tanks that stand level with each other share their water by any line between them.
      return standLevel(site, begins, sink.id) ? undefined : 'into-tank-by-outlet'
    }
    const path = pathThrough(flowing, graph.node, along)
    if (path.some(each => pumped(each.run)) && path[0]!.from.node === sink.id) return 'round-the-pump'
  }
  if (backwards && pumped(run) && sink.kind !== 'tank' && source.kind !== 'tap') return 'back-through-pump'
  return undefined
}

const isJoint = (node: SiteNode | undefined): boolean =>
  node?.kind === 'joint' || (node?.kind === 'main' && node.backflow !== undefined)
const pumped = (run: Run): boolean => run.parts.some(({ kind }) => kind === 'pump')
/** A float that was taken out to stand for a stuck one left a fitting with its loss. */
const hadFloat = (site: Site, run: Run): boolean =>
  run.parts.some(part => part.kind === 'valve' && part.open && part.k !== undefined && part.k >= 1) &&
  graphOf(site).node(run.to.node)?.kind === 'tank'

/** Both full, two tanks spill at one height: water between them only evens out. */
function standLevel(site: Site, a: string, b: string): boolean {
  const [full, graph] = [levelsAt(site, 'full'), graphOf(site)]
  const heightM = (id: string) => {
    const node = graph.node(id)
    return node?.kind === 'tank' ? node.baseM + full[id]! : Infinity
  }
  return Math.abs(heightM(a) - heightM(b)) < 0.02
}

/** The way most of the water of a run comes and goes on, from where it stands to where it ends. */
function pathThrough(flowing: Map<string, Along>, nodeOf: (id: string) => SiteNode | undefined, along: Along): Along[] {
  const goesOn = (id: string) => isJoint(nodeOf(id))
  const most = (wanted: (each: Along) => boolean, path: Along[]) =>
    [...flowing.values()]
      .filter(each => wanted(each) && !path.includes(each))
      .sort((a, b) => Math.abs(b.state.flowLps) - Math.abs(a.state.flowLps))[0]
  const path = [along]
  for (;;) {
    const first = path[0]!
    const before = goesOn(first.from.node) ? most(each => each.to.node === first.from.node, path) : undefined
    if (!before) break
    path.unshift(before)
  }
  for (;;) {
    const last = path.at(-1)!
    const after = goesOn(last.to.node) ? most(each => each.from.node === last.to.node, path) : undefined
    if (!after) break
    path.push(after)
  }
  return path
}

/**
 * Where a check valve ends a wrong way and leaves the right one: in the first run on it that is gone along against how
 * it was laid, behind its pump, else behind its first valve. Into a public main no check valve is enough.
 */
function checkFor(site: Site, kind: WrongKind, path: Along[], along: Along): Pick<WrongWay, 'check'> {
  if (kind === 'into-main' || kind === 'float-stuck') return {}
  const against = [along, ...path].find(
    ({ run, from }) => from === run.to && !run.parts.some(part => part.kind === 'check') && !shares(site, run),
  )
  const run = against?.run
  if (!run) return {}
  const pump = run.parts.findIndex(part => part.kind === 'pump')
  const valve = run.parts.findIndex(part => part.kind === 'valve')
  const before = run.parts[Math.max(pump, pump < 0 ? valve : -1) + 1]
  return { check: { runId: run.id, ...(before ? { before: before.id } : {}) } }
}
/** A line that both fills a tank and feeds from it must let water both ways. */
const shares = (site: Site, run: Run): boolean => roleOf(site, run.to) === 'outlet' && run.parts.every(levelsOut)
