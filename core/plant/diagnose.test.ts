import { randomNormal } from 'd3-random'
import { describe, expect, it } from 'vitest'
import {
  causesOf,
  isNoticed,
  partsOf,
  readerOf,
  FAULTS,
  quickestWay,
  rank,
  readingPlaces,
  PROBES,
  readingsBy,
  tellsApart,
  type Cause,
  type FaultId,
} from '.'
import { seeded } from '../climate'
import { mainAt, pipe, pressureTankAt, tankAt, tapAt, wellAt, worksOf } from '../../tests/waterworks'
import type { NewPart } from '../kinds'

const check: NewPart = { kind: 'check', boreMm: 25 }
/** A house on a well with a pressure tank, and a cistern that the main fills and a tap empties. */
const house = () =>
  worksOf({
    nodes: [
      wellAt('well', 8),
      pressureTankAt('vessel', 0),
      tapAt('kitchen', 1),
      mainAt('main', 0, 300),
      tankAt('cistern', 2),
      tapAt('yard', 0.5),
    ],
    runs: [
      ['rise', 'well', 'vessel', [{ kind: 'pump', pump: 'submersible', flowLps: 0.4, headM: 45 }, check, pipe(12, 32)]],
      ['line', 'vessel', 'kitchen', [{ kind: 'filter', ratingUm: 20, medium: 'sediment' }, pipe(10, 20)]],
      ['fill', 'main', 'cistern.in', [pipe(10, 16), { kind: 'float', boreMm: 15 }]],
      ['yard-line', 'cistern', 'yard', [pipe(8, 20)]],
    ],
  })

const site = house()
const causes = causesOf(site)

it('of every fault the true one is named first from five readings with noise, in ten of twelve', () => {
  const byKind = new Map<FaultId, Cause>()
  for (const cause of causes) if (cause.fault && !byKind.has(cause.fault.fault)) byKind.set(cause.fault.fault, cause)
  const truths = [...byKind.values()]
  expect(truths.length).toBeGreaterThanOrEqual(11)
  const random = seeded(7)
  const noise = randomNormal.source(random)(0, 0.6)
  const missed: string[] = []
  for (const truth of truths) {
    // Somebody quick takes the readings that tell most, and fills up to five with what is near.
    const ids = [...new Set([...quickestWay(site, causes, truth), ...readingPlaces(site).map(({ id }) => id)])].slice(
      0,
      5,
    )
    const taken = Object.fromEntries(
      ids.map(id => {
        const { share, least } = PROBES[id.split(':')[0] as keyof typeof PROBES]
        const value = truth.read(id)
        return [id, value + noise() * Math.max(least, share * Math.abs(value))]
      }),
    )
    const [first] = rank(causes, taken)
    if (first!.fault?.fault !== truth.fault!.fault)
      missed.push(`${truth.fault!.fault}, taken for ${first!.fault?.fault}`)
  }
  expect(missed.length, missed.join('; ')).toBeLessThanOrEqual(Math.floor(truths.length / 6))
})
it('with nothing wrong nothing is named, and beliefs sum to one', () => {
  const ranked = rank(causes, readingsBy(site, causes[0]!.read))
  expect(ranked[0]!.fault).toBeUndefined()
  expect(ranked.reduce((sum, { share }) => sum + share, 0)).toBeCloseTo(1, 9)
})
it('two causes alike so far are told apart by a reading that differs', () => {
  const of = (fault: FaultId) => causes.find(cause => cause.fault?.fault === fault)!
  const [worn, clogged] = [of('pump-worn'), of('clogged')]
  const id = tellsApart(site, worn, clogged, {})!
  expect(Math.abs(worn.read(id) - clogged.read(id))).toBeGreaterThan(PROBES[id.split(':')[0] as 'can'].least)
  expect(tellsApart(site, worn, worn, {})).toBeUndefined()
  expect(FAULTS['pump-worn'].noticed).toContain('weaker')
})

