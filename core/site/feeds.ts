import type { Run, Site } from './schema'
import { onceLaid } from './remembered'
import { fillsAndFeeds, graphOf, isPumped, walk } from './graph'
import { roleOf } from './names'
import type { NodeOf, PartOf, SiteNode, Tank } from '../kinds'
import type { HoldId, LiftId } from '../catalog'

/** Where a line under pressure starts. */
export type FeedSource = Tank | NodeOf<'well'> | NodeOf<'main'>

/** A line that brings water from a tank, a well or a main to one or more taps, and how it is lifted there. */
export interface Feed {
  source: FeedSource
  /** The port that it starts at. */
  port: string
  /** The runs that serve all of its taps, in order, up to where it parts or to its one tap. */
  trunk: Run[]
  /** Where it parts: a manifold or the first tee; with one tap, nowhere. */
  branch: SiteNode | undefined
  taps: NodeOf<'tap'>[]
  lift: LiftId
  hold: HoldId
  pump: PartOf<'pump'> | undefined
  vessel: NodeOf<'pressureTank'> | undefined
}

const isSource = (node: SiteNode | undefined): node is FeedSource =>
  node?.kind === 'tank' || node?.kind === 'well' || node?.kind === 'main'

/** True where a line that starts there carries what is used: no overflow, link or drain. */
const draws = (site: Site, end: Run['from']): boolean => {
  const role = roleOf(site, end)
  return role === 'outlet' || role === 'fire'
}

/** Where a line starts: its beginning, and for one that fills a tank and feeds from it, its end at that tank. */
const startsOf = (site: Site, run: Run): Run['from'][] =>
  fillsAndFeeds(graphOf(site), run) ? [run.from, run.to] : [run.from]
const otherEnd = (run: Run, node: string): string => (run.from.node === node ? run.to.node : run.from.node)

/** Every line that brings water to taps, each by the run that it starts with. */
export const feedsOf = onceLaid((site: Site): Feed[] =>
  site.runs.flatMap(first =>
    startsOf(site, first).flatMap((start): Feed[] => {
      const graph = graphOf(site)
      const source = graph.node(start.node)
      if (!isSource(source) || !draws(site, start)) return []
      const taps = tapsBehind(site, source.id, first)
      if (!taps.length) return []
      const { trunk, end } = trunkOf(site, source.id, first)
      // A pump led into the line of a hill tank fills that: the taps on it are the tank's.
      if (graph.outOf(end.id).some(run => run.to.node !== source.id && fillsAndFeeds(graph, run))) return []
      const vessel = trunk.map(run => graph.node(run.to.node)!).find(node => node.kind === 'pressureTank')
      const pump = trunk.flatMap(run => run.parts).find(part => part.kind === 'pump')
      return [
        {
          source,
          port: start.port,
          trunk,
          branch: end.kind === 'tap' ? undefined : end,
          taps,
          lift: liftOf(source, first, pump),
          hold: vessel ? 'pressure-tank' : 'straight',
          pump,
          vessel,
        },
      ]
    }),
  ),
)

function tapsBehind(site: Site, source: string, first: Run): NodeOf<'tap'>[] {
  const found = new Map<string, NodeOf<'tap'>>()
  const ways = walk(site, source, {
    along: 'down',
    takes: ({ run }, before) => before.length > 0 || run === first,
  })
  for (const { node } of ways) if (node.kind === 'tap') found.set(node.id, node)
  return [...found.values()]
}

/** On from a run for as long as all its water goes one way, and where it parts. */
function trunkOf(site: Site, source: string, first: Run): { trunk: Run[]; end: SiteNode } {
  const graph = graphOf(site)
  const trunk = [first]
  let end = graph.node(otherEnd(first, source))!
  for (;;) {
    const onward =
      end.kind === 'joint' || end.kind === 'pressureTank' ? graph.outOf(end.id).filter(run => !trunk.includes(run)) : []
    if (onward.length !== 1) return { trunk, end }
    trunk.push(onward[0]!)
    end = graph.node(onward[0]!.to.node)!
  }
}

/** How a line is lifted, by its pump and where that stands. */
function liftOf(source: FeedSource, first: Run, pump: PartOf<'pump'> | undefined): LiftId {
  if (!pump) return 'gravity'
  if (pump.pump !== 'on-demand') return pump.pump
  const port = source.kind === 'tank' ? source.ports.find(each => each.name === first.from.port) : undefined
  return port?.intakeM === undefined ? 'on-demand' : 'on-demand-above'
}

/** The feed that a run belongs to, as its trunk or a branch of it. */
export const feedOfRun = (site: Site, run: Run): Feed | undefined =>
  feedsOf(site).find(feed => feed.trunk.includes(run) || feed.taps.some(tap => tap.id === run.to.node))

/** A pumped line from a tank, or a well, that fills another tank. */
export interface Filling {
  source: FeedSource
  tank: Tank
  runs: Run[]
  pump: PartOf<'pump'>
}

/** Every pumped line that fills a tank. */
export const fillingsOf = onceLaid((site: Site): Filling[] =>
  site.nodes.filter(isSource).flatMap(source =>
    [
      ...walk(site, source.id, {
        along: 'down',
        takes: ({ from, forward }, before) => forward && (before.length > 0 || draws(site, from)),
      }),
    ].flatMap(({ node, steps }): Filling[] => {
      const runs = steps.map(step => step.run)
      const pump = runs.flatMap(run => run.parts).find(part => part.kind === 'pump')
      return node.kind === 'tank' && pump && runs.some(isPumped) ? [{ source, tank: node, runs, pump }] : []
    }),
  ),
)
