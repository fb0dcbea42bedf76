import { isDrawn } from './symbols'
import { nodeById, type Run, type Site, runName, roleOf } from '../site'
import type { Part, PartOf } from '../kinds'

/** Where the water in a line came from: its colour and its pattern. */
export type Water = 'roof' | 'spill' | 'well' | 'main' | 'treated'
export interface Stretch {
  water: Water
  points: [number, number][]
}
export interface PlacedPart {
  id: string
  kind: Part['kind']
  x: number
  y: number
  upright: boolean
  open: boolean
}
export interface Route {
  runId: string
  name: string
  stretches: Stretch[]
  parts: PlacedPart[]
  points: [number, number][]
}

const LANE_PX = 9
const PART_PX = 19
/** Lines that leave at one place carry their parts one behind the other. */
const LANE_PARTS_PX = 66

/**
 * Draws a run as level and upright stretches between its two ends, with its parts along it in their order.
 * A line out of a well begins at its water, `sourceY`.
 */
export function routeRun(
  site: Site,
  run: Run,
  from: [number, number],
  to: [number, number],
  lane: number,
  sourceY?: number,
): Route {
  const points =
    sourceY === undefined ? corners(from, to, lane) : tidy([[from[0], sourceY], ...corners(from, to, lane)])
  const parts = placeParts(run, points, lane)
  const water = waterOf(site, run)
  const name = runName(site, run)
  const lamp = parts.find(part => part.kind === 'lamp')
  if (!lamp) return { runId: run.id, name, points, parts, stretches: [{ water, points }] }
  const at = points.findIndex((point, index) => index > 0 && onSegment(points[index - 1]!, point, [lamp.x, lamp.y]))
  return {
    runId: run.id,
    name,
    points,
    parts,
    stretches: [
      { water, points: [...points.slice(0, at), [lamp.x, lamp.y]] },
      { water: 'treated', points: [[lamp.x, lamp.y], ...points.slice(at)] },
    ],
  }
}

/**
 * Parts stand close to the end of the line that they are fitted at: those before its longest pipe where it begins,
 * the others where it ends.
 */
function placeParts(run: Run, points: [number, number][], lane: number): PlacedPart[] {
  const drawn = run.parts.filter(part => isDrawn(part.kind))
  const longest = run.parts.reduce<PartOf<'pipe'> | undefined>(
    (best, part) => (part.kind === 'pipe' && part.lengthM > (best?.lengthM ?? 0) ? part : best),
    undefined,
  )
  const before = longest ? run.parts.slice(0, run.parts.indexOf(longest)) : []
  const early = drawn.filter(part => before.includes(part))
  const total = lengthOf(points)
  const aside = lane * LANE_PARTS_PX
  const roomy = longest !== undefined && (drawn.length + 1) * PART_PX + aside < total
  return drawn.map((part, order) => {
    const fromStart = aside + (order + 0.75) * PART_PX
    const fromEnd = total - (drawn.length - order - 0.25) * PART_PX
    const { x, y, upright } = along(
      points,
      roomy ? (order < early.length ? fromStart : fromEnd) / total : (order + 0.7) / (drawn.length + 0.4),
    )
    return { id: part.id, kind: part.kind, x, y, upright, open: part.kind === 'valve' ? part.open : true }
  })
}

function waterOf(site: Site, run: Run): Water {
  const node = nodeById(site, run.from.node)
  if (node.kind === 'well') return 'well'
  if (node.kind === 'main') return 'main'
  const role = roleOf(site, run.from)
  if ((node.kind === 'tank' && role === 'overflow') || (node.kind === 'chamber' && role === 'drain')) return 'spill'
  return 'roof'
}

/** Falling lines drop at once and then run level; rising lines run level first and climb at their end. */
function corners([x1, y1]: [number, number], [x2, y2]: [number, number], lane: number): [number, number][] {
  if (Math.abs(y1 - y2) < 2 && lane === 0)
    return [
      [x1, y1],
      [x2, y2],
    ]
  const away = x2 >= x1 ? 1 : -1
  const shift = lane * LANE_PX
  const near = Math.min(10 + shift, Math.abs(x2 - x1) * 0.45)
  if (y2 > y1) {
    const turn = x1 + away * near
    return tidy([
      [x1, y1],
      [turn, y1],
      [turn, y2],
      [x2, y2],
    ])
  }
  const turn = x2 - away * near
  if (shift === 0)
    return tidy([
      [x1, y1],
      [turn, y1],
      [turn, y2],
      [x2, y2],
    ])
  const step = x1 + away * Math.min(5 + shift / 2, Math.abs(x2 - x1) * 0.2)
  return tidy([
    [x1, y1],
    [step, y1],
    [step, y1 - shift],
    [turn, y1 - shift],
    [turn, y2],
    [x2, y2],
  ])
}

function tidy(points: [number, number][]): [number, number][] {
  return points.filter(
    (point, index) => index === 0 || point[0] !== points[index - 1]![0] || point[1] !== points[index - 1]![1],
  )
}

function lengthOf(points: [number, number][]): number {
  return points.reduce(
    (sum, point, index) =>
      index ? sum + Math.abs(point[0] - points[index - 1]![0]) + Math.abs(point[1] - points[index - 1]![1]) : 0,
    0,
  )
}

/** The place at a share of a line's length. */
function along(points: [number, number][], share: number): { x: number; y: number; upright: boolean } {
  let left = lengthOf(points) * share
  for (let index = 1; index < points.length; index++) {
    const [a, b] = [points[index - 1]!, points[index]!]
    const step = Math.abs(b[0] - a[0]) + Math.abs(b[1] - a[1])
    if (left <= step || index === points.length - 1) {
      const part = step ? Math.min(1, left / step) : 0
      return {
        x: a[0] + (b[0] - a[0]) * part,
        y: a[1] + (b[1] - a[1]) * part,
        upright: Math.abs(b[1] - a[1]) > Math.abs(b[0] - a[0]),
      }
    }
    left -= step
  }
  return { x: points[0]![0], y: points[0]![1], upright: false }
}

function onSegment(a: [number, number], b: [number, number], [x, y]: [number, number]): boolean {
  const within = (value: number, one: number, other: number) =>
    value >= Math.min(one, other) - 0.01 && value <= Math.max(one, other) + 0.01
  return within(x, a[0], b[0]) && within(y, a[1], b[1])
}
