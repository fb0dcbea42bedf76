import { nodeById, runsFrom, runsTo } from './ports'
import { spoutAreaM2 } from './roofs'
import type { NodeOf, Roof, Run, Site } from './schema'

/** The runs from a spout to where its water ends, in order: through chambers and joints, past drains, to a tank where one can be reached. */
export function lineFrom(site: Site, spoutId: string): Run[] {
  const line: Run[] = []
  let from = spoutId
  for (;;) {
    const onward = runsFrom(site, from).filter(run => !line.includes(run) && run.from.port !== 'drain')
    const next = onward.find(run => nodeById(site, run.to.node).kind !== 'outfall') ?? onward[0]
    if (!next) return line
    line.push(next)
    const { kind } = nodeById(site, next.to.node)
    if (kind !== 'joint' && kind !== 'chamber') return line
    from = next.to.node
  }
}

/** The tank, well or main that a tap's line starts from, past its joints; undefined where no line leads to it. */
export function lineTo(site: Site, tapId: string): string | undefined {
  const seen = new Set<string>()
  let here = tapId
  for (;;) {
    const run = runsTo(site, here)[0]
    if (!run || seen.has(run.id)) return undefined
    seen.add(run.id)
    here = run.from.node
    if (nodeById(site, here).kind !== 'joint' && nodeById(site, here).kind !== 'pressureTank') return here
  }
}

/** The spouts whose water comes past a node. */
export function spoutsAbove(site: Site, nodeId: string, seen = new Set<string>()): Set<NodeOf<'spout'>> {
  if (seen.has(nodeId)) return new Set()
  seen.add(nodeId)
  const node = nodeById(site, nodeId)
  if (node.kind === 'spout') return new Set([node])
  return new Set(runsTo(site, nodeId).flatMap(run => [...spoutsAbove(site, run.from.node, seen)]))
}

/** Plan area whose first rain a chamber keeps. */
export function chamberAreaM2(site: Site, chamberId: string): number {
  return [...spoutsAbove(site, chamberId)].reduce((sum, spout) => sum + spoutAreaM2(site, spout.id), 0)
}

/** The roofs whose water a spout takes. */
export function roofsAbove(site: Site, spoutIds: string[]): Roof[] {
  return site.roofs.filter(roof => roof.spouts.some(spout => spout.share > 0 && spoutIds.includes(spout.nodeId)))
}
