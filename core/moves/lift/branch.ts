import { z } from 'zod'
import { branchNode, branchOf, needFeed } from './liftBy'
import { addRun, defineMove, freshId, guessedLengthM, Impossible, required, pipe, toThousandth, valve } from '../move'
import { takeOutStranded } from '../takeOut'
import { feedsOf, graphOf, nameOf, portsByRole, reached, type Feed, type Run, type Site } from '../../site'
import type { NodeOf } from '../../kinds'
import { BRANCHING_IDS, BRANCHINGS, FIXTURE_IDS, FIXTURES, type BranchingId } from '../../catalog'

const BRANCH_MM = 20.93
const HOSE_HIGH_M = 0.8

/** How the taps of a feed hang on it: each from one joint, or one after another; undefined where there is one. */
export function branchingOf(site: Site, { branch, taps }: Feed): BranchingId | undefined {
  if (branch?.kind !== 'joint' || taps.length < 2) return undefined
  const onward = graphOf(site).outOf(branch.id)
  return onward.every(run => graphOf(site).node(run.to.node)?.kind === 'tap') ? 'manifold' : 'tees'
}

/** Hangs the taps of a feed all on one manifold, or one after another by tees, nearest first. */
export const branchBy = defineMove({
  args: z.object({ run: z.string(), by: z.enum(BRANCHING_IDS) }),
  label: ({ by }) => `Hang the taps ${BRANCHINGS[by].name}`,
  apply(site, { run: id, by }) {
    const feed = needFeed(site, id)
    if (branchingOf(site, feed) === undefined)
      throw new Impossible('One tap alone needs neither a manifold nor tees; lead another tap from this line first.')
    const joint = branchOf(site, feed)
    const own = feed.taps.map(tap => ownLine(site, joint.id, tap.id))
    if (own.some(line => !line))
      throw new Impossible('What stands between these taps is no plain branching; take it out first.')
    const lines = own as Run[]
    const between = [...reached(site, joint.id, { along: 'down' })].filter(
      node => node !== joint.id && graphOf(site).node(node)?.kind === 'joint',
    )
    // The stretches between tees go; each tap keeps the line of its own.
    site.runs = site.runs.filter(run => !between.includes(run.to.node))
    site.nodes = site.nodes.filter(node => !between.includes(node.id))
    if (by === 'manifold') for (const line of lines) line.from = { node: joint.id, port: 'out' }
    else hangByTees(site, joint, lines)
  },
})

/** The run that ends at a tap, where its way from a joint goes through joints alone. */
function ownLine(site: Site, joint: string, tap: string): Run | undefined {
  const [line] = graphOf(site)
    .into(tap)
    .filter(run => run.from.node === joint || reached(site, joint, { along: 'down' }).has(run.from.node))
  return line
}

function hangByTees(site: Site, first: NodeOf<'joint'>, lines: Run[]): void {
  const lengthM = (run: Run) => run.parts.reduce((sum, part) => sum + (part.kind === 'pipe' ? part.lengthM : 0), 0)
  const boreMm = Math.max(
    ...lines.flatMap(run => run.parts.flatMap(part => (part.kind === 'pipe' ? part.innerDiameterMm : []))),
  )
  let at = first
  const order = [...lines].sort((a, b) => lengthM(a) - lengthM(b))
  order.forEach((line, index) => {
    line.from = { node: at.id, port: 'out' }
    // The last two hang on the last tee.
    if (index >= order.length - 2) return
    const next = branchNode(site, at.baseM, at.groundM, 'Tee')
    addRun(site, { node: at.id, port: 'out' }, { node: next.id, port: 'in' }, [pipe(2, boreMm)])
    at = next
  })
}

