import { group } from 'd3-array'
import type { Odd } from './odd'
import type { Kept } from '../keep'
import { dayNumber, isoDate } from '../../climate'
import { pressure, say } from '../../words'
import { graphOf, runName, type Site } from '../../site'
import type { LogReading } from '../../kinds'

/** A cartridge is spent once it takes so much pressure at full flow, or so many times what it took when it was new. */
const [SPENT_KPA, SPENT_TIMES, LEAST_KPA] = [70, 3, 25]

/** True where what a filter takes shows that it is spent, given the least that it has taken, kPa. */
export const isSpent = (dropKPa: number, leastKPa: number): boolean =>
  dropKPa >= SPENT_KPA || (dropKPa >= LEAST_KPA && dropKPa >= SPENT_TIMES * leastKPa)

/** Filters that take so much pressure that they are shut. */
export function filtersShut(site: Site, log: readonly LogReading[], { onDay }: Kept): Odd[] {
  const all = log.filter(({ kind, value, at }) => kind === 'drop' && value !== undefined && dayNumber(at) <= onDay)
  return [...group(all, ({ subject }) => subject ?? '')].flatMap(([subject, of]): Odd[] => {
    const inOrder = of.sort((a, b) => (a.at < b.at ? -1 : 1))
    const last = inOrder.at(-1)!
    const leastKPa = Math.min(...of.map(({ value }) => value!))
    if (!isSpent(last.value!, leastKPa)) return []
    const run = graphOf(site).run(subject)
    const name = run ? ` in “${runName(site, run)}”` : ''
    const first = inOrder.find(({ value }) => isSpent(value!, leastKPa))!
    return [
      {
        kind: 'filter',
        subject,
        what: say`The filter${name} takes ${pressure(last.value!)}, where it took ${pressure(leastKPa)}: its cartridge is
          spent`,
        probability: last.value! >= SPENT_KPA ? 0.95 : 0.8,
        litresPerDay: 0,
        since: isoDate(dayNumber(first.at)),
      },
    ]
  })
}
