import { shuffle } from 'd3-array'
import {
  causesOf,
  FAULT_IDS,
  FAULTS,
  isNoticed,
  plantOf,
  quickestWay,
  rank,
  readerOf,
  readingPlaces,
  PROBES,
  readingsBy,
  tellsApart,
  type Cause,
  type Command,
  type Fault,
  type FaultId,
  type FaultRow,
  type Plant,
  type PlantStart,
  type Taken,
} from '#core/plant'
import { inMode, type Site } from '#core/site'

/** The plant that is being played here; it keeps its state between questions. */
let plant: Plant | undefined
let told = 0

/** What can be seen of it, with what has happened since it was last looked at. */
function look() {
  const events = plant!.events.slice(told)
  told = plant!.events.length
  return { view: plant!.view(), events, trouble: plant!.trouble }
}

/** What may be the matter with a site; what each would be read as is played when it is asked for, and kept. */
let causes: { of: string; all: Cause[] } | undefined
function causesFor(site: Site, of: string): Cause[] {
  if (causes?.of !== of) causes = { of, all: causesOf(site) }
  return causes.all
}
/** What was broken without a word, for who looks for it. */
let hidden: Cause | undefined
const SHOWN = 6
/** So long one question holds the thread before another has its turn. */
const TURN_MS = 20

/** Plays some readings of every cause, and lets other questions in between; false where other causes are asked of. */
async function playThrough(all: Cause[], ids: string[], tell?: (share: number) => void): Promise<boolean> {
  let since = performance.now()
  for (const [at, cause] of all.entries()) {
    tell?.(at / all.length)
    for (const id of ids) {
      cause.read(id)
      if (performance.now() - since < TURN_MS) continue
      await new Promise(resolve => setTimeout(resolve))
      since = performance.now()
      if (causes?.all !== all) return false
    }
  }
  return true
}
/** Readings of a quarter of an hour at most. */
const quickOf = (site: Site) =>
  readingPlaces(site)
    .filter(({ kind }) => PROBES[kind].minutes <= 15)
    .map(({ id }) => id)

/** A plant that is played, and what may be the matter with a site: both keep their state between questions. */
export const plants = {
  /** What may be the matter with a site that was read so, the likeliest first; and the reading that parts the first two. */
  async diagnose(site: Site, of: string, taken: Taken, tell: (share: number) => void) {
    const all = causesFor(site, of)
    await playThrough(all, Object.keys(taken), tell)
    const ranked = rank(all, taken)
    const causeOf = (at: number) => all.find(({ fault }) => fault === ranked[at]?.fault)
    const [one, two] = [causeOf(0), causeOf(1)]
    const apart = one && two && tellsApart(site, one, two, taken)
    return { ranked: ranked.slice(0, SHOWN), ...(apart ? { apart } : {}) }
  },
  /** What would be read with nothing broken. */
  whole: (site: Site): Taken => readingsBy(site, readerOf(site, undefined)),
  /** Breaks something that can be noticed, and keeps it to itself; the kinds it may be. */
  hide(site: Site, of: string): FaultId[] {
    const all = causesFor(site, of)
    const [whole, ...broken] = all
    hidden = shuffle(broken).find(cause => isNoticed(site, cause, whole!))
    if (!hidden) return []
    // While readings are taken, what the quickest way to it is looked for by is played.
    void playThrough(all, quickOf(site))
    return FAULT_IDS.filter(id => (FAULTS[id] as FaultRow).places(site).length)
  },
  /** A reading of what is hidden. */
  read: (id: string): number | undefined => hidden?.read(id),
  /** The same with one valve turned: what somebody tests who shuts off a part of the site. */
  readTurned: (site: Site, id: string, part: string, open: boolean): number | undefined =>
    hidden && readerOf(inMode(site, { id: 'test', name: '', positions: [{ part, open }] }), hidden.fault)(id),
  /** What it was. */
  reveal: (): Fault | undefined => hidden?.fault,
  /** The quickest way to what is hidden. */
  async way(site: Site, tell: (share: number) => void): Promise<string[]> {
    if (!hidden || !causes || !(await playThrough(causes.all, quickOf(site), tell))) return []
    return quickestWay(site, causes.all, hidden)
  },
  start(site: Site, start: PlantStart) {
    plant = plantOf(site, start)
    told = 0
    return look()
  },
  act(doings: Command[]) {
    for (const doing of doings) plant!.act(doing)
    return look()
  },
  advance(untilS: number) {
    plant!.advance(untilS)
    return look()
  },
}
export type Look = ReturnType<typeof look>
