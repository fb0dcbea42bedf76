import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { sum } from 'd3-array'
import {
  buildOf,
  closedLoops,
  cutSheets,
  fitNow,
  hasNoCircle,
  holesOf,
  partsOfStage,
  piecesOf,
  portChains,
  stagesOf,
  takeOff,
  tasksOf,
  toBuy,
  totalOf,
} from '.'
import { moveOf } from '../moves'
import { portId, readSite, writeSite, type Site } from '../site'
import type { NewPart } from '../kinds'
import { timed } from '../../tests/machine'
import { demoSite } from '../../tests/demoSites'
import { arbitrarySite, blank, build, refusal } from '../../tests/sites'
import { jointAt, tankAt, tapAt, worksOf } from '../../tests/waterworks'

const DEMOS = ['quillfern-ridge', 'brindle-yard', 'cinder-tor'] as const
const valve: NewPart = { kind: 'valve', boreMm: 26.64, open: true }
const inch = (lengthM: number, innerDiameterMm = 26.64): NewPart => ({
  kind: 'pipe',
  lengthM,
  innerDiameterMm,
  roughnessMm: 0.0015,
  series: 'plastic-40',
})
const counted = (site: Site) => Object.fromEntries(takeOff(site).map(({ id, count }) => [id, count]))
const inchSite = (site: Site): Site => ({ ...site, standards: { ...site.standards, pipes: 'inch' } })

