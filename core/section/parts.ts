import { least } from 'd3-array'
import { around, columnsOf, overlapAll, type Box } from './boxes'
import { isDrawn } from './symbols'
import type { Run } from '../site'
import type { Part, PartOf } from '../kinds'

export type Point = [number, number]
export interface PlacedPart {
  id: string
  kind: Part['kind']
  x: number
  y: number
  upright: boolean
  open: boolean
}

/** Where a run stands among those that leave, and those that arrive, at the same place. */
export interface Lane {
  /** How many leave there before it. */
  leaving: number
  /** Parts that stand before its own, next to where it leaves and where it arrives. */
  partsBefore: number
  partsAfter: number
}

/** Room for one part on its line; closer than this two symbols touch. */
const [PART_PX, SYMBOL_PX] = [21, 17]
/** How far along its line a part may give way to another, in what steps, and how near a bend it does not like to be. */
const [AWAY_PX, STEP_PX, BEND_PX] = [63, 7, 8]

/**
 * The parts of a run that are drawn: those before its longest pipe stand where it begins, the others where it ends;
 * where it has no pipe, all stand where it begins.
 */
export function drawnParts(run: Run): { early: Part[]; late: Part[] } {
  const drawn = run.parts.filter(part => isDrawn(part.kind))
  const longest = run.parts.reduce<PartOf<'pipe'> | undefined>(
    (best, part) => (part.kind === 'pipe' && part.lengthM > (best?.lengthM ?? 0) ? part : best),
    undefined,
  )
  if (!longest) return { early: drawn, late: [] }
  const before = run.parts.slice(0, run.parts.indexOf(longest))
  return { early: drawn.filter(part => before.includes(part)), late: drawn.filter(part => !before.includes(part)) }
}

/** How long a run must be drawn for its parts to stand clear of each other. */
export function partsRoomPx(run: Run, lane: Lane): number {
  const { early, late } = drawnParts(run)
  const count = early.length + late.length
  return count ? (lane.partsBefore + count + lane.partsAfter + 0.5) * PART_PX : 0
}

/** How far along their way the parts of a run would stand by themselves. */
function wantedPx(run: Run, totalPx: number, lane: Lane): number[] {
  const { early, late } = drawnParts(run)
  const count = early.length + late.length
  const roomy = partsRoomPx(run, lane) <= totalPx + 0.01
  return [...early, ...late].map((_, order) => {
    if (!roomy) return ((order + 0.7) / (count + 0.4)) * totalPx
    return order < early.length
      ? (lane.partsBefore + order + 0.75) * PART_PX
      : totalPx - (lane.partsAfter + count - order - 0.25) * PART_PX
  })
}

/**
 * Places the parts of every run on its way. Where one would lie on a part that stands already, or in a bend, it gives
 * way along its line, past none of its own neighbours. A part that has a height of its own, `heldY`, stands there.
 */
export function placeParts(
  runs: readonly { run: Run; way: Point[]; lane: Lane }[],
  heldY: (part: Part) => number | undefined = () => undefined,
): PlacedPart[][] {
  const standing = columnsOf<Box>()
  return runs.map(({ run, way, lane }) => {
    const { early, late } = drawnParts(run)
    const parts = [...early, ...late]
    const totalPx = lengthOf(way)
    const wanted = wantedPx(run, totalPx, lane)
    const bends = bendsOf(way)
    let fromPx = 0
    return parts.map((part, order): PlacedPart => {
      // Those that follow keep what they need, as far as there is any.
      const toPx = Math.max(fromPx, (wanted[order + 1] ?? totalPx + SYMBOL_PX / 2) - SYMBOL_PX)
      const start = Math.min(toPx, Math.max(fromPx, wanted[order]!))
      const trouble = (px: number) => {
        const { x, y } = along(way, px)
        const symbol = around(x, y, x, y, SYMBOL_PX / 2)
        const lying = overlapAll(symbol, standing.over(symbol))
        const bent = bends.some(bend => Math.abs(bend - px) < BEND_PX) ? 30 : 0
        return lying + bent + Math.abs(px - start)
      }
      const atY = heldY(part)
      const held = atY === undefined ? undefined : reachedPx(way, atY)
      const px = held ?? (trouble(start) ? leastTroubled(start, fromPx, toPx, trouble) : start)
      fromPx = px + SYMBOL_PX
      const { x, y, upright } = along(way, px)
      standing.put(around(x, y, x, y, SYMBOL_PX / 2))
      return { id: part.id, kind: part.kind, x, y, upright, open: part.kind === 'valve' ? part.open : true }
    })
  })
}

/** Of the places a little before and after one, within bounds, the one that is least in trouble. */
function leastTroubled(start: number, fromPx: number, toPx: number, trouble: (px: number) => number): number {
  const choices = [start]
  for (let by = STEP_PX; by <= AWAY_PX; by += STEP_PX)
    choices.push(...[start + by, start - by].filter(px => px >= fromPx && px <= toPx))
  return least(choices, trouble)!
}

const stepPx = (a: Point, b: Point) => Math.abs(b[0] - a[0]) + Math.abs(b[1] - a[1])
const lengthOf = (way: Point[]) => way.slice(1).reduce((sum, point, at) => sum + stepPx(way[at]!, point), 0)

/** How far along a way its bends are. */
function bendsOf(way: Point[]): number[] {
  let px = 0
  return way.slice(1, -1).map((point, at) => (px += stepPx(way[at]!, point)))
}

/** How far along a way it first comes to a height; undefined where it never does. */
function reachedPx(way: Point[], y: number): number | undefined {
  let px = 0
  for (let at = 1; at < way.length; at++) {
    const [a, b] = [way[at - 1]!, way[at]!]
    if (Math.min(a[1], b[1]) <= y && y <= Math.max(a[1], b[1])) return px + Math.abs(y - a[1])
    px += stepPx(a, b)
  }
  return undefined
}

/** The place so many pixels along a way. */
function along(way: Point[], px: number): { x: number; y: number; upright: boolean } {
  let left = px
  for (let index = 1; index < way.length; index++) {
    const [a, b] = [way[index - 1]!, way[index]!]
    const step = stepPx(a, b)
    if (left <= step || index === way.length - 1) {
      const share = step ? Math.min(1, left / step) : 0
      const upright = Math.abs(b[1] - a[1]) > Math.abs(b[0] - a[0])
      return { x: a[0] + (b[0] - a[0]) * share, y: a[1] + (b[1] - a[1]) * share, upright }
    }
    left -= step
  }
  return { x: way[0]![0], y: way[0]![1], upright: false }
}
