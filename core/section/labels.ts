import { around, boundsOf, columnsOf, overlap, overlapAll, type Box } from './boxes'
import { portX, tankTopM, type Slot } from './slots'
import { FOLD_PX } from './scale'
import { eavesM, roofRiseM, type Drawing } from './drawing'
import { showQuantity, showVolume } from '../units'
import { chamberVolumeL, nameOf, nodeById, PIN_KIND, pinsOf, roofAreaM2, type Pin, type Site } from '../site'
import type { SiteNode } from '../kinds'
import { OUTFALLS, ROOFING } from '../catalog'

/** Words in the drawing, where they stand; with a leader where they had to stand away from what they name. */
export interface Label extends Box {
  /** What it names, and which of its labels it is. */
  of: string
  role: 'name' | 'figure' | 'pin'
  lines: string[]
  leader?: [[number, number], [number, number]]
}

/** A label that wants a place: around which point, and where it would stand best. */
interface Wish {
  of: string
  role: Label['role']
  lines: string[]
  at: [number, number]
  /** Middles of its box, best first. */
  places: [number, number][]
}

const LETTER_PX = { name: 6.7, figure: 5.9, pin: 6.2 }
/** A pin holds any reading that may come, until one does. */
const PIN_LETTERS = 9
const LINE_PX = 14
/** Further than this from its thing a label is led to it by a line. */
const LEADER_PX = 34
const PART_PX = 9
const LINE_HALF_PX = 2.5
/** How much worse it is to stand on another label than on a thing, to leave the drawing, and to stand second best. */
const [ON_LABEL, OUTSIDE, LATER] = [4, 50, 2]

/**
 * Places every label of a drawing: of each wish's places the one where it lies least over lines, parts, things and
 * labels that stand already. The same document in the same frame always gives the same places.
 */
export function labelsOf(site: Site, drawing: Drawing): Label[] {
  const obstacles = columnsOf<Box>()
  for (const obstacle of obstaclesOf(site, drawing)) obstacles.put(obstacle)
  const words = columnsOf<Box>()
  const placed: Label[] = []
  for (const wish of wishesOf(site, drawing)) {
    const width = Math.max(...wish.lines.map(line => line.length)) * LETTER_PX[wish.role] + 4
    const height = wish.lines.length * LINE_PX
    const boxes = wish.places.map(([x, y]): Box => ({ x: x - width / 2, y: y - height / 2, width, height }))
    const field = boundsOf(boxes)
    const [near, said] = [obstacles.over(field), words.over(field)]
    const trouble = (box: Box) =>
      overlapAll(box, near) +
      overlapAll(box, said) * ON_LABEL +
      (box.width * box.height - overlap(box, { x: 0, y: 0, width: drawing.widthPx, height: drawing.heightPx })) *
        OUTSIDE
    const best = boxes[leastTroubled(boxes, trouble)]!
    words.put(best)
    const reach = distance(best, wish.at)
    placed.push({
      ...best,
      of: wish.of,
      role: wish.role,
      lines: wish.lines,
      ...(reach > LEADER_PX ? { leader: [nearest(best, wish.at), wish.at] as Label['leader'] } : {}),
    })
  }
  return placed
}

/** The first of the places that costs least, by its trouble and by how far down the list it stands. */
function leastTroubled(boxes: Box[], trouble: (box: Box) => number): number {
  let [best, least] = [0, Infinity]
  for (let order = 0; order < boxes.length && order * LATER < least; order++) {
    const cost = trouble(boxes[order]!) + order * LATER
    if (cost < least) [best, least] = [order, cost]
  }
  return best
}

const nearest = (box: Box, [x, y]: [number, number]): [number, number] => [
  Math.min(box.x + box.width, Math.max(box.x, x)),
  Math.min(box.y + box.height, Math.max(box.y, y)),
]
const distance = (box: Box, at: [number, number]): number => {
  const [x, y] = nearest(box, at)
  return Math.hypot(x - at[0], y - at[1])
}

