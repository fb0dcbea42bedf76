import type { ChildProcess } from 'node:child_process'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { poster, startServer } from './start'
import { answerTo, QUESTION_NAMES, type ArgsOf, type QuestionName } from '../../core/questions'
import { demoSite } from '../demoSites'

/** A program that asks: it looks up what may be asked, asks it, and hears what the threads of the page hear. */
const address = 'http://127.0.0.1:4397'
let server: ChildProcess
const post = poster(address)
beforeAll(async () => {
  server = await startServer(4397)
}, 20000)
afterAll(() => server.kill())

const site = demoSite('quillfern-ridge')
const ask = <Name extends QuestionName>(name: Name, args?: ArgsOf<Name>) =>
  post(`/api/questions/${name}`, { site, ...(args ? { args } : {}) })

describe('questions over the net', () => {
  it('are listed with what they answer, read and take', async () => {
    const listed = (await (await fetch(`${address}/api/questions`)).json()) as { name: string; says: string }[]
    expect(listed.map(({ name }) => name)).toEqual(QUESTION_NAMES)
    expect(listed.find(({ name }) => name === 'sizes')).toMatchObject({
      of: expect.arrayContaining(['nodes', 'climate']),
      args: { type: 'object', required: ['pool'] },
    })
  })
  it('are answered as they are here', async () => {
    const plain = (answer: unknown) => JSON.parse(JSON.stringify(answer))
    for (const name of ['review', 'ways', 'covers', 'wrongWays', 'byLine'] as const) {
      const { status, json } = await ask(name)
      expect(status, name).toBe(200)
      expect(json, name).toEqual(plain(await answerTo(name, site, {})))
    }
    const { json } = await ask('moment', { taps: [], stand: 'low' })
    expect(json).toEqual(plain(await answerTo('moment', site, { taps: [], stand: 'low' })))
  })
  it('tell long columns as lists, and nothing as null', async () => {
    const { json } = await ask('years')
    const { rainMm, run } = json as { rainMm: number[]; run: { days: number; poolL: number[] } }
    expect(rainMm).toHaveLength(run.days)
    expect(Math.max(...run.poolL)).toBeGreaterThan(0)
    expect((await ask('sizes', { pool: 'none' })).json).toBeNull()
  })
  it('that are no question, lack their site or take something else say so', async () => {
    const refusal = async (name: string, body: unknown) => {
      const { status, json } = await post(`/api/questions/${name}`, body)
      return { status, ...(json.error as { path: string; sentence: string }[])[0]! }
    }
    expect(await refusal('toString', { site })).toMatchObject({ status: 404, path: 'name' })
    expect(await refusal('review', {})).toMatchObject({ status: 422, path: 'site' })
    expect(await refusal('review', { site, arguments: {} })).toMatchObject({ status: 422, path: 'arguments' })
    expect(await refusal('sizes', { site })).toMatchObject({ status: 422, path: 'pool' })
    expect(await refusal('built', { site, args: { month: 13, today: '2026-12-01' } })).toMatchObject({
      status: 422,
      path: 'month',
      sentence: 'month must be a month.',
    })
  })
})
