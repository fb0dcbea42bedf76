import { note, type World } from './world'
import { casingOf, leftInWellM } from '../network'
import type { Site } from '../site'
import type { NodeOf } from '../kinds'

/** A well as it is drawn: what stands in its casing above the pump, and what comes in. */
export interface Casing {
  wellId: string
  capL: number
  comesLps: number
  heldL: number
  /** Drawn down to its pump, until so much has come back. */
  isDry: boolean
  backAtL: number
}

/** A casing holds at least this, whatever its pump's depth says: a pump stands in some water. */
const LEAST_L = 1
/** A pump that drew air draws again after so long of what comes, s; a guard lets it rest until half is back. */
const GULP_S = 600
const GUARD_SHARE = 0.5
const EMPTY_L = 1e-6

/** Every well of a site, full. */
export const casingsOf = (site: Site): Casing[] =>
  site.nodes.flatMap(node => (node.kind === 'well' ? [casing(site, node)] : []))

function casing(site: Site, well: NodeOf<'well'>): Casing {
  const pump = site.runs
    .filter(({ from }) => from.node === well.id)
    .flatMap(({ parts }) => parts)
    .find(part => part.kind === 'pump')
  const { storedL, comesLps } = casingOf(well, leftInWellM(pump?.pump))
  const capL = Math.max(LEAST_L, storedL)
  const backAtL = pump?.dryGuard
    ? GUARD_SHARE * capL
    : Math.min(GUARD_SHARE * capL, Math.max(LEAST_L, comesLps * GULP_S))
  return { wellId: well.id, capL, comesLps, heldL: capL, isDry: false, backAtL }
}

/** What is drawn from a well, L/s, as flows are. */
function drawnLps({ standing }: World, wellId: string, flowLps: ArrayLike<number>): number {
  const well = standing.wells.find(({ id }) => id === wellId)
  return well?.links.reduce((sum, { at, sign }) => sum + sign * flowLps[at]!, 0) ?? 0
}

/** The share of a step after which the first well is drawn down to its pump, or has come back; nothing where none is. */
export function wellChangesAfter(world: World, flowLps: ArrayLike<number>, seconds: number): number | undefined {
  let share: number | undefined
  for (const { wellId, heldL, comesLps, isDry, backAtL, capL } of world.casings) {
    const gainsL = (comesLps - drawnLps(world, wellId, flowLps)) * seconds
    const wantedL = isDry ? Math.min(backAtL, capL) - heldL : -heldL
    if (wantedL === 0 || gainsL / wantedL < 1) continue
    share = Math.min(share ?? 1, wantedL / gainsL)
  }
  return share
}

/** Lets what is drawn go, and what comes in come; a well that is down to its pump is noted. True where any changed. */
export function passWells(world: World, flowLps: ArrayLike<number>, seconds: number): boolean {
  let changed = false
  for (const each of world.casings) {
    const gainsL = (each.comesLps - drawnLps(world, each.wellId, flowLps)) * seconds
    each.heldL = Math.max(0, Math.min(each.capL, each.heldL + gainsL))
    const isDry = each.isDry ? each.heldL < each.backAtL - EMPTY_L : each.heldL <= EMPTY_L
    if (isDry === each.isDry) continue
    each.isDry = isDry
    changed = true
    note(world, isDry ? 'well-dry' : 'well-back', each.wellId, isDry ? each.comesLps : each.heldL)
  }
  return changed
}

/** Runs that begin in a well that is drawn down to its pump. */
export function runsOfDryWells({ document, casings }: Pick<World, 'document' | 'casings'>): Set<string> {
  const dry = new Set(casings.flatMap(({ wellId, isDry }) => (isDry ? [wellId] : [])))
  return new Set(dry.size ? document.runs.flatMap(({ id, from }) => (dry.has(from.node) ? [id] : [])) : [])
}
