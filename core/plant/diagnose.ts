import { FAULT_IDS, FAULTS, type Fault, type FaultRow } from './faults'
import { partsOf, readerOf, readingPlaces, PROBES, type Taken } from './readings'
import type { Site } from '../site'

/** What may be the matter: something broken somewhere, or nothing. */
export interface Cause {
  /** None where nothing is wrong. */
  fault?: Fault
  /** What would be read with it, by the id of a reading. */
  read: (id: string) => number
}

/** A cause with how well it fits what was read. */
export interface Ranked {
  fault?: Fault
  /** Squares of how far each reading is off, in what two hands may differ by. */
  misfit: number
  /** Of all causes, the share of belief that this one has. */
  share: number
}

/** Each thing that can break, at every place, as a site with it would be read; first the site whole. */
export function causesOf(site: Site): Cause[] {
  const faults = FAULT_IDS.flatMap(fault => {
    const row: FaultRow = FAULTS[fault]
    return row.places(site).map((at): Fault => ({ fault, at, to: row.usual }))
  })
  return [undefined, ...faults].map((fault): Cause => ({
    ...(fault ? { fault } : {}),
    read: readerOf(site, fault),
  }))
}

/** How far two readings of a kind are apart, in what two hands may differ by. */
const apart = (id: string, one: number, two: number): number => {
  const { share, least } = PROBES[partsOf(id)[0]]
  return Math.abs(one - two) / Math.max(least, share * Math.max(Math.abs(one), Math.abs(two)))
}

/** True where a cause could be read off a site at all: something there is not as it would be with nothing broken. */
export const isNoticed = (site: Site, cause: Cause, whole: Cause): boolean =>
  readingPlaces(site).some(({ id }) => isApart(id, cause, whole))

/** One reading that fits nothing does not outvote all others. */
const MOST_OFF = 6

/** Causes by how well they fit what was read, the best first. */
export function rank(causes: readonly Cause[], taken: Taken): Ranked[] {
  const told = causes.map(({ fault, read }) => ({
    ...(fault ? { fault } : {}),
    misfit: Object.entries(taken).reduce(
      (sum, [id, value]) => sum + Math.min(MOST_OFF, apart(id, value, read(id))) ** 2,
      0,
    ),
  }))
  const least = Math.min(...told.map(({ misfit }) => misfit))
  const weight = ({ misfit }: { misfit: number }) => Math.exp((least - misfit) / 2)
  const all = told.reduce((sum, each) => sum + weight(each), 0)
  return told.map(each => ({ ...each, share: weight(each) / all })).sort((a, b) => a.misfit - b.misfit)
}

/** The reading that tells two causes furthest apart for the minutes it takes, of those not yet taken. */
export function tellsApart(site: Site, one: Cause, two: Cause, taken: Taken): string | undefined {
  const best = readingPlaces(site)
    .filter(({ id }) => !(id in taken))
    .map(({ id, kind }) => ({ id, worth: apart(id, one.read(id), two.read(id)), kind }))
    .filter(({ worth }) => worth > 2)
    .sort(
      (a, b) =>
        Math.min(b.worth, MOST_OFF) / PROBES[b.kind].minutes - Math.min(a.worth, MOST_OFF) / PROBES[a.kind].minutes,
    )
  return best[0]?.id
}

/** Minutes to each reading, and to think over what it says. */
const WALK_MINUTES = 5
const isApart = (id: string, one: Cause, two: Cause): boolean => apart(id, one.read(id), two.read(id)) > 2

/** The readings by which somebody quick would have found a cause: each time the one that rules out most for its minutes. */
export function quickestWay(site: Site, causes: readonly Cause[], truth: Cause): string[] {
  let left = causes.filter(cause => cause !== truth)
  const way: string[] = []
  while (left.length && way.length < 6) {
    let best: { id: string; worth: number } | undefined
    // The quickest come first: once even all causes ruled out would be worth less, none of the slower is played.
    for (const { id, kind } of readingPlaces(site)) {
      const cost = PROBES[kind].minutes + WALK_MINUTES
      if (way.includes(id)) continue
      if (left.length / cost <= (best?.worth ?? 0)) break
      const worth = left.filter(cause => isApart(id, cause, truth)).length / cost
      if (worth > (best?.worth ?? 0)) best = { id, worth }
    }
    if (!best) break
    const { id } = best
    way.push(id)
    left = left.filter(cause => !isApart(id, cause, truth))
  }
  return way
}
