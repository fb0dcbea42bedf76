import type { ChildProcess } from 'node:child_process'
import { readdirSync, readFileSync } from 'node:fs'
import { request } from 'node:http'
import { connect } from 'node:net'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { machine } from '../machine'
import { largeYard } from '../largeYard'
import { startServer } from './start'

let server: ChildProcess
const port = 4397
beforeAll(async () => {
  server = await startServer(port)
}, 20000)
afterAll(() => server.kill())

interface Call {
  answer: Promise<{ status: number; headers: Record<string, unknown>; json: unknown }>
  goAway: () => void
}

/** Asks as a caller at one of this machine's addresses would, who may go away. */
function ask(path: string, body: unknown, from = '127.0.0.1'): Call {
  const call = request({
    host: '127.0.0.1',
    port,
    path,
    method: 'POST',
    localAddress: from,
    // A connection that is kept may have been ended meanwhile by the server: each question has its own.
    agent: false,
    headers: { 'content-type': 'application/json' },
  })
  const answer: Call['answer'] = new Promise((done, fail) => {
    call.on('error', fail)
    call.on('response', response => {
      let text = ''
      response.on('data', piece => (text += String(piece)))
      response.on('end', () =>
        done({ status: response.statusCode!, headers: response.headers, json: JSON.parse(text) }),
      )
    })
  })
  answer.catch(() => {})
  call.end(JSON.stringify(body))
  return { answer, goAway: () => call.destroy() }
}
const health = () =>
  new Promise((done, fail) => {
    const call = request({ host: '127.0.0.1', port, path: '/api/health', agent: false }, response => {
      response.resume().on('end', () => done(response.statusCode))
    })
    call.on('error', fail).end()
  })
const sentenceOf = (json: unknown) => (json as { error: [{ path: string; sentence: string }] }).error[0]

const site: unknown = JSON.parse(readFileSync('demo/quillfern-ridge.json', 'utf8'))
const large = largeYard(100, 150)
/** About ten seconds of work. */
const long = { site, options: { members: 1000, years: 60 } }

