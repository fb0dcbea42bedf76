import type { ChildProcess } from 'node:child_process'
import { afterAll, afterEach, beforeAll, describe, expect, it } from 'vitest'
import { poster, startServer } from './start'
import { demoSite } from '../demoSites'
import { askSince, readDevice } from '../../core/exchange'
import { plainDoubts } from '../../core/keep'
import { nodeById, reached, rimM, type Site } from '../../core/site'
import { DEVICE_KIND_IDS, type Device, type DeviceKind, type Tank } from '../../core/kinds'

/** The stand-ins for devices, asked through the door that real ones have. */
let server: ChildProcess
const address = 'http://127.0.0.1:4399'
const post = poster(address)
const NOW = '2027-04-18T12:00:00Z'
const site = demoSite('quillfern-ridge')
const tank = nodeById(site, 'tank-1') as Tank
beforeAll(async () => {
  server = await startServer(4399)
  await post('/api/devices/clock', { at: NOW, rate: 0 })
  expect(await post('/api/devices/place', { site })).toMatchObject({ status: 200, json: { site: site.id } })
}, 20000)
afterAll(() => server.kill())
afterEach(() => Promise.all(DEVICE_KIND_IDS.map(kind => post(`/api/devices/${kind}`, { failure: 'none' }))))

const url = (kind: DeviceKind, more = '') =>
  `${address}/api/devices/${kind}/readings?site=${site.id}&of=${placeOf(kind)}&since=2027-03-01T00:00:00Z${more}`
/** A line with taps behind it, for what is drawn; else the tank. */
const served = site.runs.find(run => site.uses.some(({ at }) => reached(site, run.to.node, { along: 'down' }).has(at)))!
const placeOf = (kind: DeviceKind): string => (kind === 'meter' || kind === 'pump' ? served.id : tank.id)
const device = (kind: DeviceKind): Device => ({
  id: `device-${kind}`,
  kind,
  name: kind,
  address: '',
  everyMinutes: 360,
  ...(kind === 'level' ? { subject: tank.id } : {}),
})
async function asked(kind: DeviceKind, more = '') {
  const answer = await fetch(url(kind, more))
  const clock = answer.headers.get('device-clock') ?? undefined
  return readDevice(site, device(kind), await answer.text(), { now: NOW, zoneMinutes: 0, clock })
}
const logged = async (kind: DeviceKind): Promise<Site> => ({ ...site, log: (await asked(kind)).readings })
const doubtsOf = async (kind: DeviceKind): Promise<string[]> => {
  const { log } = await logged(kind)
  return [...plainDoubts(site, log!, NOW.slice(0, 10)).values()]
}

describe('a stand-in that is well', () => {
  it('tells levels that lie in its tank, four a day, the same as a table', async () => {
    const { readings, problems, slowMinutes } = await asked('level')
    expect([problems, slowMinutes]).toEqual([[], 0])
    expect(readings.length).toBeGreaterThan(180)
    for (const { value } of readings) {
      expect(value).toBeGreaterThanOrEqual(0)
      expect(value).toBeLessThanOrEqual(rimM(tank) - tank.baseM)
    }
    expect((await asked('level', '&format=csv')).readings).toEqual(readings)
    expect(await doubtsOf('level')).toEqual([])
  })
  it('tells from a moment on alone, and what was told is not told anew', async () => {
    const of = await logged('level')
    const since = askSince(of, device('level'), '2027-03-01', { now: NOW, zoneMinutes: 0 })
    const answer = await fetch(`${address}/api/devices/level/readings?site=${site.id}&of=${tank.id}&since=${since}`)
    expect(((await answer.json()) as { readings: unknown[] }).readings).toEqual([])
  })
  it('of rain, of a meter and of a pump tells each day once it is over, and a meter only rises', async () => {
    const rain = (await asked('rain')).readings
    expect([rain[0]!.at, rain.at(-1)!.at]).toEqual(['2027-03-01', '2027-04-17'])
    const litres = (await asked('meter')).readings.map(({ value }) => value!)
    expect(litres.at(-1)).toBeGreaterThan(litres[0]!)
    expect(litres.every((value, at) => !at || value >= litres[at - 1]!)).toBe(true)
    const starts = (await asked('pump')).readings
    expect(starts.every(({ kind, value }) => kind === 'starts' && Number.isInteger(value))).toBe(true)
    expect(await doubtsOf('rain')).toEqual([])
  })
  it('of a forecast promises ten days from tomorrow on', async () => {
    const { ahead } = await asked('forecast')
    expect([ahead.length, ahead[0]!.day]).toEqual([10, '2027-04-19'])
  })
})

