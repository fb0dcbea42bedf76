import { routeOfRun, type Drawing } from './drawing'
import type { Site } from '../site'
import { roofLines, waterLine } from '../network'

/** Water that stands in a wet line between rains: stretches of its runs below the tank's inlet. */
export interface StandingWater {
  runId: string
  points: [number, number][]
}

export function standingWater(site: Site, drawing: Drawing): StandingWater[] {
  const seen = new Set<string>()
  return roofLines(site)
    .filter(line => line.wet)
    .flatMap(line =>
      line.stretches.flatMap(({ run }) => {
        const route = routeOfRun(drawing, run.id)
        if (!route || seen.has(run.id)) return []
        seen.add(run.id)
        return below(route.points, drawing.scale.y(line.inletM)).map(points => ({ runId: run.id, points }))
      }),
    )
}

/** The parts of a line that lie below a level. */
function below(points: [number, number][], levelY: number): [number, number][][] {
  const parts: [number, number][][] = []
  for (let index = 1; index < points.length; index++) {
    const [a, b] = [points[index - 1]!, points[index]!]
    if (a[1] < levelY - 0.01 && b[1] < levelY - 0.01) continue
    const cut = (from: [number, number], to: [number, number]): [number, number] =>
      from[1] >= levelY - 0.01 ? from : [from[0] + ((to[0] - from[0]) * (levelY - from[1])) / (to[1] - from[1]), levelY]
    const [start, end] = [cut(a, b), cut(b, a)]
    const last = parts.at(-1)
    if (last && last.at(-1)![0] === start[0] && last.at(-1)![1] === start[1]) last.push(end)
    else parts.push([start, end])
  }
  return parts.filter(part => part.some(([x, y]) => x !== part[0]![0] || y !== part[0]![1]))
}

/**
 * How high the storm's water stands in a spout's line: at the spout, and along every run that it fills; where it
 * falls freely in the pipe nothing is drawn.
 */
export interface StormLine {
  spoutId: string
  runIds: string[]
  parts: [[number, number], [number, number]][]
  spills: boolean
  /** Where the line is open to the air: at the spout, or at the screen head below it. */
  atTopM: number
}

const FULL_M = 0.005

export function stormLines(site: Site, drawing: Drawing, mmPerH: number): StormLine[] {
  return roofLines(site)
    .filter(line => line.areaM2 > 0)
    .map(line => {
      const { places, spills, atTopM } = waterLine(line, mmPerH)
      const parts = line.stretches.flatMap(({ run }, index): StormLine['parts'] => {
        const { points, parts } = routeOfRun(drawing, run.id)!
        const [from, to] = [points[0]!, points.at(-1)!]
        const head = index === 0 ? parts.find(part => part.id === line.head?.id)?.x : undefined
        const fills = index === 0 || places[index]!.waterM > places[index]!.heightM + FULL_M
        return fills
          ? [
              [
                [head ?? from[0], drawing.scale.y(index === 0 ? atTopM : places[index]!.waterM)],
                [to[0], drawing.scale.y(places[index + 1]!.waterM)],
              ],
            ]
          : []
      })
      return { spoutId: line.spout.id, runIds: line.stretches.map(({ run }) => run.id), parts, spills, atTopM }
    })
}
