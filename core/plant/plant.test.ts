import { describe, expect, it } from 'vitest'
import { plantOf, play, type ScriptStep } from '.'
import { steady } from '../network'
import { circleArea, levelTogether, pressureTankDrawdown, pumpCycle, roofYield } from '../sums'
import {
  jointAt,
  mainAt,
  outfallAt,
  pipe,
  pressureTankAt,
  tankAt,
  tapAt,
  wellAt,
  worksOf,
} from '../../tests/waterworks'
import { demoSite } from '../../tests/demoSites'
import type { NewPart } from '../kinds'
import type { Site } from '../site'

const valve = (boreMm: number, k: number, open = true): NewPart => ({ kind: 'valve', boreMm, open, k })
const check: NewPart = { kind: 'check', boreMm: 25 }
const levels = (site: Site, at: Record<string, number>, seconds: number, everyS = seconds) =>
  play(site, { seconds, start: { levels: at }, everyS }).levels

describe('what is known by hand', () => {
  it('a tank runs out through a fitting as Torricelli says', () => {
    const site = worksOf({
      nodes: [tankAt('high', 0), outfallAt('ditch', 0)],
      runs: [['out', 'high', 'ditch', [valve(25, 9.5)]]],
    })
    // Ten velocity heads in all, entry among them: √h falls evenly.
    const perS = (1000 * circleArea(0.025) * Math.sqrt((2 * 9.80665) / 10)) / 1000 / 2
    const afterS = 1200
    const rootM = Math.sqrt(1.6) - perS * afterS
    expect(levels(site, { high: 1.6 }, afterS).high!.at(-1)).toBeCloseTo(rootM ** 2, 4)
  })
  it('two tanks come together in the time that the sum says', () => {
    const site = worksOf({
      nodes: [tankAt('a', 0), tankAt('b', 0)],
      runs: [['link', 'a.out', 'b.out', [{ ...pipe(3, 40), roughnessMm: 0.0015 } as NewPart]]],
    })
    const { minutes } = levelTogether({
      planAreaAM2: 1,
      planAreaBM2: 1,
      levelDifferenceM: 0.8,
      withinM: 0.05,
      lengthM: 3,
      innerDiameterMm: 40,
      kTotal: 1.5,
    })
    const { a, b } = levels(site, { a: 1.4, b: 0.6 }, minutes * 60)
    expect(a!.at(-1)! - b!.at(-1)!).toBeCloseTo(0.05, 3)
    expect(a!.at(-1)! + b!.at(-1)!).toBeCloseTo(2, 9)
    // However long it goes on, it comes to rest and stays there.
    const later = levels(site, { a: 1.4, b: 0.6 }, 86400, 3600)
    for (const level of later.a!.slice(2)) expect(level).toBeCloseTo(1, 6)
  })
  it('a pump cycles on a pressure tank as the sums say', () => {
    const [flowLps, drawnLps] = [0.5, 0.2]
    const curve = [
      { flowLps, headM: 200 },
      { flowLps: flowLps + 1e-4, headM: 1 },
    ]
    const pump = { kind: 'pump', pump: 'submersible', flowLps, headM: 100, curve } as NewPart
    const site = worksOf({
      nodes: [
        wellAt('well', 5),
        pressureTankAt('vessel', 0),
        tapAt('drip', 0, { fixture: 'drip', ratedLps: drawnLps, ratedKPa: 50 }),
      ],
      runs: [
        ['rise', 'well', 'vessel', [pump, check, pipe(5, 40)]],
        ['house', 'vessel', 'drip', [pipe(2, 40)]],
      ],
    })
    const pressures = { prechargeKPa: 180, cutInKPa: 200, cutOutKPa: 300 }
    const { drawdownL } = pressureTankDrawdown({ volumeL: 100, ...pressures })
    const { onS, offS } = pumpCycle({ drawdownL, pumpFlowLps: flowLps, demandLps: drawnLps })
    const { pumps, events } = play(site, { seconds: 1800, script: [{ atS: 0, tap: 'drip', to: 1 }] })
    const [first, second, third] = pumps.rise!
    expect([first!.on, second!.on, third!.on]).toEqual([true, false, true])
    expect(second!.atS - first!.atS).toBeCloseTo(onS, 0)
    expect(third!.atS - second!.atS).toBeCloseTo(offS, 0)
    expect(events.filter(({ what }) => what === 'pump-starts').length).toBe(pumps.rise!.filter(({ on }) => on).length)
    // No switch is overshot by a hundredth of its range.
    const plant = plantOf(site)
    plant.act({ tap: 'drip', to: 1 })
    for (const { atS, on } of pumps.rise!.slice(0, 6)) {
      plant.advance(atS)
      expect(Math.abs(plant.view().pressures.vessel! - (on ? 200 : 300))).toBeLessThan(1)
    }
  })
  it('three tanks on a hub come to one level, and none loses a drop', () => {
    const site = worksOf({
      nodes: [tankAt('a', 0), tankAt('b', 0), tankAt('c', 0), jointAt('hub', 0)],
      runs: ['a', 'b', 'c'].map(id => [`to-${id}`, `${id}.out`, 'hub', [pipe(4, 32)]]),
    })
    const { levels: found, litres } = play(site, {
      seconds: 7200,
      start: { levels: { a: 1.5, b: 0.9, c: 0.3 } },
      everyS: 600,
    })
    for (const id of ['a', 'b', 'c']) expect(found[id]!.at(-1)).toBeCloseTo(0.9, 6)
    expect(Math.abs(litres.stored)).toBeLessThan(1e-6)
  })
  it('a siphon stops when air gets in at its mouth', () => {
    const site = worksOf({
      nodes: [tankAt('high', 5), outfallAt('ditch', 0)],
      runs: [['siphon', 'high.half', 'ditch', [pipe(8, 20)]]],
    })
    const { levels: found, events, taps } = play(site, { seconds: 7200, start: { levels: { high: 1.5 } } })
    expect(found.high!.at(-1)).toBeCloseTo(1, 5)
    expect(events.map(({ what }) => what)).toEqual(['mouth-dry'])
    expect(taps).toEqual({})
  })
  it('a float shuts when its tank stands at its hole, to a tenth of a second, and opens again below', () => {
    const site = worksOf({
      nodes: [mainAt('main', 0, 300), tankAt('cistern', 0), tapAt('tap', -1)],
      runs: [
        ['fill', 'main', 'cistern.in', [pipe(10, 16), { kind: 'float', boreMm: 15 }]],
        ['use', 'cistern', 'tap', [pipe(2, 20)]],
      ],
    })
    // An overflow without a line is none: the tank's rim is above its float.
    const { flowLps } = steady(site, { levels: { cistern: 1 } }).runs.fill!
    const { events } = play(site, { seconds: 7200, start: { levels: { cistern: 1 } } })
    expect(events[0]).toMatchObject({ what: 'float-shuts', id: 'fill' })
    expect(events[0]!.atS).toBeCloseTo(900 / flowLps, 0)
    const again = play(site, {
      seconds: 3600,
      start: { levels: { cistern: 1.9 } },
      script: [{ atS: 60, tap: 'tap', to: 1 }],
    })
    expect(again.events.map(({ what }) => what).slice(0, 3)).toEqual(['tap-opens', 'float-opens', 'float-shuts'])
  })
})