/** Leads a tap that has a line from elsewhere off another line: its own line starts there from now on. */
export const leadTap = defineMove({
  args: z.object({ tap: z.string(), run: z.string() }),
  label: ({ tap, run }, site) => {
    const feed = feedsOf(site).find(({ trunk }) => trunk[0]!.id === run)
    return `Lead ${nameOf(site, tap)} off the line of ${feed ? nameOf(site, feed.source.id) : 'another source'}`
  },
  apply(site, { tap: id, run }) {
    const tap = required(site, id, 'tap')
    const feed = needFeed(site, run)
    if (feed.taps.some(each => each.id === id)) throw new Impossible(`${nameOf(site, id)} hangs on that line already.`)
    const joint = branchOf(site, feed)
    const from = { node: joint.id, port: 'out' }
    const old = graphOf(site).into(id)
    const stays = old.flatMap(each => each.parts).filter(part => part.kind === 'filter' || part.kind === 'lamp')
    const pipes = old.flatMap(each => each.parts).filter(part => part.kind === 'pipe')
    site.runs = site.runs.filter(each => each.to.node !== id)
    for (const each of old) dropDeadEnd(site, each.from.node)
    const to = { node: tap.id, port: 'in' }
    addRun(site, from, to, [
      valve(BRANCH_MM),
      ...stays,
      ...(pipes.length === 1 ? pipes : [pipe(guessedLengthM(site, from, to, 6), BRANCH_MM)]),
    ])
  },
})

/** A joint that leads nowhere any more goes, with the line to it. */
function dropDeadEnd(site: Site, nodeId: string): void {
  const graph = graphOf(site)
  const kind = graph.node(nodeId)?.kind
  if ((kind !== 'joint' && kind !== 'pressureTank') || graph.outOf(nodeId).length) return
  const feeders = graph.into(nodeId).map(run => run.from.node)
  site.runs = site.runs.filter(run => run.to.node !== nodeId)
  site.nodes = site.nodes.filter(node => node.id !== nodeId)
  for (const feeder of feeders) {
    takeOutStranded(site, feeder)
    dropDeadEnd(site, feeder)
  }
}

/**
 * One more tap that no use is named for: a hose tap, a trough, a hydrant; off a line that there is, or from a tank's
 * foot by gravity.
 */
export const addTap = defineMove({
  args: z.object({
    fixture: z.enum(FIXTURE_IDS),
    run: z.string().optional(),
    tank: z.string().optional(),
    name: z.string().min(1).max(120).optional(),
  }),
  label: ({ fixture, name }) => `Add ${name ?? `a ${FIXTURES[fixture].name}`}`,
  apply(site, { fixture, run, tank: tankId, name }) {
    const feed = run === undefined ? undefined : needFeed(site, run)
    const tank = tankId === undefined ? undefined : required(site, tankId, 'tank')
    if (!feed && !tank) throw new Impossible('A tap hangs on a line or on a tank; name one.')
    const outlet = tank && portsByRole(tank, 'outlet').find(port => port.intakeM === undefined)
    if (tank && !outlet) throw new Impossible(`${tank.name} has no outlet low in its wall; give it one first.`)
    const from = feed ? { node: branchOf(site, feed).id, port: 'out' } : { node: tank!.id, port: outlet!.name }
    const near = graphOf(site).node(from.node)!
    const lowest = tank ? tank.baseM + outlet!.heightM - 0.1 : Infinity
    const tap: NodeOf<'tap'> = {
      kind: 'tap',
      id: freshId(site, 'tap'),
      baseM: toThousandth(Math.min(near.groundM + HOSE_HIGH_M, Math.max(near.groundM + 0.2, lowest))),
      groundM: near.groundM,
      fixture,
      ...(name ? { name } : {}),
    }
    site.nodes.push(tap)
    const to = { node: tap.id, port: 'in' }
    const boreMm = fixture === 'hydrant' ? 52.5 : BRANCH_MM
    addRun(site, from, to, [valve(boreMm), pipe(guessedLengthM(site, from, to, 4), boreMm)])
  },
})
