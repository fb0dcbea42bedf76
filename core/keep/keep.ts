import { sum } from 'd3-array'
import { dateOf, forecast, type Forecast, type Now, type Promised } from './learn/forecast'
import { EIGHT_OF_TEN } from './learn/gaussian'
import { learn, type Begin, type Learned } from './learn/learn'
import { unexplained, type Unexplained } from './learn/leaks'
import { logModel, PRIOR, type LogModel, type Theta } from './learn/model'
import { metered, type Metered } from './learn/meters'
import { observedLevels, type Observed } from './learn/observed'
import { holdBack } from './learn/restricted'
import { logRain } from './learn/rain'
import { dayNumber, weatherSeries } from '../climate'
import { compiledOf, poolsOf, type Compiled } from '../balance'
import type { Site } from '../site'
import type { LogReading } from '../kinds'

/** A figure with the band that holds eight of ten. */
export interface Interval {
  mean: number
  low: number
  high: number
}

/** What a log has taught by a day, and what stands in the tanks then. */
export interface Kept {
  onDay: number
  model: LogModel
  observed: Observed[]
  learned: Learned
  /** What meters counted, interval by interval. */
  meters: Metered[]
  /** Falls and rises that nothing explains, likeliest first. */
  odd: Unexplained[]
  now: Now
  /** The roofs' coefficient as the plan has it, by their areas. */
  plannedCoefficient: number
  coefficient: Interval
  use: Interval
  /** Use apart in the half year in which most is asked, and in the other. */
  useByHalf: { high: Interval; low: Interval }
  /** How much narrower than before the log the bands have become, 0 to 1. */
  taught: { coefficient: number; use: number }
}

/** From this chance on a leak is taken to be there, and counts in what is to come. */
export const LEAKS_FROM = 0.5
/** A log is followed for so many days at most: what is older has said what it had to say. */
const MOST_DAYS = 8 * 366
/** Without a level the tanks are followed from so long ago. */
const BARE_DAYS = 365

/**
 * Learns from a log up to a day. Any order, any gaps; what lies after the day is left out.
 * @param begin what was learned before the last line was written: it is sooner there
 */
export function keepOf(site: Site, log: readonly LogReading[], on: string, begin?: Begin): Kept {
  const onDay = dayNumber(on)
  const [compiled, series, pools] = [compiledOf(site), weatherSeries(site), poolsOf(site)]
  const all = observedLevels(site, pools, log, onDay)
  const fromDay = Math.max(onDay - MOST_DAYS, all[0]?.day ?? onDay - BARE_DAYS)
  const observed = all.filter(({ day }) => day >= fromDay)
  const model = logModel(compiled, logRain(site, log, fromDay, onDay), series)
  holdBack(site, compiled, model.askedL, fromDay)
  const meters = metered(
    site,
    log.filter(({ at }) => dayNumber(at) <= onDay),
    model,
  )
  const first = learn(model, observed, begin, meters)
  const odd = unexplained(first, observed, model).sort((a, b) => b.probability - a.probability)
  const leaks = odd.filter(each => each.litresPerDay > 0 && each.probability >= LEAKS_FROM)
  // A leak that is taken to be there bends what is learned of use no longer.
  const leak = leaks[0] && { ...leaks[0], fromDay: leaks[0].fromDay - fromDay + 1 }
  const learned = leak ? learn(model, observed, undefined, meters, leak) : first
  const leakL = pools.map((_, pool) => leaks.find(each => each.pool === pool)?.litresPerDay ?? 0)
  const plannedCoefficient = coefficientOf(compiled)
  const shares = halves(model)
  const { theta, followed } = learned
  // How much it leaks is doubtful, and what is used as much the other way.
  const covariance = leak
    ? learned.covariance.map((row, one) =>
        row.map((value, two) => value + leak.sdL ** 2 * leak.bends[one]! * leak.bends[two]!),
      )
    : learned.covariance
  return {
    onDay,
    model,
    observed,
    learned,
    meters,
    odd,
    now: {
      day: onDay,
      litres: Array.from(followed.endL),
      varianceL2: Array.from(followed.endVarianceL2),
      theta,
      covariance,
      ...(leakL.some(litres => litres > 0) ? { leakL } : {}),
    },
    plannedCoefficient,
    coefficient: band(theta, covariance, [1, 0, 0], plannedCoefficient),
    use: band(theta, covariance, [0, shares.high, shares.low], 1),
    useByHalf: { high: band(theta, covariance, [0, 1, 0], 1), low: band(theta, covariance, [0, 0, 1], 1) },
    taught: {
      coefficient: taught(covariance, [1, 0, 0]),
      use: taught(covariance, [0, shares.high, shares.low]),
    },
  }
}

