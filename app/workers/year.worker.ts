import { expose, transfer } from 'comlink'
import { z } from 'zod'
import type { Climate, Site } from '#core/site'
import { type Review, reviewOf } from '#core/review'
import { readingOf } from '#core/reading'
import { weigh, weighOption, type Weighed, type Weighing } from '#core/options'
import { waysFor, type Way } from '#core/moves'
import { dailySeries, type DailySeries } from '#core/climate'
import {
  compile,
  coverCurve,
  coversOf,
  flushTrade,
  ifBurst,
  ifShut,
  runMembers,
  simulate,
  sizeCurve,
  type Cover,
  type CoverPoint,
  type FlushTrade,
  type NowAndThen,
  type ShutEffect,
  type Outlook,
  type SizePoint,
  type Tally,
  type CatchYear,
} from '#core/balance'

z.config({ jitless: true })

export interface Weighings {
  now: Weighed
  options: Weighing[]
}

/** What the page is told of a document. */
export interface Answer {
  outlook: Outlook & { rainMm: Float64Array }
  roofYear: CatchYear
  review: Review
}

let daily: Climate['daily']
let kept: { key: string; series: DailySeries } | undefined

/** The series is made again only when what it is made from has changed. */
function seriesFor(site: Site): DailySeries {
  const { source: _source, ...climate } = site.climate
  const key = `${JSON.stringify(climate)}${site.place.latitudeDeg}`
  if (kept?.key !== key) kept = { key, series: dailySeries({ climate: { ...site.climate, daily }, place: site.place }) }
  return kept.series
}

/** The face of the daily balance: the record is handed over once, the site with every question. */
const face = {
  setRecord(record: Climate['daily']) {
    daily = record
    kept = undefined
  },
  /** What a document comes to: its years, its roofs' water and its review, all off one reading. */
  read(site: Site, progress: (share: number) => void): Answer {
    const series = seriesFor(site)
    progress(0.3)
    const reading = readingOf({ ...site, climate: { ...site.climate, daily } }, series)
    const { outlook, roofYear } = reading
    progress(0.7)
    // What the beds ask is kept here, for the next question of the same weather.
    const run = { ...outlook.run, bedsL: new Float64Array() }
    const answer = { outlook: { ...outlook, run, rainMm: series.rainMm.slice() }, roofYear, review: reviewOf(reading) }
    progress(1)
    // Everything long is handed over, not copied.
    const columns = [...Object.values(run), answer.outlook.rainMm].filter(value => value instanceof Float64Array)
    return transfer(
      answer,
      columns.map(column => column.buffer),
    )
  },
  /** Days short against the size of one pool. */
  sizes(site: Site, poolId: string): SizePoint[] | undefined {
    const compiled = compile(site, () => seriesFor(site))
    const pool = compiled.pools.findIndex(({ id }) => id === poolId)
    return pool < 0 ? undefined : sizeCurve(compiled, pool, seriesFor(site))
  },
  /** The plan and each of its options, weighed over the same weather. */
  weighings(site: Site): Weighings {
    const whole = { ...site, climate: { ...site.climate, daily } }
    const series = seriesFor(site)
    return { now: weigh(whole, series), options: site.options.map(option => weighOption(whole, option.moves, series)) }
  },
  /** Ways of doing it that are not the plan's already. */
  ways: (site: Site): Way[] => waysFor({ ...site, climate: { ...site.climate, daily } }),
  /** Members of an ensemble, from one up to the one before another. */
  members: (site: Site, from: number, to: number, years: number): Tally =>
    runMembers(
      { ...site, climate: { ...site.climate, daily } },
      compile(site, () => seriesFor(site)),
      seriesFor(site),
      from,
      to,
      years,
    ),
  /** What follows from shutting a valve, and from the burst of a group. */
  shut: (site: Site, partId: string): ShutEffect | undefined => ifShut(site, partId, seriesFor(site)),
  burst: (site: Site, poolId: string): NowAndThen | undefined => ifBurst(site, poolId, seriesFor(site)),
  /** How long the plan lasts without each thing that fails; and what a pool of other sizes would make of one's cuts. */
  covers(site: Site): Cover[] {
    const series = seriesFor(site)
    const compiled = compile(site, () => series)
    return coversOf(compiled, series, simulate(compiled, series))
  },
  coverSizes(site: Site, outageId: string, poolId: string): CoverPoint[] {
    const series = seriesFor(site)
    const compiled = compile(site, () => series)
    const pool = compiled.pools.findIndex(({ id }) => id === poolId)
    return pool < 0 ? [] : coverCurve(compiled, outageId, pool, series)
  },
  /** What a first-flush chamber keeps out and costs, as it is and as it might be. */
  flush: (site: Site, chamberId: string): FlushTrade | undefined =>
    flushTrade(
      site,
      compile(site, () => seriesFor(site)),
      chamberId,
      seriesFor(site),
    ),
}

export type YearWorker = typeof face
expose(face)
