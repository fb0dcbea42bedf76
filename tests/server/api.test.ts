import type { ChildProcess } from 'node:child_process'
import { readFileSync } from 'node:fs'
import { networkInterfaces } from 'node:os'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { poster, startServer } from './start'
import { readRecord } from '../../core/climate'
import { DEVICE_KIND_IDS } from '../../core/kinds'

let server: ChildProcess
const address = 'http://127.0.0.1:4399'
const demo = () => JSON.parse(readFileSync('demo/quillfern-ridge.json', 'utf8')) as Record<string, unknown>
const post = poster(address)

beforeAll(async () => {
  server = await startServer(4399)
}, 20000)
afterAll(() => server.kill())

describe('the simulated weather service', () => {
  const get = async (query: string) => {
    const answer = await fetch(`${address}/api/weather?${query}`)
    return { status: answer.status, text: await answer.text() }
  }
  const json = async (query: string) => {
    const { status, text } = await get(query)
    return { status, json: JSON.parse(text) as Record<string, unknown> }
  }
  const outage = (to: string) => post('/api/devices/weather', { outage: to })

  it('lists stations near a point, nearest first, the same every time', async () => {
    const first = await json('lat=39.2&lon=14.2')
    const stations = first.json.stations as {
      id: string
      distanceKm: number
      climate: string
      from: string
    }[]
    expect(stations.length).toBeGreaterThan(3)
    expect(stations.map(station => station.distanceKm)).toEqual(
      [...stations.map(station => station.distanceKm)].sort((a, b) => a - b),
    )
    expect(stations[0]!.distanceKm).toBeLessThan(30)
    expect(await json('lat=39.2&lon=14.2')).toEqual(first)
  })
  it('gives a station’s days as JSON and as a table that the record reader takes, gaps and all', async () => {
    const { json: near } = await json('lat=-28&lon=150')
    const { id, from, to } = (near.stations as { id: string; from: string; to: string }[])[0]!
    const { days } = (await json(`station=${id}`)).json as {
      days: { date: string; rainMm: number | null }[]
    }
    expect([days[0]!.date, days.at(-1)!.date]).toEqual([from, to])
    const table = await get(`station=${id}&format=csv`)
    const read = readRecord(table.text)
    expect(read).toMatchObject({
      ok: true,
      start: from,
      end: to,
      missingDays: days.filter(day => day.rainMm === null).length,
    })
    const part = await json(`station=${id}&from=2010-01-01&to=2010-12-31`)
    expect((part.json.days as unknown[]).length).toBe(365)
  })
  it('has every station that it lists, at the poles and where east meets west too', async () => {
    for (const [lat, lon] of [
      [90, 0],
      [-90, 12],
      [10, 180],
      [10, -180],
    ]) {
      const { stations } = (await json(`lat=${lat}&lon=${lon}`)).json as { stations: { id: string }[] }
      expect(stations.length).toBe(6)
      for (const { id } of stations)
        expect((await json(`station=${id}&from=2020-01-01&to=2020-01-02`)).status, id).toBe(200)
    }
  })
  it('says what is wrong with a question', async () => {
    expect(await json('lat=95&lon=3')).toMatchObject({
      status: 422,
      json: { error: [{ path: 'lat', sentence: expect.stringContaining('at most 90') }] },
    })
    expect(await json('lat=abc&lon=3')).toMatchObject({ status: 422, json: { error: [{ path: 'lat' }] } })
    expect(await json('station=nowhere')).toMatchObject({ status: 404 })
    for (const impossible of ['st-9999-9999', 'st-2000-1', 'st-1-2000', 'st-2451-2000', 'st-99999999999-1'])
      expect(await json(`station=${impossible}`), impossible).toMatchObject({
        status: 422,
        json: { error: [{ path: 'station' }] },
      })
    for (const empty of ['lat=&lon=3', 'lat=%20&lon=3', 'lat=1e1&lon=3', 'lon=3', 'lat=3&lat=4&lon=1', ''])
      expect(await json(empty), empty).toMatchObject({ status: 422, json: { error: [{ path: 'lat' }] } })
    expect(await json('lat=1&lon=')).toMatchObject({ status: 422, json: { error: [{ path: 'lon' }] } })
    expect(await json('station=st-2000-2000&from=2020-01-01&to=2019-01-01')).toMatchObject({ status: 422 })
    expect(await json('station=st-1-1&format=xml')).toMatchObject({
      status: 422,
      json: { error: [{ path: 'format' }] },
    })
  })
  it('fails as it is switched to, and works again', async () => {
    expect((await outage('sulking')).status).toBe(422)
    await outage('down')
    expect(await json('lat=39&lon=14')).toMatchObject({ status: 503 })
    await outage('cut-off')
    const cut = await get('station=st-2195-2071&format=csv')
    await outage('garbled')
    expect(readRecord((await get('station=st-2195-2071&format=csv')).text).ok).toBe(false)
    await outage('none')
    const whole = await get('station=st-2195-2071&format=csv')
    expect(whole.text.startsWith(cut.text)).toBe(true)
    expect(cut.text.length).toBeLessThan(whole.text.length / 2)
  })
})

