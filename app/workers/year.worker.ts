import { expose, transfer } from 'comlink'
import { z } from 'zod'
import { outlook, type Outlook } from '#core/balance'
import { dailySeries, type DailySeries } from '#core/climate'
import type { Climate, Site } from '#core/site'

z.config({ jitless: true })

let daily: Climate['daily']
let kept: { key: string, series: DailySeries } | undefined

/** The face of the daily balance: the record is handed over once, the site with every question. */
const face = {
  setRecord(record: Climate['daily']) {
    daily = record
    kept = undefined
  },
  /** `progress` is told the share that is done. */
  outlook(site: Site, progress: (share: number) => void): Outlook & { rainMm: Float64Array } {
    const climate = { ...site.climate, daily }
    const key = daily ? 'record' : JSON.stringify(climate.months)
    if (kept?.key !== key) kept = { key, series: dailySeries(climate) }
    progress(0.3)
    const result = { ...outlook(site, kept.series), rainMm: kept.series.rainMm.slice() }
    progress(1)
    const { run } = result
    return transfer(result, [run.storedL, run.poolL, run.askedL, run.shortL, run.shortByUseL, run.spilledL, run.caughtL, run.flushedL, run.wellL, run.mainL, result.rainMm].map(values => values.buffer))
  },
}

export type YearWorker = typeof face
expose(face)