/** What a label must not lie on: lines, their parts, and the things that stand. */
function obstaclesOf(site: Site, { routes, slots, scale, widthPx }: Drawing): Box[] {
  const lines = routes.flatMap(({ points, parts }) => [
    ...points.slice(1).map(([x, y], at) => around(points[at]![0], points[at]![1], x, y, LINE_HALF_PX)),
    ...parts.map(({ x, y }) => around(x, y, x, y, PART_PX)),
  ])
  const things = slots.flatMap((slot): Box[] => {
    const [left, right] = [slot.x, slot.x + slot.width]
    if (slot.kind === 'roof') {
      const eaves = eavesM(site, slot.roof)
      return [around(left + 12, scale.y(eaves + Math.min(4, roofRiseM(slot.roof))), right - 12, scale.y(eaves), 0)]
    }
    if (slot.kind === 'taps') return slot.taps.map(tap => tapBox(site, slot, tap.id, tap.baseM, scale.y))
    const node = nodeById(site, slot.nodeId)
    if (node.kind === 'tank') return [around(left, scale.y(node.baseM), right, scale.y(tankTopM(node)) - 12, 1)]
    const middle = (left + right) / 2
    if (node.kind === 'chamber')
      return [around(middle, scale.y(node.baseM), middle, scale.y(node.baseM + node.heightM), 12)]
    if (node.kind === 'well')
      return [around(middle, scale.y(node.groundM), middle, scale.y(node.groundM - node.stillWaterDepthM), 8)]
    return [around(middle, scale.y(node.baseM), middle, scale.y(node.baseM), 7)]
  })
  const folds = scale.folds.map(({ yPx }) => around(0, yPx, widthPx, yPx, FOLD_PX / 2 + 2))
  return [...lines, ...things, ...folds]
}

const tapBox = (site: Site, slot: Slot, id: string, baseM: number, y: (heightM: number) => number): Box => {
  const x = portX(site, slot, { node: id, port: 'in' }, 0)
  return around(x, y(baseM) - 4, x, y(baseM) + 4, 6)
}

/** Places round a point: above, below, right, left, and then further out and across. */
function round([x, y]: [number, number], width: number, ...gaps: number[]): [number, number][] {
  return gaps.flatMap((gap): [number, number][] => [
    [x, y - gap],
    [x, y + gap],
    [x + gap + width / 2, y],
    [x - gap - width / 2, y],
    [x + width / 2, y - gap],
    [x - width / 2, y - gap],
    [x + width / 2, y + gap],
    [x - width / 2, y + gap],
  ])
}

function wishesOf(site: Site, drawing: Drawing): Wish[] {
  const { slots, scale } = drawing
  const units = site.standards.units
  const wishes = slots.flatMap((slot): (Wish & { rank: number })[] => {
    if (slot.kind === 'roof') return [{ rank: 1, ...roofWish(site, slot, scale.y) }]
    if (slot.kind === 'taps')
      return slot.taps.map(tap => {
        const name = nameOf(site, tap.id)
        const x = portX(site, slot, { node: tap.id, port: 'in' }, 0)
        const at: [number, number] = [x, scale.y(tap.baseM)]
        const width = name.length * LETTER_PX.name
        const places: [number, number][] = [[x + width / 2 - 8, at[1] - 15], ...round(at, width, 15, 24, 36, 50)]
        return { rank: 2, of: tap.id, role: 'name', lines: [name], at, places }
      })
    const node = nodeById(site, slot.nodeId)
    return nodeWishes(site, node, slot, scale.y, units)
  })
  return [...wishes.sort((a, b) => a.rank - b.rank), ...pinWishes(site, drawing)]
}

/** A pin stands by what it reads: with what it should show, and nothing where that is not kept. */
function pinWishes(site: Site, drawing: Drawing): Wish[] {
  return pinsOf(site).flatMap((pin): Wish[] => {
    const at = placeOfPin(site, drawing, pin)
    if (!at) return []
    const told = pin.shows === undefined ? '' : showQuantity(pin.shows, PIN_KIND[pin.reads], site.standards.units).text
    const width = PIN_LETTERS * LETTER_PX.pin
    return [
      { of: pin.id, role: 'pin', lines: [told.padEnd(PIN_LETTERS)], at, places: round(at, width, 16, 26, 38, 52) },
    ]
  })
}

function placeOfPin(site: Site, { slots, routes, scale }: Drawing, { at }: Pin): [number, number] | undefined {
  const route = routes.find(({ runId }) => runId === at)
  if (route) return route.points[Math.floor(route.points.length / 2)]
  for (const slot of slots) {
    if (slot.kind === 'taps') {
      const tap = slot.taps.find(({ id }) => id === at)
      if (tap) return [portX(site, slot, { node: at, port: 'in' }, 0), scale.y(tap.baseM)]
    } else if (slot.kind !== 'roof' && slot.nodeId === at) {
      const node = nodeById(site, at)
      return [slot.x + slot.width / 2, scale.y(node.kind === 'tank' ? (node.baseM + tankTopM(node)) / 2 : node.baseM)]
    }
  }
  return undefined
}