describe('the devices of the outside world', () => {
  const read = async (path: string) => (await (await fetch(address + path)).json()) as unknown
  const lastDay = async () => {
    const { stations } = (await read('/api/weather?lat=39&lon=14')) as { stations: { to: string; name: string }[] }
    return stations[0]!
  }
  it('are listed with how they are set', async () => {
    expect(await read('/api/devices')).toMatchObject([
      { id: 'clock', settings: { rate: 1 } },
      { id: 'chance', settings: { seed: 0 } },
      { id: 'weather', settings: { outage: 'none' } },
      ...DEVICE_KIND_IDS.map(id => ({ id, settings: { failure: 'none' } })),
    ])
  })
  it('follow the clock and the seed, and are as before when those are set back', async () => {
    await post('/api/devices/clock', { at: '2024-01-01T00:00:00Z', rate: 0 })
    const before = await lastDay()
    expect(before.to).toBe('2023-12-31')
    await post('/api/devices/clock', { at: '2025-03-01T12:00:00Z' })
    expect((await lastDay()).to).toBe('2025-02-28')
    await post('/api/devices/chance', { seed: 7 })
    expect((await lastDay()).name).not.toBe(before.name)
    await post('/api/devices/clock', { at: '2024-01-01T00:00:00Z' })
    await post('/api/devices/chance', { seed: 0 })
    expect(await lastDay()).toEqual(before)
  })
  it.each([
    ['/api/devices/clock', { at: 'tomorrow' }, 422, 'at'],
    ['/api/devices/clock', { rate: -1 }, 422, 'rate'],
    ['/api/devices/chance', { seed: 0.5 }, 422, 'seed'],
    ['/api/devices/weather', { mood: 'bad' }, 422, 'mood'],
    ['/api/devices/weather', 3, 422, ''],
    ['/api/devices/oven', {}, 404, 'id'],
  ])('%s given %j says what is wrong', async (path, settings, status, where) => {
    const answer = await post(path, settings)
    expect(answer).toMatchObject({ status, json: { error: [{ path: where, sentence: expect.stringMatching(/\.$/) }] } })
  })
})