describe('rain', () => {
  const storm = (mmPerH: number, hours: number): ScriptStep[] => [
    { atS: 0, rainMmPerH: mmPerH },
    { atS: hours * 3600, rainMmPerH: 0 },
  ]
  it('brings what the sum of roof yield says, less first flush, into the tank', () => {
    const site = demoSite('brindle-yard')
    const [roof] = site.roofs
    const { litres } = play(site, { seconds: 4000, script: storm(10, 1), start: { levels: levelsOf(site, 0.1) } })
    const planAreaM2 = roof!.pieces.reduce((sum, piece) => sum + piece.lengthM * piece.widthM * piece.count, 0)
    const most = roofYield({ planAreaM2, rainMm: 10, runoffCoefficient: 1 }).volumeL
    expect(litres.in).toBeLessThan(most)
    expect(litres.in).toBeGreaterThan(0.7 * most)
    expect(Math.abs(litres.error)).toBeLessThan(1e-6 * litres.in)
  })
  it('on full tanks goes over, as much as comes, and the water stands no higher than its mouth asks', () => {
    const site = demoSite('quillfern-ridge')
    const plant = plantOf(site)
    plant.act({ rainMmPerH: 30 })
    plant.advance(3600)
    const before = plant.litres()
    plant.advance(7200)
    const after = plant.litres()
    expect(after.spilled - before.spilled).toBeCloseTo(after.in - after.out - before.in + before.out, 0)
    expect(plant.events.map(({ what }) => what)).toContain('spills')
    expect(plant.view().levels['tank-1']!).toBeGreaterThan(2)
    expect(plant.view().levels['tank-1']!).toBeLessThan(2.2)
  })
  const levelsOf = (site: Site, levelM: number) =>
    Object.fromEntries(site.nodes.flatMap(node => (node.kind === 'tank' ? [[node.id, levelM]] : [])))
})

