import { tankHeight } from '../sums'
import { lineFrom, roofAreaM2, runsFrom, type Roof, type Run, type Site, tanksInOrder } from '../site'
import type { NodeOf, Tank } from '../kinds'
import { FIXTURES } from '../catalog'

/** A stretch of the drawing's width that one thing, or one group of taps, stands in. */
export type Slot = { x: number; width: number; groundM: number; yields: boolean } & (
  | { kind: 'roof'; roof: Roof; spouts: NodeOf<'spout'>[] }
  | { kind: 'node'; nodeId: string }
  | { kind: 'taps'; taps: NodeOf<'tap'>[]; indoors: boolean }
)

const MOST_GAP_PX = 64
const LEAST_GAP_PX = 9
/**
 * Share of its natural width that a roof, a group of taps or an outfall keeps where it is crowded, and that tanks and
 * pumps keep after them.
 */
const NARROWEST = 0.6
const TIGHTEST = 0.8
export const STAFF_PX = 56

/** Lays everything out from left to right as the water goes. The drawing grows wider than asked where it must. */
export function slotsOf(site: Site, pxPerM: number, widthPx: number): { slots: Slot[]; widthPx: number } {
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
      groundM: site.nodes.find(node => node.id === id)!.groundM,
    })
  }
  const wide = (metres: number) => Math.max(48, Math.min(104, metres * pxPerM * 1.3))

  for (const roof of site.roofs) {
    const spouts = roof.spouts
      .map(spout => site.nodes.find(node => node.id === spout.nodeId))
      .filter(node => node?.kind === 'spout')
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
        const node = site.nodes.find(candidate => candidate.id === run.to.node)!
        if (node.kind === 'chamber') put(node.id, 30)
        else if (node.kind === 'joint') {
          put(node.id, 18)
          for (const drain of runsFrom(site, node.id))
            if (site.nodes.some(end => end.id === drain.to.node && end.kind === 'outfall')) put(drain.to.node, 26, true)
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
      const end = site.nodes.find(node => node.id === run.to.node)
      if (end?.kind === 'outfall') put(end.id, 32, true)
    }
    for (const run of runsFrom(site, tank.id)) {
      const end = site.nodes.find(node => node.id === run.to.node)
      if (end?.kind === 'joint' || end?.kind === 'pressureTank') put(end.id, run.parts.length > 2 ? 60 : 30)
    }
  }
  for (const node of site.nodes) if (node.kind !== 'tap') put(node.id, 30)
  slots.push(...tapSlots(site))
  return spread(slots, widthPx)
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

/**
 * Shares the width out. Crowded things come closer first, then grow narrower, and only then does the drawing grow
 * wider.
 */
function spread(slots: Slot[], widthPx: number): { slots: Slot[]; widthPx: number } {
  const natural = slots.reduce((sum, slot) => sum + slot.width, 0)
  const slopes = slots.map((slot, at) => slopePx(slots[at - 1], slot))
  const room = widthPx - STAFF_PX - 20 - slopes.reduce((sum, px) => sum + px, 0)
  const gap = slots.length ? Math.max(LEAST_GAP_PX, Math.min(MOST_GAP_PX, (room - natural) / slots.length)) : 0
  const yielding = slots.filter(slot => slot.yields).reduce((sum, slot) => sum + slot.width, 0)
  const narrow = Math.max(
    NARROWEST,
    Math.min(1, (room - gap * slots.length - (natural - yielding)) / Math.max(1, yielding)),
  )
  const rest = room - gap * slots.length - yielding * narrow
  const pinch = Math.max(TIGHTEST, Math.min(1, rest / Math.max(1, natural - yielding)))
  let x = STAFF_PX + gap / 2
  const laid = slots.map((slot, at) => {
    x += slopes[at]!
    const place = { ...slot, x, width: slot.width * (slot.yields ? narrow : pinch) }
    x += place.width + gap
    return place
  })
  return { slots: laid, widthPx: Math.max(widthPx, x - gap / 2 + 12) }
}

/** Room for the slope between two things whose ground differs: a hill is a slope, not a pillar. */
function slopePx(before: Slot | undefined, slot: Slot): number {
  const riseM = before ? Math.abs(slot.groundM - before.groundM) : 0
  return riseM < 1 ? 0 : Math.min(MOST_SLOPE_PX, 6 + riseM * 4)
}
const MOST_SLOPE_PX = 18

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
  const node = site.nodes.find(candidate => candidate.id === end.node)!
  if (node.kind === 'tank') return edge
  // A joint stands at the far end of its stretch, which leaves room for the pump before it.
  if (node.kind === 'joint') return slot.x + slot.width - 12
  return slot.x + slot.width / 2
}

export function tankTopM(tank: Tank): number {
  return tank.baseM + tankHeight(tank.shape)
}
