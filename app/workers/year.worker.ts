import { expose, transfer } from 'comlink'
import { z } from 'zod'
import { packUses, type UsesByYear } from '#core/questions'
import type { Climate, Site } from '#core/site'
import { review, type Review } from '#core/review'
import { weigh, weighOption, weighStages, type Weighed, type Weighing } from '#core/options'
import { waysFor, type Way } from '#core/moves'
import { weatherSeries, type DailySeries } from '#core/climate'
import {
  compile,
  compiledOf,
  coverCurve,
  coversOf,
  flushTrade,
  ifBurst,
  ifShut,
  poolFigures,
  roofYearOf,
  runMembers,
  simulate,
  sizeCurve,
  yearsAhead,
  type Cover,
  type CoverPoint,
  type FlushTrade,
  type NowAndThen,
  type ShutEffect,
  type Outlook,
  type PoolFigures,
  type SizePoint,
  type Tally,
  type CatchYear,
} from '#core/balance'

z.config({ jitless: true })

export interface Weighings {
  now: Weighed
  options: Weighing[]
}

/** What the page is told of a document, one after another: what it holds, its years, and what is amiss. */
export type Told =
  | { of: 'outline'; pools: PoolFigures[] }
  | { of: 'years'; outlook: Outlook & { rainMm: Float64Array }; uses: UsesByYear; roofYear: CatchYear }
  | { of: 'review'; review: Review }

let daily: Climate['daily']
let kept: { key: string; weather: Pick<Site, 'climate' | 'place'> } | undefined

/** A document with the weather that is known already, where that is as it was: its series is then known too. */
function known(site: Site): Site {
  const { source: _source, ...climate } = site.climate
  const key = JSON.stringify([climate, site.place])
  if (kept?.key !== key) kept = { key, weather: { climate: { ...site.climate, daily }, place: site.place } }
  return { ...site, ...kept.weather }
}
const seriesFor = (site: Site): DailySeries => weatherSeries(known(site))

/** The face of the daily balance: the record is handed over once, the site with every question. */
const face = {
  setRecord(record: Climate['daily']) {
    daily = record
    kept = undefined
  },
  /**
   * What a document comes to, told as it is known, all off one reading, as long as whoever is told wants to hear more.
   */
  async read(site: Site, tell: (told: Told) => Promise<boolean>): Promise<void> {
    const whole = known(site)
    const series = weatherSeries(whole)
    if (!(await tell({ of: 'outline', pools: poolFigures(compiledOf(whole)) }))) return
    const [outlook, roofYear] = [yearsAhead(whole), roofYearOf(whole)]
    // What the beds ask is kept here, for the next question of the same weather; and nobody there asks about a use by day.
    const none = { bedsL: new Float64Array(), shortByUseL: new Float64Array(), rationedByUseL: new Float64Array() }
    const run = { ...outlook.run, ...none }
    const uses = packUses(outlook.years)
    const bare = outlook.years.map(year => ({ ...year, uses: [] }))
    const years = { ...outlook, years: bare, run, rainMm: series.rainMm.slice() }
    // Everything long is handed over, not copied; what the review still reads of the days is its own copy.
    const columns = Object.entries(run).map(([name, value]) => [
      name,
      value instanceof Float64Array ? value.slice() : value,
    ])
    const sent = { ...years, run: Object.fromEntries(columns) as typeof run }
    const buffers = [...Object.values(sent.run), sent.rainMm, uses.figures].flatMap(value =>
      value instanceof Float64Array ? [value.buffer] : [],
    )
    if (!(await tell(transfer({ of: 'years', outlook: sent, uses, roofYear }, buffers)))) return
    await tell({ of: 'review', review: review(whole) })
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
  /** Each stage of the plan as if it were the whole of it. */
  stages: (site: Site): Weighed[] => weighStages({ ...site, climate: { ...site.climate, daily } }, seriesFor(site)),
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