describe('what it is made of', () => {
  /** A tank, a line with two corners to a tee, and two taps. */
  const line = inchSite(
    worksOf({
      nodes: [tankAt('tank', 2), jointAt('tee', 0), tapAt('one', 0), tapAt('two', 0)],
      runs: [
        ['main', 'tank', 'tee', [valve, inch(6)]],
        ['to-one', 'tee', 'one', [inch(2)]],
        ['to-two', 'tee', 'two', [inch(1.5)]],
      ],
    }),
  )
  it('a line with two elbows and a tee, counted by hand', () => {
    expect(counted(line)).toMatchObject({
      'valve-plastic-40-1-in': 1,
      'elbow-90-plastic-40-1-in': 2,
      'tee-plastic-40-1-in': 1,
      'bulkhead-plastic-40-1-in': 1,
      'male-adapter-plastic-40-1-in': 1,
      'pipe-plastic-40-1-in-6-096': 2,
      tape: 1,
      cement: 1,
      primer: 1,
    })
  })
  it('its pieces, cut by hand: between middles, less the elbows’ stops', () => {
    const main = piecesOf(line).filter(({ run }) => run.id === 'main')
    expect(main.map(({ label, goes, betweenM }) => [label, goes, betweenM])).toEqual([
      ['A1', 'level', 2],
      ['A2', 'down', 2],
      ['A3', 'level', 2],
    ])
    // A 1 in elbow's stop lies 19 mm from its middle (2 + 33.4/2); the pipe goes 23 mm into each socket.
    const [first, second, third] = main.map(({ cutM }) => cutM) as [number, number, number]
    expect(second).toBeCloseTo(2 - 2 * 0.019, 3)
    expect(first).toBeCloseTo(2 - 0.019, 3)
    expect(third).toBeCloseTo(2 - 0.019 - 0.01, 3)
    for (const { cutM, betweenM, ends } of main) {
      const takes = sum(ends, ({ takesMm }) => takesMm) / 1000
      const goesIn = sum(ends, ({ goesInMm }) => goesInMm) / 1000
      expect(cutM).toBeCloseTo(betweenM - takes + goesIn, 9)
    }
  })
  it('a piece that was measured in its place is cut so, and what the plan said is told', () => {
    const measured = build(line, moveOf('measurePiece', { piece: 'main:2', lengthM: 1.9 }))
    const piece = piecesOf(measured).find(({ id }) => id === 'main:2')!
    expect(piece.cutM).toBe(1.9)
    expect(piece.plannedM).toBeCloseTo(1.962, 3)
    expect(build(measured, moveOf('measurePiece', { piece: 'main:2' })).build).toBeUndefined()
    expect(refusal(line, moveOf('measurePiece', { piece: 'main:2', lengthM: -1 }))).toContain('more than 0')
  })
  it('a pair of totes joined at the bottom, counted by hand', () => {
    const pair = build(
      blank(),
      moveOf('addTank', { kind: 'tote', how: 'alone', name: 'A' }),
      moveOf('addTank', { kind: 'tote', how: 'alone', name: 'B' }),
      moveOf('linkAtBottom', { a: 'tank-1', b: 'tank-2', boreMm: 51.4 }),
    )
    const items = takeOff(pair)
    const of = (start: string) =>
      sum(
        items.filter(({ id }) => id.startsWith(start)),
        ({ count }) => count,
      )
    expect(of('tank-tote')).toBe(2)
    // Both ends of the link go through a wall, and so does each overflow.
    expect(of('bulkhead-')).toBe(4)
    const valves = pair.runs.flatMap(run => run.parts).filter(({ kind }) => kind === 'valve').length
    expect(of('valve-')).toBe(valves)
    expect(items.find(({ id }) => id === 'block')!.count).toBeGreaterThanOrEqual(8)
  })
  it('own stock is taken off, and what is noted goes before what was guessed', () => {
    const [first] = toBuy(line).filter(({ id }) => id.startsWith('elbow'))
    const own = build(
      line,
      moveOf('own', { item: first!.id, count: 1 }),
      moveOf('notePrice', { of: first!.id, price: 9 }),
    )
    const [now] = toBuy(own).filter(({ id }) => id === first!.id)
    expect(now).toMatchObject({ count: 2, owned: 1, toBuy: 1, price: 9, cost: 9, noted: true })
    expect(totalOf(toBuy(own))).toBeCloseTo(totalOf(toBuy(line)) - 2 * first!.price! + 9, 6)
  })
  it('of each demo site is counted, priced and worked out in a moment', () => {
    for (const name of DEMOS) {
      const site = demoSite(name)
      toBuy({ ...site })
      const { answer: items, quietMs } = timed(() => toBuy({ ...site }), 4)
      expect(quietMs).toBeLessThan(60)
      expect(items.length).toBeGreaterThan(30)
      for (const { count, price, what } of items) {
        expect(count, what).toBeGreaterThan(0)
        expect(price === undefined || price > 0, what).toBe(true)
      }
    }
  })
  it('no piece is lost between a line and the lengths it is cut from', () => {
    for (const name of DEMOS)
      for (const { pieces, stocks } of cutSheets(demoSite(name))) {
        expect(sum(stocks, ({ piecesM }) => piecesM.length)).toBe(pieces.length)
        expect(sum(stocks.flatMap(({ piecesM }) => piecesM))).toBeCloseTo(
          sum(pieces, ({ cutM }) => cutM),
          2,
        )
      }
  })
  it('a tank’s own end leads to its pipe by the adapters that stand on the list', () => {
    const end = { family: 'buttress-6', size: '60', sex: 'male' } as const
    const site = build(
      worksOf({ nodes: [tankAt('tote', 1), tapAt('tap', 0)], runs: [['line', 'tote', 'tap', [inch(3)]]] }),
      moveOf('set', { of: 'port', id: portId('tote', 'out'), field: 'end', value: end }),
    )
    const [chain] = portChains(site)
    expect(chain!.steps.length).toBeGreaterThan(0)
    const listed = counted(site)
    for (const { adapter } of chain!.steps) expect(listed[adapter.id]).toBe(1)
    expect(Object.keys(listed).some(id => id.startsWith('bulkhead-'))).toBe(false)
  })
})

