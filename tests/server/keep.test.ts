import type { ChildProcess } from 'node:child_process'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { poster, startServer } from './start'
import { setUp } from '../sites'
import { madeLog } from '../madeLogs'
import type { LogReading } from '../../core/kinds'

/** `POST /api/keep`, asked as any program may. */
let server: ChildProcess
const post = poster('http://127.0.0.1:4397')
beforeAll(async () => {
  server = await startServer(4397)
}, 20000)
afterAll(() => server.kill())

const house = setUp('dry-summer-hill', [
  { preset: 'kitchen', count: 2 },
  { preset: 'beds', count: 20 },
])
interface Answered {
  learned: Record<'coefficient' | 'use', { mean: number; low: number; high: number }>
  level: { mean: number; low: number; high: number }
  runOut: Record<'p10' | 'p50' | 'p90', string | null>
  chores: { id: string; subject: string; due: string; last: string | null }[]
  watch: { what: string; probability: number; litresPerDay: number; since: string }[]
}
const bare = (log: LogReading[]) => log.map(({ at, kind, subject, value }) => ({ at, kind, subject, value }))

describe('a log', () => {
  it('is learned from: what the roof gives, what is used, what stands there, when it runs short', async () => {
    const { log, on } = madeLog(house, 5, 150, 7, { coefficient: 0.8, use: 1.3 })
    const { status, json } = await post('/api/keep', { site: house, readings: bare(log), on })
    expect(status).toBe(200)
    const { learned, level, runOut, chores, watch } = json as unknown as Answered
    expect(learned.use.mean).toBeCloseTo(1.3, 0)
    expect(learned.use.low).toBeLessThan(learned.use.high)
    expect(level.low).toBeLessThanOrEqual(level.mean)
    expect(runOut.p10! <= runOut.p50!).toBe(true)
    expect(chores.find(({ id }) => id.startsWith('gutter:'))).toMatchObject({ last: null, due: '2023-05-15' })
    expect(watch).toEqual([])
  })
  it('in any unit says the same', async () => {
    const { log, on } = madeLog(house, 5, 100, 7, { coefficient: 1, use: 1 })
    const inches = bare(log).map(each =>
      each.kind === 'rain'
        ? { ...each, value: each.value! / 25.4, unit: 'in' }
        : { ...each, value: each.value! * 100, unit: 'cm' },
    )
    const [one, two] = await Promise.all(
      [bare(log), inches].map(readings => post('/api/keep', { site: house, readings, on })),
    )
    const of = ({ json }: { json: unknown }) => (json as Answered).learned.use.mean
    expect(of(one!)).toBeCloseTo(of(two!), 6)
  })
  it.each([
    [{ readings: [], on: 'today' }, 'on'],
    [{ readings: {}, on: '2027-01-01' }, 'readings'],
    [{ readings: [{ at: '2027-02-30', kind: 'rain', value: 1 }], on: '2027-03-01' }, 'readings.0.at'],
    [{ readings: [{ at: '2027-02-01', kind: 'smell', value: 1 }], on: '2027-03-01' }, 'readings.0.kind'],
    [
      { readings: [{ at: '2027-02-01', kind: 'rain', value: 1, unit: 'furlong' }], on: '2027-03-01' },
      'readings.0.value',
    ],
    [{ readings: [{ at: '2027-02-01', kind: 'level', subject: 'x', value: 1 }], on: '2027-03-01' }, 'readings.0.value'],
    [{ readings: [{ at: '2027-02-01', kind: 'level' }], on: '2027-03-01' }, 'readings.0.value'],
    [{ readings: [], on: '2027-03-01', by: 'me' }, 'by'],
  ])('that is something else is answered with the path and the reason: %j', async (asked, path) => {
    const { status, json } = await post('/api/keep', { site: house, ...asked })
    expect(status).toBe(422)
    const [problem] = (json as unknown as { error: { path: string; sentence: string }[] }).error
    expect(problem!.path).toBe(path)
    expect(problem!.sentence).toMatch(/\.$/)
  })
})
