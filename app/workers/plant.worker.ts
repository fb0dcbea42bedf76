import { expose } from 'comlink'
import { z } from 'zod'
import {
  breakLoss,
  causesOf,
  play,
  plantOf,
  quickestWay,
  rank,
  READINGS,
  readingsWith,
  tellsApart,
  type Cause,
  type Doing,
  type FaultId,
  type Plant,
  type PlantStart,
  type Played,
  type ReadingKind,
  type Taken,
} from '#core/plant'
import { inMode, type Site } from '#core/site'

z.config({ jitless: true })

/** The plant that is being played here; it keeps its state between questions. */
let plant: Plant | undefined
let told = 0

/** What can be seen of it, with what has happened since it was last looked at. */
function look() {
  const events = plant!.events.slice(told)
  told = plant!.events.length
  return { view: plant!.view(), events, trouble: plant!.trouble }
}

/** What each cause would be read as, worked out once for a site. */
let causes: { of: string; all: Cause[] } | undefined
function causesFor(site: Site, of: string, tell: (share: number) => void): Cause[] {
  if (causes?.of !== of) causes = { of, all: causesOf(site, tell) }
  return causes.all
}
/** What was broken without a word, for who looks for it. */
let hidden: Cause | undefined
const SHOWN = 6

const face = {
  /** What may be the matter with a site that was read so, the likeliest first; and the reading that parts the first two. */
  diagnose(site: Site, of: string, taken: Taken, tell: (share: number) => void) {
    const all = causesFor(site, of, tell)
    const ranked = rank(all, taken)
    const causeOf = (at: number) => all.find(({ fault }) => fault === ranked[at]?.fault)
    const [one, two] = [causeOf(0), causeOf(1)]
    const apart = one && two && tellsApart(site, one, two, taken)
    return { ranked: ranked.slice(0, SHOWN), ...(apart ? { apart } : {}) }
  },
  /** What would be read with nothing broken. */
  whole: (site: Site): Taken => readingsWith(site, undefined),
  /** Breaks something and keeps it to itself; the kinds it may be. */
  hide(site: Site, of: string, chance: number, tell: (share: number) => void): FaultId[] {
    const all = causesFor(site, of, tell).filter(({ fault, taken }) => fault && isNoticed(taken, causes!.all[0]!.taken))
    hidden = all[Math.floor(chance * all.length)]
    return [...new Set(all.map(({ fault }) => fault!.fault))]
  },
  /** A reading of what is hidden. */
  read: (id: string): number | undefined => hidden?.taken[id],
  /** The same with one valve turned: what somebody tests who shuts off a part of the site. */
  readTurned: (site: Site, id: string, part: string, open: boolean): number | undefined =>
    hidden && readingsWith(inMode(site, { id: 'test', name: '', positions: [{ part, open }] }), hidden.fault)[id],
  /** Whether it is what was named; what it was, and the quickest way there. */
  reveal(site: Site) {
    const way = hidden ? quickestWay(site, causes!.all, hidden) : []
    return { fault: hidden?.fault, way }
  },
  start(site: Site, start: PlantStart) {
    plant = plantOf(site, start)
    told = 0
    return look()
  },
  act(doings: Doing[]) {
    for (const doing of doings) plant!.act(doing)
    return look()
  },
  advance(untilS: number) {
    plant!.advance(untilS)
    return look()
  },
  play: (site: Site, played: Played) => play(site, played),
  breakLoss: (site: Site, at: string, hours: number) => breakLoss(site, at, hours),
}
/** True where something could be read at all that a whole site would not be. */
const isNoticed = (taken: Taken, whole: Taken): boolean =>
  Object.entries(taken).some(([id, value]) => {
    const { share, least } = READINGS[id.slice(0, id.indexOf(':')) as ReadingKind]
    return Math.abs(value - whole[id]!) > 2 * Math.max(least, share * Math.abs(value))
  })
export type PlantWorker = typeof face
export type Look = ReturnType<typeof look>
expose(face)
