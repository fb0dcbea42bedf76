import { askSince, promisedFrom, readDevice, readLog, type PollTime } from '#core/exchange'
import { MOST_READINGS, newLines, type Site } from '#core/site'
import type { Device, LogReading } from '#core/kinds'

/** So many come to the page at once, and fewer the first time: it takes each in, and says where it stands. */
const [LINES_AT_FIRST, LINES_AT_ONCE] = [20, 100]
type Told = (readings: LogReading[], share: number) => Promise<void>

/** Tells the new ones of some lines a few at a time, each time once the last were taken; or why there is no room. */
async function inTurn(log: readonly LogReading[], readings: readonly LogReading[], told: Told): Promise<string[]> {
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

/** What comes into a log, told a few lines at a time. */
export const logs = (held: () => Site) => ({
  async readLog(text: string | Blob, told: Told) {
    const site = held()
    const read = readLog(typeof text === 'string' ? text : await text.text(), site, share => void told([], share))
    const full = await inTurn(site.log ?? [], read.readings, told)
    const { photos, problems } = read
    return { count: read.readings.length, problems: [...full, ...problems], ...(photos ? { photos } : {}) }
  },
  since: (device: Device, firstDay: string, asked: PollTime): string => askSince(held(), device, firstDay, asked),
  async device(device: Device, text: string, asked: PollTime, told: Told) {
    const site = held()
    const { readings, ahead, ...read } = readDevice(site, device, text, asked)
    const { promised, problem } = promisedFrom(ahead, asked)
    const full = await inTurn(site.log ?? [], readings, told)
    const problems = [...full, ...read.problems, ...(problem ? [problem] : [])]
    return { ...read, problems, count: readings.length, promised }
  },
})