describe('holes', () => {
  it('stand where the plan has them, with a saw for each, and none too near another unless it says so', () => {
    for (const name of DEMOS)
      for (const hole of holesOf(demoSite(name))) {
        expect(hole.sawMm).toBeGreaterThan(20)
        expect(hole.alongM).toBeGreaterThanOrEqual(0)
        expect(hole.faults.join()).not.toContain('too near')
      }
  })
  it('two at one place are told', () => {
    const site = demoSite('brindle-yard')
    const [first, second] = holesOf(site).filter(({ tankId }) => tankId === 'tank-3')
    const put = (port: string, field: string, value: number) =>
      moveOf('set', { of: 'port', id: portId('tank-3', port), field, value })
    const same = build(
      site,
      put(first!.port.name, 'bearingDeg', 90),
      put(second!.port.name, 'bearingDeg', 90),
      moveOf('setPort', { tank: 'tank-3', port: second!.port.name, heightM: first!.heightM + 0.02 }),
    )
    expect(holesOf(same).some(({ faults }) => faults.some(words => words.includes('too near')))).toBe(true)
  })
})

describe('rings', () => {
  it('that are glued all round cannot be glued shut, and a union in one lets them', () => {
    const ring = (part?: NewPart) =>
      inchSite(
        worksOf({
          nodes: [jointAt('a', 0), jointAt('b', 0), jointAt('c', 0)],
          runs: [
            ['ab', 'a', 'b', [inch(2)]],
            ['bc', 'b', 'c', [inch(2)]],
            ['ca', 'c', 'a', [inch(2), ...(part ? [part] : [])]],
          ],
        }),
      )
    expect(closedLoops(ring()).map(({ id }) => id)).toEqual(['ca'])
    const opens = ring({ kind: 'union', boreMm: 26.64 })
    expect(closedLoops(opens)).toEqual([])
    // What can still be drawn together is made last.
    const last = tasksOf(opens).find(({ id }) => id === 'make:ca')!
    expect(last.after).toEqual(expect.arrayContaining(['make:ab', 'make:bc']))
    expect(hasNoCircle(tasksOf(opens))).toBe(true)
  })
})

describe('stages', () => {
  const site = build(
    demoSite('brindle-yard'),
    moveOf('addStage', { name: 'Next year' }),
    moveOf('putInStage', { ids: ['tank-3'], stage: 'stage-2' }),
  )
  it('stand each as a plan of its own, and their parts add up to the plan’s', () => {
    expect(stagesOf(site).map(({ name }) => name)).toEqual(['Now', 'Next year'])
    const whole = counted(site)
    const added = new Map<string, number>()
    for (const at of [0, 1])
      for (const { id, count } of partsOfStage(site, at)) added.set(id, (added.get(id) ?? 0) + count)
    for (const [id, count] of Object.entries(whole)) expect(added.get(id) ?? 0, id).toBeGreaterThanOrEqual(count - 0.11)
    expect(partsOfStage(site, 0).some(({ id }) => id.startsWith('tank-'))).toBe(true)
    expect(partsOfStage(site, 1).filter(({ id }) => id.startsWith('tank-'))).toMatchObject([{ count: 1 }])
  })
  it('tell what is fitted now so that the next needs no emptying', () => {
    const fits = fitNow(site, 0)
    expect(fits.map(({ nodeId }) => nodeId)).toContain('tank-2')
    expect(fits.every(({ stage }) => stage === 1)).toBe(true)
  })
  it('are kept with the site over a file', () => {
    const again = readSite(JSON.parse(writeSite(site)))
    expect(again.ok && again.site.build).toEqual(site.build)
    expect(build(site, moveOf('dropStage', { stage: 'stage-2' })).build).toBeUndefined()
    expect(refusal(site, moveOf('putInStage', { ids: ['x'], stage: 'gone' }))).toContain('no longer there')
  })
})

describe('all of it together', () => {
  it('is answered in the words of the site, whatever the site', () => {
    fc.assert(
      fc.property(arbitrarySite, site => {
        const made = buildOf(site)
        expect(JSON.stringify(made)).not.toMatch(/null,null|NaN|undefined/)
        expect(Number.isFinite(made.total)).toBe(true)
        const ids = new Set(made.order.map(({ id }) => id))
        expect(ids.size).toBe(made.order.length)
      }),
      { numRuns: 40 },
    )
  })
})
