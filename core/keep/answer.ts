import { dueChores } from './chores/due'
import { plainDoubts } from './doubts'
import { forecastOf, heldNow, keepOf, runOutOf, type Interval, type Kept } from './keep'
import { watch } from './watch/watch'
import type { Begin } from './learn/learn'
import { phraseText } from '../words'
import type { Site } from '../site'
import type { LogReading } from '../kinds'

/** A log without what is doubted by itself, learned from up to a day. */
export function learnedFrom(site: Site, log: readonly LogReading[], on: string, begin?: Begin): Kept {
  const doubted = plainDoubts(site, log, on)
  return keepOf(
    site,
    log.filter(({ id }) => !doubted.has(id)),
    on,
    begin,
  )
}

/** Everything that a log says on a day, as it is answered to programs. */
export function keepAnswer(site: Site, log: readonly LogReading[], on: string) {
  const kept = learnedFrom(site, log, on)
  const { coefficient, use } = kept
  const pool = poolInHand(kept)
  return {
    learned: { coefficient, use },
    level: levelBand(kept, pool),
    runOut: runOutOf(forecastOf(site, kept), kept),
    chores: dueChores(site, log, on).map(({ id, subject, due, last }) => ({ id, subject, due, last })),
    watch: watch(site, log, kept).map(({ what, probability, litresPerDay, since }) => ({
      what: phraseText(what, 'metric'),
      probability,
      litresPerDay,
      since,
    })),
  }
}

/** The group of tanks that a log speaks of: the one that was read last, else the largest. */
export function poolInHand({ observed, model }: Kept): number {
  const { pools } = model.compiled
  return observed.at(-1)?.pool ?? pools.reduce((best, { capL }, at) => (capL > pools[best]!.capL ? at : best), 0)
}

/** How high it stands, m above the floor of its first tank. */
export function levelBand(kept: Kept, pool: number): Interval {
  const of = kept.model.compiled.pools[pool]
  if (!of) return { mean: 0, low: 0, high: 0 }
  const { mean, low, high } = heldNow(kept, pool)
  const levelM = (litres: number) => of.levelAtM(litres) - of.tanks[0]!.baseM
  return { mean: levelM(mean), low: levelM(low), high: levelM(high) }
}
