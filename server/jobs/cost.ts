import type { Compiled } from '#core/balance'
import type { Site } from '#core/site'
import { refused } from '../lib/refused'

/** A step is one pool, roof or use on one day; measured, so many take a second of a middling machine. */
const STEPS_A_SECOND = 1e7
/** A request that would take about longer than this is asked to be smaller. */
const MOST_S = 40

/** A part of what is asked: the field that asks for it, and the days that are run for it. */
interface Part {
  path: string
  days: number
}

/**
 * Reckons what a request will take before any of it is begun, by its days over all runs, times what is reckoned on a
 * day. 422 where that is too much; it names the field that asks for most.
 */
export function afford(site: Site, compiled: Compiled, parts: Part[]): void {
  const aDay = compiled.pools.length + site.roofs.length + site.uses.length + 1
  const seconds = parts.reduce((days, part) => days + part.days, 0) * (aDay / STEPS_A_SECOND)
  if (seconds <= MOST_S) return
  const { path } = parts.reduce((most, part) => (part.days > most.days ? part : most))
  throw refused(
    422,
    `${path}: this would take about ${Math.round(seconds)} seconds, and a request may take ${MOST_S}; ask for less.`,
    path,
  )
}
