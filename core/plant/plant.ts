import { act } from './acts'
import { booksOf, type Books } from './books'
import { settle } from './changes'
import type { Command } from './commands'
import type { RoofFlows } from './roofWater'
import { charge, chargeW, lastsS } from './battery'
import { sunOnPanels } from './sun'
import { passWells, runsOfDryWells } from './wells'
import { noteChambers, noteDraws, notePumps, noteVessels } from './notices'
import { changesAfter, FOUND_S, instant, LEAST_S, tooFar, tried, type Trial, type Warm } from './step'
import { viewOf, type PlantView } from './view'
import { note, rebuild, worldOf, type PlantStart, type World } from './world'
import type { Site } from '../site'

/** The first step after a change, and the longest, s. */
const [FIRST_S, MOST_S] = [1, 900]
/** The sun is looked at so often. */
const SUN_EVERY_S = 600
/** A step that is too long is shortened so many times, and what comes within one is looked for so many. */
const [SHORTER_TIMES, CLOSER_TIMES] = [30, 8]

/** The longest step of at most so long that moves nothing too far and ends where something changes, if it does. */
function longest(world: World, mostS: number, rainLps: Float64Array, warm?: Warm): { trial: Trial; leftS: number } {
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

  function step(untilS: number): void {
    const { roofs, rainMmPerH, standing } = world
    const restS = untilS - world.atS
    const watts = chargeW(world, id => world.seenOn.get(id) ?? false)
    const mostS = Math.max(LEAST_S, Math.min(stepS, restS, roofs.holdsS(rainMmPerH), lastsS(world, watts), MOST_S))
    const rained = roofs.flows(rainMmPerH)
    const rainLps = Float64Array.from(standing.ids, id => rained.intoTanks.get(id) ?? 0)
    const { trial, leftS } = longest(world, restS - mostS < LEAST_S ? restS : mostS, rainLps, warm)
    const over = tooFar(world, trial)
    // What was stepped up to and not over comes in the next step, a little further on.
    const shortOf = leftS > 0 && changesAfter(world, trial) === undefined
    stepS = shortOf
      ? Math.max(LEAST_S, Math.min(leftS, trial.seconds) + FOUND_S / 2)
      : Math.min(MOST_S, Math.max(LEAST_S, trial.seconds * Math.min(2, 1 / Math.max(0.3, over))))
    commit(trial, rained)
    if (passWells(world, trial.flowLps, trial.seconds)) {
      world.wellsDry = runsOfDryWells(world)
      stepS = FIRST_S
    }
    if (charge(world, watts, trial.seconds)) {
      note(world, 'battery-empty', '')
      stepS = FIRST_S
    }
    if (settle(world)) stepS = FIRST_S
    notePumps(world, trial.last)
    if (noteDraws(world, trial)) stepS = FIRST_S
    noteChambers(world)
  }

  function commit(trial: Trial, rained: RoofFlows): void {
    const { seconds } = trial
    world.litres = trial.litres
    warm = trial.warm
    if (trial.trouble && !trouble) note(world, 'unsettled', '')
    trouble = trial.trouble
    world.atS += seconds
    books.enter(trial, rained, world.roofs.pass(world.rainMmPerH, seconds))
    noteVessels(world)
  }

  /** The sun goes on; where a pump runs by it, its lines are others then. */
  function seeSun(): void {
    const sun = world.setSun ?? sunOnPanels(document, start, world.atS) ?? 1
    if (sun === world.sun) return
    world.sun = sun
    if (!world.standing.controls.some(({ pump }) => pump.pump === 'solar')) return
    laidAnew()
    rebuild(world)
    notePumps(world, instant(world))
  }
  function laidAnew(): void {
    warm = undefined
    stepS = FIRST_S
  }

  settle(world)
  notePumps(world, instant(world))

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
      notePumps(world, instant(world))
    },
    view: (): PlantView => viewOf(world, books.told()),
    litres: (): Books => books.told(),
  }
}
export type Plant = ReturnType<typeof plantOf>
