import { sum } from 'd3-array'
import { learnedFrom } from './answer'
import { dueChores } from './chores/due'
import { forecastOf, heldNow, runOutOf, type RunOut } from './keep'
import { watch } from './watch/watch'
import type { Odd } from './watch/odd'
import type { Site } from '../site'
import type { LogReading } from '../kinds'

/** What a site comes to today, at a glance: what its tanks hold, when it runs short, what is due, what looks odd. */
export interface Glance {
  heldL: number
  lowL: number
  highL: number
  capL: number
  runOut: RunOut
  /** Whether anybody has read a level. */
  isRead: boolean
  /** Chores that are due by today. */
  due: number
  /** The likeliest odd thing. */
  odd?: Odd['what']
}

export function glance(site: Site, log: readonly LogReading[], on: string): Glance {
  const kept = learnedFrom(site, log, on)
  const { pools } = kept.model.compiled
  const held = pools.map((_, pool) => heldNow(kept, pool))
  const [odd] = watch(site, log, kept)
  return {
    heldL: sum(held, ({ mean }) => mean),
    lowL: sum(held, ({ low }) => low),
    highL: sum(held, ({ high }) => high),
    capL: sum(pools, ({ capL }) => capL),
    runOut: runOutOf(forecastOf(site, kept), kept),
    isRead: kept.observed.length > 0,
    due: dueChores(site, log, on).filter(({ inDays }) => inDays <= 0).length,
    ...(odd ? { odd: odd.what } : {}),
  }
}
