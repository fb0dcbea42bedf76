import type { PumpControl } from './switches'
import { drawsInHand, FOUND_S, type Trial } from './step'
import { isAsked, isDry, note, pressureKPa, runs, type World } from './world'
import type { Flowing } from '../network'

/** A pump that is switched by flow counts as running above this; a tap as giving. */
const RUNS_LPS = 1e-3
/** Nobody stands at a dry tap for longer. */
const PATIENCE_S = 600
/** Less than this is nothing: what is done, and what is empty. */
const DONE_L = 1e-6
const EMPTY_L = 1e-9

/** A pump whose start the inverter cannot bear trips it each time that its switch would have it run. */
function noteTrip(world: World, control: PumpControl): void {
  const { id } = control.run
  if (!isAsked(world, control)) world.tripped.delete(id)
  else if (world.standing.supply.trips.has(id) && !world.tripped.has(id)) {
    world.tripped.add(id)
    note(world, 'trips', id)
  }
}

/** Which pumps have started, stopped or run dry since it was last looked, by what flows now. */
export function notePumps(world: World, { flowLps }: Flowing): void {
  for (const control of world.standing.controls) {
    const { run, is } = control
    noteTrip(world, control)
    const link = world.standing.linkOfRun.get(run.id)
    const flows = link !== undefined && flowLps[link]! > RUNS_LPS
    const dry = isDry(world, run.id)
    const on = runs(world, control) && !dry && (is.by !== 'flow' || flows)
    if (on === (world.seenOn.get(run.id) ?? false)) continue
    world.seenOn.set(run.id, on)
    ;(world.pumpLog[run.id] ??= []).push({ atS: world.atS, on })
    const vesselAt = is.by === 'pressure' ? world.standing.ids.indexOf(is.vessel) : -1
    const kPa = vesselAt < 0 ? undefined : pressureKPa(world, vesselAt)
    note(world, on ? 'pump-starts' : dry ? 'runs-dry' : 'pump-stops', run.id, kPa)
  }
}

/** Which draws are done, or given up; whether a tap was shut by it. */
export function noteDraws(world: World, { flowLps, seconds }: Trial): boolean {
  const { draws, atS } = world
  let shut = false
  for (const draw of drawsInHand(world)) {
    const flow = flowLps[world.standing.linkOfTap.get(draw.tap)!] ?? 0
    draw.leftL -= flow * seconds
    const done = draw.leftL <= Math.max(DONE_L, flow * FOUND_S)
    if (flow > RUNS_LPS) draw.sinceS = atS
    if (!done && atS - draw.sinceS < PATIENCE_S) continue
    draws.splice(draws.indexOf(draw), 1)
    note(world, done ? 'draw-done' : 'draw-given-up', draw.tap, Math.max(0, draw.leftL))
    const next = draws.find(({ tap }) => tap === draw.tap)
    if (next) next.sinceS = atS
    else {
      world.open.delete(draw.tap)
      shut = true
    }
  }
  return shut
}

/** Which chambers have filled, and which have run empty. */
export function noteChambers(world: World): void {
  const { full, roofs } = world
  for (const { id, heldL, capL } of roofs.chambers) {
    if (!full.has(id) && heldL >= capL - DONE_L) {
      full.add(id)
      note(world, 'chamber-full', id)
    } else if (full.has(id) && heldL < 0.01 * capL) {
      full.delete(id)
      note(world, 'chamber-empty', id)
    }
  }
}

/** Which pressure tanks have run empty. */
export function noteVessels(world: World): void {
  world.litres.forEach((litres, at) => {
    if (world.standing.isTank[at]) return
    if (litres <= EMPTY_L && !world.empty[at]) {
      world.empty[at] = 1
      note(world, 'vessel-empty', world.standing.ids[at]!)
    } else if (litres > DONE_L) world.empty[at] = 0
  })
}
