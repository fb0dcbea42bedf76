import { startLanes, stepDay, type Lanes } from './lanes'
import type { PoolColumns, RoofColumns } from './columns'
import { catchRain, type CatchRun } from './catch'
import type { DailySeries } from '../climate'

/** Days of weather that a run starts from: what its tanks and chambers hold after them is its beginning. */
export const FIRST_DAYS = 365
/** What a run stands at before its first year: half of what the pools hold. */
const START_SHARE = 1 / 2

/** The roofs' water over a first year, which fills the chambers, and over the whole series after it. */
export interface PreparedCatch {
  first: CatchRun
  whole: CatchRun
}

/** Runs the roofs over a first year, unless the pools' start is given, and then over the whole series. */
export function prepareCatch(roofs: RoofColumns, series: DailySeries, warm = true): PreparedCatch {
  const chamberL = new Float64Array(roofs.chambers)
  const first = catchRain(roofs, series, warm ? Math.min(FIRST_DAYS, series.rainMm.length) : 0, chamberL)
  return { first, whole: catchRain(roofs, series, series.rainMm.length, chamberL) }
}

/** What is told of every day that was stepped: its place in the series, its month (0–11), and the lanes as they stand. */
export type Observer = (day: number, month: number, lanes: Lanes) => void

export interface LaneRun {
  columns: PoolColumns
  /** The days run: of lanes with rain of their own, any one's, since they share the calendar. */
  series: Pick<DailySeries, 'rainMm' | 'month'>
  /** The roofs' water: one for all lanes, or one a lane. */
  caught: readonly PreparedCatch[]
  /** Uses are served before what does not fit is spilled. */
  before?: boolean
  /** Litres in each pool and lane at the start; without, a first year is run from half full. */
  startL?: ArrayLike<number>
}

/** The one loop of the balance: a first year that nobody hears of, then every day of the series, told as it goes. */
export function runLanes({ columns, series, caught, before = false, startL }: LaneRun, observe: Observer): Lanes {
  const lanes = startLanes(columns, START_SHARE)
  const days = series.rainMm.length
  const step = (runs: CatchRun[], count: number, told?: Observer) => {
    const { rainMm, month } = series
    const arrive = arrival(columns, lanes, runs)
    // Lanes with rain of their own are wet on different days.
    const always = runs.length > 1
    for (let day = 0; day < count; day++) {
      arrive.day = day
      stepDay(columns, lanes, month[day]!, always || rainMm[day]! > 0 ? arrive.act : undefined, before)
      told?.(day, month[day]!, lanes)
    }
  }
  if (startL) lanes.pool.set(Array.from(startL, (litres, at) => Math.max(0, Math.min(litres, columns.capL[at]!))))
  else
    step(
      caught.map(({ first }) => first),
      Math.min(FIRST_DAYS, days),
    )
  observe(-1, 0, lanes)
  step(
    caught.map(({ whole }) => whole),
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
