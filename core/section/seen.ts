import type { PlacedPart, Point } from './parts'
import type { Route, Water } from './routes'

/** A stretch of one water, as far as it is seen. */
export interface Stretch {
  water: Water
  points: Point[]
  /** How much of it goes before, unseen: a pattern of dashes goes on from there. */
  beforePx: number
}
/** A route as far as it is seen in a frame. */
export interface SeenRoute {
  runId: string
  name: string
  stretches: Stretch[]
  parts: PlacedPart[]
  points: Point[]
}

/** What a frame shows of a route, between two places of the drawing's width; undefined where that is nothing. */
export function seenOf(route: Route, fromPx: number, toPx: number): SeenRoute | undefined {
  const { runId, name, water, treatedFrom, reachPx } = route
  if (reachPx[1] < fromPx || reachPx[0] > toPx) return undefined
  const whole = seenStretch(route.points, water, fromPx, toPx)
  if (!whole) return undefined
  const stretches =
    treatedFrom === undefined
      ? [whole]
      : [
          seenStretch(route.points.slice(0, treatedFrom + 1), water, fromPx, toPx),
          seenStretch(route.points.slice(treatedFrom), 'treated', fromPx, toPx),
        ].filter(stretch => stretch !== undefined)
  const parts = route.parts.filter(({ x }) => x >= fromPx && x <= toPx)
  return { runId, name, stretches, parts, points: whole.points }
}

/** From the first leg that comes into the frame to the last one that does. */
function seenStretch(points: Point[], water: Water, fromPx: number, toPx: number): Stretch | undefined {
  const seen = (at: number): boolean => {
    const [one, other] = [points[at - 1]![0], points[at]![0]]
    return Math.max(one, other) >= fromPx && Math.min(one, other) <= toPx
  }
  let [first, last] = [1, points.length - 1]
  while (first <= last && !seen(first)) first++
  while (last > first && !seen(last)) last--
  if (first > last) return undefined
  let beforePx = 0
  for (let at = 1; at < first; at++)
    beforePx += Math.abs(points[at]![0] - points[at - 1]![0]) + Math.abs(points[at]![1] - points[at - 1]![1])
  return { water, points: points.slice(first - 1, last + 1), beforePx }
}
