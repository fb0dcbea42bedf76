import { sum } from 'd3-array'
import { runMembers, type Compiled } from '#core/balance'
import { DAYS_A_YEAR, type DailySeries } from '#core/climate'
import type { Site } from '#core/site'
import { refused } from '../lib/refused'

/** A step is one pool, roof or use on one day; measured, so many take a second of a middling machine. */
const STEPS_A_SECOND = 1e7
/** From here on this machine itself is asked how quick it is, with the site in question, for so long. */
const [ASK_FROM_S, ASK_MS] = [5, 120]
/** A request that would take about longer than this is asked to be smaller. */
const MOST_S = 40

/** A part of what is asked: the field that asks for it, and the days that are run for it. */
interface Part {
  path: string
  days: number
}

/**
 * Reckons what a request will take before any of it is begun, by its days over all runs, times what a day takes: by
 * what is reckoned on it, and, where that is much, by a few years that are run for it on this machine as it is now. 422
 * where it is too much; it names the field that asks for most.
 */
export function afford(site: Site, compiled: Compiled, series: DailySeries, parts: Part[]): void {
  const days = sum(parts, part => part.days)
  const roughS = (days * (compiled.pools.length + site.roofs.length + site.uses.length + 1)) / STEPS_A_SECOND
  if (roughS < ASK_FROM_S) return
  const seconds = days * secondsADay(site, compiled, series)
  if (seconds <= MOST_S) return
  const { path } = parts.reduce((most, part) => (part.days > most.days ? part : most))
  throw refused(
    422,
    `${path}: this would take about ${Math.round(seconds)} seconds, and a request may take ${MOST_S}; ask for less.`,
    path,
  )
}

/** What a day of a site takes here and now, s: the quickest of a few runs, since the first ones are slow. */
function secondsADay(site: Site, compiled: Compiled, series: DailySeries): number {
  const began = performance.now()
  let quickestMs = Infinity
  const years = 4
  while (performance.now() - began < ASK_MS || quickestMs === Infinity) {
    const from = performance.now()
    runMembers(site, compiled, series, 0, 1, years)
    quickestMs = Math.min(quickestMs, performance.now() - from)
  }
  return quickestMs / 1000 / (years * DAYS_A_YEAR)
}
