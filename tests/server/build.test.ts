import type { ChildProcess } from 'node:child_process'
import { readFileSync } from 'node:fs'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { poster, startServer } from './start'

/** `POST /api/build`, `/api/cuts` and `/api/chain`, asked as any program may. */
let server: ChildProcess
const post = poster('http://127.0.0.1:4396')
const demo = (name = 'quillfern-ridge') => JSON.parse(readFileSync(`demo/${name}.json`, 'utf8')) as object

beforeAll(async () => {
  server = await startServer(4396)
}, 20000)
afterAll(() => server.kill())

interface Built {
  parts: { id: string; count: number; price: number | null }[]
  order: { id: string; after: string[]; day: number; minutes: [number, number] }[]
  gate: { id: string; open: boolean; costsLater: { litres: number } }[]
  cuts: { stocks: { piecesM: number[] }[] }[]
  total: number
}

describe('what is built', () => {
  it('comes with its parts, cuts, order and gate, and its total adds up', async () => {
    const { status, json } = await post('/api/build', { site: demo() })
    expect(status).toBe(200)
    const { parts, order, gate, cuts, total } = json as unknown as Built
    const sum = parts.reduce((all, { count, price }) => all + count * (price ?? 0), 0)
    expect(sum).toBeCloseTo(total, 1)
    const at = new Map(order.map(({ id }, index) => [id, index]))
    for (const { id, after } of order)
      for (const before of after) expect(at.get(before) ?? -1, id).toBeLessThan(at.get(id)!)
    expect(gate.some(({ open }) => open)).toBe(true)
    expect(cuts.flatMap(({ stocks }) => stocks).length).toBeGreaterThan(5)
  })
  it('takes off what is there already', async () => {
    const site = demo('brindle-yard')
    const whole = (await post('/api/build', { site })).json as unknown as Built
    const [first] = whole.parts
    const owned = [{ id: first!.id, count: 1 }]
    const less = (await post('/api/build', { site, owned })).json as unknown as Built
    expect(less.total).toBeCloseTo(whole.total - first!.price!, 1)
  })
})

describe('cuts', () => {
  it('are the least bought, then the fewest', async () => {
    const { json } = await post('/api/cuts', { piecesM: [2.9, 1.9], stockM: [2, 3, 6], kerfMm: 3 })
    expect(json).toMatchObject({ stocks: [{ stockM: 3 }, { stockM: 2 }], leastStocks: 1 })
  })
})

describe('a chain', () => {
  it('leads from a tote to pipe, however its ends are written', async () => {
    const to = { family: 'solvent-metric', size: '63', sex: 'male' }
    const { json } = await post('/api/chain', { from: { family: 'buttress-6', size: '60', sex: 'male' }, to })
    const [best] = json.chains as { steps: unknown[]; joints: number; cost: number }[]
    expect(best).toMatchObject({ joints: 2, steps: [{ adapter: 'cap with solvent socket, 60 mm to 63 mm' }] })
    const from = { family: 'Coarse buttress thread, 6 mm', size: '60x6', sex: 'outside' }
    expect((await post('/api/chain', { from, to: { ...to, size: 63 } })).json).toEqual(json)
    const costs = (json.chains as { cost: number }[]).map(({ cost }) => cost)
    expect(costs).toEqual(costs.toSorted((a, b) => a - b))
  })
})

it.each<[string, string, unknown, string]>([
  ['a piece longer than every stock', '/api/cuts', { piecesM: [1, 7], stockM: [3, 6], kerfMm: 3 }, 'piecesM.1'],
  ['no stock', '/api/cuts', { piecesM: [1], stockM: [], kerfMm: 3 }, 'stockM'],
  ['a piece of nothing', '/api/cuts', { piecesM: [0], stockM: [3], kerfMm: 3 }, 'piecesM.0'],
  ['a saw that is no number', '/api/cuts', { piecesM: [1], stockM: [3], kerfMm: 'thin' }, 'kerfMm'],
  ['a family nobody knows', '/api/chain', { from: { family: 'velcro', size: '2', sex: 'male' } }, 'from.family'],
  ['a size nobody sells', '/api/chain', { from: { family: 'tapered', size: '7', sex: 'male' } }, 'from.size'],
  ['no side', '/api/chain', { from: { family: 'tapered', size: '2 in' } }, 'from.sex'],
  ['no site', '/api/build', { owned: [] }, 'site'],
  ['own stock that is none', '/api/build', { site: demo(), owned: [{ id: 'x', count: -1 }] }, 'owned.0.count'],
])('says what is wrong with %s', async (_, path, body, where) => {
  const { status, json } = await post(path, body)
  expect(status).toBe(422)
  expect((json.error as { path: string }[])[0]).toMatchObject({
    path: where,
    sentence: expect.stringMatching(/\.$/) as string,
  })
})
