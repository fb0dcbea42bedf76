import isEqual from 'fast-deep-equal'
import { bandsOf, scaleOf, type ScaleBands } from './scale'
import type { Drawing } from './drawing'
import type { Label } from './labels'
import type { Picture } from './picture'
import type { Route } from './routes'
import { graphOf, type Site } from '../site'

/** The lists of a picture, each of which is as long as the site is large. */
interface Lists {
  slots: Drawing['slots']
  ground: Drawing['ground']
  routes: Drawing['routes']
  labels: Label[]
}
const NOTHING: Lists = { slots: [], ground: [], routes: [], labels: [] }

/** What of a list is not as it was, by its place; `length` is how many there are now. */
interface Changes<Item> {
  length: number
  at: [number, Item][]
}

/**
 * A picture as it goes from one thread to another: without its site, which both have, without functions, and without
 * what the other thread holds already.
 */
export interface SentPicture {
  readablePx: number
  widthPx: number
  heightPx: number
  scale: ScaleBands
  lists: { [List in Exclude<keyof Lists, 'routes'>]: Changes<Lists[List][number]> } & { routes: Changes<SentRoute> }
  /** Every point of those routes, x after y, one route after another: a large site has a hundred thousand. */
  xy: Float64Array<ArrayBuffer>
}
type SentRoute = Omit<Route, 'points'> & { points: number }

/** What a thread holds of the picture that was last sent. */
export type HeldPicture = Lists

const changesOf = <Item>(before: Item[], now: Item[]): Changes<Item> => ({
  length: now.length,
  at: now.flatMap((item, at): [number, Item][] => (isEqual(item, before[at]) ? [] : [[at, item]])),
})
function changed<Item>(before: Item[], { length, at }: Changes<Item>): Item[] {
  const now = before.slice(0, length)
  for (const [place, item] of at) now[place] = item
  return now
}

const packed = (routes: Route[]): Float64Array<ArrayBuffer> => {
  const xy = new Float64Array(2 * routes.reduce((sum, { points }) => sum + points.length, 0))
  let at = 0
  for (const { points } of routes)
    for (const [x, y] of points) {
      xy[at++] = x
      xy[at++] = y
    }
  return xy
}

/** Routes with their points, which are laid out once somebody asks: most of a large site is not seen. */
function unpacked({ length, at }: Changes<SentRoute>, xy: Float64Array): Changes<Route> {
  let from = 0
  const withPoints = (route: SentRoute): Route => {
    const own = xy.subarray(from, (from += 2 * route.points))
    let points: Route['points'] | undefined
    return {
      ...route,
      get points() {
        return (points ??= Array.from({ length: own.length / 2 }, (_, place) => [own[2 * place]!, own[2 * place + 1]!]))
      },
    }
  }
  return { length, at: at.map(([place, route]) => [place, withPoints(route)]) }
}

/** A picture for a thread that holds another already, or none; and what it holds then. */
export function sent(picture: Picture, held: HeldPicture = NOTHING): [SentPicture, HeldPicture] {
  const { readablePx, labels, drawing } = picture
  const { widthPx, heightPx, scale, slots, ground, routes } = drawing
  const { length, at } = changesOf(held.routes, routes)
  const lists = {
    slots: changesOf(held.slots, slots),
    ground: changesOf(held.ground, ground),
    routes: {
      length,
      at: at.map(([place, route]): [number, SentRoute] => [place, { ...route, points: route.points.length }]),
    },
    labels: changesOf(held.labels, labels),
  }
  const xy = packed(at.map(([, route]) => route))
  return [
    { readablePx, widthPx, heightPx, scale: bandsOf(scale), lists, xy },
    { slots, ground, routes, labels },
  ]
}

/** A picture that came from another thread, of the site as it stands in this one; and what is held from now on. */
export function received(picture: SentPicture, site: Site, held: HeldPicture = NOTHING): [Picture, HeldPicture] {
  const { readablePx, widthPx, heightPx, scale, lists } = picture
  const now: HeldPicture = {
    slots: changed(held.slots, lists.slots),
    ground: changed(held.ground, lists.ground),
    routes: changed(held.routes, unpacked(lists.routes, picture.xy)),
    labels: changed(held.labels, lists.labels),
  }
  const { ground, routes, labels } = now
  const slots = standing(now.slots, site)
  return [
    { readablePx, labels, drawing: { site, widthPx, heightPx, scale: scaleOf(scale), slots, ground, routes } },
    now,
  ]
}

/** Slots with the roofs and nodes of this thread's site in them, not another's copies. */
function standing(slots: Drawing['slots'], site: Site): Drawing['slots'] {
  const roofs = new Map(site.roofs.map(roof => [roof.id, roof]))
  const { node } = graphOf(site)
  const own = <Node extends { id: string }>(nodes: Node[]) => nodes.map(each => node(each.id) as unknown as Node)
  return slots.map(slot => {
    if (slot.kind === 'roof') return { ...slot, roof: roofs.get(slot.roof.id)!, spouts: own(slot.spouts) }
    return slot.kind === 'taps' ? { ...slot, taps: own(slot.taps) } : slot
  })
}