describe('a fault is told by its own sign', () => {
  const whole = causes[0]!
  /** Of each fault at a place: the reading that gives it away, and which way it goes. */
  const SIGNS: [fault: FaultId, at: string, reading: string, goes: 'up' | 'down'][] = [
    ['gas-lost', 'vessel', 'starts:rise', 'up'],
    ['check-passes', 'rise', 'still:vessel', 'down'],
    ['leak', 'line', 'still:vessel', 'down'],
    ['burst', 'yard-line', 'falls:cistern', 'up'],
    ['float-stuck-open', 'fill', 'spills:cistern', 'up'],
    ['float-stuck-shut', 'fill', 'falls:cistern', 'up'],
    ['clogged', 'line', 'can:kitchen', 'down'],
    ['frozen', 'yard-line', 'can:yard', 'down'],
    ['pump-worn', 'rise', 'running:vessel', 'down'],
  ]
  const inRun = (part: string, run: string) =>
    part === run || site.runs.find(({ id }) => id === run)?.parts.some(({ id }) => id === part)
  it.each(SIGNS)('%s at %s: %s goes %s', (fault, at, reading, goes) => {
    const cause = causes.find(each => each.fault?.fault === fault && inRun(each.fault.at, at))!
    const { share, least } = PROBES[partsOf(reading)[0]]
    const [is, was] = [cause.read(reading), whole.read(reading)]
    const byAsMuch = (goes === 'up' ? is - was : was - is) / Math.max(least, share * Math.abs(was))
    expect(byAsMuch, `${was} became ${is}`).toBeGreaterThan(1)
    expect(isNoticed(site, cause, whole)).toBe(true)
  })
  it('and a site with nothing broken is not noticed to be so', () => {
    expect(isNoticed(site, { read: readerOf(site, undefined) }, whole)).toBe(false)
  })
})
describe('the quickest way to a fault', () => {
  /** The same by weighing every reading of every cause: what the quick search must come to. */
  function weighingAll(truth: Cause): string[] {
    const apart = (id: string, cause: Cause) => {
      const { share, least } = PROBES[partsOf(id)[0]]
      const [one, two] = [cause.read(id), truth.read(id)]
      return Math.abs(one - two) / Math.max(least, share * Math.max(Math.abs(one), Math.abs(two))) > 2
    }
    const way: string[] = []
    let left = causes.filter(cause => cause !== truth)
    while (left.length && way.length < 6) {
      const worth = readingPlaces(site)
        .filter(({ id }) => !way.includes(id))
        .map(({ id, kind }) => ({
          id,
          by: left.filter(cause => apart(id, cause)).length / (PROBES[kind].minutes + 5),
        }))
        .toSorted((a, b) => b.by - a.by)[0]
      if (!worth?.by) break
      way.push(worth.id)
      left = left.filter(cause => !apart(worth.id, cause))
    }
    return way
  }
  it('is the one that weighing every reading would choose', () => {
    for (const truth of causes) expect(quickestWay(site, causes, truth)).toEqual(weighingAll(truth))
  })
})
describe('a reading', () => {
  it('is the same whether it is taken alone, first or last', () => {
    const fault = causes.find(each => each.fault?.fault === 'pump-worn')!.fault
    const forwards = readerOf(site, fault)
    const backwards = readerOf(site, fault)
    const ids = readingPlaces(site).map(({ id }) => id)
    const first = ids.map(id => forwards(id))
    expect(ids.toReversed().map(id => backwards(id))).toEqual(first.toReversed())
    expect(Object.values(readingsBy(site, readerOf(site, fault)))).toEqual(first)
    expect(ids.map(id => readerOf(site, fault)(id))).toEqual(first)
    expect(first.every(Number.isFinite)).toBe(true)
  })
  it('of what does not stand there is nothing', () => {
    const read = readerOf(site, undefined)
    expect([read('chamber:none'), read('starts:none'), read('spills:none')]).toEqual([0, 0, 0])
  })
})
