import { max, median } from 'd3-array'
import { askedByUse, SHORT_SHARE } from './year'
import { widened } from './sizing'
import { simulate, type DailyRun } from './simulate'
import { runLanes, runWeather } from './runLanes'
import { cutsOf, medianHours, type Cut } from './outages'
import { poolColumns } from './columns'
import type { Compiled, Outage } from './compiled'
import { dayOf, seriesOf, type DailySeries } from '../climate'
import type { OutageRule } from '../kinds'

/** What a well, a main or the power leaves behind when it fails. */
export interface Cover {
  id: string
  kind: Outage['kind']
  name: string
  rule: OutageRule
  /** Uses that hang on it, and the one of them that goes short first. */
  uses: string[]
  first: string | undefined
  /** Hours that they last without it or rain, from full tanks and from the level of a middling day; undefined past two months. */
  fullHours: number | undefined
  usualHours: number | undefined
  /** Cuts in the years that were run, and those in which none of them went short. */
  cuts: number
  bridged: number
}

const DAYS = 60
const ALWAYS: OutageRule = { by: 'rota', daysOn: 0, daysOff: DAYS }

/** Uses that hang on a thing that fails: drawn from it, past it, or from a tank that it fills. */
function hanging({ demands, topUps, hangsOn }: Compiled, outage: number): number[] {
  const needs = (on: number) => hangsOn[on]?.includes(outage) ?? false
  const filled = topUps.flatMap(line => (needs(line.on) ? [line.pool] : []))
  return demands.flatMap(({ sources }, use) =>
    sources.some(({ kind, index, on }) => needs(on) || (kind === 'pool' && filled.includes(index))) ? [use] : [],
  )
}

/** The month (0–11) in which some uses ask most. */
function thirstiest(compiled: Compiled, uses: number[], run: DailyRun, month: ArrayLike<number>): number {
  const asked = Array<number>(12).fill(0)
  for (const use of uses) {
    const askedOn = askedByUse(compiled, run, month, use)
    for (let day = 0; day < run.days; day++) asked[month[day]!]! += askedOn(day)
  }
  return asked.indexOf(max(asked) ?? 0)
}

/** How long some uses last while one thing has failed and no rain falls, from what the pools hold. */
function hoursWithout(compiled: Compiled, outage: number, uses: number[], month: number, startL: number[]) {
  const failed: Compiled = {
    ...compiled,
    outages: compiled.outages.map((each, index) => ({
      ...each,
      rule: index === outage ? ALWAYS : { by: 'chance', timesPerYear: 0, meanHours: 1 },
    })),
  }
  const series = seriesOf(dayOf(2001, month + 1, 1)!, new Float64Array(DAYS), true)
  const run = simulate(failed, series, { startL })
  for (let day = 0; day < DAYS; day++) {
    const lasts = uses.flatMap(use => {
      const asked = askedByUse(failed, run, series.month, use)(day)
      const short = run.shortByUseL[day * run.uses + use]!
      return short > asked * SHORT_SHARE ? [{ use, share: 1 - short / asked }] : []
    })
    const [least] = lasts.sort((a, b) => a.share - b.share)
    if (least) return { hours: (day + least.share) * 24, first: compiled.demands[least.use]!.name }
  }
  return undefined
}

/** The days that a cut falls on, the first and the one past the last. */
const daysOf = ({ fromH, hours }: Cut, days: number) => ({
  from: Math.floor(fromH / 24),
  past: Math.min(days, Math.ceil((fromH + hours) / 24)),
})

function usualL({ pools }: Compiled, run: DailyRun): number[] {
  return pools.map(
    (_, pool) => median(Array.from({ length: run.days }, (_, day) => run.poolL[day * run.pools + pool]!)) ?? 0,
  )
}

