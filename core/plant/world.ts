import type { PlantEvent, EventKind } from './events'
import type { Fault } from './faults'
import { roofWater, type RoofWater } from './roofWater'
import { plantStateOf, type PlantState } from './plantState'
import { heldInTank, heldInVessel } from './stores'
import { sunOnPanels } from './sun'
import { casingsOf, type Casing } from './wells'
import { levelsAt, openingKey } from '../network'
import type { Site } from '../site'
import { staticPressure } from '../sums'
import type { NodeOf } from '../kinds'

/** How a plant stands when it is first looked at. */
export interface PlantStart {
  /** Metres above tanks' floors; those that are not named are full to their spill, joined ones to one level. */
  levels?: Record<string, number>
  /** Pressures of pressure tanks, kPa; those that are not named are midway. */
  pressures?: Record<string, number>
  /** Seconds since midnight, for the sun; without, it stands as it is set. */
  clockS?: number
  /** The month, for what is by-passed in some; without, nothing is. */
  month?: number
}

/** Litres drawn at a tap, as it gives them. */
export interface Draw {
  tap: string
  leftL: number
  /** Since when nothing has come. */
  sinceS: number
}

/** All that a plant is at a moment. */
export interface World {
  document: Site
  start: PlantStart
  atS: number
  standing: PlantState
  roofs: RoofWater
  /** What stands in each store; and pressure tanks in which there is none. */
  litres: Float64Array<ArrayBufferLike>
  empty: Uint8Array
  /** Holes above their tank's water, and those that were looked at; floats that are shut; weirs that spill. */
  dry: Set<string>
  known: Set<string>
  floatsShut: Set<string>
  spilling: Set<string>
  /** What switches have done to pumps, what hands have, and what was seen of them last. */
  switchedOn: Map<string, boolean>
  byHand: Map<string, boolean>
  seenOn: Map<string, boolean>
  valves: Map<string, boolean>
  faults: Fault[]
  /** Shares to which taps are open; mains that are off, at no pressure. */
  open: Map<string, number>
  mainsOff: Map<string, number>
  power: boolean
  /** What is left in the battery that carries pumps while the power is off; pumps whose start trips the inverter. */
  batteryWh: number
  tripped: Set<string>
  /** What stands in each well above its pump, and the runs that draw air from those that are down to it. */
  casings: Casing[]
  wellsDry: Set<string>
  rainMmPerH: number
  sun: number
  /** The sun as somebody set it, against the clock. */
  setSun?: number
  draws: Draw[]
  events: PlantEvent[]
  pumpLog: Record<string, { atS: number; on: boolean }[]>
  /** Chambers that were told to be full, and when a tank was last told to be dry. */
  full: Set<string>
  toldDry: Map<string, number>
}

export function worldOf(document: Site, start: PlantStart): World {
  const setting = { valves: new Map<string, boolean>(), faults: [], sun: sunOnPanels(document, start, 0) ?? 1 }
  const standing = plantStateOf(document, setting)
  const levels = { ...levelsAt(document, 'full'), ...start.levels }
  const litres = Float64Array.from(standing.lines.stores, ({ node }) => {
    if (node.kind === 'tank') return heldInTank(node).litresAt(levels[node.id] ?? 0)
    return heldInVessel(node).litresAt(start.pressures?.[node.id] ?? (node.cutInKPa + node.cutOutKPa) / 2)
  })
  const world: World = {
    ...setting,
    document,
    start,
    atS: 0,
    standing,
    roofs: roofWater(document, start.month),
    litres,
    empty: new Uint8Array(litres.length),
    dry: new Set(),
    known: new Set(),
    floatsShut: new Set(),
    spilling: new Set(),
    switchedOn: new Map(),
    byHand: new Map(),
    seenOn: new Map(),
    open: new Map(),
    mainsOff: new Map(),
    power: true,
    batteryWh: standing.supply.usableWh,
    tripped: new Set(),
    casings: casingsOf(document),
    wellsDry: new Set(),
    rainMmPerH: 0,
    draws: [],
    events: [],
    pumpLog: {},
    full: new Set(),
    toldDry: new Map(),
  }
  lookAnew(world)
  return world
}

