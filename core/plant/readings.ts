import { plantOf } from './plant'
import type { Fault } from './faults'
import { levelsBetween, tapsOf } from '../network'
import { tanksOf, type Site } from '../site'

/** What a person can read off a site with a gauge, a can, a watch and their eyes. */
export type ReadingKind = 'still' | 'running' | 'starts' | 'can' | 'falls' | 'spills' | 'chamber'

export interface ReadingPlace {
  id: string
  kind: ReadingKind
  /** The tank, pressure tank, tap, chamber or run with a pump that it is taken at. */
  at: string
}

/** Of each kind: the minutes it takes, and how far two hands may differ, as a part of it and at least. */
export const READINGS: Record<ReadingKind, { minutes: number; share: number; least: number }> = {
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
  const of = (kind: ReadingKind, ids: string[]) => ids.map((at): ReadingPlace => ({ id: `${kind}:${at}`, kind, at }))
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

/** What would be read on a site, with something broken or nothing: each reading as a person takes it. */
export function readingsWith(site: Site, fault: Fault | undefined): Taken {
  const levels = levelsBetween(site, STANDS_SHARE)
  const pressures = Object.fromEntries(
    site.nodes.flatMap(node => (node.kind === 'pressureTank' ? [[node.id, node.cutOutKPa - 2]] : [])),
  )
  const begin = () => {
    const plant = plantOf(site, { levels, pressures })
    if (fault) plant.act(fault)
    return plant
  }
  const taken: Taken = {}
  // An hour with all taps shut.
  const still = begin()
  still.advance(HOUR_S)
  const after = still.view()
  for (const [id, levelM] of Object.entries(after.levels)) taken[`falls:${id}`] = levels[id]! - levelM
  for (const [id, kPa] of Object.entries(after.pressures)) taken[`still:${id}`] = kPa
  for (const { id } of tanksOf(site)) taken[`spills:${id}`] = 0
  // Full tanks with what fills them running: one whose float sticks runs over.
  const brim = plantOf(site, { pressures })
  if (fault) brim.act(fault)
  brim.advance(HOUR_S / 2)
  for (const { what, id, atS } of brim.events) if (what === 'spills' && atS > 0) taken[`spills:${id}`] = 1
  // Each tap alone, for as long as a can takes to fill.
  for (const { id } of tapsOf(site)) {
    const plant = begin()
    plant.act({ tap: id, to: 1 })
    plant.advance(CAN_S)
    taken[`can:${id}`] = plant.view().taps[id]!.flowLps
  }
  const [first] = tapsOf(site)
  if (first) {
    const vessels = site.nodes.some(({ kind }) => kind === 'pressureTank')
    if (vessels) {
      const plant = begin()
      plant.act({ tap: first.id, to: 1 })
      plant.advance(RUN_S)
      for (const [id, kPa] of Object.entries(plant.view().pressures)) taken[`running:${id}`] = kPa
    }
    const dripping = begin()
    dripping.act({ tap: first.id, to: SOME_OPEN })
    // Half an hour tells an hour's starts, twice as soon.
    dripping.advance(HOUR_S / 2)
    for (const [run, log] of Object.entries(dripping.pumpLog))
      taken[`starts:${run}`] = 2 * log.filter(({ on }) => on).length
  }
  // Rain for an hour, and a day on.
  if (site.nodes.some(({ kind }) => kind === 'chamber')) {
    const rained = begin()
    rained.act({ rainMmPerH: 12 })
    rained.advance(HOUR_S)
    rained.act({ rainMmPerH: 0 })
    rained.advance(25 * HOUR_S)
    for (const [id, share] of Object.entries(rained.view().chambers)) taken[`chamber:${id}`] = share
  }
  for (const { id } of readingPlaces(site)) taken[id] ??= 0
  return taken
}