describe('a day', () => {
  const day: ScriptStep[] = [
    { atS: 3600, rainMmPerH: 25 },
    { atS: 5400, rainMmPerH: 0 },
    { atS: 25000, draw: 'shower-tap', litres: 45 },
    { atS: 25010, draw: 'kitchen-tap', litres: 12 },
    { atS: 30000, tap: 'orchard-drip', to: 1 },
    { atS: 36000, tap: 'orchard-drip', to: 0 },
    { atS: 50000, power: true, to: false },
    { atS: 51000, draw: 'bench-tap', litres: 20 },
    { atS: 51000, draw: 'shower-tap', litres: 20 },
    { atS: 60000, power: true, to: true },
    { atS: 70000, valve: 'run-2-valve-1', to: false },
  ]
  const site = demoSite('quillfern-ridge')
  it('closes its books to a millionth, and is the same to the byte when it is played again', () => {
    const [one, two] = [play(site, { seconds: 86400, script: day }), play(site, { seconds: 86400, script: day })]
    const through = one.litres.in + one.litres.out + one.litres.spilled
    expect(Math.abs(one.litres.error)).toBeLessThan(1e-6 * through)
    expect(JSON.stringify(two)).toBe(JSON.stringify(one))
    expect(one.trouble).toBeUndefined()
  })
  it('without power lets gravity give and pumps not', () => {
    const { events } = play(site, { seconds: 86400, script: day })
    const at = (what: string, id: string) =>
      events.find(event => event.what === what && event.id === id && event.atS > 50000)
    expect(at('draw-done', 'bench-tap')).toBeDefined()
    expect(at('draw-given-up', 'shower-tap')).toBeDefined()
  })
  it('held still has the flows of the network at that moment', () => {
    const plant = plantOf(site, { levels: { 'tank-1': 1.2, 'tank-2': 1.2, 'tank-3': 0.9 } })
    plant.act({ tap: 'shower-tap', to: 1 })
    plant.act({ tap: 'bench-tap', to: 0.5 })
    const view = plant.view()
    const { runs, taps } = steady(site, {
      open: { 'shower-tap': 1, 'bench-tap': 0.5 },
      levels: view.levels,
      running: view.pumps,
    })
    for (const [id, { flowLps }] of Object.entries(runs)) expect(view.runs[id] ?? 0).toBeCloseTo(flowLps, 5)
    for (const [id, tap] of Object.entries(taps)) expect(view.taps[id]!.flowLps).toBeCloseTo(tap.flowLps, 5)
  })
})
