import { mean } from 'd3-array'
import { randomNormal } from 'd3-random'
import { demandByDay, type LogModel, type Theta } from './model'
import { holdBack } from './restricted'
import { squareRoot, type Matrix } from './gaussian'
import { bareRoofs, catchRain, roofColumns, SHORT_SHARE, sideBySide, type Compiled } from '../../balance'
import { dayNumber, isoDate, memberRain, seeded, seriesOf, type DailySeries } from '../../climate'
import type { Site } from '../../site'

/** What stands in the tanks today and is learned, from which many made-up weathers go on. */
export interface Now {
  day: number
  litres: readonly number[]
  varianceL2: readonly number[]
  theta: Theta
  covariance: Matrix
  /** Lost a day from each group, where something leaks. */
  leakL?: readonly number[]
}

/** Days to come as many made-up years have them. */
export interface Forecast {
  days: number
  /** Of all groups together, L, at the end of each week: one in ten has less, the middle, one in ten has more. */
  weeks: [low: number, middle: number, high: number][]
  /** What each group holds in a week, L, in the mean. */
  weekL: number[]
  /** The share of years in which something has run short by each day. */
  dryShare: Float64Array
  spillShare: Float64Array
  /** What is drawn a day over the next fortnight, in the middle. */
  drawnLPerDay: number
}

/** Rain that a forecast promises, day by day from tomorrow on. */
export type Promised = readonly number[]

const [MEMBERS, DAYS] = [120, 365]
/** So many days of rain before today tell how wet the beds' soil is. */
const SOIL_DAYS = 90

/**
 * Runs the days to come over many made-up weathers, with figures as likely as what was learned makes them.
 * @param rationed of each use, the share of what it asks that it is still given; none rations nothing
 */
export function forecast(
  site: Site,
  { compiled, high, rain }: Pick<LogModel, 'compiled' | 'high' | 'rain'>,
  now: Now,
  { rationed, promised = [] }: { rationed?: readonly number[]; promised?: Promised } = {},
): Forecast {
  const runs = sideBySide(compiled, MEMBERS)
  const { pools, uses } = runs
  const normal = randomNormal.source(seeded(20270418))()
  const root = squareRoot(now.covariance)
  const series = weathers(site, now.day, promised)
  const factors = Array.from({ length: MEMBERS }, () => {
    const drawn = [normal(), normal(), normal()]
    return now.theta.map((value, at) =>
      Math.exp(value + drawn.reduce((sum, each, from) => sum + root[at]![from]! * each, 0)),
    )
  })
  const inflows = series.map((each, member) => inflowOf(compiled, each, factors[member]![0]!))
  const asks = series.map(each =>
    holdBack(site, compiled, askedAfter(compiled, each, rain.series.rainMm.slice(-SOIL_DAYS)), now.day + 1),
  )
  for (let pool = 0; pool < pools; pool++)
    for (let lane = 0; lane < MEMBERS; lane++) {
      const heldL = now.litres[pool]! + Math.sqrt(now.varianceL2[pool]!) * normal()
      runs.poolL[pool * MEMBERS + lane] = Math.max(0, Math.min(runs.capL[pool * MEMBERS]!, heldL))
    }
  const inflowL = new Float64Array(pools * MEMBERS)
  const askedL = new Float64Array(uses * MEMBERS)
  const [dry, spilt] = [new Uint8Array(MEMBERS), new Uint8Array(MEMBERS)]
  const [dryShare, spillShare] = [new Float64Array(DAYS), new Float64Array(DAYS)]
  const weeks: Forecast['weeks'] = []
  const { month } = series[0]!
  let drawnL = 0
  let weekL: number[] = []
  for (let day = 0; day < DAYS; day++) {
    const season = high[month[day]!] === 1 ? 1 : 2
    for (let lane = 0; lane < MEMBERS; lane++) {
      for (let pool = 0; pool < pools; pool++) inflowL[pool * MEMBERS + lane] = inflows[lane]![day * pools + pool]!
      for (let use = 0; use < uses; use++)
        askedL[use * MEMBERS + lane] = asks[lane]![day * uses + use]! * factors[lane]![season]! * (rationed?.[use] ?? 1)
    }
    runs.step(month[day]!, inflowL, askedL)
    for (let pool = 0; pool < pools && now.leakL; pool++)
      for (let lane = 0, at = pool * MEMBERS; lane < MEMBERS; lane++, at++)
        runs.poolL[at] = Math.max(0, runs.poolL[at]! - now.leakL[pool]!)
    let [dryCount, spillCount] = [0, 0]
    for (let lane = 0; lane < MEMBERS; lane++) {
      if (runs.shortL[lane]! > SHORT_SHARE * runs.askedL[lane]! && runs.shortL[lane]! > 0) dry[lane] = 1
      if (runs.spilledL[lane]! > 0) spilt[lane] = 1
      dryCount += dry[lane]!
      spillCount += spilt[lane]!
      if (day < 14) drawnL += (runs.askedL[lane]! - runs.shortL[lane]!) / MEMBERS / 14
    }
    dryShare[day] = dryCount / MEMBERS
    spillShare[day] = spillCount / MEMBERS
    if (day === 6) weekL = meansOf(runs.poolL, pools)
    if (day % 7 === 6) weeks.push(bandOf(runs.poolL, pools))
  }
  return { days: DAYS, weeks, weekL, dryShare, spillShare, drawnLPerDay: drawnL }
}