describe('a stand-in that fails', () => {
  const fails = (kind: DeviceKind, failure: string) => post(`/api/devices/${kind}`, { failure })
  it('does not answer, or answers nonsense: a sentence, and nothing taken', async () => {
    await fails('level', 'gone')
    expect((await fetch(url('level'))).status).toBe(503)
    await fails('level', 'garbled')
    const { readings, problems } = await asked('level')
    expect([readings.length, problems.length]).toEqual([0, 1])
  })
  it('falls silent: it tells up to then', async () => {
    await fails('level', 'silent')
    expect((await asked('level')).readings.at(-1)!.at.slice(0, 10)).toBe('2027-04-06')
  })
  it.each([
    ['level', 'stuck', /stuck/, 40],
    ['level', 'spikes', /leaps|above the rim/, 4],
    ['level', 'wrong-unit', /centimetres/, 40],
    ['meter', 'wrong-unit', /run back/, 1],
    ['rain', 'stuck', /stuck/, 0],
  ] as const)('%s: %s is doubted', async (kind, failure, why, least) => {
    await fails(kind, failure)
    const doubts = await doubtsOf(kind)
    expect(doubts.filter(each => why.test(each)).length).toBeGreaterThanOrEqual(least)
  })
  it('has a wrong clock: its times are put right by it, and none is lost', async () => {
    const well = (await asked('level')).readings
    await fails('level', 'clock-off')
    const { readings, slowMinutes } = await asked('level')
    expect(slowMinutes).toBe(3 * 1440 + 260)
    // What it was asked for since a moment, it tells by its own clock: the first days before that are not among them.
    expect(readings.at(-1)).toMatchObject({ at: well.at(-1)!.at, value: well.at(-1)!.value })
    expect(await doubtsOf('level')).toEqual([])
  })
  it('tells out of order or twice: it comes to the same log', async () => {
    const byId = async () => {
      const { readings } = await asked('level')
      return [...new Map(readings.map(each => [each.id, each])).values()].sort((a, b) => (a.id < b.id ? -1 : 1))
    }
    const well = await byId()
    for (const failure of ['out-of-order', 'twice']) {
      await fails('level', failure)
      expect(await byId()).toEqual(well)
    }
  })
})

describe('the door', () => {
  it.each([
    ['/api/devices/level/readings', 422, /site must be said/],
    ['/api/devices/level/readings?site=nowhere', 404, /not put up/],
    ['/api/devices/clock/readings?site=x', 404, /no device “clock” that tells/],
    [`/api/devices/level/readings?site=${site.id}&since=noon`, 422, /since must be a moment/],
    [`/api/devices/level/readings?site=${site.id}&format=xml`, 422, /format must be json or csv/],
  ])('%s is refused with a reason', async (path, status, why) => {
    const answer = await fetch(address + path)
    expect([answer.status, await answer.text()]).toEqual([status, expect.stringMatching(why)])
  })
  it('takes no place that is no site', async () => {
    expect(await post('/api/devices/place', { site: { format: 'x' } })).toMatchObject({ status: 422 })
    expect(await post('/api/devices/place', '{"site":')).toMatchObject({ status: 400 })
    expect(await post('/api/devices/level', { failure: 'sulks' })).toMatchObject({ status: 422 })
  })
})
