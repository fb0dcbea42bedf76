import type { Compiled } from '../../balance'
import { dayNumber } from '../../climate'
import type { Site } from '../../site'

/**
 * Holds what is asked on days of a restriction to its share: where two are in force, to the smaller. In place, a row a
 * day and a figure a use.
 */
export function holdBack(site: Site, { demands }: Compiled, askedL: Float64Array, startDay: number): Float64Array {
  const uses = demands.length
  const days = uses ? askedL.length / uses : 0
  if (!site.restrictions?.length || !days) return askedL
  const share = new Float64Array(askedL.length).fill(1)
  for (const { from, until, uses: held } of site.restrictions) {
    const first = Math.max(0, dayNumber(from) - startDay)
    const past = Math.min(days, until === undefined ? days : dayNumber(until) + 1 - startDay)
    for (const { id, share: most } of held) {
      const use = demands.findIndex(demand => demand.id === id)
      if (use < 0) continue
      for (let day = first; day < past; day++) share[day * uses + use] = Math.min(share[day * uses + use]!, most)
    }
  }
  for (let at = 0; at < askedL.length; at++) askedL[at]! *= share[at]!
  return askedL
}

/** The restrictions that are in force on a day. */
export const inForce = (site: Site, on: string): NonNullable<Site['restrictions']> =>
  (site.restrictions ?? []).filter(({ from, until }) => from <= on && (until === undefined || on <= until))
