import { SHORT_SHARE } from './year'
import { simulate } from './simulate'
import type { Compiled } from './compiled'
import { seriesOf } from '../climate'

const MOST_DAYS = 730

export interface Spell {
  /** Days that every use is served in full; undefined where it lasts two years and more. */
  days: number | undefined
  /** The use that goes short first. */
  first: string | undefined
  /** Days until rationing begins, where it does. */
  rationedAfter: number | undefined
  /** Litres held each day. */
  storedL: Float64Array
}

/**
 * If it stops raining today: how long the tanks last from what they hold, with wells, mains and carts as their rules
 * have them, and nothing that fails. `startDay` counts from 1970.
 */
export function drySpellFrom(compiled: Compiled, startDay: number, heldShare: number, days = MOST_DAYS): Spell {
  const run = simulate({ ...compiled, outages: [] }, seriesOf(startDay, new Float64Array(days), true), {
    startL: compiled.pools.map(pool => pool.capL * heldShare),
  })
  const first = run.shortL.findIndex((short, day) => short > run.askedL[day]! * SHORT_SHARE)
  const rationed = run.rationedL.findIndex(litres => litres > 0)
  const use =
    first < 0 ? undefined : compiled.demands.find((_, index) => run.shortByUseL[first * run.uses + index]! > 0)
  return {
    days: first < 0 ? undefined : first,
    first: use?.name,
    rationedAfter: rationed < 0 ? undefined : rationed,
    storedL: run.storedL,
  }
}
