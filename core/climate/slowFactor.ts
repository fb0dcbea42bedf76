import { deviation, mean, range, sum, variance } from 'd3-array'
import { chainOf, type MonthlyRain } from './rainMaker'
import { risingTo } from '../sums'
import { MONTH_DAYS, monthsFrom, yearOf } from './calendar'

/**
 * What makes months and years differ more than wet days that follow one another by chance: a log-normal factor over
 * each month's rain, of mean 1, that remembers the month before. How far the months of a year go together beyond that
 * is its own: where years differ less than their months would have it, a wet month is made up for within the year.
 */
export interface SlowFactor {
  /** Standard deviation of its logarithm in each month, January first. */
  sigmas: number[]
  /** Correlation of its logarithm from one month to the next, before the year's share is taken. */
  memory: number
  /** What is left of a year's mean deviate: 1 as it falls, nothing where it is made up for, more where it is shared. */
  yearShare: number
}

/**
 * Of a climate whose months nobody has measured: by the factor months vary by half as much again as by the chain alone
 * (0.7 of what a daily record has), and a wet or a dry month is felt in the next, and hardly beyond.
 */
const USUAL = { sigma: 0.36, memory: 0.25 }
const MOST = { sigma: 1.5, memory: 0.98, yearShare: 60 }
/** A wet month may as well be followed by a dry one. */
const LEAST_MEMORY = -0.4
/**
 * So many years stand beside those of a record, so that a short one is not taken at its word: of all its months
 * together beside each one's own spread; of the climate's beside that of all its months, and beside that of its years.
 */
const PRIOR_YEARS = { month: 5, months: 1, year: 5 }
const ROUNDS = 6

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

/** How a year's deviates vary together under a factor, a row a month. */
function covariances({ memory, yearShare }: Pick<SlowFactor, 'memory' | 'yearShare'>): number[][] {
  const months = range(12)
  const apart = months.map(at => months.map(to => memory ** Math.abs(at - to)))
  const withYear = apart.map(row => mean(row)!)
  const year = mean(withYear)!
  const off = 1 - yearShare
  return apart.map((row, at) =>
    row.map((value, to) => value - off * (withYear[at]! + withYear[to]!) + off * off * year),
  )
}
/** The deviation of each month's deviate once its year's share is taken. */
export const yearScale = (factor: Pick<SlowFactor, 'memory' | 'yearShare'>): number[] =>
  covariances(factor).map((row, at) => Math.sqrt(row[at]!))
function correlations(factor: Pick<SlowFactor, 'memory' | 'yearShare'>): number[][] {
  const [together, scale] = [covariances(factor), yearScale(factor)]
  return together.map((row, at) => row.map((value, to) => value / (scale[at]! * scale[to]!)))
}

/** Variance of the year's total under a slow factor, mm². */
function annualVariance(moments: Moments, { sigmas, ...factor }: SlowFactor): number {
  const by = correlations(factor)
  return sum(moments, (month, at) =>
    sum(moments, (other, to) => {
      const shared = Math.expm1(sigmas[at]! * sigmas[to]! * by[at]![to]!)
      const apart = month.meanMm * other.meanMm * shared
      return at === to ? (1 + shared) * month.chainMm2 + apart : apart
    }),
  )
}

/** The mean correlation of one month's total with the next one's of its year under a slow factor. */
function lagOne(moments: Moments, { sigmas, ...factor }: SlowFactor): number {
  const by = correlations(factor)
  const deviations = moments.map(({ meanMm, chainMm2 }, at) => {
    const own = Math.expm1(sigmas[at]! ** 2)
    return Math.sqrt((1 + own) * chainMm2 + own * meanMm ** 2)
  })
  const pairs = moments.slice(1).flatMap(({ meanMm }, at) => {
    const [one, two] = [deviations[at]!, deviations[at + 1]!]
    const shared = meanMm * moments[at]!.meanMm * Math.expm1(sigmas[at]! * sigmas[at + 1]! * by[at]![at + 1]!)
    return one > 0 && two > 0 ? [shared / (one * two)] : []
  })
  return mean(pairs) ?? 0
}

/** The share of its year's deviate with which a year's total varies as wanted, mm². */
const yearShareFor = (moments: Moments, wantedMm2: number, factor: Pick<SlowFactor, 'sigmas' | 'memory'>): number =>
  risingTo(wantedMm2, yearShare => annualVariance(moments, { ...factor, yearShare }), 1, MOST.yearShare)

/**
 * The slow factor under which a year's total varies as a climate's does: `spreadShare` of its mean, as a deviation.
 * Where that is only taken `byRule`, months that differ as they usually do come first, and years differ by as much more
 * as these make them.
 */
