import { routeOfRun, type Drawing } from './drawing'
import type { Point } from './parts'
import { pipeLengthM, runLossM, type Steady, type WayStretch } from '../network'
import type { Run, Site } from '../site'

/** A stretch of the line of pressure: how high the water would stand in a pipe let up from the line there. */
export interface GradeStretch {
  points: Point[]
  /** It runs below the pipe: air is drawn in there. */
  below: boolean
}

/** The line of pressure along a tap's way, over the drawing. */
export interface Grade {
  stretches: GradeStretch[]
  /** Where it leaves the drawing at its top: there it stands that much higher than the top edge. */
  beyond: { x: number; headM: number } | undefined
  /** Where it begins and ends, above the datum. */
  fromM: number
  toM: number
  highestM: number
}

const TOP_PX = 5
const BELOW_PX = 1

interface Sample {
  x: number
  pipeY: number
  headM: number
}

/**
 * The line of pressure from where a tap's water stands to the tap: falling along each run by what it takes, rising at
 * its pump by what that adds. It is drawn as long as its pipe is drawn; heights are true.
 */
export function gradeOf(
  site: Site,
  drawing: Drawing,
  way: readonly WayStretch[],
  { nodes }: Steady,
): Grade | undefined {
  const samples = way.flatMap(stretch => samplesOf(site, drawing, stretch, nodes))
  if (samples.length < 2) return undefined
  const { y } = drawing.scale
  const placed = samples.map(sample => ({ ...sample, y: y(sample.headM) }))
  const stretches: GradeStretch[] = []
  for (const [at, sample] of placed.entries()) {
    const next = placed[at + 1]
    if (!next) break
    const below = [sample, next].some(each => each.y > each.pipeY + BELOW_PX)
    const last = stretches.at(-1)
    const points: Point[] = [sample, next].map(each => [each.x, Math.max(TOP_PX, each.y)])
    if (last?.below === below) last.points.push(points[1]!)
    else stretches.push({ points, below })
  }
  const highest = placed.reduce((most, each) => (each.headM > most.headM ? each : most))
  return {
    stretches,
    beyond: highest.y < TOP_PX ? { x: highest.x, headM: highest.headM } : undefined,
    fromM: samples[0]!.headM,
    toM: samples.at(-1)!.headM,
    highestM: highest.headM,
  }
}

/** The heads along one run: at each bend of its way, with a step where its pump stands. */
function samplesOf(
  site: Site,
  drawing: Drawing,
  { run, state, forward }: WayStretch,
  nodes: Steady['nodes'],
): Sample[] {
  const route = routeOfRun(drawing, run.id)
  if (!route) return []
  const points = forward ? route.points : [...route.points].reverse()
  const [startM, endM] = [run.from.node, run.to.node].map(id => nodes[id]!.headM)
  const [fromM, toM] = forward ? [startM!, endM!] : [endM!, startM!]
  const along = [0]
  for (let at = 1; at < points.length; at++)
    along.push(along.at(-1)! + Math.hypot(points[at]![0] - points[at - 1]![0], points[at]![1] - points[at - 1]![1]))
  const lengthPx = along.at(-1)! || 1
  const pumpAt = run.parts.findIndex(part => part.kind === 'pump')
  const placed = route.parts.find(part => part.id === run.parts[pumpAt]?.id)
  if (!placed || !forward) {
    const bends = points.map(([x, pipeY], at) => ({ x, pipeY, px: along[at]! }))
    return [...bends, ...humpsOf(drawing, run, forward, points, along)]
      .toSorted((a, b) => a.px - b.px)
      .map(({ x, pipeY, px }) => ({ x, pipeY, headM: fromM + ((toM - fromM) * px) / lengthPx }))
  }
  const lossM = (parts: typeof run.parts) =>
    runLossM({ ...run, parts }, Math.abs(state.flowLps), site.place.waterTemperatureC)
  const openingM = fromM - lossM(run.parts.slice(0, pumpAt))
  const outletM = toM + lossM(run.parts.slice(pumpAt + 1))
  const nearest = points.reduce(
    (best, _, at) =>
      at > 0 && distance(points[at - 1]!, points[at]!, placed) < distance(points[best - 1]!, points[best]!, placed)
        ? at
        : best,
    1,
  )
  const pumpPx =
    along[nearest - 1]! + Math.hypot(placed.x - points[nearest - 1]![0], placed.y - points[nearest - 1]![1])
  const share = (px: number, low: number, high: number) => (high > low ? (px - low) / (high - low) : 1)
  const before = points.slice(0, nearest).map(([x, pipeY], at) => ({
    x,
    pipeY,
    headM: fromM + (openingM - fromM) * share(along[at]!, 0, pumpPx),
  }))
  const after = points.slice(nearest).map(([x, pipeY], at) => ({
    x,
    pipeY,
    headM: outletM + (toM - outletM) * share(along[nearest + at]!, pumpPx, lengthPx),
  }))
  const pump = { x: placed.x, pipeY: placed.y }
  return [...before, { ...pump, headM: openingM }, { ...pump, headM: outletM }, ...after]
}

/** Heights that are told along a run, where they lie on the way that it is drawn. */
function humpsOf(drawing: Drawing, run: Run, forward: boolean, points: Point[], along: number[]) {
  const lengthM = pipeLengthM(run)
  const lengthPx = along.at(-1)!
  return (run.profile ?? []).map(({ alongM, heightM }) => {
    const share = Math.min(1, alongM / lengthM)
    const px = (forward ? share : 1 - share) * lengthPx
    const at = Math.max(
      1,
      along.findIndex(each => each >= px),
    )
    const [before, after] = [points[at - 1]!, points[at]!]
    const within = along[at]! > along[at - 1]! ? (px - along[at - 1]!) / (along[at]! - along[at - 1]!) : 0
    return { x: before[0] + within * (after[0] - before[0]), pipeY: drawing.scale.y(heightM), px }
  })
}

/** How far a place lies from a level or upright stretch. */
function distance([x1, y1]: Point, [x2, y2]: Point, { x, y }: { x: number; y: number }): number {
  const dx = Math.max(Math.min(x1, x2) - x, 0, x - Math.max(x1, x2))
  const dy = Math.max(Math.min(y1, y2) - y, 0, y - Math.max(y1, y2))
  return Math.hypot(dx, dy)
}
