import { DAY_MS, MINUTE_MS } from '#core/units'
import { putUpStandIn, standInOf } from './standIns'
import { useSite } from '~/stores/site'
import { useConsent } from './consent'
import { shortText } from './shortText'
import { useLogging } from '~/stores/useLogging'
import { askedSince, readDeviceOf } from '~/engine/logs'
import type { Device } from '#core/kinds'

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
const [PATIENCE_MS, MOST_BYTES, FIRST_DAYS] = [20_000, 2e6, 60]
const zoneMinutes = (): number => -new Date().getTimezoneOffset()

/** The open site's devices: asked at their address when they are due, and what they tell written into the log. */
export const useDevices = defineStore('devices', () => {
  const store = useSite()
  const states = ref<Record<string, DeviceState>>({})
  /** Days of rain that are promised from tomorrow on. */
  const promised = shallowRef<number[]>([])
  const consent = useConsent()
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
    if (standsIn && !putUpAt.has(id) && (await putUpStandIn(toRaw(store.site!)))) putUpAt.add(id)
    const answer = await ask()
    // The server has begun anew, or its clock was turned far: it has forgotten.
    if (answer.status !== 404 || !standsIn) return answer
    return (await putUpStandIn(toRaw(store.site!))) ? ask() : answer
  }

  /** Asks a device and writes down what is new; how that went. */
  async function askOne(device: Device): Promise<DeviceState> {
    const first = new Date(Date.now() - FIRST_DAYS * DAY_MS).toISOString().slice(0, 10)
    const asked = { now: new Date().toISOString(), zoneMinutes: zoneMinutes() }
    const state = { askedAtMs: Date.now(), problems: [] as string[], slowMinutes: 0, fresh: 0, quiet: false }
    const failed = (why: string): DeviceState => ({ ...state, problems: [why] })
    try {
      const since = await askedSince(toRaw(store.site!), device, first, asked)
      const answer = await answerFrom(device.address, since)
      const text = await shortText(answer, MOST_BYTES)
      if (text === undefined) return failed(`It told more than ${MOST_BYTES / 1e6} MB at once; nothing was taken.`)
      if (!answer.ok) return failed(refusalOf(answer.status, text))
      const clock = answer.headers.get('device-clock') ?? undefined
      const { coming, told } = useLogging(`the ${device.name}`)
      const read = await readDeviceOf(toRaw(store.site!), device, text, { ...asked, clock }, coming)
      if (device.kind === 'forecast') promised.value = read.promised
      const { count: fresh, problem } = told()
      const problems = problem ? [...read.problems, problem] : read.problems
      const quiet = !read.count && device.kind !== 'forecast'
      return { ...state, problems, slowMinutes: read.slowMinutes, fresh, quiet }
    } catch (error) {
      if (error instanceof DOMException && error.name === 'TimeoutError')
        return failed(`It did not answer within ${PATIENCE_MS / 1000} seconds.`)
      return failed(
        standInOf(device.address)
          ? 'It cannot be reached: there is no network.'
          : 'It cannot be reached: there is no network, it is off, or the server was not told that it may be asked.',
      )
    }
  }

  /** Asks devices, all of them where none is named; none at an address that its owner has not said yes to. */
  async function ask(only?: string): Promise<void> {
    const site = store.site
    if (busy.value || !site?.devices?.length) return
    busy.value = true
    for (const device of site.devices.filter(({ id }) => only === undefined || id === only)) {
      if (!consent.isGiven(site.id, device.address)) continue
      const state = await askOne(device)
      if (store.site?.id !== site.id) break
      states.value[device.id] = state
    }
    busy.value = false
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
