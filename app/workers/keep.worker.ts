import { expose } from 'comlink'
import { z } from 'zod'
import { today } from '#core/keep'
import type { Site } from '#core/site'
import type { LogReading } from '#core/kinds'

z.config({ jitless: true })

/** What a log says of a site, worked out where it holds up nobody. */
const face = { today: (site: Site, log: LogReading[], on: string) => today(site, log, on) }
export type KeepWorker = typeof face
expose(face)