export function slowOfSpread(months: readonly MonthlyRain[], spreadShare: number, byRule = false): SlowFactor {
  const moments = momentsOf(months)
  const wanted = (spreadShare * sum(moments, month => month.meanMm)) ** 2
  const alike = (sigma: number, yearShare: number): SlowFactor => ({
    sigmas: months.map(() => sigma),
    memory: USUAL.memory,
    yearShare,
  })
  const yearShare = yearShareFor(moments, wanted, alike(USUAL.sigma, 1))
  const isReached = yearShare < MOST.yearShare && (yearShare > 0 || byRule)
  if (isReached) return alike(USUAL.sigma, yearShare)
  // What no share of the year makes so much alike, or so different, has smaller or larger months.
  const sigma = risingTo(wanted, each => annualVariance(moments, alike(each, yearShare)), MOST.sigma, MOST.sigma)
  return alike(sigma, yearShare)
}

/**
 * The slow factor of a daily record: each month's from the variance of its totals, drawn towards that of all months
 * together, and this towards the climate's own; the memory from how one month's total goes with the next one's.
 */
export function slowOfRecord(
  startDay: number,
  rainMm: ArrayLike<number>,
  months: readonly MonthlyRain[],
  spreadShare: number,
  byRule = false,
): SlowFactor {
  const prior = slowOfSpread(months, spreadShare, byRule)
  const { byMonth, byYear, inOrder } = totalsOf(startDay, rainMm)
  if (byYear.length < 2) return prior
  const moments = momentsOf(months)
  const share = (count: number, beside: number) => count / (count + beside)
  // What a month's totals vary by beyond the chain, as a share of what a factor would make of it.
  const seen = moments.map(({ meanMm, chainMm2 }, at) => {
    const scatter = chainMm2 + meanMm ** 2
    return scatter > 1 ? ((variance(byMonth[at]!) ?? 0) - chainMm2) / scatter : 0
  })
  const known = share(byYear.length, PRIOR_YEARS.months)
  const pooled = known * Math.max(0, mean(seen)!) + (1 - known) * mean(prior.sigmas, sigma => Math.expm1(sigma ** 2))!
  const sigmas = seen.map((own, at) => {
    const weight = share(byMonth[at]!.length, PRIOR_YEARS.month)
    return Math.min(MOST.sigma, Math.sqrt(Math.log1p(weight * Math.max(0, own) + (1 - weight) * pooled)))
  })
  const ofYear = share(byYear.length, PRIOR_YEARS.year)
  const yearMm = sum(moments, month => month.meanMm)
  const wantedMm2 = ofYear * variance(byYear)! + (1 - ofYear) * (spreadShare * yearMm) ** 2
  const wanted = known * correlationOfNext(inOrder, byMonth) + (1 - known) * lagOne(moments, prior)
  // Each hangs on the other but little: a few rounds settle both, the year's last.
  const yearShareAt = (memory: number) => yearShareFor(moments, wantedMm2, { sigmas, memory })
  let { memory } = USUAL
  for (let round = 0; round < ROUNDS; round++) {
    const yearShare = yearShareAt(memory)
    const lagAt = (above: number) => lagOne(moments, { sigmas, memory: LEAST_MEMORY + above, yearShare })
    memory = LEAST_MEMORY + risingTo(wanted, lagAt, 1, MOST.memory - LEAST_MEMORY)
  }
  return { sigmas, memory, yearShare: yearShareAt(memory) }
}

/** How a month's total goes with the next one's, each against its own month's mean and deviation: −1 to 1. */
function correlationOfNext(inOrder: readonly MonthTotal[], byMonth: readonly number[][]): number {
  const deviates = inOrder.map(({ month, mm }) => {
    const spread = deviation(byMonth[month]!) ?? 0
    return spread > 0 ? (mm - mean(byMonth[month]!)!) / spread : 0
  })
  const pairs = deviates.slice(1).map((value, at) => value * deviates[at]!)
  const own = sum(deviates, value => value * value) / deviates.length
  return own > 0 ? sum(pairs) / pairs.length / own : 0
}

interface MonthTotal {
  month: number
  mm: number
}

/** Totals of the whole months of a record, in their order and by calendar month, and of its whole years. */
export function totalsOf(
  startDay: number,
  rainMm: ArrayLike<number>,
): { inOrder: MonthTotal[]; byMonth: number[][]; byYear: number[] } {
  const inOrder: MonthTotal[] = []
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
      inOrder.push({ month: at, mm })
      years.set(year, [...(years.get(year) ?? []), mm])
    }
    if (at === 11) year++
    from = to
  }
  return {
    inOrder,
    byMonth,
    byYear: [...years.values()].filter(months => months.length === 12).map(months => sum(months)),
  }
}

/** Standard deviation of a series' years as a share of their mean; undefined where there are not two. */
export function yearSpreadShare(startDay: number, rainMm: ArrayLike<number>): number | undefined {
  const { byYear } = totalsOf(startDay, rainMm)
  const meanMm = mean(byYear) ?? 0
  return byYear.length > 1 && meanMm > 0 ? Math.sqrt(variance(byYear)!) / meanMm : undefined
}
