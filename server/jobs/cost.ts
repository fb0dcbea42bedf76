import { DAY_S } from '#core/units'
import { sum } from 'd3-array'
import { runMembers, type Compiled } from '#core/balance'
import { DAYS_A_YEAR, type DailySeries } from '#core/climate'
import { QUESTION_ROWS, type QuestionName } from '#core/questions'
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
  const { path } = parts.reduce((most, part) => (part.days > most.days ? part : most))
  refuseOver(days * secondsADay(site, compiled, series), path)
}

/** How many times slower than a middling machine this one answered each question of late. */
const slow: Partial<Record<QuestionName, number>> = {}
const TELLING_PLACES = 50
/** However slow the machine was a moment ago, it is taken to be no slower than this, or it would never be asked again. */
const MOST_SLOW = 4

/** Answers a question that grows with a site, where that will not take too long here: 422 before any of it is begun. */
export async function affordable<Answer>(
  question: QuestionName,
  site: Site,
  work: () => Answer | Promise<Answer>,
): Promise<Answer> {
  const places = Math.max(1, site.nodes.length)
  const expectedMs = QUESTION_ROWS[question].costMs(places)
  refuseOver((expectedMs * Math.min(MOST_SLOW, slow[question] ?? 1)) / 1000, 'site.nodes')
  const began = performance.now()
  const answer = await work()
  if (places >= TELLING_PLACES) slow[question] = (performance.now() - began) / expectedMs
  return answer
}

/** A day that is played takes about so long for each place, s; so much of one is played to see how long it takes. */
const [PLAYED_PLACE_DAY_S, PLAY_FOR_S] = [0.01, 1]

/** Reckons what playing a site will take, where that may be much by playing its first part: 422 where it is too much. */
export function affordPlay(site: Site, seconds: number, playFirst: (seconds: number) => void): void {
  const roughS = (site.nodes.length * PLAYED_PLACE_DAY_S * seconds) / DAY_S
  if (roughS < ASK_FROM_S) return
  const first = (seconds * PLAY_FOR_S) / roughS
  const tookS = () => {
    const began = performance.now()
    playFirst(first)
    return (performance.now() - began) / 1000
  }
  // What is done for the first time is slow: where it seems too much it is looked at once more.
  const expectedS = () => (tookS() * seconds) / first
  if (expectedS() > MOST_S) refuseOver(expectedS(), 'seconds')
}

/** Refuses what would take too long; the path is of what asks for most. */
function refuseOver(seconds: number, path: string): void {
  if (seconds > MOST_S)
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
