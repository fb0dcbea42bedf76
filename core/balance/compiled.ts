import type { Bed } from './beds'
import type { Pool } from './pools'
import type { OutageRule } from '../kinds'

/**
 * A share of a roof: `captureShare` is what guard and screens let through, `spillsAtMmPerH` the rain at which gutter,
 * downpipe or line spill.
 */
export interface Caught {
  roofId: string
  spoutId: string
  areaM2: number
  runoffCoefficient: number
  wettingLossMm: number
  captureShare: number
  /** Of its snow, what lies until it melts. */
  snowShare: number
  spillsAtMmPerH: number
  /** The chambers that its water comes past, in order. */
  chambers: number[]
  pool: number
  bypassMonths: number
}
export interface Chamber {
  id: string
  name: string
  capL: number
  drainHours: number
  emptiedEveryDays: number
}
/** What can fail: a well, a main, or the power. */
export interface Outage {
  id: string
  kind: 'well' | 'main' | 'power'
  name: string
  rule: OutageRule
}
/** What hangs on things that fail: its column among `hangsOn`, or −1 where it hangs on none. */
export const NEVER_FAILS = -1

/** What a way brings at most in a day of each month, January first, L, by all who draw by it together. */
export interface Limit {
  mostL: number[]
  on: number
}

/** `limits` are the rows of the ways that its water comes along. */
export interface Transfer {
  from: number
  to: number
  keepL: number
  stopL: number
  pumped: boolean
  limits: number[]
}
export interface UseSource {
  kind: 'pool' | 'well' | 'main'
  index: number
  keepL: number
  months: number
  on: number
  /** The most of a day's asking that it serves here; 1, or half where two serve alike. */
  mostShare: number
  /** The rows of the ways that its water comes along, but those that bring whatever is asked. */
  limits: number[]
}
/** Below `belowL` in a pool, a use is held to a share of what it asks. */
export interface Ration {
  pool: number
  belowL: number
  share: number
}
export interface Demand {
  id: string
  name: string
  priority: number
  /** Litres a day, January first; of a bed the weather's noughts, since its soil asks day by day. */
  litresPerDay: number[]
  bed?: Bed
  sources: UseSource[]
  rations: Ration[]
}
/**
 * `mostL` is the most a day: of a trickle or a timed batch, or one load of carted water, which `index` does not
 * count.
 */
export interface TopUp {
  kind: 'well' | 'main' | 'cart'
  index: number
  pool: number
  startL: number
  stopL: number
  months: number
  mostL: number
  on: number
  /** The rows of the ways that its water comes along. */
  limits: number[]
}

/**
 * A site as the daily balance sees it: pools, what runs into them, between them and out of them. Indices point into
 * the lists.
 */
export interface Compiled {
  /** The mean temperature of each month, January first; snow lies in those below freezing. */
  meanC: number[]
  pools: Pool[]
  /** Months in which each pool stands empty for the frost, as bits. */
  drainedMonths: number[]
  /** Order in which pools spill, and where each spills to: another pool's index, or −1 away from the site's tanks. */
  spillOrder: number[]
  spillTo: number[]
  /** Pools that spill into each other in a ring; one of its lines is taken to run away. */
  spillRings: number[][]
  caught: Caught[]
  chambers: Chamber[]
  transfers: Transfer[]
  /** What runs on through a tank on its way to another, within the day; made after the transfers. */
  passing: Transfer[]
  /** What ways bring at most in a day. */
  limits: Limit[]
  demands: Demand[]
  wells: { id: string; name: string; yieldLPerDay: number; on: number }[]
  mains: { id: string; name: string; mostLPerDay: number; on: number }[]
  topUps: TopUp[]
  /** What can fail, and the sets of them that lines, wells and mains hang on. */
  outages: Outage[]
  hangsOn: number[][]
}

/** What is no pool or chamber: away from the site's tanks. */
export const AWAY = -1

export const EVERY_MONTH = 0xfff
export function monthMask(months: number[]): number {
  return months.reduce((mask, month) => mask | (1 << (month - 1)), 0)
}