describe('the routes', () => {
  it('answer a worked sum exactly as the contract says', async () => {
    const { status, json } = await post('/api/sums/roof-yield', { planAreaM2: 38, rainMm: 12, runoffCoefficient: 0.9 })
    expect(status).toBe(200)
    expect(Object.keys(json)).toEqual(['result', 'working', 'source'])
    expect(json.result).toEqual({ volumeL: expect.closeTo(410.4, 9) })
    expect(json.working).toContainEqual({
      symbol: 'V',
      expression: '38 × 12 × 0.9 × 1',
      value: expect.closeTo(410.4, 9),
      unit: 'L',
    })
  })
  it('answer the year of a site, the same with the same seed, with the mass balance closed', async () => {
    const first = await post('/api/balance', { site: demo(), options: { years: 12, seed: 4, daily: true } })
    const again = await post('/api/balance', { site: demo(), options: { years: 12, seed: 4, daily: true } })
    expect(first.status).toBe(200)
    expect(first.json).toEqual(again.json)
    const { years, daily, massErrorL } = first.json as {
      years: { askedL: number }[]
      daily: { askedL: number[]; rainMm: number[] }
      massErrorL: number
    }
    expect(years).toHaveLength(12)
    expect(daily.askedL.reduce((sum, value) => sum + value, 0)).toBeCloseTo(
      years.reduce((sum, year) => sum + year.askedL, 0),
      3,
    )
    expect(Math.abs(massErrorL)).toBeLessThan(1e-3)
    expect((await post('/api/balance', demo())).json.years).toHaveLength(30)
  })
  it('answer an ensemble and a curve of sizes as options of the balance', async () => {
    const { status, json } = await post('/api/balance', {
      site: demo(),
      options: { years: 10, members: 9, sizes: { tank: 'tank-1', litres: [2000, 8000, 30000] } },
    })
    expect(status).toBe(200)
    const { ensemble, sizes } = json as {
      ensemble: { years: number; shortDays: number[] }
      sizes: { capL: number; shortDays: number }[]
    }
    expect(ensemble).toMatchObject({ members: 9, years: 90, dryByMonth: expect.any(Array) })
    expect(sizes.map(point => Math.round(point.capL))).toEqual([2000, 8000, 30000])
    expect(sizes[0]!.shortDays).toBeGreaterThan(sizes[2]!.shortDays)
  })
  it('answer the review in the site’s units', async () => {
    const metric = await post('/api/review', demo())
    expect((metric.json.findings as { check: string }[]).map(finding => finding.check)).toEqual([
      'gutter-too-small',
      'spill-over-door',
      'no-first-flush',
      'overflow-too-small',
    ])
    const us = await post('/api/review', { ...demo(), standards: { ...(demo().standards as object), units: 'us' } })
    const whys = us.json.findings as { check: string; why: string }[]
    expect(whys.find(finding => finding.check === 'overflow-too-small')!.why).toContain('The inlet is 4 in')
    expect(whys.find(finding => finding.check === 'gutter-too-small')!.why).toContain('2.95 in/h')
  })
  it('answer flows and pressures at a moment', async () => {
    const shut = await post('/api/network', demo())
    expect(shut.json).toMatchObject({ converged: true, residuals: expect.any(Object) })
    const taps = shut.json.taps as Record<string, { flowLps: number; pressureKPa: number }>
    const [id, still] = Object.entries(taps)[0]!
    expect(still.flowLps).toBe(0)
    const open = await post('/api/network', { site: demo(), open: { [id]: 1 } })
    const now = (open.json.taps as typeof taps)[id]!
    expect(now.flowLps).toBeGreaterThan(0)
    expect(now.pressureKPa).toBeLessThan(still.pressureKPa)
  })
  it.each<[string, string, unknown, number, string]>([
    ['a tap that is not there', '/api/network', { site: demo(), open: { bath: 1 } }, 422, 'open.bath'],
    ['a tank over its rim', '/api/network', { site: demo(), levels: { 'tank-1': 9 } }, 422, 'levels.tank-1'],
    ['a pump half running', '/api/network', { site: demo(), running: { pump: 0.5 } }, 422, 'running.pump'],
    ['what cannot be asked', '/api/network', { site: demo(), taps: {} }, 422, 'taps'],
    ['no JSON', '/api/review', '{oops', 400, ''],
    ['too large', '/api/balance', `"${'x'.repeat(5 * 1024 * 1024)}"`, 413, ''],
    ['no site', '/api/balance', { hello: 1 }, 422, 'format'],
    ['a wrong field', '/api/review', { ...demo(), place: { latitudeDeg: 95 } }, 422, 'place.latitudeDeg'],
    ['wrong options', '/api/balance', { site: demo(), options: { years: 0 } }, 422, 'options.years'],
    [
      'too many years',
      '/api/balance',
      { site: demo(), options: { members: 10000, years: 200 } },
      422,
      'options.members',
    ],
    [
      'sizes of no tank',
      '/api/balance',
      { site: demo(), options: { sizes: { tank: 'bath' } } },
      422,
      'options.sizes.tank',
    ],
    [
      'an impossible sum',
      '/api/sums/tank-volume',
      { shape: 'box', lengthM: 1, widthM: 1, heightM: 1, levelM: 3 },
      422,
      'levelM',
    ],
    ['no such sum', '/api/sums/luck', {}, 404, 'name'],
  ])('say what is wrong with %s', async (_, path, body, status, where) => {
    const answer = await post(path, body)
    expect(answer.status).toBe(status)
    expect((answer.json.error as { path: string; sentence: string }[])[0]).toMatchObject({
      path: where,
      sentence: expect.stringMatching(/\.$/),
    })
  })
  it('serve the page under a strict policy', async () => {
    const answer = await fetch(address)
    const policy = answer.headers.get('content-security-policy')!
    expect(policy).toContain("default-src 'none'")
    expect(policy).not.toContain('unsafe')
    expect(answer.headers.get('x-content-type-options')).toBe('nosniff')
    expect(answer.headers.get('x-frame-options')).toBe('DENY')
  })
  it('listen on this machine alone, and stop when told', async () => {
    await expect(fetch('http://[::1]:4399/api/health')).rejects.toThrow()
    for (const card of Object.values(networkInterfaces()).flat()) {
      if (card && !card.internal && card.family === 'IPv4')
        await expect(fetch(`http://${card.address}:4399/api/health`)).rejects.toThrow()
    }
    const closing = new Promise(done => server.once('exit', done))
    server.kill('SIGTERM')
    await closing
    await expect(fetch(`${address}/api/health`)).rejects.toThrow()
  })
})
