import { afterAll, beforeEach, describe, expect, it, vi } from 'vitest'
import { toRaw } from 'vue'
import { demoSite } from '../../tests/demoSites'
import type { Site } from '#core/site'

vi.stubGlobal('navigator', { hardwareConcurrency: 2 })
vi.stubGlobal('toRaw', toRaw)
/** Threads of a test: each notes what it is sent and asked, and answers when it is let. */
interface Made {
  sent: object[]
  asked: { name: string; answer: (said: unknown) => void }[]
  ended: boolean
  /** Takes nothing in, and says nothing. */
  deaf?: boolean
  fails: (event: { message: string }) => void
}
const threads: Made[] = []
let made: Made
vi.stubGlobal(
  'Worker',
  class {
    own: Made = (made = { sent: [], asked: [], ended: false, fails: () => undefined })
    constructor() {
      threads.push(this.own)
    }
    addEventListener(_type: string, fails: Made['fails']): void {
      this.own.fails = fails
    }
    terminate(): void {
      this.own.ended = true
    }
  },
)
vi.mock('comlink', () => ({
  wrap: () => {
    const own = made
    return {
      hold: (parts: object) => (own.deaf ? new Promise(() => undefined) : Promise.resolve(void own.sent.push(parts))),
      holdLog: (from: number, lines: unknown[]) => Promise.resolve(void own.sent.push({ from, lines: lines.length })),
      ask: (name: string) => new Promise(answer => own.asked.push({ name, answer })),
      askInParts: async (_name: string, _args: object, put: (part: string, value: unknown) => void) => {
        put('cuts', [1, 2])
        await Promise.resolve()
        put('order', ['base'])
      },
    }
  },
  proxy: (value: unknown) => value,
}))
const { ask, isLittle, MOST_ASIDE } = await import('./engine')
const { missingPieces } = await import('./missingPiece')
afterAll(() => vi.unstubAllGlobals())

const site = demoSite('brindle-yard')
const settled = () => new Promise(done => setTimeout(done, 5))
const withAsk = (name: string) => threads.filter(({ asked }) => asked.some(each => each.name === name))
/** The thread that a question has come to: a long log takes its time on the way. */
const asked = (name: string) => vi.waitUntil(() => withAsk(name)[0], { timeout: 20_000, interval: 5 })
const answerAll = async () => {
  for (let round = 0; round < 6; round++) {
    for (const { asked } of threads) for (const each of asked) each.answer(`${each.name} answered`)
    await settled()
  }
}
beforeEach(async () => {
  await answerAll()
  for (const each of threads) Object.assign(each, { sent: [], asked: [] })
})

describe('a question that is asked of a thread', () => {
  it('takes the parts that it reads there, and of the next document only what is not as it was', async () => {
    const asked = ask('years', site, {})
    await settled()
    const [thread] = withAsk('years')
    expect(Object.keys(thread!.sent[0]!)).toEqual(expect.arrayContaining(['nodes', 'runs', 'climate']))
    expect(Object.keys(thread!.sent[0]!)).not.toContain('options')
    await answerAll()
    expect(await asked).toBe('years answered')
    thread!.sent = []
    void ask('years', { ...site, name: 'Other', uses: [...site.uses] }, {})
    await settled()
    expect(thread!.sent.map(parts => Object.keys(parts))).toEqual([['uses']])
  })
  it('sends of a log what is new in it, a thousand lines at a time', async () => {
    const line = (at: number) => ({ id: `r${at}`, at: '2026-01-01', kind: 'rain' as const, value: 1 })
    const log = Array.from({ length: 1500 }, (_, at) => line(at))
    const logged = (lines: Site['log']) => ask('due', { ...site, log: lines }, { on: '2026-12-01' })
    void logged(log)
    const thread = await asked('due')
    expect(thread.sent.slice(1)).toEqual([
      { from: 0, lines: 1000 },
      { from: 1000, lines: 500 },
    ])
    await answerAll()
    thread.sent = []
    void logged([...log, line(1500)])
    await vi.waitUntil(() => thread.sent.length)
    expect(thread.sent).toEqual([{ from: 1500, lines: 1 }])
  })
  it('that is aside keeps none of the others waiting, however many there are', async () => {
    for (let count = 0; count < MOST_ASIDE + 2; count++) void ask('sizes', site, { pool: `${count}` })
    await settled()
    expect(withAsk('sizes')).toHaveLength(MOST_ASIDE)
    void ask('wrongWays', site, {})
    await settled()
    expect(withAsk('wrongWays')).toHaveLength(1)
    expect(withAsk('wrongWays')[0]).not.toBe(withAsk('sizes')[0])
    await answerAll()
    expect(threads.flatMap(({ asked }) => asked).filter(({ name }) => name === 'sizes')).toHaveLength(MOST_ASIDE + 2)
  })
  it('comes part by part where it is large', async () => {
    expect(await ask('built', site, { month: 5, today: '2026-12-01' })).toEqual({ cuts: [1, 2], order: ['base'] })
  })
  it('is refused once it is stopped, its thread is ended, and the next is asked of one that begins anew', async () => {
    const work = new AbortController()
    const asked = ask('review', site, {}, { signal: work.signal })
    const refused = expect(asked).rejects.toThrow('stopped')
    await settled()
    const [thread] = withAsk('review')
    work.abort()
    await refused
    expect(thread!.ended).toBe(true)
    const again = ask('review', site, {})
    await settled()
    expect(threads.at(-1)).not.toBe(thread)
    await answerAll()
    expect(await again).toBe('review answered')
  })
  it('is asked of a thread that begins anew where the last was ended while a document was sent to it', async () => {
    const work = new AbortController()
    void ask('review', site, {})
    await answerAll()
    const [thread] = withAsk('review')
    thread!.deaf = true
    const refused = expect(ask('review', { ...site, uses: [] }, {}, { signal: work.signal })).rejects.toThrow('stopped')
    await settled()
    work.abort()
    await refused
    const again = ask('review', site, {})
    await answerAll()
    expect(await again).toBe('review answered')
    expect(Object.keys(threads.at(-1)!.sent[0]!)).toContain('nodes')
  })
  it('is refused where a piece of the page is gone from the server, and that is counted', async () => {
    const asked = ask('review', site, {})
    const refused = expect(asked).rejects.toThrow('gone from the server')
    await settled()
    const before = missingPieces.value
    withAsk('review')[0]!.fails({ message: '' })
    await refused
    expect(missingPieces.value).toBe(before + 1)
  })
  it('is no work for a thread where it is little', () => {
    expect([isLittle('moment', site), isLittle('review', site)]).toEqual([true, false])
    expect(isLittle('moment', { ...site, nodes: Array.from({ length: 500 }, () => site.nodes[0]!) })).toBe(false)
  })
})