/** For each thing that is said to fail, how long what hangs on it lasts, and how many of its cuts are bridged. */
export function coversOf(compiled: Compiled, series: DailySeries, run: DailyRun): Cover[] {
  const usual = compiled.outages.length ? usualL(compiled, run) : []
  return compiled.outages.map((outage, index) => {
    const uses = hanging(compiled, index)
    const month = thirstiest(compiled, uses, run, series.month)
    const without = (startL: number[]) => hoursWithout(compiled, index, uses, month, startL)
    const full = without(compiled.pools.map(pool => pool.capL))
    const askedOn = uses.map(use => askedByUse(compiled, run, series.month, use))
    const isShort = (day: number) =>
      uses.some((use, at) => run.shortByUseL[day * run.uses + use]! > askedOn[at]!(day) * SHORT_SHARE)
    const cuts = cutsOf(outage, series)
    const bridged = cuts.filter(cut => {
      const { from, past } = daysOf(cut, run.days)
      for (let day = from; day < past; day++) if (isShort(day)) return false
      return true
    })
    const { id, kind, name, rule } = outage
    return {
      id,
      kind,
      name,
      rule,
      uses: uses.map(use => compiled.demands[use]!.name),
      first: full?.first,
      fullHours: full?.hours,
      usualHours: without(usual)?.hours,
      cuts: cuts.length,
      bridged: bridged.length,
    }
  })
}

/** What a pool of another size would make of the same cuts. */
export interface CoverPoint {
  capL: number
  fullHours: number | undefined
  bridgedShare: number
}

const SIZES = 24
/**
 * Sizes that last from a fraction of the middling cut to half as long again as the longest, and the plan's own; as
 * shares of what there is.
 */
function sharesFor(fullHours: number | undefined, outage: Outage, cuts: Cut[]): number[] {
  if (!fullHours) return [0.25, 0.5, 1, 2, 4]
  const least = medianHours(outage.rule) / 10 / fullHours
  const most = Math.max(2 * least, (1.5 * (max(cuts, cut => cut.hours) ?? 0)) / fullHours, 1.2)
  const spread = Array.from({ length: SIZES }, (_, step) => least * (most / least) ** (step / (SIZES - 1)))
  return [...spread, 1].sort((a, b) => a - b)
}

/** The curve of cuts bridged and hours covered against the size of one pool, over the same years and cuts. */
export function coverCurve(compiled: Compiled, outageId: string, pool: number, series: DailySeries): CoverPoint[] {
  const index = compiled.outages.findIndex(({ id }) => id === outageId)
  const outage = compiled.outages[index]
  if (!outage) return []
  const uses = hanging(compiled, index)
  const days = series.rainMm.length
  const cuts = cutsOf(outage, series)
  const month = thirstiest(compiled, uses, simulate(compiled, series), series.month)
  const hoursOf = (site: Compiled) =>
    hoursWithout(
      site,
      index,
      uses,
      month,
      site.pools.map(each => each.capL),
    )?.hours
  const shares = sharesFor(hoursOf(compiled), outage, cuts)
  const sites = shares.map(share => widened(compiled, pool, share))
  const onDay: number[][] = Array.from({ length: days }, () => [])
  cuts.forEach((cut, at) => {
    const { from, past } = daysOf(cut, days)
    for (let day = from; day < past; day++) onDay[day]!.push(at)
  })
  const columns = poolColumns(sites)
  const failed = shares.map(() => new Uint8Array(cuts.length))
  runLanes({ columns, series, weather: [runWeather(compiled, series)] }, (day, _month, lanes) => {
    if (day < 0 || !lanes.withheld || !onDay[day]!.length) return
    for (let lane = 0; lane < shares.length; lane++)
      if (uses.some(use => lanes.shortByUseL[use * shares.length + lane]! > lanes.askedL[use]! * SHORT_SHARE))
        for (const at of onDay[day]!) failed[lane]![at] = 1
  })
  return shares.map((_, lane) => {
    const site = sites[lane]!
    return {
      capL: site.pools[pool]!.capL,
      fullHours: hoursOf(site),
      bridgedShare: cuts.length ? 1 - failed[lane]!.reduce((sum, at) => sum + at, 0) / cuts.length : 1,
    }
  })
}
