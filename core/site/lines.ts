import type { Roof, Run, Site } from './schema'
import { roleOf } from './names'
import { onceEach } from './remembered'
import { graphOf, nodeById, reached, walk, type WalkPath } from './graph'
import { runsThrough, type NodeOf, type Part, type PartOf } from '../kinds'

/**
 * The runs from a spout to where its water ends, in order: through chambers and joints, past drains, to a tank where
 * one can be reached, else to where they end, an outfall last.
 */
export const lineFrom = onceEach((site: Site, spoutId: string): Run[] => {
  const ends = [...walk(site, spoutId, { along: 'down', takes: step => roleOf(site, step.from) !== 'drain' })].filter(
    way => !runsThrough(way.node) || !graphOf(site).outOf(way.node.id).length,
  )
  const line = ends.find(way => way.node.kind === 'tank') ?? ends.find(way => way.node.kind !== 'outfall') ?? ends[0]
  return line?.steps.map(step => step.run) ?? []
})

/** A screen head that hangs at a height of its own in the first run of a spout's line. */
export type HungHead = PartOf<'screen'> & { hangsAtM: number }
const isHung = (part: Part): part is HungHead => part.kind === 'screen' && part.hangsAtM !== undefined

export const hungHead = (run: Run | undefined): HungHead | undefined => run?.parts.find(isHung)

/** Where a spout's line is open to the air, and its storm spills: its gutter's outlet, or a screen head below it. */
export const openAtM = (spout: NodeOf<'spout'>, line: readonly Run[]): number =>
  Math.min(spout.baseM, hungHead(line[0])?.hangsAtM ?? Infinity)

/** The way back from a tap to the tank, well or main that its line starts from; undefined where none leads to it. */
export function wayTo(site: Site, tapId: string): WalkPath | undefined {
  for (const way of walk(site, tapId, { along: 'up' })) if (!runsThrough(way.node)) return way
  return undefined
}

/** The tank, well or main that a tap's line starts from, past what it runs through. */
export const lineTo = (site: Site, tapId: string): string | undefined => wayTo(site, tapId)?.node.id

/** The spouts whose water comes past a node. */
export function spoutsAbove(site: Site, nodeId: string): NodeOf<'spout'>[] {
  return [...reached(site, nodeId, { along: 'up' })]
    .map(id => nodeById(site, id))
    .filter((node): node is NodeOf<'spout'> => node.kind === 'spout')
}

/** The roofs whose water a spout takes. */
export function roofsAbove(site: Site, spoutIds: string[]): Roof[] {
  return site.roofs.filter(roof => roof.spouts.some(spout => spout.share > 0 && spoutIds.includes(spout.nodeId)))
}
