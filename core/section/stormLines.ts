import { roofLines, waterLine } from '../network'
import type { Site } from '../site'
import type { Drawing } from './drawing'

/** Water that stands in a wet line between rains: stretches of its runs below the tank's inlet. */
export interface StandingWater { runId: string, points: [number, number][] }

export function standingWater(site: Site, drawing: Drawing): StandingWater[] {
  const seen = new Set<string>()
  return roofLines(site).filter(line => line.wet).flatMap(line => line.stretches.flatMap(({ run }) => {
    const route = drawing.routes.find(candidate => candidate.runId === run.id)
    if (!route || seen.has(run.id)) return []
    seen.add(run.id)
    return below(route.points, drawing.scale.y(line.inletM)).map(points => ({ runId: run.id, points }))
  }))
}

/** The parts of a line that lie below a level. */
function below(points: [number, number][], levelY: number): [number, number][][] {
  const parts: [number, number][][] = []
  for (let index = 1; index < points.length; index++) {
    const [a, b] = [points[index - 1]!, points[index]!]
    if (a[1] < levelY - 0.01 && b[1] < levelY - 0.01) continue
    const cut = (from: [number, number], to: [number, number]): [number, number] => from[1] >= levelY - 0.01 ? from : [from[0] + (to[0] - from[0]) * (levelY - from[1]) / (to[1] - from[1]), levelY]
    const [start, end] = [cut(a, b), cut(b, a)]
    const last = parts.at(-1)
    if (last && last.at(-1)![0] === start[0] && last.at(-1)![1] === start[1]) last.push(end)
    else parts.push([start, end])
  }
  return parts.filter(part => part.some(([x, y]) => x !== part[0]![0] || y !== part[0]![1]))
}

/** How high the storm's water stands along a spout's line, from the tank back to the spout, and whether it runs over there. */
export interface StormLine { spoutId: string, runIds: string[], points: [number, number][], spills: boolean, atSpoutM: number }

export function stormLines(site: Site, drawing: Drawing, mmPerH: number): StormLine[] {
  const ends = new Map(drawing.routes.map(route => [route.runId, [route.points[0]!, route.points.at(-1)!] as const]))
  return roofLines(site).filter(line => line.areaM2 > 0).map((line) => {
    const water = waterLine(line, mmPerH)
    const y = (place: number) => drawing.scale.y(Math.max(water.places[place]!.waterM, place === 0 ? water.atSpoutM : -Infinity))
    const points = line.stretches.flatMap(({ run }, index): [number, number][] => {
      const [from, to] = ends.get(run.id)!
      return [[from[0], y(index)], [to[0], y(index + 1)]]
    })
    return { spoutId: line.spout.id, runIds: line.stretches.map(({ run }) => run.id), points, spills: water.spills, atSpoutM: water.atSpoutM }
  })
}
