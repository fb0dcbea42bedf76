import { today, type Begin, type Today } from '../keep'
import type { Site } from '../site'

/** What was learned of the document that was asked about last. */
let last: { site: string; begin: Begin } | undefined

/** What stands today. A line more hardly changes what was learned, so the same log is learned from where it was left. */
export function todayOf(site: Site, { on, promised }: { on: string; promised?: number[] }): Today {
  const begun = last?.site === site.id ? { begin: last.begin } : {}
  const said = today(site, site.log ?? [], on, { ...begun, ...(promised ? { promised } : {}) })
  last = { site: site.id, begin: said.learned }
  return said
}