function roofWish(site: Site, slot: Extract<Slot, { kind: 'roof' }>, y: (heightM: number) => number): Wish {
  const { roof } = slot
  const eaves = y(eavesM(site, roof))
  const area = showQuantity(roofAreaM2(roof), 'area', site.standards.units).text
  const lines = [roof.name, area, ROOFING[roof.material].name]
  const width = Math.max(...lines.map(line => line.length)) * LETTER_PX.name
  const middle = slot.x + slot.width / 2
  const foot = y(slot.groundM)
  const top = y(eavesM(site, roof) + Math.min(4, roofRiseM(roof)))
  const rows = [26, 34, 42, 50, 58, 66].filter(down => eaves + down < foot - 12)
  const columns = [slot.x + 14 + width / 2, middle, middle - 8, middle - 16, slot.x + width / 2 - 4]
  const places = rows.flatMap(down => columns.map((x): [number, number] => [x, eaves + down]))
  return {
    of: roof.id,
    role: 'name',
    lines,
    at: [middle, eaves],
    places: [...places, [middle, top - 26], [slot.x, top - 20], [middle, eaves + 26]],
  }
}

function nodeWishes(
  site: Site,
  node: SiteNode,
  slot: Slot,
  y: (heightM: number) => number,
  units: Site['standards']['units'],
): (Wish & { rank: number })[] {
  const middle = slot.x + slot.width / 2
  const name = nameOf(site, node.id)
  const wide = (text: string, role: Label['role']) => text.length * LETTER_PX[role]
  switch (node.kind) {
    case 'tank': {
      const top = y(tankTopM(node))
      const at: [number, number] = [middle, top - 12]
      const places: [number, number][] = [[middle, top - 20], ...round(at, wide(name, 'name'), 10, 20, 32, 46)]
      return [{ rank: 0, of: node.id, role: 'name', lines: [name], at, places }]
    }
    case 'well': {
      const deep = `${showQuantity(node.stillWaterDepthM, 'length', units).text} down to water`
      const [head, water] = [y(node.groundM) - 8, y(node.groundM - node.stillWaterDepthM)]
      const side = wide(deep, 'figure') / 2
      return [
        {
          rank: 2,
          of: node.id,
          role: 'name',
          lines: [name],
          at: [middle, head],
          places: [[middle, head - 12], ...round([middle, head], wide(name, 'name'), 12, 22, 34, 48)],
        },
        {
          rank: 3,
          of: node.id,
          role: 'figure',
          lines: [deep],
          at: [middle, water],
          places: [
            [middle + 14 + side, water],
            [middle - 14 - side, water],
            [middle + 14 + side, water - 12],
            [middle - 14 - side, water - 12],
            [middle + 14 + side, water - 24],
            [middle - 14 - side, water - 24],
          ],
        },
      ]
    }
    case 'chamber': {
      const held = showVolume(chamberVolumeL(node), units).text
      const at: [number, number] = [middle, y(node.baseM) + 4]
      const places: [number, number][] = [
        [middle, at[1] + 12],
        ...round([middle, y(node.baseM + node.heightM / 2)], wide(held, 'figure'), 16, 24, 34, 46),
      ]
      return [{ rank: 4, of: node.id, role: 'figure', lines: [held], at, places }]
    }
    case 'outfall': {
      const words = node.name ?? (node.to === 'ground' ? 'to ground' : OUTFALLS[node.to].name)
      const at: [number, number] = [middle, y(node.baseM)]
      const places: [number, number][] = [[middle, at[1] + 16], ...round(at, wide(words, 'figure'), 16, 24, 34, 50, 70)]
      return [{ rank: 5, of: node.id, role: 'figure', lines: [words], at, places }]
    }
    // Taps are named with their group, joints when they are picked.
    case 'tap':
    case 'joint':
      return []
  }
  const at: [number, number] = [middle, y(node.baseM)]
  const places = round(at, wide(name, 'name'), 14, 24, 34)
  return [{ rank: 3, of: node.id, role: 'name', lines: [name], at, places }]
}
