import type { ChildProcess } from 'node:child_process'
import { readdirSync } from 'node:fs'
import { request, type IncomingMessage } from 'node:http'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { startServer } from './start'
import { methodsOf } from '../../server/lib/routes'

let server: ChildProcess
const address = 'http://127.0.0.1:4398'
beforeAll(async () => {
  server = await startServer(4398)
}, 20000)
afterAll(() => server.kill())

describe('who may ask, and how', () => {
  /** An answer to a request that a page could not send. */
  const raw = (path: string, { method = 'GET', headers = {}, body = '' as string | Iterable<Buffer> } = {}) =>
    new Promise<{ status: number; headers: IncomingMessage['headers']; text: string }>((done, fail) => {
      const call = request(address + path, { method, headers }, answer => {
        let text = ''
        answer.on('data', piece => (text += String(piece)))
        answer.on('end', () => done({ status: answer.statusCode!, headers: answer.headers, text }))
      })
      call.on('error', fail)
      if (typeof body === 'string') call.end(body)
      else {
        const pieces = body[Symbol.iterator]()
        const send = (): void => {
          for (;;) {
            const { value, done: all } = pieces.next()
            if (all || call.destroyed) return void call.end()
            if (!call.write(value)) return void call.once('drain', send)
          }
        }
        send()
      }
    })
  const json = { 'content-type': 'application/json' }
  const sentence = (text: string) => (JSON.parse(text) as { error: [{ sentence: string }] }).error[0].sentence

  it('is told by the name of this machine, from its own pages, in JSON', async () => {
    const body = JSON.stringify({ planAreaM2: 1, depthMm: 1 })
    const sum = '/api/sums/first-flush-volume'
    const asked = (headers: Record<string, string>) => raw(sum, { method: 'POST', headers, body })
    expect((await asked(json)).status).toBe(200)
    expect((await asked({ ...json, origin: address })).status).toBe(200)
    expect((await asked({ ...json, origin: 'http://elsewhere.example' })).status).toBe(403)
    expect((await asked({ ...json, origin: 'null' })).status).toBe(403)
    expect((await asked({ ...json, 'sec-fetch-site': 'cross-site' })).status).toBe(403)
    expect((await asked({ 'content-type': 'text/plain' })).status).toBe(415)
    for (const host of ['localhost:4398', '127.0.0.1:4398', '[::1]:4398'])
      expect((await raw('/api/health', { headers: { host } })).status, host).toBe(200)
    for (const path of ['/', '/api/health']) {
      const stranger = await raw(path, { headers: { host: 'water.example:4398' } })
      expect(stranger.status).toBe(403)
      expect(sentence(stranger.text)).toContain('ALLOWED_HOSTS')
    }
  })
  it('a method that a route does not take is answered with those it takes', async () => {
    const wrong = await raw('/api/balance')
    expect([wrong.status, wrong.headers.allow]).toEqual([405, 'POST'])
    expect(sentence(wrong.text)).toBe('/api/balance takes POST, not GET.')
    expect((await raw('/api/devices/weather', { method: 'DELETE' })).headers.allow).toBe('GET, POST')
    expect((await raw('/api/health', { method: 'POST', headers: json })).status).toBe(405)
    expect((await raw('/api/nothing', { method: 'POST', headers: json })).status).toBe(404)
  })
  it('the table of routes is that of the files', () => {
    const files = readdirSync('server/api', { recursive: true })
      .map(String)
      .filter(file => /\.(get|post)\.ts$/.test(file))
    expect(files.length).toBeGreaterThan(8)
    for (const file of files) {
      const [, path, method] = /^(.*)\.(get|post)\.ts$/.exec(file)!
      const asked = `/api/${path!.replace(/\/index$/, '').replace(/\[\w+\]/, 'any')}`
      expect(methodsOf(asked), asked).toContain(method!.toUpperCase())
    }
  })
  it('a body is read no further than it may be long, however it comes', async () => {
    const piece = Buffer.alloc(64 * 1024, 32)
    let sent = 0
    function* flood() {
      for (; sent < 4000; sent++) yield piece
    }
    const answer = await raw('/api/review', { method: 'POST', headers: json, body: flood() }).catch(
      (error: NodeJS.ErrnoException) => ({ status: error.code, text: '' }),
    )
    // 250 MB were to be sent; the server ends it after five, with its answer or without.
    expect([413, 'ECONNRESET', 'EPIPE']).toContain(answer.status)
    expect(sent).toBeLessThan(400)
    expect((await raw('/api/health')).status).toBe(200)
  })
  it('a body of brackets without end is refused', async () => {
    const answer = await raw('/api/review', {
      method: 'POST',
      headers: json,
      body: '['.repeat(5000) + ']'.repeat(5000),
    })
    expect(answer.status).toBe(400)
    expect(sentence(answer.text)).toContain('too deep')
  })
  it('every answer has a policy, and none tells what it runs on', async () => {
    const page = await raw('/')
    const script = /src="(\/_nuxt\/[^"]+\.js)"/.exec(page.text)![1]!
    for (const path of ['/', '/api/health', '/api/nothing', script]) {
      const { headers } = await raw(path)
      expect(headers['content-security-policy'], path).toContain("default-src 'none'")
      expect(headers['x-powered-by'], path).toBeUndefined()
    }
  })
})
