import { describe, expect, it } from 'vitest'
import { watch, dueChores, learnedFrom, plainDoubts, type Odd } from '..'
import { demoSite } from '../../../tests/demoSites'
import { pressureTankAt, worksOf } from '../../../tests/waterworks'
import { isoDate, dayNumber } from '../../climate'
import { isPumped, reached, type Site } from '../../site'
import { phraseText } from '../../words'
import type { LogReading } from '../../kinds'

const said = (odd: Odd | undefined): string => phraseText(odd?.what ?? '', 'metric')

const site = demoSite('quillfern-ridge')
const on = '2027-08-20'
const ago = (days: number): string => isoDate(dayNumber(on) - days)
let made = 0
const line = (kind: LogReading['kind'], days: number, value: number, subject?: string): LogReading => ({
  id: `l${made++}`,
  at: ago(days),
  kind,
  value,
  ...(subject ? { subject } : {}),
})
const watched = (log: LogReading[], of: Site = site): Odd[] => watch(of, log, learnedFrom(of, log, on))
const kinds = (odd: readonly Odd[]): string[] => odd.map(({ kind }) => kind)
const chamber = site.nodes.find(({ kind }) => kind === 'chamber')!
const heightM = chamber.kind === 'chamber' ? chamber.heightM : 0
const well = site.nodes.find(({ kind }) => kind === 'well')!
const filtered = site.runs.find(({ parts }) => parts.some(({ kind }) => kind === 'filter'))!
/** A pump that serves taps. */
const pumped = site.runs.find(
  run => isPumped(run) && site.uses.some(({ at }) => reached(site, run.to.node, { along: 'down' }).has(at)),
)!
const dueOf = (log: LogReading[], stem: string) => dueChores(site, log, on).filter(({ id }) => id.startsWith(stem))

describe('a chamber', () => {
  const full = [line('rain', 9, 14), line('standing', 6, 0.8 * heightM, chamber.id)]
  it('that stands full days after rain does not empty; surer when it does so again', () => {
    const [once] = watched(full)
    expect(once).toMatchObject({ kind: 'chamber', subject: chamber.id, reads: { [`chamber:${chamber.id}`]: 0.8 } })
    const [twice] = watched([...full, line('rain', 4, 5), line('standing', 1, heightM, chamber.id)])
    expect(twice!.probability).toBeGreaterThan(once!.probability)
  })
  it('read in the rain, or found empty since, is as it should be', () => {
    expect(watched([line('rain', 2, 14), line('standing', 1, heightM, chamber.id)])).toEqual([])
    expect(watched([...full, line('standing', 1, 0, chamber.id)])).toEqual([])
  })
  it('asks for its chore the day it was seen', () => {
    const [due] = dueOf([line('chore', 20, 0, `chamber-outlet:${chamber.id}`), ...full], `chamber-outlet:${chamber.id}`)
    expect(due!.due).toBe(ago(6))
  })
})

describe('a well', () => {
  const gave = (days: number, lps: number) => line('recovery', days, lps, well.id)
  it('that gives less than at the same season in earlier years tells so', () => {
    const [odd] = watched([gave(740, 0.1), gave(370, 0.098), gave(3, 0.07)])
    expect(odd).toMatchObject({ kind: 'well', subject: well.id })
    expect(said(odd)).toMatch(/29 % less/)
  })
  it('is not held against another season, nor against a little', () => {
    expect(watched([gave(185, 0.1), gave(3, 0.07)])).toEqual([])
    expect(watched([gave(365, 0.1), gave(3, 0.09)])).toEqual([])
  })
})

describe('a filter', () => {
  const drops = [line('drop', 100, 12, filtered.id), line('drop', 40, 20, filtered.id)]
  const spent = line('drop', 3, 40, filtered.id)
  it('that takes three times what it took is spent, and its cartridge is due that day', () => {
    expect(watched(drops)).toEqual([])
    const [odd] = watched([...drops, spent])
    expect(odd).toMatchObject({ kind: 'filter', subject: filtered.id, since: spent.at })
    const part = filtered.parts.find(({ kind }) => kind === 'filter')!
    const id = `filter:${part.id}`
    const done = line('chore', 60, 0, id)
    expect(dueOf([...drops, done], id)[0]!.inDays).toBeGreaterThan(0)
    expect(dueOf([...drops, done, spent], id)[0]!.due).toBe(spent.at)
    // Changed since, it waits for its months again.
    expect(dueOf([...drops, done, spent, line('chore', 1, 0, id)], id)[0]!.inDays).toBeGreaterThan(100)
  })
})

