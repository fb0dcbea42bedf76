import { randomGamma } from 'd3-random'
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus'
import { WET_DAY_MM } from './months'
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
 * Makes daily rain from monthly figures: a monthly first-order two-state Markov chain for wet and dry days, gamma
 * amounts
 * (Richardson 1981), transition chances from the wet-day frequency (Geng, Penning de Vries & Supit 1986).
 * From 10 years on the series is conditioned on its climate: days are wetted or dried until each month has its number
 * of
 * wet days, and amounts scaled to its mean. The same seed gives the same years.
 */
export function makeRain(months: readonly MonthlyRain[], startDay: number, years: number, seed: number): Float64Array {
  const random = uniform(seed)
  const endDay = dayOf(yearOf(startDay) + years, monthOf(startDay) + 1, 1)!
  const days = endDay - startDay
  const wet = new Uint8Array(days)
  const month = monthsFrom(startDay, days)
  // Rain in a month without wet days is a slip of the source: no wet day holds more than 100 mm on the mean.
  const wetDays = months.map(entry => Math.max(entry.wetDays, entry.rainMm / 100))
  const chance = months.map((entry, index) =>
    entry.rainMm > 0 ? Math.min(0.97, wetDays[index]! / MONTH_DAYS[index]!) : 0,
  )

  let yesterday = random() < chance[month[0]!]! ? 1 : 0
  for (let index = 0; index < days; index++) {
    const frequency = chance[month[index]!]!
    const afterWet = months[month[index]!]!.wetAfterWet ?? (1 - PERSISTENCE) * frequency + PERSISTENCE
    // Whatever follows a wet day, the chain comes back to its frequency: what a dry day is followed by makes up for it.
    const afterDry = Math.min(1, (frequency * (1 - afterWet)) / (1 - frequency))
    yesterday = random() < (yesterday ? afterWet : afterDry) && frequency > 0 ? 1 : 0
    wet[index] = yesterday
  }
  const byMonth: number[][] = Array.from({ length: 12 }, () => [])
  for (let index = 0; index < days; index++) byMonth[month[index]!]!.push(index)
  if (years >= 10)
    byMonth.forEach((indices, at) => setWetCount(wet, indices, Math.round(chance[at]! * indices.length), random))

  const source = randomGamma.source(random)
  const rainMm = new Float64Array(days)
  byMonth.forEach((indices, at) => {
    const monthMm = months[at]!.rainMm
    const shape = months[at]!.shape ?? GAMMA_SHAPE
    const gamma = source(shape, 1)
    const meanMm = wetDays[at]! > 0 ? monthMm / wetDays[at]! : 0
    let sum = 0
    for (const index of indices)
      if (wet[index]) sum += rainMm[index] = WET_DAY_MM + (gamma() * Math.max(0, meanMm - WET_DAY_MM)) / shape
    const wanted = (monthMm * indices.length) / MONTH_DAYS[at]!
    if (years >= 10 && sum > 0) for (const index of indices) rainMm[index] = (rainMm[index]! * wanted) / sum
  })
  return rainMm
}

/** Uniform numbers in [0, 1) from a seed. */
function uniform(seed: number): () => number {
  const generator = xoroshiro128plus(seed)
  return () => (generator.next() >>> 0) / 4294967296
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
