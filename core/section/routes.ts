import type { PlacedPart, Point } from './parts'
import { nodeById, type Run, type Site, runName, roleOf } from '../site'

/** Where the water in a line came from: its colour and its pattern. */
export type Water = 'roof' | 'spill' | 'well' | 'main' | 'treated'
/** The way of a run in the drawing, with its parts on it. */
export interface Route {
  runId: string
  name: string
  water: Water
  /** Place in `points` of the lamp past which the water is treated. */
  treatedFrom?: number
  parts: PlacedPart[]
  points: Point[]
  /** How far it reaches to the left and to the right. */
  reachPx: [number, number]
}

/** Lines that leave at one place run this far apart; past so many they run together. */
const [LANE_PX, MOST_LANES] = [10, 4]

/**
 * The way of a run: level and upright stretches between its two ends, `lane` of those that leave where it does, led
 * `round` what stands in its way. A line out of a well begins at its water, `sourceY`.
 */
export function wayOf(
  from: Point,
  to: Point,
  lane: number,
  round: (points: Point[]) => Point[],
  sourceY?: number,
): Point[] {
  const bends = round(corners(from, to, lane))
  return sourceY === undefined ? bends : tidy([[from[0], sourceY], ...bends])
}

/** A run as it is drawn. Past a lamp the water is treated. */
export function routeOf(site: Site, run: Run, points: Point[], parts: PlacedPart[]): Route {
  const lamp = parts.find(part => part.kind === 'lamp')
  const at = lamp
    ? points.findIndex((point, index) => index > 0 && onSegment(points[index - 1]!, point, [lamp.x, lamp.y]))
    : -1
  const way: Point[] = lamp && at > 0 ? points.toSpliced(at, 0, [lamp.x, lamp.y]) : points
  const xs = way.map(([x]) => x)
  return {
    runId: run.id,
    name: runName(site, run),
    water: waterOf(site, run),
    ...(at > 0 ? { treatedFrom: at } : {}),
    parts,
    points: way,
    reachPx: [Math.min(...xs), Math.max(...xs)],
  }
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
function corners([x1, y1]: Point, [x2, y2]: Point, lane: number): Point[] {
  if (Math.abs(y1 - y2) < 2 && lane === 0)
    return [
      [x1, y1],
      [x2, y2],
    ]
  const away = x2 >= x1 ? 1 : -1
  const shift = Math.min(lane, MOST_LANES) * LANE_PX
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

function tidy(points: Point[]): Point[] {
  return points.filter(
    (point, index) => index === 0 || point[0] !== points[index - 1]![0] || point[1] !== points[index - 1]![1],
  )
}

function onSegment(a: Point, b: Point, [x, y]: Point): boolean {
  const within = (value: number, one: number, other: number) =>
    value >= Math.min(one, other) - 0.01 && value <= Math.max(one, other) + 0.01
  return within(x, a[0], b[0]) && within(y, a[1], b[1])
}
