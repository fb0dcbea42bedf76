import { z } from 'zod'
import { defineMove, Impossible, takeOut } from './move'
import { graphOf, thingName, type Run, type Site } from '../site'

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
  const run = graphOf(site).run(id)
  if (!run) return false
  site.runs = site.runs.filter(each => each !== run)
  leaveStubs(site, run)
  takeOutStranded(site, run.to.node)
  for (const end of [run.from.node, run.to.node])
    if (graphOf(site).node(end)?.kind === 'joint' && !graphOf(site).at(end).length) takeOut(site, end)
  return true
}

/** What a line leaves in the walls of its tanks: a stub, shut by the valve that stood there, else by a cap. */
function leaveStubs(site: Site, run: Run): void {
  for (const [end, part] of [[run.from, run.parts[0]] as const, [run.to, run.parts.at(-1)] as const]) {
    const node = graphOf(site).node(end.node)
    const port = node?.kind === 'tank' ? node.ports.find(each => each.name === end.port) : undefined
    if (
      !port ||
      port.role === 'overflow' ||
      graphOf(site)
        .at(end.node)
        .some(other => endsThere(other, end))
    )
      continue
    port.spare = part?.kind === 'valve' ? 'valve' : 'cap'
  }
}
const endsThere = (run: Run, end: Run['from']) =>
  [run.from, run.to].some(other => other.node === end.node && other.port === end.port)

function takeOutNode(site: Site, id: string): boolean {
  const node = graphOf(site).node(id)
  if (!node) return false
  if (node.kind === 'spout') takeOutLine(site, id)
  else {
    const lines = graphOf(site).at(id)
    takeOut(site, id)
    for (const line of lines) {
      leaveStubs(site, line)
      takeOutStranded(site, line.to.node)
    }
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
