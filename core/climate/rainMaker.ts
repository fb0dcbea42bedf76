import { group, mean } from 'd3-array'
import { randomGamma, randomNormal } from 'd3-random'
import { seeded } from './seeded'
import { WET_DAY_MM } from './months'
import { yearScale, type SlowFactor } from './slowFactor'
import { dayOf, MONTH_DAYS, monthOf, monthsFrom, yearOf } from './calendar'

/**
 * A month as the maker needs it; how wet days follow each other and how uneven they are is known only where a record
 * was fitted.
 */
export interface MonthlyRain {
  rainMm: number
  wetDays: number
  wetAfterWet?: number
  shape?: number
}

/**
 * Shape of the gamma amounts: most wet days small, a few large. Daily records of very different climates lie between
 * 0.6 and 0.9.
 */
const GAMMA_SHAPE = 0.75
/** Share of a month's wet-day frequency that carries over from one day to the next (Geng et al. 1986). */
const PERSISTENCE = 0.25

/**
 * From so many years on a series is conditioned on its climate; a shorter one keeps the luck of its years, since nobody
 * knows the mean of thirty years to come.
 */
const CONDITIONED_FROM_YEARS = 100
/** The slow factor works on how often it rains as much as on how much. */
const ON_CHANCE = 0.5
const MOST_FREQUENT = 0.97

/** A month's chain of wet days and the gamma of their amounts. */
export interface WetDayChain {
  frequency: number
  /** How much likelier rain is after rain than after a dry day. */
  persistence: number
  meanMm: number
  excessMm: number
  shape: number
}

export function chainOf(
  { rainMm, wetDays: said, wetAfterWet, shape = GAMMA_SHAPE }: MonthlyRain,
  days: number,
): WetDayChain {
  // Rain in a month without wet days is a slip of the source: no wet day holds more than 100 mm on the mean.
  const wetDays = Math.max(said, rainMm / 100)
  const frequency = rainMm > 0 ? Math.min(1, wetDays / days) : 0
  const meanMm = wetDays > 0 ? rainMm / wetDays : 0
  const persistence =
    wetAfterWet === undefined || frequency >= MOST_FREQUENT
      ? PERSISTENCE
      : Math.min(0.95, (wetAfterWet - frequency) / (1 - frequency))
  return { frequency, persistence, meanMm, excessMm: Math.max(0, meanMm - WET_DAY_MM), shape }
}

/**
 * Makes daily rain from monthly figures: a monthly first-order two-state Markov chain for wet and dry days, gamma
 * amounts (Richardson 1981), transition chances from the wet-day frequency (Geng, Penning de Vries & Supit 1986); over
 * both lies a slow factor, where there is one. A series of many years is conditioned on its climate: days are wetted or
 * dried until each month has its number of wet days, and amounts scaled to its mean. The same seed gives the same
 * years.
 */
export function makeRain(
  months: readonly MonthlyRain[],
  startDay: number,
  years: number,
  seed: number,
  slow?: SlowFactor,
): Float64Array {
  const random = seeded(seed)
  const endDay = dayOf(yearOf(startDay) + years, monthOf(startDay) + 1, 1)!
  const days = endDay - startDay
  const wet = new Uint8Array(days)
  const month = monthsFrom(startDay, days)
  const chains = months.map((entry, index) => chainOf(entry, MONTH_DAYS[index]!))
  const factors = slowFactors(month, slow, random)
  /** Rain that cannot come on more days than there are comes in larger falls. */
  const crowded = new Float64Array(days).fill(1)

  let yesterday = random() < chains[month[0]!]!.frequency ? 1 : 0
  for (let index = 0; index < days; index++) {
    const { frequency: usual, persistence } = chains[month[index]!]!
    const wished = usual * factors.chance[index]!
    const frequency = Math.min(MOST_FREQUENT, wished)
    if (wished > frequency) crowded[index] = wished / frequency
    // Whatever follows a wet day, the chain comes back to its frequency: what a dry day is followed by makes up for it.
    const chance = yesterday ? frequency + persistence * (1 - frequency) : frequency * (1 - persistence)
    yesterday = random() < chance && frequency > 0 ? 1 : 0
    wet[index] = yesterday
  }
  const byMonth: number[][] = Array.from({ length: 12 }, () => [])
  for (let index = 0; index < days; index++) byMonth[month[index]!]!.push(index)
  const conditioned = years >= CONDITIONED_FROM_YEARS
  if (conditioned)
    byMonth.forEach((indices, at) =>
      setWetCount(wet, indices, Math.round(chains[at]!.frequency * indices.length), random),
    )

  const source = randomGamma.source(random)
  const rainMm = new Float64Array(days)
  byMonth.forEach((indices, at) => {
    const { excessMm, shape } = chains[at]!
    const gamma = source(shape, 1)
    let total = 0
    for (const index of indices)
      if (wet[index]) {
        const mm = WET_DAY_MM + ((gamma() * excessMm) / shape) * factors.amount[index]!
        total += rainMm[index] = mm * crowded[index]!
      }
    const wanted = (months[at]!.rainMm * indices.length) / MONTH_DAYS[at]!
    if (conditioned && total > 0)
      for (const index of indices) rainMm[index] = Math.max(wet[index]! * WET_DAY_MM, (rainMm[index]! * wanted) / total)
  })
  return rainMm
}