/** The first day by which so large a share has happened, as a date; nothing where it does not within the year. */
export function dateOf(share: Float64Array, wanted: number, today: number): string | undefined {
  const day = share.findIndex(each => each >= wanted)
  return day < 0 ? undefined : isoDate(today + 1 + day)
}

/** Made-up years that go on from a day; what a forecast promises comes first. */
function weathers(site: Site, today: number, promised: Promised): DailySeries[] {
  const { startDay, make } = memberRain(site, 2)
  const first = isoDate(today + 1)
  // The made years have no leap day: it stands for the last of February.
  const offset = dayNumber(`${isoDate(startDay).slice(0, 4)}-${first.slice(5) === '02-29' ? '02-28' : first.slice(5)}`)
  return Array.from({ length: MEMBERS }, (_, member) => {
    const rainMm = make(member + 1).slice(offset - startDay, offset - startDay + DAYS)
    promised.slice(0, DAYS).forEach((mm, day) => (rainMm[day] = mm))
    return seriesOf(offset, rainMm, true)
  })
}

/** What is asked, the beds' soil standing as the last weeks' rain has left it. */
function askedAfter(compiled: Compiled, series: DailySeries, beforeMm: Float64Array): Float64Array {
  const rainMm = new Float64Array(beforeMm.length + series.rainMm.length)
  rainMm.set(beforeMm)
  rainMm.set(series.rainMm, beforeMm.length)
  const whole = seriesOf(series.startDay - beforeMm.length, rainMm, true)
  return demandByDay(compiled, whole).subarray(beforeMm.length * compiled.demands.length)
}

function inflowOf(compiled: Compiled, series: DailySeries, factor: number): Float64Array {
  const columns = roofColumns(compiled)
  const roofs = { ...columns, caughtCoefficient: columns.caughtCoefficient.map(each => each * factor) }
  return catchRain(roofs, series, series.rainMm.length, bareRoofs(roofs)).inflowL
}

const meansOf = (poolL: Float64Array, pools: number): number[] =>
  Array.from({ length: pools }, (_, pool) => mean(poolL.subarray(pool * MEMBERS, (pool + 1) * MEMBERS))!)

function bandOf(poolL: Float64Array, pools: number): [number, number, number] {
  const all = new Float64Array(MEMBERS)
  for (let pool = 0; pool < pools; pool++)
    for (let lane = 0; lane < MEMBERS; lane++) all[lane]! += poolL[pool * MEMBERS + lane]!
  all.sort()
  const at = (share: number) => all[Math.round(share * (MEMBERS - 1))]!
  return [at(0.1), at(0.5), at(0.9)]
}
