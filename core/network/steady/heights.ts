import { portHeightM, type Run, type Site } from '../../site'
import { lengthOfPart } from '../../kinds'

/** Height of the line at a part, by its place in the run. */
export type Profile = (at: number) => number

/** Heights along a run, even from one place that is known to the next: its ends, and what its profile tells. */
export function heightsAlong(site: Site, run: Run): Profile {
  const upTo = [0]
  for (const part of run.parts) upTo.push(upTo.at(-1)! + lengthOfPart(part))
  const lengthM = upTo.at(-1)!
  const places = placesAlong(site, run, lengthM)
  return at => {
    const alongM = upTo[at]!
    const next = places.findIndex(place => place.alongM > alongM)
    if (next < 0) return places.at(-1)!.heightM
    const [before, after] = [places[Math.max(0, next - 1)]!, places[next]!]
    const share = (alongM - before.alongM) / (after.alongM - before.alongM)
    return before.heightM + share * (after.heightM - before.heightM)
  }
}

/** Places of a run whose heights are known, in order along it: its beginning, its profile, its end. */
export function placesAlong(site: Site, run: Run, lengthM: number): { alongM: number; heightM: number }[] {
  const within = (run.profile ?? []).filter(({ alongM }) => alongM > 0 && alongM < lengthM)
  const start = { alongM: 0, heightM: portHeightM(site, run.from) }
  if (!lengthM) return [start]
  return [
    start,
    ...within.toSorted((a, b) => a.alongM - b.alongM),
    { alongM: lengthM, heightM: portHeightM(site, run.to) },
  ]
}
