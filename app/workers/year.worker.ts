import { expose, transfer } from 'comlink'
import { z } from 'zod'
import { compile, flushTrade, outlook, runMembers, sizeCurve, type FlushTrade, type Outlook, type SizePoint, type Tally } from '#core/balance'
import { dailySeries, type DailySeries } from '#core/climate'
import { weigh, weighOption, type Weighed, type Weighing } from '#core/review'
import { waysFor, type Climate, type Site, type Way } from '#core/site'

z.config({ jitless: true })

export interface Weighings { now: Weighed, options: Weighing[] }

let daily: Climate['daily']
let kept: { key: string, series: DailySeries } | undefined

/** The series is made again only when what it is made from has changed. */
function seriesFor(site: Site): DailySeries {
  const { source: _source, ...climate } = site.climate
  const key = `${JSON.stringify(climate)}${site.place.latitudeDeg < 0}`
  if (kept?.key !== key) kept = { key, series: dailySeries({ climate: { ...site.climate, daily }, place: site.place }) }
  return kept.series
}

/** The face of the daily balance: the record is handed over once, the site with every question. */
const face = {
  setRecord(record: Climate['daily']) {
    daily = record
    kept = undefined
  },
  /** `progress` is told the share that is done. */
  outlook(site: Site, progress: (share: number) => void): Outlook & { rainMm: Float64Array } {
    const series = seriesFor(site)
    progress(0.3)
    const result = { ...outlook(site, series), rainMm: series.rainMm.slice() }
    progress(1)
    const { run } = result
    return transfer(result, [run.storedL, run.poolL, run.askedL, run.shortL, run.shortByUseL, run.spilledL, run.caughtL, run.flushedL, run.gutterL, run.wellL, run.mainL, run.cartL, run.loads, run.rationedL, run.rationedByUseL, result.rainMm].map(values => values.buffer))
  },
  /** Days short against the size of one pool. */
  sizes(site: Site, pool: number): SizePoint[] | undefined {
    const compiled = compile(site)
    return compiled.pools[pool] && sizeCurve(compiled, pool, seriesFor(site))
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
  members: (site: Site, from: number, to: number, years: number): Tally => runMembers({ ...site, climate: { ...site.climate, daily } }, compile(site), seriesFor(site), from, to, years),
  /** What a first-flush chamber keeps out and costs, as it is and as it might be. */
  flush: (site: Site, chamberId: string): FlushTrade | undefined => flushTrade(site, chamberId, seriesFor(site)),
}

export type YearWorker = typeof face
expose(face)
