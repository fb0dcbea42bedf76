import { proxy } from 'comlink'
import { homeOf } from './engine'
import { nextFrame } from './nextTask'
import type { Face } from './thread'
import type { Device, LogReading } from '#core/kinds'
import type { PollTime, DeviceRead, LogRead } from '#core/exchange'
import type { Site, SitePart } from '#core/site'

/** What tables and devices are read against. */
const READ_AGAINST = [
  'id',
  'nodes',
  'runs',
  'uses',
  'roofs',
  'place',
  'climate',
  'standards',
  'devices',
  'log',
] as const satisfies SitePart[]

/** The log's thread: what it holds of one is what differs from the last. */
const ofLog = <Answer>(site: Site, question: (face: Face) => Promise<Answer>): Promise<Answer> =>
  homeOf('log').use(site, READ_AGAINST, question)

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
export const readLogOf = (
  site: Site,
  text: string | Blob,
  coming: Coming,
): Promise<Omit<LogRead, 'readings'> & { count: number }> => ofLog(site, face => face.logs.readLog(text, told(coming)))

/** Since when a device is to be asked; and what it answers, its new lines a few at a time. */
export const askedSince = (site: Site, device: Device, firstDay: string, asked: PollTime): Promise<string> =>
  ofLog(site, face => face.logs.since(device, firstDay, asked))
export const readDeviceOf = (
  site: Site,
  device: Device,
  text: string,
  asked: PollTime,
  coming: Coming,
): Promise<Omit<DeviceRead, 'readings' | 'ahead'> & { count: number; promised: number[] }> =>
  ofLog(site, face => face.logs.device(device, text, asked, told(coming)))
