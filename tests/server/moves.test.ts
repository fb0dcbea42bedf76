import type { ChildProcess } from 'node:child_process'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { poster, startServer } from './start'
import { applyMove } from '../../core/moves'
import { readSite, type Move, type Site } from '../../core/site'
import { demoSite } from '../demoSites'

/** A program that plans: it asks what may be done, does it, and mends what is found. */
const address = 'http://127.0.0.1:4395'
let server: ChildProcess
const post = poster(address)
const errorOf = (json: Record<string, unknown>) => json.error as { path: string; sentence: string }[]
beforeAll(async () => {
  server = await startServer(4395)
}, 20000)
afterAll(() => server.kill())

describe('moves over the net', () => {
  it('are listed with what they take', async () => {
    const listed = (await (await fetch(`${address}/api/moves`)).json()) as { name: string; args: { type?: string } }[]
    expect(listed.length).toBeGreaterThan(100)
    expect(listed.find(({ name }) => name === 'setHeight')!.args).toMatchObject({
      type: 'object',
      required: ['node', 'baseM'],
      properties: { node: { type: 'string' }, baseM: { type: 'number' } },
    })
  })
  it('are made as they are here, and tell what they put in', async () => {
    const site = demoSite('brindle-yard')
    const move = { kind: 'tote', how: 'alone' }
    const { status, json } = await post('/api/moves/addTank', { site, args: move })
    expect(status).toBe(200)
    const here = applyMove(site, { name: 'addTank', args: move })
    if (!here.ok) throw new Error('it is not made here')
    expect(json).toEqual({ site: JSON.parse(JSON.stringify(here.site)), makes: here.made.moves![0]!.makes })
    const made = json.makes as string[]
    expect((json.site as Site).nodes.filter(({ id }) => made.includes(id)).map(({ kind }) => kind)).toContain('tank')
    expect(readSite(json.site).ok).toBe(true)
  })
  it('that cannot be made say why in one sentence; of no name, or without a site, too', async () => {
    const site = demoSite('brindle-yard')
    const refused = async (name: string, body: unknown) => {
      const { status, json } = await post(`/api/moves/${name}`, body)
      return { status, ...errorOf(json)[0]!, count: errorOf(json).length }
    }
    expect(await refused('setHeight', { site, args: { node: 'tank-1', baseM: 'high' } })).toMatchObject({
      status: 422,
      path: 'baseM',
      count: 1,
    })
    expect(await refused('setHeight', { site })).toMatchObject({ status: 422, count: 1 })
    expect((await refused('addTank', { site, args: { kind: 'tote', how: 'joined', to: 'gone' } })).status).toBe(422)
    expect(await refused('addTank', { args: {} })).toMatchObject({ status: 422, path: 'site' })
    expect(await refused('addTank', { site: { ...site, nodes: 4 }, args: {} })).toMatchObject({ status: 422 })
    expect(await refused('addTank', { site, args: {}, more: 1 })).toMatchObject({ status: 422, path: 'more' })
    expect(await refused('toString', { site, args: {} })).toMatchObject({ status: 404, path: 'name' })
    expect(await refused('addTank', 'no JSON')).toMatchObject({ status: 400 })
  })
  it('mend what a review finds: every mend can be posted as it stands', async () => {
    let count = 0
    for (const name of ['quillfern-ridge', 'brindle-yard', 'cinder-tor'] as const) {
      const site = demoSite(name)
      const { json } = await post('/api/review', site)
      const mends = (json.findings as { mend?: { move: Move } }[]).flatMap(({ mend }) => (mend ? [mend.move] : []))
      count += mends.length
      for (const move of mends) {
        const { status, json: made } = await post(`/api/moves/${move.name}`, { site, args: move.args })
        expect([move.name, status, made.error]).toEqual([move.name, 200, undefined])
      }
    }
    expect(count).toBeGreaterThan(1)
  })
})