describe('a storm', () => {
  it('asks for the screens once it is over', () => {
    const [screen] = dueChores(site, [], on).filter(({ comes }) => comes.by === 'storm')
    const log = [line('chore', 10, 0, screen!.id)]
    const due = (of: LogReading[]) => dueChores(site, of, on).find(({ id }) => id === screen!.id)!.inDays
    expect(due(log)).toBeGreaterThan(15)
    expect(due([...log, line('rain', 3, 12)])).toBeGreaterThan(15)
    expect(due([...log, line('rain', 3, 44)])).toBe(-3)
  })
})

describe('a pump', () => {
  const starts = (from: number, to: number, aDay: number) =>
    Array.from({ length: from - to }, (_, at) => line('starts', from - at, aDay, pumped.id))
  it('that starts twice as often tells what a start now gives; a few more are nothing', () => {
    const log = [...starts(90, 30, 8), ...starts(20, 0, 18)]
    const [odd] = watched(log)
    expect(odd).toMatchObject({ kind: 'starts', times: { [`starts:${pumped.id}`]: 18 / 8 } })
    const [, now, was] = /about ([\d.]+) L where it gave ([\d.]+) L/.exec(said(odd))!
    expect(Number(was) / Number(now)).toBeCloseTo(18 / 8, 0)
    expect(kinds(watched([...starts(90, 30, 8), ...starts(20, 0, 9)]))).toEqual([])
  })
})

describe('a pressure tank', () => {
  it('asks for its gas once starts creep up, and not again for those before it was seen to', () => {
    const of = worksOf({ nodes: [pressureTankAt('vessel', 0)], runs: [] })
    const starts = (days: number, aDay: number) => line('starts', days, aDay, 'any')
    const log = Array.from({ length: 90 }, (_, at) => starts(90 - at, at < 65 ? 8 : 18))
    const due = (more: LogReading[]) => dueChores(of, [...log, ...more], on).find(({ id }) => id.startsWith('gas:'))!
    const { id } = due([])
    expect(due([line('chore', 60, 0, id)]).inDays).toBe(0)
    expect(due([line('chore', 2, 0, id)]).inDays).toBeGreaterThan(100)
  })
})

describe('a device', () => {
  const device = { id: 'device-rain', kind: 'rain' as const, name: 'rain gauge', address: '/x', everyMinutes: 1440 }
  const told = (days: number, value: number): LogReading => ({ ...line('rain', days, value), source: device.id })
  const of: Site = { ...site, devices: [device] }
  it('that told and has fallen silent is missed', () => {
    const log = Array.from({ length: 30 }, (_, at) => told(40 - at, at % 7))
    expect(watched(log, of).map(said)).toEqual([expect.stringMatching(/rain gauge has told nothing for 11/)])
    expect(watched([...log, told(2, 1)], of)).toEqual([])
    // Nobody misses what never told.
    expect(watched([], of)).toEqual([])
  })
  const whys = (log: LogReading[]) => [...plainDoubts(of, log, on).values()]
  const source = 'device-level'
  const level = (days: number, value: number): LogReading => ({
    ...line('level', days, value, site.nodes.find(({ kind }) => kind === 'tank')!.id),
    source,
  })
  it('whose clock has begun anew, that tells rain beyond all bounds, or a meter that runs back, is not believed', () => {
    expect(whys([{ ...told(3, 2), at: '1970-01-03' }])).toEqual([expect.stringMatching(/begun anew/)])
    expect(whys([told(3, 590)])).toEqual([expect.stringMatching(/wettest day/)])
    // Somebody who types so much has seen it.
    expect(whys([line('rain', 3, 590)])).toEqual([])
    const meter = (days: number, litres: number): LogReading => ({ ...line('meter', days, litres), source: 'm' })
    expect(whys([meter(3, 5000), meter(2, 1400), meter(1, 1500)])).toEqual([expect.stringMatching(/run back/)])
  })
  it('that leaps and comes back is doubted there alone; water that truly falls is not', () => {
    const calm = Array.from({ length: 9 }, (_, at) => level(20 - at, 1.2 - 0.02 * at))
    expect(whys(calm)).toEqual([])
    const spiked = calm.map((each, at) => (at === 4 ? { ...each, value: 1.9 } : each))
    expect([...plainDoubts(of, spiked, on)]).toEqual([[spiked[4]!.id, expect.stringMatching(/leaps/)]])
    const fallen = calm.map((each, at) => (at >= 4 ? { ...each, value: each.value! - 0.6 } : each))
    expect(whys(fallen)).toEqual([])
  })
  it('of rain that tells the same wet day over and over is stuck; dry weeks are dry', () => {
    const same = Array.from({ length: 6 }, (_, at) => told(20 - at, 3.4))
    expect(whys(same)).toHaveLength(5)
    expect(whys(same.map(each => ({ ...each, value: 0 })))).toEqual([])
  })
})