/** Lines anew, after a valve was turned, the sun moved or something broke; what stands in tanks stays. */
export function rebuild(world: World): void {
  const before = new Map(world.standing.ids.map((id, at) => [id, world.litres[at]!] as const))
  world.standing = plantStateOf(world.document, world)
  world.litres = Float64Array.from(world.standing.ids, id => before.get(id) ?? 0)
  world.empty = new Uint8Array(world.litres.length)
  lookAnew(world)
}

/** How holes, floats and switches stand that were not there before. */
function lookAnew(world: World): void {
  const { standing, known, dry, floatsShut, switchedOn } = world
  for (const [key, { tankId, heightM }] of standing.lines.openings) {
    if (known.has(key)) continue
    known.add(key)
    if (headM(world, standing.ids.indexOf(tankId)) <= heightM) dry.add(key)
  }
  for (const { runId, store, shutsAtM } of standing.floats)
    if (headM(world, store) >= shutsAtM - LEVEL_M) floatsShut.add(runId)
  for (const runId of floatsShut) if (!standing.floats.some(float => float.runId === runId)) floatsShut.delete(runId)
  for (const each of standing.controls)
    if (!switchedOn.has(each.run.id)) switchedOn.set(each.run.id, startsOn(world, each))
}

/** As near as makes no difference between two levels, and two pressures. */
export const LEVEL_M = 1e-6
export const PRESSURE_KPA = 0.01

function startsOn(world: World, { is }: PlantState['controls'][number]): boolean {
  const { standing } = world
  if (is.by === 'pressure') return pressureKPa(world, standing.ids.indexOf(is.vessel)) <= is.cutInKPa + PRESSURE_KPA
  if (is.by !== 'level') return true
  const at = standing.ids.indexOf(is.tank)
  return headM(world, at) - standing.lines.stores[at]!.node.baseM <= is.startM
}

const KPA_PER_M = staticPressure({ headM: 1 }).pressureKPa
/** The height of a store's water above the datum, or of the head its pressure is; with other litres than it has, too. */
export const headM = ({ standing, litres }: World, store: number, of = litres): number =>
  standing.held[store]!.headM(of[store]!)
export const vesselAt = ({ standing }: World, store: number) =>
  standing.lines.stores[store]!.node as NodeOf<'pressureTank'>
export const pressureKPa = (world: World, store: number, of = world.litres): number =>
  KPA_PER_M * (headM(world, store, of) - vesselAt(world, store).baseM)
export const kPaOf = (metres: number): number => KPA_PER_M * metres
export const metresOf = (kPa: number): number => kPa / KPA_PER_M

export const weirKey = ({ tankId, port }: { tankId: string; port?: string }): string => openingKey(tankId, port ?? '')

export function note(world: World, what: EventKind, id: string, value?: number): void {
  const { atS } = world
  world.events.push(value === undefined ? { atS, what, id } : { atS, what, id, value })
}

/** True where a run draws by a hole that is above the water. */
export function isDry({ standing, dry, wellsDry }: World, runId: string): boolean {
  if (wellsDry.has(runId)) return true
  const link = standing.lines.links[standing.linkOfRun.get(runId) ?? -1]
  return link?.leavesBy !== undefined && dry.has(link.leavesBy)
}

/** True where a pump has power and is switched on. */
export function runs(world: World, control: PlantState['controls'][number]): boolean {
  const { run, pump } = control
  if (!isAsked(world, control) || world.standing.supply.trips.has(run.id)) return false
  if (!world.power && world.batteryWh <= 0) return false
  return pump.pump !== 'solar' || (world.power && world.sun > 0)
}
/** True where its switch and the hand at it would have a pump run. */
export const isAsked = ({ byHand, switchedOn }: World, { run }: PlantState['controls'][number]): boolean =>
  byHand.get(run.id) !== false && Boolean(switchedOn.get(run.id))

/** What stands in tanks, pressure tanks and chambers together, L. */
export const heldL = ({ litres, roofs }: World): number =>
  litres.reduce((total, each) => total + each, 0) + roofs.chambers.reduce((total, chamber) => total + chamber.heldL, 0)