/** The slow factor's two parts on each day: on the chance of rain, and on its amount; together of mean 1. */
function slowFactors(month: Uint8Array, slow: SlowFactor | undefined, random: () => number) {
  const chance = new Float64Array(month.length).fill(1)
  const amount = new Float64Array(month.length).fill(1)
  if (!slow) return { chance, amount }
  const normal = randomNormal.source(random)()
  const deviates = yearly(deviatesOf(month, slow, normal), slow)
  for (const { at, from, to, deviate } of deviates) {
    const sigma = slow.sigmas[at]!
    const part = (share: number) => Math.exp(share * sigma * deviate - (share * sigma) ** 2 / 2)
    chance.fill(part(ON_CHANCE), from, to)
    amount.fill(part(1 - ON_CHANCE) * Math.exp(-ON_CHANCE * (1 - ON_CHANCE) * sigma ** 2), from, to)
  }
  return { chance, amount }
}

/** A month of a series, its days from and to, and how wet it is, in standard deviations. */
interface MonthDeviate {
  at: number
  from: number
  to: number
  deviate: number
}

/** Each month's deviate, which remembers that of the month before. */
function deviatesOf(month: Uint8Array, { memory }: SlowFactor, normal: () => number): MonthDeviate[] {
  const made: MonthDeviate[] = []
  for (let from = 0; from < month.length;) {
    const at = month[from]!
    let to = from + 1
    while (to < month.length && month[to] === at) to++
    const before = made.at(-1)?.deviate
    const deviate = before === undefined ? normal() : memory * before + Math.sqrt(1 - memory ** 2) * normal()
    made.push({ at, from, to, deviate })
    from = to
  }
  return made
}

/** The same, each year's mean deviate made up for or shared by its months, whose deviation stays what it was. */
function yearly(months: readonly MonthDeviate[], slow: SlowFactor): MonthDeviate[] {
  const scale = yearScale(slow)
  let year = 0
  const byYear = group(months, ({ at }) => (at === 0 ? ++year : year))
  return [...byYear.values()].flatMap(ofYear => {
    const middle = mean(ofYear, ({ deviate }) => deviate)!
    return ofYear.map(each => ({
      ...each,
      deviate: (each.deviate - (1 - slow.yearShare) * middle) / scale[each.at]!,
    }))
  })
}

/** Wets or dries days of a month at random until their count is the wanted one. */
function setWetCount(wet: Uint8Array, indices: number[], wanted: number, random: () => number): void {
  let count = indices.reduce((sum, index) => sum + wet[index]!, 0)
  for (let guard = indices.length * 200; count !== wanted && guard > 0; guard--) {
    const index = indices[Math.floor(random() * indices.length)]!
    const wish = count < wanted ? 1 : 0
    if (wet[index] === wish) continue
    wet[index] = wish
    count += wish ? 1 : -1
  }
}
