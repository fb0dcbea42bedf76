import { sum } from 'd3-array'
import type { Kept } from './keep'
import { MONTH_DAYS, isoDate, monthsFrom } from '../climate'
import { sideBySide, yearsAhead } from '../balance'
import { weatherMonths, type Site } from '../site'

/** What a stretch of time came to: rain, mm; what came from the roofs, was used, spilled, and was brought, L. */
export interface Came {
  rainMm: number
  harvestL: number
  usedL: number
  spilledL: number
  broughtL: number
}
const NOTHING: Came = { rainMm: 0, harvestL: 0, usedL: 0, spilledL: 0, broughtL: 0 }
const FIGURES = Object.keys(NOTHING) as (keyof Came)[]
const added = (one: Came, two: Came, share = 1): Came => {
  const all = { ...one }
  for (const figure of FIGURES) all[figure] += share * two[figure]
  return all
}

/** A month as it was, by the log with what it has taught, beside the same days of a mean year of the plan. */
export interface MonthLived {
  /** Its first day. */
  from: string
  days: number
  was: Came
  planned: Came
}

/** So many months are told. */
const MOST_MONTHS = 24

/**
 * Each month of a log as it was and as planned. What was is reckoned with the learned figures through the days' rain,
 * each tank put right wherever its level was read.
 */
export function monthsLived(site: Site, kept: Kept): MonthLived[] {
  const planned = plannedMonths(site)
  const { startDay } = kept.model.rain.series
  const months = new Map<string, MonthLived>()
  eachDay(kept, (day, came) => {
    const from = `${isoDate(startDay + day).slice(0, 7)}-01`
    const of = months.get(from) ?? { from, days: 0, was: NOTHING, planned: NOTHING }
    const month = Number(from.slice(5, 7)) - 1
    months.set(from, {
      from,
      days: of.days + 1,
      was: added(of.was, came),
      planned: added(of.planned, planned[month]!, 1 / MONTH_DAYS[month]!),
    })
  })
  return [...months.values()].slice(-MOST_MONTHS)
}

/** What the last days of a log came to, its last day the newest. */
export function cameLately(kept: Kept, days: number): Came {
  let sum = NOTHING
  eachDay(kept, (day, came) => {
    if (day >= kept.model.days - days) sum = added(sum, came)
  })
  return sum
}

/** The mean year of the plan, month by month. */
function plannedMonths(site: Site): Came[] {
  const { run, startDay, years } = yearsAhead(site)
  const month = monthsFrom(startDay, run.days)
  const months = weatherMonths(site).map(({ rainMm }): Came => ({ ...NOTHING, rainMm }))
  for (const { from, to } of years)
    for (let day = from; day < to; day++) {
      const at = month[day]!
      const came: Came = {
        rainMm: 0,
        harvestL: run.caughtL[day]! - run.flushedL[day]!,
        usedL: run.askedL[day]! - run.shortL[day]!,
        spilledL: run.spilledL[day]!,
        broughtL: run.wellL[day]! + run.mainL[day]! + run.cartL[day]!,
      }
      months[at] = added(months[at]!, came, 1 / years.length)
    }
  return months
}

/** Runs a log's days with what was learned, and tells what each came to. */
function eachDay({ model, learned, observed }: Kept, tell: (day: number, came: Came) => void): void {
  const { compiled, days, pools, uses, month, high, rain } = model
  const run = sideBySide(compiled, 1)
  const [coefficient, useHigh, useLow] = learned.theta.map(Math.exp) as [number, number, number]
  for (let pool = 0; pool < pools; pool++) run.poolL[pool] = run.capL[pool]! / 2
  const inflowL = new Float64Array(pools)
  const askedL = new Float64Array(uses)
  let next = 0
  for (let day = 0; day < days; day++) {
    for (let pool = 0; pool < pools; pool++) inflowL[pool] = model.arrivesL(day, pool, coefficient)
    const factor = high[month[day]!] ? useHigh : useLow
    for (let use = 0; use < uses; use++) askedL[use] = model.askedL[day * uses + use]! * factor
    run.step(month[day]!, inflowL, askedL)
    tell(day, {
      rainMm: rain.series.rainMm[day]!,
      harvestL: sum(inflowL),
      usedL: run.askedL[0]! - run.shortL[0]!,
      spilledL: run.spilledL[0]!,
      broughtL: sum(run.broughtL, ([litres]) => litres!),
    })
    for (; next < observed.length && observed[next]!.day <= rain.series.startDay + day; next++) {
      const { pool, litres } = observed[next]!
      const gain = learned.followed.gain[next]!
      run.poolL[pool]! += gain * (litres - run.poolL[pool]!)
    }
  }
}

/** A season, or the last twelve months, as it was and as planned. */
export interface Season {
  name: string
  days: number
  was: Came
  planned: Came
}
const [NORTH, SOUTH] = [
  ['winter', 'spring', 'summer', 'autumn'],
  ['summer', 'autumn', 'winter', 'spring'],
]

/** The seasons of a log, newest first, and the last twelve months of it; one that has begun is told so far. */
export function seasonsLived(site: Site, kept: Kept): { seasons: Season[]; year: Season } {
  const months = monthsLived(site, kept)
  const names = site.place.latitudeDeg < 0 ? SOUTH! : NORTH!
  const seasons = new Map<string, Season>()
  for (const { from, ...month } of months) {
    const [year, at] = [Number(from.slice(0, 4)), Number(from.slice(5, 7)) - 1]
    // December begins the season that goes over into the next year.
    const [quarter, of] = [Math.floor(((at + 1) % 12) / 3), at === 11 ? year + 1 : year]
    const name = `${names[quarter]} ${quarter === 0 ? `${of - 1} to ${of}` : of}`
    seasons.set(name, together(name, [seasons.get(name), month]))
  }
  return { seasons: [...seasons.values()].reverse(), year: together('the last twelve months', months.slice(-12)) }
}
function together(name: string, all: (Omit<Season, 'name'> | undefined)[]): Season {
  const there = all.filter(each => each !== undefined)
  return there.reduce<Season>(
    (one, two) => ({
      name,
      days: one.days + two.days,
      was: added(one.was, two.was),
      planned: added(one.planned, two.planned),
    }),
    { name, days: 0, was: NOTHING, planned: NOTHING },
  )
}

/** What a meter counted over a log, beside what the uses behind it are reckoned to have taken. */
export interface MeterLived {
  run: string
  countedL: number
  reckonedL: number
}
export function metersLived({ meters, learned: { theta } }: Kept): MeterLived[] {
  const by = new Map<string, MeterLived>()
  for (const { run, litres, highL, lowL } of meters) {
    const of = by.get(run) ?? { run, countedL: 0, reckonedL: 0 }
    const reckonedL = highL * Math.exp(theta[1]) + lowL * Math.exp(theta[2])
    by.set(run, { run, countedL: of.countedL + litres, reckonedL: of.reckonedL + reckonedL })
  }
  return [...by.values()]
}

/** All of it in one, as it is shown. */
export const lived = (site: Site, kept: Kept) => ({ ...seasonsLived(site, kept), meters: metersLived(kept) })
export type Lived = ReturnType<typeof lived>
