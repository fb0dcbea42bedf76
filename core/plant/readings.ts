import { plantOf, type Plant } from './plant'
import type { PlantStart } from './world'
import type { Fault } from './faults'
import { levelsBetween, tapsOf } from '../network'
import { tanksOf, type Site } from '../site'

/** What a person can read off a site with a gauge, a can, a watch and their eyes. */
export type ProbeKind = 'still' | 'running' | 'starts' | 'can' | 'falls' | 'spills' | 'chamber'

export interface ReadingPlace {
  id: string
  kind: ProbeKind
  /** The tank, pressure tank, tap, chamber or run with a pump that it is taken at. */
  at: string
}

/** Of each kind: the minutes it takes, and how far two hands may differ, as a part of it and at least. */
export const PROBES: Record<ProbeKind, { minutes: number; share: number; least: number }> = {
  /** The gauge at a pressure tank after an hour with all taps shut, kPa. */
  still: { minutes: 60, share: 0.03, least: 6 },
  /** The gauge there with a tap open for three minutes, kPa. */
  running: { minutes: 3, share: 0.04, least: 8 },
  /** Starts of a pump in an hour with a tap a third open. */
  starts: { minutes: 60, share: 0.1, least: 1 },
  /** What a tap gives alone, L/s: seconds until a can of ten litres is full. */
  can: { minutes: 2, share: 0.06, least: 0.006 },
  /** How far a tank falls in an hour with all taps shut, m; less than nothing where it rises. */
  falls: { minutes: 60, share: 0.1, least: 0.003 },
  /** Whether a tank runs over with no rain, 1 or 0. */
  spills: { minutes: 5, share: 0, least: 0.25 },
  /** How full a chamber is a day after rain, as a share. */
  chamber: { minutes: 10, share: 0, least: 0.12 },
}

/** What can be read on a site, the quickest first. */
export function readingPlaces(site: Site): ReadingPlace[] {
  const of = (kind: ProbeKind, ids: string[]) => ids.map((at): ReadingPlace => ({ id: `${kind}:${at}`, kind, at }))
  const nodes = (kind: 'pressureTank' | 'chamber') => site.nodes.flatMap(node => (node.kind === kind ? [node.id] : []))
  const tanks = tanksOf(site).map(({ id }) => id)
  const pumps = site.runs.filter(run => run.parts.some(({ kind }) => kind === 'pump')).map(({ id }) => id)
  const taps = tapsOf(site).map(({ id }) => id)
  return [
    ...of('can', taps),
    ...of('running', nodes('pressureTank')),
    ...of('spills', tanks),
    ...of('chamber', nodes('chamber')),
    ...of('falls', tanks),
    ...of('still', nodes('pressureTank')),
    ...of('starts', pumps),
  ]
}

export type Taken = Record<string, number>

/** Tanks stand at this share between their draw-offs and their spills when they are read. */
const STANDS_SHARE = 0.7
const [HOUR_S, CAN_S, RUN_S, SOME_OPEN] = [3600, 40, 180, 0.33]

/** Where a site stands when it is read, with something broken in it or nothing. */
interface Stand {
  site: Site
  levels: Record<string, number>
  /** A plant that stands so, and has just broken. */
  begin: () => Plant
  /** The same with its tanks full. */
  full: () => Plant
}
const named = (kind: ProbeKind, values: Record<string, number>): Taken =>
  Object.fromEntries(Object.entries(values).map(([id, value]) => [`${kind}:${id}`, value]))

/** An hour with all taps shut. */
function stillHour({ begin, levels }: Stand): Taken {
  const plant = begin()
  plant.advance(HOUR_S)
  const after = plant.view()
  const fallenM = Object.fromEntries(Object.entries(after.levels).map(([id, levelM]) => [id, levels[id]! - levelM]))
  return { ...named('falls', fallenM), ...named('still', after.pressures) }
}
/** Each kind of reading as a person takes it: all that can be read on the way is told along with it. */
const TAKING: Record<ProbeKind, (stand: Stand, at: string) => Taken> = {
  falls: stillHour,
  still: stillHour,
  /** Full tanks with what fills them running: one whose float sticks runs over. */
  spills({ full }) {
    const plant = full()
    plant.advance(HOUR_S / 2)
    const over = plant.events.filter(({ what, atS }) => what === 'spills' && atS > 0)
    return Object.fromEntries(over.map(({ id }) => [`spills:${id}`, 1]))
  },
  /** A tap alone, for as long as a can takes to fill. */
  can({ begin }, tap) {
    const plant = begin()
    plant.act({ tap, to: 1 })
    plant.advance(CAN_S)
    return { [`can:${tap}`]: plant.view().taps[tap]!.flowLps }
  },
  running({ begin, site }) {
    const [first] = tapsOf(site)
    if (!first) return {}
    const plant = begin()
    plant.act({ tap: first.id, to: 1 })
    plant.advance(RUN_S)
    return named('running', plant.view().pressures)
  },
  starts({ begin, site }) {
    const [first] = tapsOf(site)
    if (!first) return {}
    const plant = begin()
    plant.act({ tap: first.id, to: SOME_OPEN })
    // Half an hour tells an hour's starts, twice as soon.
    plant.advance(HOUR_S / 2)
    const starts = Object.entries(plant.pumpLog).map(([run, log]) => [run, 2 * log.filter(({ on }) => on).length])
    return named('starts', Object.fromEntries(starts) as Record<string, number>)
  },
  /** Rain for an hour, and a day on. */
  chamber({ begin }) {
    const plant = begin()
    plant.act({ rainMmPerH: 12 })
    plant.advance(HOUR_S)
    plant.act({ rainMmPerH: 0 })
    plant.advance(25 * HOUR_S)
    return named('chamber', plant.view().chambers)
  },
}

/**
 * What would be read on a site with something broken or nothing, by the ids of `readingPlaces`. A reading is played
 * when it is first asked for, and kept: of sixty faults weighed by three readings, three are played and not all.
 */
export function readerOf(site: Site, fault: Fault | undefined): (id: string) => number {
  const levels = levelsBetween(site, STANDS_SHARE)
  const pressures = Object.fromEntries(
    site.nodes.flatMap(node => (node.kind === 'pressureTank' ? [[node.id, node.cutOutKPa - 2]] : [])),
  )
  const broken = (start: PlantStart) => {
    const plant = plantOf(site, start)
    if (fault) plant.act(fault)
    return plant
  }
  const stand: Stand = {
    site,
    levels,
    begin: () => broken({ levels, pressures }),
    full: () => broken({ pressures }),
  }
  const taken: Taken = {}
  return id => {
    if (taken[id] === undefined) {
      const [kind, at] = partsOf(id)
      Object.assign(taken, TAKING[kind](stand, at))
    }
    return (taken[id] ??= 0)
  }
}
/** The kind of a reading, and where it is taken, by its id. */
export const partsOf = (id: string): [kind: ProbeKind, at: string] => {
  const colon = id.indexOf(':')
  return [id.slice(0, colon) as ProbeKind, id.slice(colon + 1)]
}

/** All that can be read there. */
export const readingsBy = (site: Site, read: (id: string) => number): Taken =>
  Object.fromEntries(readingPlaces(site).map(({ id }) => [id, read(id)]))