describe('work that takes long', () => {
  it('is reckoned before it begins, and refused where it is too much', async () => {
    const tank = large.nodes.find(node => node.kind === 'tank')!.id
    const litres = Array.from({ length: 200 }, (_, step) => 1000 + 10 * step)
    const began = performance.now()
    const members = await ask('/api/balance', { site, options: { members: 1000, years: 150 } }).answer
    const sizes = await ask('/api/balance', { site: large, options: { years: 200, sizes: { tank, litres } } }).answer
    expect(performance.now() - began).toBeLessThan(5000)
    expect([members.status, sizes.status]).toEqual([422, 422])
    expect(sentenceOf(members.json).sentence).toMatch(/^options\.members: this would take about \d+ seconds/)
    expect(sentenceOf(sizes.json).path).toBe('options.sizes')
  })
  it('is reckoned for a plant that is played too, by its first part', async () => {
    const { slowness, stop } = machine()
    const slow = await slowness()
    await stop()
    const began = performance.now()
    const played = await ask('/api/try', { site: largeYard(150, 150), seconds: 62 * 86400 }).answer
    expect(played.status).toBe(422)
    expect(sentenceOf(played.json)).toMatchObject({ path: 'seconds' })
    expect(sentenceOf(played.json).sentence).toMatch(/^seconds: this would take about \d+ seconds/)
    expect(performance.now() - began).toBeLessThan(15_000 * slow)
  })
  it('holds nobody else: who asks how the server is hears at once', async () => {
    const { slowness, stop } = machine()
    const slow = await slowness()
    await stop()
    await ask('/api/review', site).answer
    const heavy = [long, long, { site: large, options: { years: 200 } }].map(body => ask('/api/balance', body))
    const waits: number[] = []
    for (let asked = 0; asked < 100; asked++) {
      const began = performance.now()
      expect(await health()).toBe(200)
      waits.push(performance.now() - began)
      await new Promise(next => setTimeout(next, 20))
    }
    heavy.forEach(call => call.goAway())
    waits.sort((a, b) => a - b)
    expect(waits[95]).toBeLessThan(50 * slow)
  })
  it('holds nobody else either where sixty tables of the weather are asked for at once', async () => {
    const { slowness, stop } = machine()
    const slow = await slowness()
    await stop()
    let on = true
    const tables = Array.from({ length: 60 }, (_, at) =>
      fetch(`http://127.0.0.1:${port}/api/weather?station=st-${2000 + at}-2100&format=csv`).then(
        answer => answer.status,
      ),
    )
    const all = Promise.all(tables).finally(() => (on = false))
    const waits: number[] = []
    while (on) {
      const began = performance.now()
      expect(await health()).toBe(200)
      waits.push(performance.now() - began)
      await new Promise(next => setTimeout(next, 20))
    }
    const statuses = await all
    expect(statuses.filter(status => status === 200).length).toBeGreaterThanOrEqual(32)
    expect(statuses.filter(status => status !== 200 && status !== 429)).toEqual([])
    expect(Math.max(...waits)).toBeLessThan(400 * slow)
  })
  it('that comes over one connection, more than one caller may ask, is refused in words and breaks no pipe', async () => {
    const body = JSON.stringify(site)
    const head = ['POST /api/review HTTP/1.1', `Host: 127.0.0.1:${port}`, 'Content-Type: application/json']
    const one = `${[...head, `Content-Length: ${Buffer.byteLength(body)}`].join('\r\n')}\r\n\r\n${body}`
    const many = 90
    const statuses = await new Promise<string[]>((done, fail) => {
      let told = ''
      const socket = connect(port, '127.0.0.1')
      const found = () => [...told.matchAll(/HTTP\/1\.1 (\d+)/g)].map(([, status]) => status!)
      socket.on('error', fail)
      socket.on('close', () => fail(new Error(`the connection was ended after ${found().length} answers`)))
      socket.on('data', piece => {
        told += String(piece)
        if (found().length < many) return
        socket.removeAllListeners('close')
        socket.destroy()
        done(found())
      })
      for (let sent = 0; sent < many; sent++) socket.write(one)
    })
    expect(new Set(statuses)).toEqual(new Set(['200', '429']))
    expect(statuses.filter(status => status === '200').length).toBeGreaterThanOrEqual(32)
  })
  it('ends when the caller goes away', async () => {
    const calls = Array.from({ length: 12 }, () => ask('/api/balance', long))
    await new Promise(next => setTimeout(next, 500))
    calls.forEach(call => call.goAway())
    const began = performance.now()
    expect((await ask('/api/review', site).answer).status).toBe(200)
    // Twelve such questions would have taken a minute.
    expect(performance.now() - began).toBeLessThan(8000)
  })
  it('is taken on as far as there is room, and no further for one caller than for all', async () => {
    const of = (from: string, many: number) => Array.from({ length: many }, () => ask('/api/balance', long, from))
    const one = of('127.0.0.1', 40)
    const refused = await Promise.any(one.map(call => call.answer))
    expect(refused.status).toBe(429)
    expect(refused.headers['retry-after']).toBe('10')
    expect(sentenceOf(refused.json).sentence).toContain('32 requests in hand')
    const others = ['127.0.0.2', '127.0.0.3', '127.0.0.4'].flatMap(from => of(from, 32))
    const full = await Promise.any(others.map(call => call.answer))
    expect(full.status).toBe(503)
    expect(sentenceOf(full.json).sentence).toContain('hands full')
    for (const call of [...one, ...others]) call.goAway()
    expect((await ask('/api/review', site, '127.0.0.5').answer).status).toBe(200)
  })
})

describe('what is built', () => {
  it('refuses in our own words, whichever thread does', async () => {
    const wrong: [string, unknown][] = [
      ['/api/review', { ...(site as object), nodes: {} }],
      ['/api/balance', { site, options: { years: 'x', seed: 1.5, foo: 1, sizes: [] } }],
      ['/api/sums/drip-zone', { emitters: {}, minutesPerRun: null }],
      ['/api/devices/weather', { outage: 7, more: 1 }],
    ]
    for (const [path, body] of wrong) {
      const { status, json } = await ask(path, body).answer
      expect(status, path).toBe(422)
      const sentences = (json as { error: { sentence: string }[] }).error.map(({ sentence }) => sentence)
      expect(sentences.join(' '), path).not.toMatch(/invalid|expected|received|unrecognized/i)
    }
  })
  const built = readdirSync('.output', { recursive: true })
    .map(String)
    .filter(file => !file.includes('node_modules'))
  it('holds no source maps and no tests', () => {
    expect(built.length).toBeGreaterThan(100)
    expect(built.filter(file => /\.map(\.(gz|br))?$|\.test\.|vitest/.test(file))).toEqual([])
    const scripts = built.filter(file => /\.m?js$/.test(file)).map(file => readFileSync(`.output/${file}`, 'utf8'))
    expect(scripts.filter(script => /from ?["']vitest|fast-check/.test(script))).toEqual([])
  })
})
