import type { ChildProcess } from 'node:child_process'
import { readFileSync } from 'node:fs'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { poster, startServer } from './start'
import { outfallAt, pipe, tankAt, tapAt, worksOf } from '../waterworks'
import { circleArea } from '../../core/sums'
import type { Course } from '../../core/plant'

/** `POST /api/try`, asked as any program may. */
let server: ChildProcess
const post = poster('http://127.0.0.1:4397')
const demo = (name = 'quillfern-ridge') => JSON.parse(readFileSync(`demo/${name}.json`, 'utf8')) as object
const tried = async (asked: object) => {
  const { status, json } = await post('/api/try', asked)
  expect(status, JSON.stringify(json).slice(0, 300)).toBe(200)
  return json as unknown as Course
}

beforeAll(async () => {
  server = await startServer(4397)
}, 20000)
afterAll(() => server.kill())

describe('a plant that is tried', () => {
  it('is played by a script: what was asked for, at its times', async () => {
    const script = [
      { atS: 0, rainMmPerH: 25 },
      { atS: 1200, rainMmPerH: true, to: 0 },
      { atS: 60, tap: 'bench-tap', to: 1 },
      { atS: 120, tap: 'bench-tap', to: 0 },
      { atS: 300, power: false },
      { atS: 400, valve: 'run-2-valve-1', to: false },
      { atS: 500, fault: 'burst', at: 'to-bench' },
    ]
    const asked = {
      site: demo(),
      seconds: 3600,
      everyS: 600,
      start: '2026-07-01T06:00',
      levels: { 'tank-3': 1 },
      script,
    }
    const { timesS, levels: all, litres, events } = await tried(asked)
    expect(timesS).toEqual([0, 600, 1200, 1800, 2400, 3000, 3600])
    const levels = all['tank-3']!
    expect(levels).toHaveLength(7)
    expect(levels[0]).toBeCloseTo(1, 9)
    expect(levels.at(-1)).toBeLessThan(0.9)
    expect(litres.in - litres.out - litres.spilled - litres.stored).toBeCloseTo(litres.error, 9)
    expect(Math.abs(litres.error)).toBeLessThan(1e-6 * (litres.in + litres.out))
    expect(events.map(({ what }) => what)).toContain('breaks')
  })
  it('runs out as Torricelli says, and says nothing of what is not there', async () => {
    const fitting = { kind: 'valve', boreMm: 25, open: true, k: 9.5 } as const
    const site = worksOf({
      nodes: [tankAt('high', 0), outfallAt('ditch', 0)],
      runs: [['out', 'high', 'ditch', [fitting]]],
    })
    const course = await tried({ site, seconds: 1200, everyS: 300, levels: { high: 1.6 } })
    const perS = (circleArea(0.025) * Math.sqrt((2 * 9.80665) / 10)) / 2
    for (const [at, atS] of course.timesS.entries())
      expect(course.levels.high![at]).toBeCloseTo((Math.sqrt(1.6) - perS * atS) ** 2, 3)
    expect(course).toMatchObject({ taps: {}, pressures: {}, pumps: {} })
  })
  it('opens a tap by a share, by yes and by no alike', async () => {
    const site = worksOf({
      nodes: [tankAt('tank', 5), tapAt('tap', 0)],
      runs: [['line', 'tank', 'tap', [pipe(10)]]],
    })
    const gives = async (to: unknown) => {
      const { taps } = await tried({ site, seconds: 60, everyS: 60, script: [{ atS: 10, tap: 'tap', to }] })
      return taps.tap!.at(-1)!
    }
    expect(await gives(true)).toBeCloseTo(await gives(1), 9)
    expect(await gives(0.5)).toBeLessThan(await gives(1))
    expect(await gives(0.5)).toBeGreaterThan(0)
    expect(await gives(false)).toBe(0)
  })
  it('answers the very same to the same question', async () => {
    const asked = { site: demo('cinder-tor'), seconds: 7200, everyS: 600, script: [{ atS: 60, rainMmPerH: 40 }] }
    expect(JSON.stringify(await tried(asked))).toBe(JSON.stringify(await tried(asked)))
  })
  it.each<[string, unknown, number, string]>([
    ['no length of play', { site: demo(), script: [] }, 422, 'seconds'],
    ['a play without a site', { seconds: 60 }, 422, 'site'],
    ['a tap to play on', { site: demo(), seconds: 60, script: [{ atS: 1, tap: 'bath', to: 1 }] }, 422, 'script.0.tap'],
    [
      'a tap opened twice over',
      { site: demo(), seconds: 60, script: [{ atS: 1, tap: 'wc', to: 2 }] },
      422,
      'script.0.to',
    ],
    ['nothing to be done', { site: demo(), seconds: 60, script: [{ atS: 1 }] }, 422, 'script.0'],
    ['a doing without a time', { site: demo(), seconds: 60, script: [{ tap: 'wc', to: 1 }] }, 422, 'script.0.atS'],
    [
      'a fault nobody knows',
      { site: demo(), seconds: 60, script: [{ atS: 1, fault: 'rust', at: 'x' }] },
      422,
      'script.0.fault',
    ],
    ['too many looks', { site: demo(), seconds: 86400, everyS: 0.1 }, 422, 'everyS'],
    ['a tank that starts over its rim', { site: demo(), seconds: 60, levels: { 'tank-1': 9 } }, 422, 'levels.tank-1'],
  ])('says what is wrong with %s', async (_, body, status, where) => {
    const answer = await post('/api/try', body)
    expect(answer.status).toBe(status)
    expect((answer.json.error as { path: string; sentence: string }[])[0]).toMatchObject({
      path: where,
      sentence: expect.stringMatching(/\.$/) as string,
    })
  })
})
