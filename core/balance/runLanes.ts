import { bedAsks } from './beds'
import { bareRoofs, catchRain, type CatchRun } from './catch'
import { roofColumns, type PoolColumns, type RoofColumns } from './columns'
import type { Compiled } from './compiled'
import { onShares } from './outages'
import { stepDay } from './stepDay'
import { askDay, startLanes, switchDay, type Lanes } from './lanes'
import type { DailySeries } from '../climate'

/** Days of weather that a run starts from: what its tanks and chambers hold after them is its beginning. */
export const FIRST_DAYS = 365
/** What a run stands at before its first year: half of what the pools hold. */
const START_SHARE = 1 / 2

/** What weather brings and asks, whatever the tanks hold. */
export interface WeatherRun {
  /** The roofs' water over a first year, which fills the chambers, and over the whole series after it. */
  first: CatchRun
  whole: CatchRun
  /** What the beds ask, L, a row a day; of no length where there is no bed. */
  bedsL: Float64Array
  /** The share of each day in which what others hang on works, a row a day; of no length where nothing fails. */
  onShares: Float64Array
}

/** Runs roofs over a first year, unless the pools' start is given, and then roofs and beds over the whole series. */
export function runWeather(
  site: Compiled,
  series: DailySeries,
  warm = true,
  roofs: RoofColumns = roofColumns(site),
): WeatherRun {
  const state = bareRoofs(roofs)
  const first = catchRain(roofs, series, warm ? Math.min(FIRST_DAYS, series.rainMm.length) : 0, state)
  return {
    first,
    whole: catchRain(roofs, series, series.rainMm.length, state),
    bedsL: runBeds(site, series),
    onShares: site.hangsOn.length ? onShares(site.outages, site.hangsOn, series) : new Float64Array(),
  }
}

function runBeds({ demands }: Compiled, series: DailySeries): Float64Array {
  const beds = demands.flatMap(({ bed }) => (bed ? [bedAsks(bed, series).asksL] : []))
  if (beds.length === 1) return beds[0]!
  const bedsL = new Float64Array(beds.length * series.rainMm.length)
  for (const [index, asksL] of beds.entries())
    for (let day = 0; day < asksL.length; day++) bedsL[day * beds.length + index] = asksL[day]!
  return bedsL
}

/** What is told of every day that was stepped: its place in the series, its month (0–11), and the lanes as they stand. */
export type Observer = (day: number, month: number, lanes: Lanes) => void

export interface LaneRun {
  columns: PoolColumns
  /** The days run: of lanes with weather of their own, any one's, since they share the calendar. */
  series: Pick<DailySeries, 'month'>
  /** What the weather brings and asks: one for all lanes, or one a lane. */
  weather: readonly WeatherRun[]
  /** Uses are served before what does not fit is spilled. */
  before?: boolean
  /** Litres in each pool and lane at the start; without, a first year is run from half full. */
  startL?: ArrayLike<number>
}

/** The one loop of the balance: a first year that nobody hears of, then every day of the series, told as it goes. */
export function runLanes({ columns, series, weather, before = false, startL }: LaneRun, observe: Observer): Lanes {
  const lanes = startLanes(columns, START_SHARE, weather.length)
  const bedsL = weather.map(run => run.bedsL)
  const onShares = weather.map(run => run.onShares)
  const days = series.month.length
  const step = (runs: CatchRun[], count: number, told?: Observer) => {
    const { month } = series
    const arrive = arrival(columns, lanes, runs)
    // Lanes with weather of their own are wet on different days.
    const [{ arrives }, ...others] = runs as [CatchRun, ...CatchRun[]]
    const always = others.length > 0
    for (let day = 0; day < count; day++) {
      arrive.day = day
      askDay(columns, lanes, day, month[day]!, bedsL)
      if (columns.shares > 0) switchDay(columns, lanes, day, onShares)
      stepDay(columns, lanes, month[day]!, always || arrives[day] ? arrive.act : undefined, before)
      told?.(day, month[day]!, lanes)
    }
  }
  if (startL) lanes.pool.set(Array.from(startL, (litres, at) => Math.max(0, Math.min(litres, columns.capL[at]!))))
  else
    step(
      weather.map(({ first }) => first),
      Math.min(FIRST_DAYS, days),
    )
  observe(-1, 0, lanes)
  step(
    weather.map(({ whole }) => whole),
    days,
    observe,
  )
  return lanes
}

/** Adds a day's inflow to the pools of every lane. */
function arrival({ lanes: count, pools }: PoolColumns, lanes: Lanes, runs: CatchRun[]) {
  const { pool } = lanes
  const inflows = runs.map(run => run.inflowL)
  const [shared] = inflows
  const arrive = {
    day: 0,
    act:
      inflows.length === 1
        ? () => {
            for (let at = 0, row = arrive.day * pools; at < pools; at++, row++) {
              const litres = shared![row]!
              if (litres > 0) for (let lane = at * count; lane < (at + 1) * count; lane++) pool[lane]! += litres
            }
          }
        : () => {
            const row = arrive.day * pools
            for (let lane = 0; lane < count; lane++) {
              const own = inflows[lane]!
              for (let at = 0; at < pools; at++) pool[at * count + lane]! += own[row + at]!
            }
          },
  }
  return arrive
}
