import type { Books } from './books'
import { plantOf } from './plant'
import type { PlantStart } from './world'
import type { ScriptStep } from './commands'
import type { PlantEvent } from './events'
import type { Site } from '../site'

/** What is played: how it starts, for how long, what is done when, and how often it is looked at. */
export interface Played {
  seconds: number
  start?: PlantStart
  script?: readonly ScriptStep[]
  /** Seconds between looks; a hundred looks, unless told. */
  everyS?: number
}

/** How it went. */
export interface Course {
  timesS: number[]
  /** Metres above tanks' floors, kPa, and L/s, at each of those times. */
  levels: Record<string, number[]>
  pressures: Record<string, number[]>
  taps: Record<string, number[]>
  /** When each run's pump started and stopped. */
  pumps: Record<string, { atS: number; on: boolean }[]>
  events: PlantEvent[]
  litres: Books
  /** Where a moment found no steady flow: why. */
  trouble?: string
}

/** Looks at a course that is not told how often. */
const LOOKS = 100

/**
 * Plays a site from a start, by a script. `tell` hears how far it is.
 */
export function play(
  site: Site,
  { seconds, start, script = [], everyS = seconds / LOOKS }: Played,
  tell?: (share: number) => void,
): Course {
  const plant = plantOf(site, start)
  const steps = script.toSorted((a, b) => a.atS - b.atS)
  const course: Course = {
    timesS: [],
    levels: {},
    pressures: {},
    taps: {},
    pumps: {},
    events: [],
    litres: plant.litres(),
  }
  let next = 0
  let trouble: string | undefined
  const look = (): void => {
    const view = plant.view()
    course.timesS.push(plant.atS)
    const keep = (into: Record<string, number[]>, id: string, value: number) => (into[id] ??= []).push(value)
    for (const [id, level] of Object.entries(view.levels)) keep(course.levels, id, level)
    for (const [id, kPa] of Object.entries(view.pressures)) keep(course.pressures, id, kPa)
    for (const [id, { flowLps }] of Object.entries(view.taps)) keep(course.taps, id, flowLps)
    trouble ??= plant.trouble
  }
  const looks = Math.floor(seconds / everyS + 1e-9)
  const acts = (untilS: number): void => {
    while (next < steps.length && steps[next]!.atS <= untilS + 1e-9) {
      const doing = steps[next++]!
      plant.advance(Math.max(plant.atS, doing.atS))
      plant.act(doing)
    }
  }
  acts(0)
  look()
  for (let at = 1; at <= looks; at++) {
    const untilS = Math.min(seconds, at * everyS)
    acts(untilS)
    plant.advance(untilS)
    look()
    tell?.(untilS / seconds)
  }
  acts(seconds)
  plant.advance(seconds)
  if (plant.atS > course.timesS.at(-1)! + 1e-6) look()
  course.pumps = plant.pumpLog
  course.events = plant.events
  course.litres = plant.litres()
  return trouble ? { ...course, trouble } : course
}
