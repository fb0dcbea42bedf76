import { DAY_MS } from '#core/units'
import { nowMs } from './clock'
import { lifeAt, livedDays } from './lived'
import { compiledOf, poolsOf } from '#core/balance'
import { reached, type Site } from '#core/site'

/** A place as the stand-ins see it: its days as they truly were and will be, figure by figure. */
export interface StandsAt {
  site: string
  fromDay: number
  rainMm: number[]
  /** At the end of each day above its own floor, m, by tank. */
  levelM: Record<string, number[]>
  /** What went through each line on each day, L. */
  drawnL: Record<string, number[]>
}

const [BACK_DAYS, AHEAD_DAYS, MOST_PLACES] = [200, 120, 30]
const today = (): number => Math.floor(nowMs() / DAY_MS)

/** The days of a site about a day, as its stand-ins see them. */
export function daysStanding(site: Site, onDay: number): StandsAt {
  const { fromDay, rainMm, heldL, drawnL } = livedDays(site, lifeAt(site.id), onDay - BACK_DAYS, onDay + AHEAD_DAYS)
  const [pools, compiled] = [poolsOf(site), compiledOf(site)]
  const levels = pools.flatMap(({ tanks, levelAtM }, index) =>
    tanks.map(({ id, baseM }): [string, number[]] => [
      id,
      Array.from(heldL[index]!, litres => Math.round(1000 * Math.max(0, levelAtM(litres) - baseM)) / 1000),
    ]),
  )
  const usesAt = compiled.demands.map(({ id }) => site.uses.find(use => use.id === id)!.at)
  const lines = site.runs.map(({ id, to }): [string, number[]] => {
    const behind = reached(site, to.node, { along: 'down' })
    return [
      id,
      Array.from(rainMm, (_, day) =>
        Math.round(drawnL.reduce((sum, of, use) => sum + (behind.has(usesAt[use]!) ? of[day]! : 0), 0)),
      ),
    ]
  })
  return {
    site: site.id,
    fromDay,
    rainMm: Array.from(rainMm),
    levelM: Object.fromEntries(levels),
    drawnL: Object.fromEntries(lines),
  }
}

const places = new Map<string, StandsAt>()
/** Puts the stand-ins at a place; of many, those that were put up first are forgotten. */
export function putUp(place: StandsAt): void {
  places.delete(place.site)
  places.set(place.site, place)
  if (places.size > MOST_PLACES) places.delete(places.keys().next().value!)
}
/** The place of a site where the stand-ins know today; none where they must be put up (again). */
export function placeOf(siteId: string): StandsAt | undefined {
  const place = places.get(siteId)
  const day = place && today() - place.fromDay
  return day !== undefined && day > 0 && day < place!.rainMm.length - 12 ? place : undefined
}
export const dayOfPlaces = today
