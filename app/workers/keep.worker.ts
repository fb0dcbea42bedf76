import { expose } from 'comlink'
import { z } from 'zod'
import { glance, learnedFrom, lived, today, type Begin, type Glance, type Lived, type Today } from '#core/keep'
import { askSince, promisedFrom, readDevice, readLog, type Asked } from '#core/exchange'
import { MOST_READINGS, newLines, type Site } from '#core/site'
import type { Device, LogReading } from '#core/kinds'

z.config({ jitless: true })

/** What was learned of the site that was asked about last: a line more hardly changes it. */
let last: { site: string; begin: Begin } | undefined
/** The log of the site that is asked about, as it was sent. */
const log: LogReading[] = []
/** So many come to the page at once, and fewer the first time: it takes each in, and says where it stands. */
const [LINES_AT_FIRST, LINES_AT_ONCE] = [20, 100]
type Told = (readings: LogReading[], share: number) => Promise<void>

/** Tells the new ones of some lines a few at a time, each time once the last were taken; or why there is no room. */
async function inTurn(readings: readonly LogReading[], told: Told): Promise<string[]> {
  const fresh = newLines(log, readings)
  const room = MOST_READINGS - log.length
  if (fresh.length > room)
    return [
      `${fresh.length} lines of it are new, and the log has room for ${room} (${MOST_READINGS} in all). None was taken: ` +
        'give it fewer, such as one a day.',
    ]
  for (let at = 0, next = LINES_AT_FIRST; at < fresh.length; [at, next] = [next, next + LINES_AT_ONCE])
    await told(fresh.slice(at, next), Math.min(1, next / fresh.length))
  return []
}

/** What a log says of a site, and what comes into it, worked out where it holds up nobody. */
const face = {
  /** The log from a line on; what stood there before is forgotten. */
  hold(from: number, lines: LogReading[]): void {
    log.length = from
    log.push(...lines)
  },
  glance: (site: Site, on: string): Glance => glance(site, log, on),
  lived: (site: Site, on: string): Lived => lived(site, learnedFrom(site, log, on)),
  today(site: Site, on: string, promised: readonly number[]): Today {
    const begun = last?.site === site.id ? { begin: last.begin } : {}
    const said = today(site, log, on, { ...begun, promised })
    last = { site: site.id, begin: said.learned }
    return said
  },
  async readLog(site: Site, text: string | Blob, told: Told) {
    const read = readLog(typeof text === 'string' ? text : await text.text(), site, share => void told([], share))
    const full = await inTurn(read.readings, told)
    const { photos, problems } = read
    return { count: read.readings.length, problems: [...full, ...problems], ...(photos ? { photos } : {}) }
  },
  since: (site: Site, device: Device, firstDay: string, asked: Asked): string =>
    askSince({ ...site, log }, device, firstDay, asked),
  async device(site: Site, device: Device, text: string, asked: Asked, told: Told) {
    const { readings, ahead, ...read } = readDevice(site, device, text, asked)
    const { promised, problem } = promisedFrom(ahead, asked)
    const full = await inTurn(readings, told)
    const problems = [...full, ...read.problems, ...(problem ? [problem] : [])]
    return { ...read, problems, count: readings.length, promised }
  },
}
export type KeepWorker = typeof face
expose(face)
