import { group, median } from 'd3-array'
import type { Odd } from './odd'
import type { Kept } from '../keep'
import { dayNumber, isoDate } from '../../climate'
import { nameOf, type Site } from '../../site'
import type { LogReading } from '../../kinds'

/** What a well gives is held against the same weeks of earlier years; less by this share is told. */
const [LATE_DAYS, SEASON_DAYS, YEAR_DAYS, SLOWER_SHARE] = [90, 60, 365.25, 0.8]
const [SURE_OF_ONE, SURER_BY] = [0.6, 0.1]

/** Wells that give less than they did at the same season: they tell so years before they fail. */
export function wellsSlower(site: Site, log: readonly LogReading[], { onDay }: Kept): Odd[] {
  const all = log.filter(({ kind, value, at }) => kind === 'recovery' && value !== undefined && dayNumber(at) <= onDay)
  return [...group(all, ({ subject }) => subject ?? '')].flatMap(([subject, of]): Odd[] => {
    const late = of.filter(({ at }) => dayNumber(at) > onDay - LATE_DAYS)
    const lastDay = Math.max(...late.map(({ at }) => dayNumber(at)))
    const early = of.filter(({ at }) => {
      const years = (lastDay - dayNumber(at)) / YEAR_DAYS
      return Math.round(years) >= 1 && Math.abs(years - Math.round(years)) * YEAR_DAYS <= SEASON_DAYS
    })
    const [now, was] = [median(late, ({ value }) => value!), median(early, ({ value }) => value!)]
    if (now === undefined || was === undefined || now > SLOWER_SHARE * was) return []
    const less = Math.round(100 * (1 - now / was))
    const name = subject ? nameOf(site, subject) : 'The well'
    return [
      {
        kind: 'well',
        subject,
        what: `${name} gives ${less} % less than at this season in earlier years: draw it more slowly, and ask who drilled it`,
        probability: Math.min(0.95, SURE_OF_ONE + SURER_BY * (late.length + early.length - 2)),
        litresPerDay: 0,
        since: isoDate(Math.min(...late.map(({ at }) => dayNumber(at)))),
      },
    ]
  })
}
