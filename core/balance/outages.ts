import { randomExponential } from 'd3-random'
import type { Outage } from './compiled'
import { risingTo } from '../sums'
import type { OutageRule } from '../kinds'
import { DAYS_A_YEAR, type DailySeries, seeded } from '../climate'

/** A time without: from which hour of the series, and for how long. */
export interface Cut {
  fromH: number
  hours: number
}

const DAY_H = 24
const YEAR_H = DAYS_A_YEAR * DAY_H

type ByChance = Extract<OutageRule, { by: 'chance' }>

/**
 * The mean of the exponential whose lengths, cut at the longest there is, have the mean that was said: the mean of
 * min(X, M) is μ(1 − e^(−M/μ)). Where the mean is as long as the longest, all are that long.
 */
export function drawnMeanH({ meanHours, mostHours = Infinity }: ByChance): number {
  if (mostHours === Infinity || meanHours >= mostHours) return meanHours >= mostHours ? Infinity : meanHours
  const meanOf = (drawn: number) => (drawn > 0 ? drawn * -Math.expm1(-mostHours / drawn) : 0)
  return risingTo(meanHours, meanOf, meanHours)
}

/** The share of cuts that are no longer than so many hours. */
export function shorterShare(rule: OutageRule, hours: number): number {
  if (rule.by === 'rota') return hours >= rule.daysOff * DAY_H ? 1 : 0
  if (hours >= (rule.mostHours ?? Infinity)) return 1
  return 1 - Math.exp(-hours / drawnMeanH(rule))
}

/** The length that half of the cuts do not reach, hours. */
export function medianHours(rule: OutageRule): number {
  if (rule.by === 'rota') return rule.daysOff * DAY_H
  return Math.min(rule.mostHours ?? Infinity, Math.LN2 * drawnMeanH(rule))
}

/** Hours a year without, in the long run. */
export function hoursAYear(rule: OutageRule): number {
  return rule.by === 'rota'
    ? (YEAR_H * rule.daysOff) / (rule.daysOn + rule.daysOff)
    : Math.min(YEAR_H, rule.timesPerYear * Math.min(rule.meanHours, rule.mostHours ?? Infinity))
}

const seedOf = (id: string, seed: number) =>
  [...id].reduce((hash, letter) => (Math.imul(hash, 31) + letter.charCodeAt(0)) | 0, seed * 7919)

/** Every cut of a series: a renewal process with exponential gaps and lengths, or the rota; the same seed, the same cuts. */
export function cutsOf({ id, rule }: Outage, { rainMm, seed = 1 }: Pick<DailySeries, 'rainMm' | 'seed'>): Cut[] {
  const endH = rainMm.length * DAY_H
  const cuts: Cut[] = []
  if (rule.by === 'rota') {
    const roundH = (rule.daysOn + rule.daysOff) * DAY_H
    for (let fromH = rule.daysOn * DAY_H; fromH < endH; fromH += roundH)
      cuts.push({ fromH, hours: rule.daysOff * DAY_H })
    return cuts
  }
  if (rule.timesPerYear <= 0) return cuts
  const uniform = seeded(seedOf(id, seed))
  const meanH = Math.min(rule.meanHours, rule.mostHours ?? Infinity)
  const drawn = drawnMeanH(rule)
  const length = drawn === Infinity ? () => rule.mostHours! : randomExponential.source(uniform)(1 / drawn)
  // What is not without is with: gaps are what the year leaves between so many cuts.
  const gap = randomExponential.source(uniform)(1 / Math.max(1, YEAR_H / rule.timesPerYear - meanH))
  for (let fromH = gap(); fromH < endH; fromH += gap()) {
    const hours = Math.min(length(), rule.mostHours ?? Infinity)
    cuts.push({ fromH, hours })
    fromH += hours
  }
  return cuts
}

/** The share of each day that a thing works, 1 where it never fails. */
export function onShareOf(outage: Outage, series: Pick<DailySeries, 'rainMm' | 'seed'>): Float64Array {
  const days = series.rainMm.length
  const on = new Float64Array(days).fill(1)
  for (const { fromH, hours } of cutsOf(outage, series)) {
    const toH = fromH + hours
    for (let day = Math.floor(fromH / DAY_H); day < Math.min(days, toH / DAY_H); day++) {
      const offH = Math.min(toH, (day + 1) * DAY_H) - Math.max(fromH, day * DAY_H)
      on[day] = Math.max(0, on[day]! - offH / DAY_H)
    }
  }
  return on
}

/**
 * What each thing that hangs on others can do in a day, a row a day: the share of it in which none of them fails, each
 * failing by itself.
 */
export function onShares(
  outages: readonly Outage[],
  hangsOn: readonly number[][],
  series: Pick<DailySeries, 'rainMm' | 'seed'>,
): Float64Array {
  const days = series.rainMm.length
  const shares = new Float64Array(days * hangsOn.length).fill(1)
  const on = outages.map(outage => onShareOf(outage, series))
  hangsOn.forEach((needs, column) => {
    for (const need of needs)
      for (let day = 0; day < days; day++) shares[day * hangsOn.length + column]! *= on[need]?.[day] ?? 1
  })
  return shares
}
