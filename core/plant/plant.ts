import { act } from './acts'
import { booksOf, type Books } from './books'
import { settle } from './changes'
import type { Command } from './commands'
import type { RoofFlows } from './roofWater'
import { charge, chargeW, lastsS } from './battery'
import { overdrawn } from './wells'
import { changesAfter, drawsInHand, FOUND_S, instant, LEAST_S, tooFar, tried, type Trial, type Warm } from './step'
import { viewOf, type PlantView } from './view'
import { isAsked, isDry, note, pressureKPa, rebuild, runs, sunAt, worldOf, type PlantStart } from './world'
import type { PumpControl } from './switches'
import type { Flowing } from '../network'
import type { Site } from '../site'

/** The first step after a change, and the longest, s. */
const [FIRST_S, MOST_S] = [1, 900]
/** A pump that is switched by flow counts as running above this. */
const RUNS_LPS = 1e-3
/** Nobody stands at a dry tap for longer. */
const PATIENCE_S = 600
/** The sun is looked at so often. */
const SUN_EVERY_S = 600
/** A step that is too long is shortened so many times, and what comes within one is looked for so many. */
const [SHORTER_TIMES, CLOSER_TIMES] = [30, 8]
const DONE_L = 1e-6

/**
 * A site brought to life: its state moves by the steady flows between events, each of which is found and not stepped
 * over. Water hammer is left out.
 */
export function plantOf(document: Site, start: PlantStart = {}) {
  const world = worldOf(document, start)
  const books = booksOf(world)
  let warm: Warm | undefined
  let stepS = FIRST_S
  let trouble: string | undefined

  /** The longest step of at most so long that moves nothing too far and ends where something changes, if it does. */
  function longest(mostS: number, rainLps: Float64Array): { trial: Trial; leftS: number } {
    let trial = tried(world, mostS, rainLps, warm)
    for (let times = 0; times < SHORTER_TIMES && trial.seconds > LEAST_S; times++) {
      const over = tooFar(world, trial)
      if (over <= 1.05) break
      trial = tried(world, Math.max(LEAST_S, trial.seconds * Math.max(0.1, 0.9 / over)), rainLps, warm)
    }
    let leftS = 0
    for (let times = 0; times < CLOSER_TIMES && trial.seconds > LEAST_S; times++) {
      const share = changesAfter(world, trial)
      if (share === undefined || (1 - share) * trial.seconds <= FOUND_S) break
      leftS = trial.seconds * (1 - share)
      trial = tried(world, Math.max(LEAST_S, share * trial.seconds), rainLps, warm)
    }
    return { trial, leftS }
  }

  function step(untilS: number): void {
    const { roofs, rainMmPerH, standing } = world
    const restS = untilS - world.atS
    const watts = chargeW(world, id => world.seenOn.get(id) ?? false)
    const mostS = Math.max(LEAST_S, Math.min(stepS, restS, roofs.holdsS(rainMmPerH), lastsS(world, watts), MOST_S))
    const rained = roofs.flows(rainMmPerH)
    const rainLps = Float64Array.from(standing.ids, id => rained.intoTanks.get(id) ?? 0)
    const { trial, leftS } = longest(restS - mostS < LEAST_S ? restS : mostS, rainLps)
    const over = tooFar(world, trial)
    // What was stepped up to and not over comes in the next step, a little further on.
    const shortOf = leftS > 0 && changesAfter(world, trial) === undefined
    stepS = shortOf
      ? Math.max(LEAST_S, Math.min(leftS, trial.seconds) + FOUND_S / 2)
      : Math.min(MOST_S, Math.max(LEAST_S, trial.seconds * Math.min(2, 1 / Math.max(0.3, over))))
    commit(trial, rained)
    overdrawn(world, trial)
    if (charge(world, watts, trial.seconds)) {
      note(world, 'battery-empty', '')
      stepS = FIRST_S
    }
    if (settle(world)) stepS = FIRST_S
    seePumps(trial.last)
    seeDraws(trial)
    seeChambers()
  }

  function commit(trial: Trial, rained: RoofFlows): void {
    const { seconds } = trial
    world.litres = trial.litres
    warm = trial.warm
    if (trial.trouble && !trouble) note(world, 'unsettled', '')
    trouble = trial.trouble
    world.atS += seconds
    books.enter(trial, rained, world.roofs.pass(world.rainMmPerH, seconds))
    world.litres.forEach((litres, at) => {
      if (world.standing.isTank[at]) return
      if (litres <= 1e-9 && !world.empty[at]) {
        world.empty[at] = 1
        note(world, 'vessel-empty', world.standing.ids[at]!)
      } else if (litres > DONE_L) world.empty[at] = 0
    })
  }

  function seePumps({ flowLps }: Flowing): void {
    for (const control of world.standing.controls) {
      const { run, is } = control
      seeTrip(control)
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

  /** A pump whose start the inverter cannot bear trips it each time that its switch would have it run. */
  function seeTrip(control: PumpControl): void {
    const { id } = control.run
    if (!isAsked(world, control)) world.tripped.delete(id)
    else if (world.standing.supply.trips.has(id) && !world.tripped.has(id)) {
      world.tripped.add(id)
      note(world, 'trips', id)
    }
  }

  function seeDraws({ flowLps, seconds }: Trial): void {
    const { draws, atS } = world
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
        stepS = FIRST_S
      }
    }
  }

  function seeChambers(): void {
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

  /** The sun goes on; where a pump runs by it, its lines are others then. */
  function seeSun(): void {
    const sun = world.setSun ?? sunAt(start, world.atS) ?? 1
    if (sun === world.sun) return
    world.sun = sun
    if (!world.standing.controls.some(({ pump }) => pump.pump === 'solar')) return
    laidAnew()
    rebuild(world)
    seePumps(instant(world))
  }
  function laidAnew(): void {
    warm = undefined
    stepS = FIRST_S
  }

  settle(world)
  seePumps(instant(world))

  return {
    events: world.events,
    pumpLog: world.pumpLog,
    get atS() {
      return world.atS
    },
    /** Where the last step found no steady flow: why. */
    get trouble() {
      return trouble
    },
    /** Lets time go by, up to so many seconds from the start. */
    advance(untilS: number): void {
      while (untilS - world.atS > 1e-9) {
        const nextSunS = (Math.floor(world.atS / SUN_EVERY_S) + 1) * SUN_EVERY_S
        step(start.clockS === undefined ? untilS : Math.min(untilS, nextSunS))
        seeSun()
      }
    },
    /** Does something to it, now. */
    act(doing: Command): void {
      stepS = FIRST_S
      if (act(world, doing)) laidAnew()
      settle(world)
      seePumps(instant(world))
    },
    view: (): PlantView => viewOf(world, books.told()),
    litres: (): Books => books.told(),
  }
}
export type Plant = ReturnType<typeof plantOf>
