import { putUp, standInOf } from './standIns'
import { dayToday } from '~/fields/days'
import { useSite } from '~/stores/site'
import { counted, listed } from '#core/words'
import { moveOf } from '#core/moves'
import type { Device, LogReading } from '#core/kinds'
import type { DeviceRead } from '#core/exchange'

/** How a device was when it was asked last. */
export interface DeviceState {
  askedAtMs: number
  /** Why nothing came; or what of it could not be read. */
  problems: string[]
  slowMinutes: number
  /** New lines that came of it. */
  fresh: number
  /** It has told before, and nothing since. */
  quiet: boolean
}
const [PATIENCE_MS, FIRST_DAYS, DAY_MS, MINUTE_MS] = [20_000, 60, 86_400_000, 60_000]
const zoneMinutes = (): number => -new Date().getTimezoneOffset()

/** The open site's devices: asked at their address when they are due, and what they tell written into the log. */
export const useDevices = defineStore('devices', () => {
  const store = useSite()
  const states = ref<Record<string, DeviceState>>({})
  /** Days of rain that are promised from tomorrow on. */
  const promised = shallowRef<number[]>([])
  const tomorrow = () => new Date(Date.parse(dayToday()) + DAY_MS).toISOString().slice(0, 10)
  const busy = ref(false)
  watch(
    () => store.site?.id,
    () => {
      states.value = {}
      promised.value = []
    },
  )

  /** Sites at which the stand-ins are known to be put up. */
  const putUpAt = new Set<string>()
  /** What an address answers; a stand-in that may not know the site is put up there first. */
  async function answerFrom(address: string, since: string): Promise<Response> {
    const url = `${address}${address.includes('?') ? '&' : '?'}${new URLSearchParams({ since }).toString()}`
    const ask = () => fetch(url, { signal: AbortSignal.timeout(PATIENCE_MS), headers: { accept: 'application/json' } })
    const { id } = store.site!
    const standsIn = standInOf(address) !== undefined
    if (standsIn && !putUpAt.has(id) && (await putUp(toRaw(store.site!)))) putUpAt.add(id)
    const answer = await ask()
    // The server has begun anew, or its clock was turned far: it has forgotten.
    if (answer.status !== 404 || !standsIn) return answer
    return (await putUp(toRaw(store.site!))) ? ask() : answer
  }

  async function askOne(device: Device): Promise<DeviceRead | string> {
    const { askSince, promisedFrom, readDevice } = await import('#core/exchange')
    const first = new Date(Date.now() - FIRST_DAYS * DAY_MS).toISOString().slice(0, 10)
    const since = askSince(toRaw(store.site!), device, first, zoneMinutes())
    try {
      const answer = await answerFrom(device.address, since)
      const text = await answer.text()
      if (!answer.ok) return refusalOf(answer.status, text)
      const clock = answer.headers.get('device-clock') ?? undefined
      const asked = { now: new Date().toISOString(), zoneMinutes: zoneMinutes(), clock }
      const read = readDevice(toRaw(store.site!), device, text, asked)
      if (device.kind === 'forecast') promised.value = promisedFrom(read.ahead, tomorrow())
      return read
    } catch (error) {
      if (error instanceof DOMException && error.name === 'TimeoutError')
        return `It did not answer within ${PATIENCE_MS / 1000} seconds.`
      return standInOf(device.address)
        ? 'It cannot be reached: there is no network.'
        : 'It cannot be reached: there is no network, it is off, or the server was not told that it may be asked.'
    }
  }

  /** Asks devices, all of them where none is named, and writes down what is new in one step. */
  async function ask(only?: string): Promise<void> {
    const site = store.site
    if (busy.value || !site?.devices?.length) return
    busy.value = true
    const lines: LogReading[] = []
    const names: string[] = []
    for (const device of site.devices.filter(({ id }) => only === undefined || id === only)) {
      const read = await askOne(device)
      if (store.site?.id !== site.id) break
      const known = new Set(store.site.log?.map(({ id }) => id))
      const fresh = typeof read === 'string' ? [] : read.readings.filter(({ id }) => !known.has(id))
      const unique = [...new Map(fresh.map(line => [line.id, line])).values()]
      lines.push(...unique)
      if (unique.length) names.push(device.name)
      states.value[device.id] = {
        askedAtMs: Date.now(),
        problems: typeof read === 'string' ? [read] : read.problems,
        slowMinutes: typeof read === 'string' ? 0 : read.slowMinutes,
        fresh: unique.length,
        quiet: typeof read !== 'string' && !read.readings.length && device.kind !== 'forecast',
      }
    }
    busy.value = false
    if (!lines.length || store.site?.id !== site.id) return
    const label = `${counted(lines.length, 'line')} from the ${listed(names)}`
    const problem = store.makeAll([moveOf('logReadings', { readings: lines })], label)
    if (problem)
      for (const source of new Set(lines.map(each => each.source!))) states.value[source]?.problems.push(problem)
  }

  /** Asks those that are due. */
  async function askDue(): Promise<void> {
    for (const { id, everyMinutes } of store.site?.devices ?? []) {
      const last = states.value[id]?.askedAtMs
      if (last === undefined || Date.now() - last >= everyMinutes * MINUTE_MS) await ask(id)
    }
  }

  return { states, busy, promised, ask, askDue }
})

/** Why an address would not answer: its own words where it has some. */
function refusalOf(status: number, text: string): string {
  try {
    const { error } = JSON.parse(text) as { error?: { sentence: string }[] }
    if (error?.[0]) return error[0].sentence
  } catch {
    // Nobody's words: its number must do.
  }
  return `It answered ${status}; look at its address.`
}
