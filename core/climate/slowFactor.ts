import { mean, sum, variance } from 'd3-array'
import { chainOf, type MonthlyRain } from './rainMaker'
import { risingTo } from '../sums'
import { MONTH_DAYS, monthsFrom, yearOf } from './calendar'

/**
 * What makes months and years differ more than wet days that follow one another by chance: a log-normal factor over
 * each month's rain, of mean 1, that remembers the month before.
 */
export interface SlowFactor {
  /** Standard deviation of its logarithm in each month, January first. */
  sigmas: number[]
  /** Correlation of its logarithm from one month to the next. */
  memory: number
}

/** Of a climate whose months nobody has measured: a wet or a dry season is felt for a few months. */
const USUAL_MEMORY = 0.5
const MOST = { sigma: 1.5, memory: 0.98 }
/** So many years of the climate's own spread stand beside a record's, so that a short one is not taken at its word. */
const PRIOR_YEARS = 5

/** Rain of a month's mean, and the variance that wet days and their amounts alone give its total. */
const momentsOf = (months: readonly MonthlyRain[]) =>
  months.map((month, index) => ({ meanMm: month.rainMm, chainMm2: chainVariance(month, MONTH_DAYS[index]!) }))
type Moments = ReturnType<typeof momentsOf>

/** Variance of a month's total by the chain of wet days and the gamma of their amounts, mm². */
function chainVariance(month: MonthlyRain, days: number): number {
  const { frequency, persistence, meanMm, excessMm, shape } = chainOf(month, days)
  if (!(frequency > 0)) return 0
  const wetDays = days * frequency
  const counts =
    wetDays * (1 - frequency) * ((1 + persistence) / (1 - persistence)) -
    (2 * frequency * (1 - frequency) * persistence * (1 - persistence ** days)) / (1 - persistence) ** 2
  return counts * meanMm ** 2 + (wetDays * excessMm ** 2) / shape
}

/** Variance of the year's total under a slow factor, mm². */
function annualVariance(moments: Moments, { sigmas, memory }: SlowFactor): number {
  return sum(moments, (month, at) =>
    sum(moments, (other, to) => {
      const shared = Math.expm1(sigmas[at]! * sigmas[to]! * memory ** Math.abs(at - to))
      const apart = month.meanMm * other.meanMm * shared
      return at === to ? (1 + shared) * month.chainMm2 + apart : apart
    }),
  )
}

/** The slow factor under which a year's total varies as a climate's does: `spreadShare` of its mean, as a deviation. */
export function slowOfSpread(months: readonly MonthlyRain[], spreadShare: number): SlowFactor {
  const moments = momentsOf(months)
  const wanted = (spreadShare * sum(moments, month => month.meanMm)) ** 2
  const alike = (sigma: number): SlowFactor => ({ sigmas: months.map(() => sigma), memory: USUAL_MEMORY })
  return alike(risingTo(wanted, sigma => annualVariance(moments, alike(sigma)), MOST.sigma, MOST.sigma))
}

/**
 * The slow factor of a daily record: each month's from the variance of its totals, the memory from that of the year's;
 * both drawn towards the climate's own spread, the more the shorter the record is.
 */
export function slowOfRecord(
  startDay: number,
  rainMm: ArrayLike<number>,
  months: readonly MonthlyRain[],
  spreadShare: number,
): SlowFactor {
  const prior = slowOfSpread(months, spreadShare)
  const { byMonth, byYear } = totalsOf(startDay, rainMm)
  if (byYear.length < 2) return prior
  const moments = momentsOf(months)
  const own = (count: number) => count / (count + PRIOR_YEARS)
  const sigmas = moments.map(({ meanMm, chainMm2 }, at) => {
    const scatter = chainMm2 + meanMm ** 2
    const weight = own(byMonth[at]!.length)
    const seen = scatter > 1 ? Math.max(0, ((variance(byMonth[at]!) ?? 0) - chainMm2) / scatter) : 0
    const usual = Math.expm1(prior.sigmas[at]! ** 2)
    return Math.min(MOST.sigma, Math.sqrt(Math.log1p(weight * seen + (1 - weight) * usual)))
  })
  const yearMm = sum(moments, month => month.meanMm)
  const weight = own(byYear.length)
  const wanted = weight * variance(byYear)! + (1 - weight) * (spreadShare * yearMm) ** 2
  return {
    sigmas,
    memory: risingTo(wanted, memory => annualVariance(moments, { sigmas, memory }), MOST.memory, MOST.memory),
  }
}

/** Totals of the whole months of a record, by calendar month, and of its whole years. */
export function totalsOf(startDay: number, rainMm: ArrayLike<number>): { byMonth: number[][]; byYear: number[] } {
  const month = monthsFrom(startDay, rainMm.length)
  const byMonth: number[][] = Array.from({ length: 12 }, () => [])
  const years = new Map<number, number[]>()
  let year = yearOf(startDay)
  for (let from = 0; from < month.length;) {
    const at = month[from]!
    let [to, mm] = [from, 0]
    while (to < month.length && month[to] === at) mm += rainMm[to++]!
    if (to - from >= MONTH_DAYS[at]!) {
      byMonth[at]!.push(mm)
      years.set(year, [...(years.get(year) ?? []), mm])
    }
    if (at === 11) year++
    from = to
  }
  return { byMonth, byYear: [...years.values()].filter(months => months.length === 12).map(months => sum(months)) }
}

/** Standard deviation of a series' years as a share of their mean; undefined where there are not two. */
export function yearSpreadShare(startDay: number, rainMm: ArrayLike<number>): number | undefined {
  const { byYear } = totalsOf(startDay, rainMm)
  const meanMm = mean(byYear) ?? 0
  return byYear.length > 1 && meanMm > 0 ? Math.sqrt(variance(byYear)!) / meanMm : undefined
}
