import { tankHeight } from '../sums'
import {
  graphOf,
  lineFrom,
  nodeById,
  roofAreaM2,
  runsFrom,
  type Roof,
  type Run,
  type Site,
  tanksInOrder,
} from '../site'
import type { NodeOf, Tank } from '../kinds'
import { FIXTURES } from '../catalog'

/** A stretch of the drawing's width that one thing, or one group of taps, stands in. */
export type Slot = { x: number; width: number; groundM: number; yields: boolean } & (
  | { kind: 'roof'; roof: Roof; spouts: NodeOf<'spout'>[] }
  | { kind: 'node'; nodeId: string }
  | { kind: 'taps'; taps: NodeOf<'tap'>[]; indoors: boolean }
)

export const STAFF_PX = 56

/** Share of its natural width that a thing keeps where it is crowded: a roof, a group of taps, an outfall; the rest. */
const [NARROWEST, TIGHTEST] = [0.6, 0.8]
export const narrowPx = (slot: Slot): number => slot.width * (slot.yields ? NARROWEST : TIGHTEST)

/** Everything that stands, from left to right as the water goes, each as wide as it likes to be; not yet placed. */
export function slotsOf(site: Site, pxPerM: number): Slot[] {
  const placed = new Set<string>()
  const slots: Slot[] = []
  const put = (id: string, width: number, yields = false) => {
    if (placed.has(id)) return
    placed.add(id)
    slots.push({
      kind: 'node',
      nodeId: id,
      x: 0,
      width,
      yields,
      groundM: nodeById(site, id).groundM,
    })
  }
  const wide = (metres: number) => Math.max(48, Math.min(104, metres * pxPerM * 1.3))

  for (const roof of site.roofs) {
    const spouts = roof.spouts.map(spout => graphOf(site).node(spout.nodeId)).filter(node => node?.kind === 'spout')
    for (const spout of spouts) placed.add(spout.id)
    slots.push({
      kind: 'roof',
      roof,
      spouts,
      x: 0,
      width: Math.max(92, Math.min(126, Math.sqrt(roofAreaM2(roof)) * pxPerM * 0.6)),
      groundM: spouts[0]?.groundM ?? 0,
      yields: true,
    })
    for (const spout of spouts) {
      for (const run of lineFrom(site, spout.id)) {
        const node = nodeById(site, run.to.node)
        if (node.kind === 'chamber') put(node.id, 30)
        else if (node.kind === 'joint') {
          put(node.id, 18)
          for (const drain of runsFrom(site, node.id))
            if (graphOf(site).node(drain.to.node)?.kind === 'outfall') put(drain.to.node, 24, true)
        }
      }
    }
  }
  for (const node of site.nodes) if (node.kind === 'spout') put(node.id, 24)
  for (const node of site.nodes) if (node.kind === 'chamber') put(node.id, 30)
  for (const node of site.nodes) if (node.kind === 'well' || node.kind === 'main') put(node.id, 30)
  for (const tank of tanksInOrder(site)) {
    put(tank.id, wide(tank.shape.shape === 'upright-cylinder' ? tank.shape.diameterM : tank.shape.lengthM))
    for (const run of runsFrom(site, tank.id)) {
      const end = graphOf(site).node(run.to.node)
      if (end?.kind === 'outfall') put(end.id, 26, true)
    }
    for (const run of runsFrom(site, tank.id)) {
      const end = graphOf(site).node(run.to.node)
      if (end?.kind === 'joint' || end?.kind === 'pressureTank') put(end.id, 24)
    }
  }
  for (const node of site.nodes) if (node.kind !== 'tap') put(node.id, 30)
  return [...slots, ...tapSlots(site)]
}

/** Taps at one level of ground stand together under one roof; drips and taps in the yard stand in the open. */
function tapSlots(site: Site): Slot[] {
  const taps = site.nodes.filter(node => node.kind === 'tap')
  const indoors = (tap: NodeOf<'tap'>) => FIXTURES[tap.fixture].indoors
  const groups = new Map<string, NodeOf<'tap'>[]>()
  for (const tap of taps) {
    const key = indoors(tap) ? `in:${tap.groundM}` : `out:${tap.id}`
    groups.set(key, [...(groups.get(key) ?? []), tap])
  }
  return [...groups].map(([key, members]) => ({
    kind: 'taps',
    taps: members.sort((a, b) => b.baseM - a.baseM),
    indoors: key.startsWith('in'),
    x: 0,
    width: Math.max(70, 40 + members.length * 27),
    groundM: members[0]!.groundM,
    yields: true,
  }))
}

const membersOf = (slot: Slot): string[] =>
  slot.kind === 'node' ? [slot.nodeId] : (slot.kind === 'roof' ? slot.spouts : slot.taps).map(node => node.id)

/** The stretch that each node stands in, by the node's id. */
export const slotsByNode = (slots: Slot[]): Map<string, Slot> =>
  new Map(slots.flatMap(slot => membersOf(slot).map((id): [string, Slot] => [id, slot])))

/** Where a run meets a slot: the port's place within it. Inlets on the left, the rest towards the other end. */
export function portX(site: Site, slot: Slot, end: Run['from'], otherX: number): number {
  const right = otherX > slot.x + slot.width / 2
  const edge = right ? slot.x + slot.width : slot.x
  if (slot.kind === 'taps') {
    const index = slot.taps.findIndex(tap => tap.id === end.node)
    return slot.x + 30 + (index * (slot.width - 44)) / Math.max(1, slot.taps.length - 1 || 1)
  }
  if (slot.kind === 'roof')
    return (
      slot.x +
      slot.width -
      6 -
      12 *
        Math.max(
          0,
          slot.spouts.findIndex(spout => spout.id === end.node),
        )
    )
  const node = nodeById(site, end.node)
  if (node.kind === 'tank') return edge
  return slot.x + slot.width / 2
}

export function tankTopM(tank: Tank): number {
  return tank.baseM + tankHeight(tank.shape)
}
