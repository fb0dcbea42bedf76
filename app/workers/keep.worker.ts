import { expose } from 'comlink'
import { z } from 'zod'
import { glance, learnedFrom, lived, today, type Begin, type Glance, type Lived, type Today } from '#core/keep'
import type { Site } from '#core/site'
import type { LogReading } from '#core/kinds'

z.config({ jitless: true })

/** What was learned of the site that was asked about last: a line more hardly changes it. */
let last: { site: string; begin: Begin } | undefined

/** What a log says of a site, worked out where it holds up nobody. */
const face = {
  glance: (site: Site, log: LogReading[], on: string): Glance => glance(site, log, on),
  lived: (site: Site, log: LogReading[], on: string): Lived => lived(site, learnedFrom(site, log, on)),
  today(site: Site, log: LogReading[], on: string, promised: readonly number[]): Today {
    const begun = last?.site === site.id ? { begin: last.begin } : {}
    const said = today(site, log, on, { ...begun, promised })
    last = { site: site.id, begin: said.learned }
    return said
  },
}
export type KeepWorker = typeof face
expose(face)
