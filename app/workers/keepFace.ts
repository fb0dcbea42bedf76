import { proxy, wrap, type Remote } from 'comlink'
import { watched } from '~/workers/missingPiece'
import { nextFrame, nextTask } from '~/workers/nextTask'
import type { Device, LogReading } from '#core/kinds'
import type { Asked, DeviceRead, LogRead } from '#core/exchange'
import type { Site } from '#core/site'
import type { KeepWorker } from './keep.worker'

/** So many lines go to a thread at once: a message of more would hold the page. */
const LINES_AT_ONCE = 1000

let remote: Remote<KeepWorker> | undefined
/** The thread that learns from logs, started when it is first asked. */
function face(): Remote<KeepWorker> {
  remote ??= wrap<KeepWorker>(watched(new Worker(new URL('./keep.worker.ts', import.meta.url), { type: 'module' })))
  return remote
}

/** The log that the thread holds; of the next one it is sent what differs. */
let held: readonly LogReading[] = []
let sending: Promise<unknown> = Promise.resolve()

/** Asks the thread about a site with its log. */
export function askKeeper<Answer>(
  { log = [], ...site }: Site,
  question: (face: Remote<KeepWorker>, site: Site) => Promise<Answer>,
): Promise<Answer> {
  const next = async (): Promise<Answer> => {
    let from = 0
    while (from < held.length && from < log.length && held[from] === log[from]) from++
    // A message that fails leaves nobody knowing what is held.
    held = []
    for (let at = from; at < log.length || at === from; at += LINES_AT_ONCE) {
      await face().hold(at, log.slice(at, at + LINES_AT_ONCE))
      await nextTask()
    }
    held = log
    return question(face(), site as Site)
  }
  const asked = sending.then(next, next)
  sending = asked
  return asked
}

/** Lines that come from the thread, a few at a time, and how far it is. */
export interface Coming {
  lines: (readings: LogReading[]) => void | Promise<void>
  progress?: (share: number) => void
}
const told = ({ lines, progress }: Coming) =>
  proxy(async (readings: LogReading[], share: number) => {
    if (readings.length) await lines(readings)
    progress?.(share)
    // What was taken in is written and shown before the next come.
    await nextFrame()
  })

/** Reads a table or a site's file into lines of a log; those that are new to it come a few at a time. */
export const readLogBeside = (
  site: Site,
  text: string | Blob,
  coming: Coming,
): Promise<Omit<LogRead, 'readings'> & { count: number }> =>
  askKeeper(site, (there, light) => there.readLog(light, text, told(coming)))

/** Since when a device is to be asked; and what it answers, its new lines a few at a time. */
export const sinceBeside = (site: Site, device: Device, firstDay: string, asked: Asked): Promise<string> =>
  askKeeper(site, (there, light) => there.since(light, device, firstDay, asked))
export const readDeviceBeside = (
  site: Site,
  device: Device,
  text: string,
  asked: Asked,
  coming: Coming,
): Promise<Omit<DeviceRead, 'readings' | 'ahead'> & { count: number; promised: number[] }> =>
  askKeeper(site, (there, light) => there.device(light, device, text, asked, told(coming)))
