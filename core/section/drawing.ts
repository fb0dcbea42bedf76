import { reachOf } from './symbols'
import { roundTanks } from './detours'
import { gapsForParts, lanesOf } from './lanes'
import { portX, slotsByNode, slotsOf, type Slot } from './slots'
import { closestPx, spread } from './spread'
import { verticalScale, type VerticalScale } from './scale'
import { placeParts } from './parts'
import { routeOf, wayOf, type Route } from './routes'
import { graphOf, nodeById, portHeightM, type Roof, type Run, type Site } from '../site'
import type { SiteNode } from '../kinds'

/**
 * The site cut through: where everything stands in a picture of a given size. Heights are true, widths only tell the
 * order.
 */
export interface Drawing {
  /** What is drawn. */
  site: Site
  widthPx: number
  heightPx: number
  scale: VerticalScale
  slots: Slot[]
  /** The ground line from left to right, as points. */
  ground: [number, number][]
  routes: Route[]
}

/** Height of a roof's ridge above its eaves, from its pitch and the width of its widest piece. */
export function roofRiseM(roof: Roof): number {
  const spanM = Math.max(0, ...roof.pieces.map(piece => Math.min(piece.widthM, piece.lengthM)))
  return (Math.tan((roof.pitchDeg * Math.PI) / 180) * spanM) / 2
}

/** Eaves of a roof: a hand above its highest spout. */
export function eavesM(site: Site, roof: Roof): number {
  const spouts = roof.spouts.map(spout => graphOf(site).node(spout.nodeId)?.baseM ?? 0)
  return spouts.length ? Math.max(...spouts) + 0.1 : 2.6
}

/** The heights at which something stands: what the drawing must show at scale. */
function heightsOf(site: Site): [number, number][] {
  const intervals = site.nodes.flatMap((node): [number, number][] => {
    const ground: [number, number] = [node.groundM - 0.35, node.groundM + 0.2]
    return [ground, reachOf(node)]
  })
  const roofs = site.roofs.map((roof): [number, number] => [
    eavesM(site, roof) - 0.3,
    eavesM(site, roof) + Math.min(4, roofRiseM(roof)) + 0.15,
  ])
  return [...intervals, ...roofs]
}

/**
 * Lays the whole site out for a picture of a given size: wider than asked where things would not stand in it, and
 * looser, as a multiple of what is usual, by `widen`. While a height is dragged the scale it began with is handed in,
 * so that nothing else moves.
 */
export function drawSection(site: Site, wantedPx: number, heightPx: number, widen = 1, held?: VerticalScale): Drawing {
  const scale = held ?? verticalScale(heightsOf(site), heightPx)
  const lanes = lanesOf(site, scale)
  const standing = slotsOf(site, scale.pxPerM)
  const { slots, widthPx } = spread(standing, gapsForParts(site, standing, lanes, scale), wantedPx, widen)
  const slotOf = slotsByNode(slots)
  const middle = (slot: Slot) => slot.x + slot.width / 2
  const place = (end: Run['from'], other: Run['from']): [number, number] => [
    portX(site, slotOf.get(end.node)!, end, middle(slotOf.get(other.node)!)),
    scale.y(portHeightM(site, end)),
  ]
  const round = roundTanks(site, slots, scale)
  const ways = site.runs.map(run => {
    const source = nodeById(site, run.from.node)
    const sourceY = source.kind === 'well' ? scale.y(source.groundM - source.stillWaterDepthM - 0.3) : undefined
    const lane = lanes.get(run.id)!
    const way = wayOf(place(run.from, run.to), place(run.to, run.from), lane.leaving, round, sourceY)
    return { run, way, lane }
  })
  const parts = placeParts(ways, part =>
    part.kind === 'screen' && part.hangsAtM !== undefined ? scale.y(part.hangsAtM) : undefined,
  )
  const routes = ways.map(({ run, way }, at) => routeOf(site, run, way, parts[at]!))
  return { site, widthPx, heightPx, scale, slots, ground: groundLine(slots, scale, widthPx), routes }
}

/** The least width at which the parts of the lines have their room, in a picture of a given height. */
export function readableWidthPx(site: Site, heightPx: number): number {
  const scale = verticalScale(heightsOf(site), heightPx)
  const slots = slotsOf(site, scale.pxPerM)
  return closestPx(slots, gapsForParts(site, slots, lanesOf(site, scale), scale))
}

/** The ground runs level under each slot and slopes between them. */
function groundLine(slots: Slot[], scale: VerticalScale, widthPx: number): [number, number][] {
  if (!slots.length)
    return [
      [0, scale.y(0)],
      [widthPx, scale.y(0)],
    ]
  const points: [number, number][] = [[0, scale.y(slots[0]!.groundM)]]
  for (const slot of slots)
    points.push([slot.x - 5, scale.y(slot.groundM)], [slot.x + slot.width + 5, scale.y(slot.groundM)])
  points.push([widthPx, scale.y(slots.at(-1)!.groundM)])
  return points
}

/** A node's own stretch of the drawing. */
export const slotOfNode = (drawing: Drawing, node: SiteNode): Slot | undefined =>
  slotsByNode(drawing.slots).get(node.id)

/** From where to where of the drawing's width a thing stands, a node or a roof; nothing where it is not drawn. */
export function stretchOf({ slots }: Drawing, id: string | undefined): [number, number] | undefined {
  const slot = id && (slots.find(each => each.kind === 'roof' && each.roof.id === id) ?? slotsByNode(slots).get(id))
  return slot ? [slot.x, slot.x + slot.width] : undefined
}

const routesById = new WeakMap<Route[], Map<string, Route>>()

/** How a run is drawn; undefined where there is no such run. */
export function routeOfRun({ routes }: Drawing, runId: string | undefined): Route | undefined {
  let byId = routesById.get(routes)
  if (!byId) routesById.set(routes, (byId = new Map(routes.map(route => [route.runId, route]))))
  return runId === undefined ? undefined : byId.get(runId)
}