/** The roofs' coefficient as planned: of all that comes to a tank, by its areas. */
function coefficientOf({ caught }: Compiled): number {
  const areaM2 = sum(caught, each => each.areaM2)
  return areaM2 > 0 ? sum(caught, each => each.areaM2 * each.runoffCoefficient) / areaM2 : 0
}

/** Which share of what the log's days asked fell into each half of the year. */
function halves({ askedL, uses, month, high, days }: LogModel): { high: number; low: number } {
  let [inHigh, all] = [0, 0]
  for (let day = 0; day < days; day++)
    for (let use = 0; use < uses; use++) {
      const litres = askedL[day * uses + use]!
      all += litres
      if (high[month[day]!]) inHigh += litres
    }
  const share = all > 0 ? inHigh / all : 0.5
  return { high: share, low: 1 - share }
}

const varianceOf = (covariance: Learned['covariance'], weights: readonly number[]): number =>
  sum(weights, (one, at) => one * sum(weights, (two, to) => two * covariance[at]![to]!))
/** No plan is so true that its figures come nearer than this, as logarithms. */
const NEAREST_SD = 0.012
function band(theta: Theta, covariance: Learned['covariance'], weights: readonly number[], planned: number): Interval {
  const middle = sum(weights, (weight, at) => weight * theta[at]!)
  const off = EIGHT_OF_TEN * Math.sqrt(varianceOf(covariance, weights) + NEAREST_SD ** 2)
  return {
    mean: planned * Math.exp(middle),
    low: planned * Math.exp(middle - off),
    high: planned * Math.exp(middle + off),
  }
}
function taught(covariance: Learned['covariance'], weights: readonly number[]): number {
  const before = varianceOf(PRIOR, weights)
  return Math.max(0, 1 - Math.sqrt(varianceOf(covariance, weights) / before))
}

/** What a group of tanks holds on the day, L, with its band; never under nothing or over what it holds. */
export function heldNow({ now, learned, model }: Kept, pool: number): Interval {
  const slopes = learned.followed.endSlopes.slice(0, 3).map(row => row[pool]!)
  const sdL = Math.sqrt(now.varianceL2[pool]! + varianceOf(now.covariance, slopes))
  const capL = model.compiled.pools[pool]!.capL
  const within = (litres: number) => Math.max(0, Math.min(capL, litres))
  const mean = now.litres[pool]!
  return { mean, low: within(mean - EIGHT_OF_TEN * sdL), high: within(mean + EIGHT_OF_TEN * sdL) }
}

/** When something runs short, by the chance that it has: one in ten, one in two, nine in ten. */
export interface RunOut {
  p10: string | null
  p50: string | null
  p90: string | null
}
/** Before the first level was read nobody knows what stands in the tanks: no day is named then. */
export function runOutOf({ dryShare }: Forecast, { onDay, observed }: Pick<Kept, 'onDay' | 'observed'>): RunOut {
  const at = (share: number) => (observed.length ? (dateOf(dryShare, share, onDay) ?? null) : null)
  return { p10: at(0.1), p50: at(0.5), p90: at(0.9) }
}

export const forecastOf = (site: Site, { model, now }: Kept, options?: { rationed?: number[]; promised?: Promised }) =>
  forecast(site, model, now, options)
