import { z } from 'zod'
import { defineMove, Impossible, takeOut } from './move'
import { graphOf, thingName, type Site } from '../site'

/** Takes out whatever has the id: a roof, node, run or use with what hangs on it, or one of what they hold. */
export const remove = defineMove({
  args: z.object({ id: z.string() }),
  label: ({ id }, site) => `Take out ${thingName(site, id)}`,
  apply(site, { id }) {
    const done = [takeOutRoof, takeOutUse, takeOutRun, takeOutNode, takeOutWithin].some(act => act(site, id))
    if (!done) throw new Impossible('That is no longer in this site.')
  },
})

function takeOutRoof(site: Site, id: string): boolean {
  const roof = site.roofs.find(candidate => candidate.id === id)
  if (!roof) return false
  site.roofs = site.roofs.filter(candidate => candidate !== roof)
  for (const { nodeId } of roof.spouts)
    if (!site.roofs.some(other => other.spouts.some(spout => spout.nodeId === nodeId))) takeOutLine(site, nodeId)
  return true
}

function takeOutUse(site: Site, id: string): boolean {
  const use = site.uses.find(candidate => candidate.id === id)
  if (!use) return false
  site.uses = site.uses.filter(candidate => candidate !== use)
  if (!site.uses.some(other => other.at === use.at)) takeOutDeadEnd(site, use.at)
  return true
}

function takeOutRun(site: Site, id: string): boolean {
  if (!site.runs.some(run => run.id === id)) return false
  site.runs = site.runs.filter(run => run.id !== id)
  return true
}

function takeOutNode(site: Site, id: string): boolean {
  const node = graphOf(site).node(id)
  if (!node) return false
  if (node.kind === 'spout') takeOutLine(site, id)
  else {
    const onward = graphOf(site)
      .outOf(id)
      .map(run => run.to.node)
    takeOut(site, id)
    for (const end of onward) takeOutStranded(site, end)
  }
  return true
}

/** One thing of several that a roof, run or use holds: a piece, a gutter, a part, a step of rationing, an emitter. */
function takeOutWithin(site: Site, id: string): boolean {
  const without = <Thing extends { id: string }>(
    things: Thing[] | undefined,
    put: (rest: Thing[]) => void,
  ): boolean => {
    if (!things?.some(thing => thing.id === id)) return false
    put(things.filter(thing => thing.id !== id))
    return true
  }
  return (
    site.roofs.some(
      roof => without(roof.pieces, rest => (roof.pieces = rest)) || without(roof.spouts, rest => (roof.spouts = rest)),
    ) ||
    site.runs.some(run => without(run.parts, rest => (run.parts = rest))) ||
    site.uses.some(use => {
      const drip = use.amount.by === 'bed' ? use.amount.drip : undefined
      return (
        without(use.rations, rest => (use.rations = rest)) || without(drip?.emitters, rest => (drip!.emitters = rest))
      )
    })
  )
}

/** An outfall that nothing leads to any more. */
export function takeOutStranded(site: Site, id: string): void {
  const graph = graphOf(site)
  if (graph.node(id)?.kind === 'outfall' && !graph.into(id).length) takeOut(site, id)
}

/** A tap nobody uses goes with its line, back to the joint or tank it came from. */
function takeOutDeadEnd(site: Site, nodeId: string): void {
  const feeders = graphOf(site)
    .into(nodeId)
    .map(run => run.from.node)
  takeOut(site, nodeId)
  for (const feeder of feeders)
    if (graphOf(site).node(feeder)?.kind === 'joint' && !graphOf(site).outOf(feeder).length)
      takeOutDeadEnd(site, feeder)
}

/** A spout goes with what serves it alone: its chamber, the joints of its line, and their drains. */
function takeOutLine(site: Site, nodeId: string): void {
  const next = graphOf(site)
    .outOf(nodeId)
    .map(run => run.to.node)
  takeOut(site, nodeId)
  for (const id of next) {
    const node = graphOf(site).node(id)
    if (node && ['chamber', 'joint', 'outfall'].includes(node.kind) && !graphOf(site).into(id).length)
      takeOutLine(site, id)
  }
}
