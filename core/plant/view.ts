import type { Books } from './books'
import type { Pin } from '../site'
import { instant } from './step'
import { weirKey, headM, kPaOf, pressureKPa, vesselAt, type World } from './world'

/** A plant as it stands at a moment. */
export interface PlantView {
  atS: number
  levels: Record<string, number>
  pressures: Record<string, number>
  taps: Record<string, { flowLps: number; pressureKPa: number }>
  /** Flows of runs, those over weirs too; and pressures at joints. */
  runs: Record<string, number>
  nodes: Record<string, number>
  pumps: Record<string, boolean>
  floatsShut: string[]
  /** Shares to which chambers are full. */
  chambers: Record<string, number>
  valves: Record<string, boolean>
  open: Record<string, number>
  power: boolean
  /** What is left in the battery, Wh; undefined where there is none. */
  batteryWh?: number
  mainsOff: string[]
  rainMmPerH: number
  sun: number
  litres: Books
}

/** Less than this is nothing to look at. */
const SEEN_LPS = 1e-6

const byId = <Value>(pairs: (readonly [string, Value])[]) => Object.fromEntries(pairs) as Record<string, Value>

/** What can be seen of a world now. */
export function viewOf(world: World, litres: Books): PlantView {
  const { standing, roofs } = world
  const { lines, site, ids } = standing
  const { flowLps, headM: heads } = instant(world)
  const kPaAt = (id: string, baseM: number) => {
    const place = lines.placeOf.get(id)
    return place === undefined || place >= lines.unknowns ? 0 : kPaOf(heads[place]! - baseM)
  }
  const flow = (link: number | undefined) => {
    const now = link === undefined ? 0 : flowLps[link]!
    return Math.abs(now) < SEEN_LPS ? 0 : now
  }
  const tanks = ids.flatMap((id, at) => (standing.isTank[at] ? [[id, at] as const] : []))
  const vessels = ids.flatMap((id, at) => (standing.isTank[at] ? [] : [[id, at] as const]))
  const over = standing.weirs.flatMap((weir, at) => {
    if (weir.runId === undefined || !world.spilling.has(weirKey(weir))) return []
    const depthM = Math.max(0, headM(world, standing.weirOf[at]!) - weir.beginsM)
    return [[weir.runId, weir.at(depthM).flowLps] as const]
  })
  return {
    atS: world.atS,
    levels: byId(tanks.map(([id, at]) => [id, headM(world, at) - lines.stores[at]!.node.baseM])),
    pressures: byId(
      vessels.map(([id, at]) => [id, world.empty[at] ? kPaAt(id, vesselAt(world, at).baseM) : pressureKPa(world, at)]),
    ),
    taps: byId(
      site.nodes.flatMap(({ kind, id, baseM }) => {
        if (kind !== 'tap') return []
        return [[id, { flowLps: flow(standing.linkOfTap.get(id)), pressureKPa: kPaAt(id, baseM) }] as const]
      }),
    ),
    runs: byId([...[...standing.linkOfRun].map(([id, link]) => [id, flow(link)] as const), ...over]),
    nodes: byId(
      site.nodes.flatMap(({ kind, id, baseM }) => (kind === 'joint' ? [[id, kPaAt(id, baseM)] as const] : [])),
    ),
    pumps: byId(standing.controls.map(({ run }) => [run.id, world.seenOn.get(run.id) ?? false] as const)),
    floatsShut: [...world.floatsShut],
    chambers: byId(roofs.chambers.map(({ id, heldL, capL }) => [id, capL > 0 ? heldL / capL : 0] as const)),
    valves: Object.fromEntries(world.valves),
    open: Object.fromEntries(world.open),
    power: world.power,
    ...(standing.supply.usableWh ? { batteryWh: world.batteryWh } : {}),
    mainsOff: [...world.mainsOff.keys()],
    rainMmPerH: world.rainMmPerH,
    sun: world.sun,
    litres,
  }
}

/** What a pinned reading shows, in SI; undefined where there is nothing to read now. */
export function readPin(view: PlantView, { reads, at }: Pick<Pin, 'reads' | 'at'>): number | undefined {
  switch (reads) {
    case 'level':
      return view.levels[at]
    case 'flow':
      return view.runs[at] === undefined ? undefined : Math.abs(view.runs[at])
    case 'gauge':
      return view.pressures[at] ?? view.taps[at]?.pressureKPa ?? view.nodes[at]
  }
}
