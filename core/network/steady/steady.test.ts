import { describe, expect, it } from 'vitest'
import {
  jointAt,
  mainAt,
  outfallAt,
  pipe,
  pressureTankAt,
  tankAt,
  tapAt,
  wellAt,
  type Works,
} from '../../../tests/waterworks'
import { flow, solved } from '../../../tests/solvedWorks'
import { gravityFlow, headOfPressureM, pipeFriction, staticPressure } from '../../sums'
import type { NewPart } from '../../kinds'

const valve = (k: number, open = true): NewPart => ({ kind: 'valve', boreMm: 25, open, k })
const check: NewPart = { kind: 'check', boreMm: 25 }
const jet = { kind: 'pump', pump: 'jet', flowLps: 0.6, headM: 30 } as const

describe('a line by hand', () => {
  it('gives still taps the pressure of the water above them', () => {
    const works: Works = { nodes: [tankAt('hill', 20), tapAt('sink', 1)], runs: [['line', 'hill', 'sink', [pipe(60)]]] }
    const { taps, runs, nodes } = solved(works, { levels: { hill: 1.5 } })
    expect(taps.sink).toEqual({ flowLps: 0, pressureKPa: staticPressure({ headM: 20.5 }).pressureKPa })
    expect(runs.line).toMatchObject({ flowLps: 0, lossM: 0, status: 'still' })
    expect(nodes.hill!.pressureKPa).toBeCloseTo(staticPressure({ headM: 1.5 }).pressureKPa, 9)
  })
  it('runs out as the sum gravity-flow says, entry and all', () => {
    const works: Works = {
      nodes: [tankAt('hill', 5), outfallAt('ditch', 1)],
      runs: [['line', 'hill', 'ditch', [pipe(40)]]],
    }
    const wanted = gravityFlow({ headM: 5.2, lengthM: 40, innerDiameterMm: 25, kTotal: 0.5 }).flowLps
    const { runs } = solved(works, { levels: { hill: 1.2 } })
    expect(runs.line!.flowLps).toBeCloseTo(wanted, 8)
    expect(runs.line!.lossM).toBeCloseTo(5.2, 6)
    expect(runs.line!.velocityMps).toBeCloseTo(wanted / 1000 / (Math.PI * 0.0125 ** 2), 6)
  })
  it('two tanks level through a line with an entry and an exit, either way alike', () => {
    const nodes = [tankAt('one', 0), tankAt('two', 0)]
    const wanted = gravityFlow({ headM: 0.5, lengthM: 4, innerDiameterMm: 50, kTotal: 1.5 }).flowLps
    const works: Works = { nodes, runs: [['link', 'one.out', 'two.out', [pipe(4, 50)]]] }
    expect(flow(works, 'link', { levels: { one: 1.2, two: 0.7 } })).toBeCloseTo(wanted, 8)
    expect(flow(works, 'link', { levels: { one: 0.7, two: 1.2 } })).toBeCloseTo(-wanted, 8)
    expect(flow(works, 'link', { levels: { one: 1, two: 1 } })).toBe(0)
  })
  it('falls freely into a tank above its water, and against its water below', () => {
    const works: Works = {
      nodes: [tankAt('hill', 5), tankAt('low', 0)],
      runs: [['line', 'hill', 'low.half', [pipe(10)]]],
    }
    const free = gravityFlow({ headM: 5.5 - 1, lengthM: 10, innerDiameterMm: 25, kTotal: 1.5 }).flowLps
    const drowned = gravityFlow({ headM: 5.5 - 1.6, lengthM: 10, innerDiameterMm: 25, kTotal: 1.5 }).flowLps
    expect(flow(works, 'line', { levels: { hill: 0.5, low: 0.2 } })).toBeCloseTo(free, 8)
    expect(flow(works, 'line', { levels: { hill: 0.5, low: 1.6 } })).toBeCloseTo(drowned, 8)
  })
  it('runs over a hump below its source’s pressure as a siphon', () => {
    const works: Works = {
      nodes: [tankAt('hill', 5), jointAt('hump', 8), outfallAt('ditch', 1)],
      runs: [
        ['up', 'hill', 'hump', [pipe(10)]],
        ['down', 'hump', 'ditch', [pipe(30)]],
      ],
    }
    const { runs, nodes } = solved(works, { levels: { hill: 1 } })
    expect(runs.down!.flowLps).toBeCloseTo(
      gravityFlow({ headM: 5, lengthM: 40, innerDiameterMm: 25, kTotal: 0.5 }).flowLps,
      8,
    )
    expect(nodes.hump!.pressureKPa).toBeLessThan(-19)
  })
  it('a tap passes by the root of its pressure', () => {
    const works: Works = {
      nodes: [mainAt('street', 0, 300), tapAt('sink', 0)],
      runs: [['line', 'street', 'sink', [pipe(1, 100)]]],
    }
    const { taps } = solved(works, { open: { sink: 0.5 } })
    expect(taps.sink!.flowLps).toBeCloseTo(0.5 * 0.15 * Math.sqrt(taps.sink!.pressureKPa / 50), 8)
    expect(taps.sink!.pressureKPa).toBeCloseTo(300, 0)
  })
})

describe('several lines', () => {
  it('two alike side by side carry half each, and a loop that is even nothing across', () => {
    const works: Works = {
      nodes: [mainAt('street', 0, 300), jointAt('a', 0), jointAt('b', 0), jointAt('end', 0), tapAt('sink', 0)],
      runs: [
        ['in-a', 'street', 'a', [pipe(20)]],
        ['in-b', 'street', 'b', [pipe(20)]],
        ['across', 'a', 'b', [pipe(5)]],
        ['a-end', 'a', 'end', [pipe(20)]],
        ['b-end', 'b', 'end', [pipe(20)]],
        ['out', 'end', 'sink', [pipe(1)]],
      ],
    }
    const { runs, taps } = solved(works, { open: { sink: 1 } })
    expect(runs['in-a']!.flowLps).toBeCloseTo(taps.sink!.flowLps / 2, 9)
    expect(runs.across!.flowLps).toBeCloseTo(0, 9)
    expect(runs['b-end']!.flowLps).toBeCloseTo(taps.sink!.flowLps / 2, 9)
  })
  it('a loop shares its flow so that both ways round lose alike, and each as pipe-friction says', () => {
    const works: Works = {
      nodes: [mainAt('street', 0, 300), jointAt('a', 0), jointAt('b', 0), tapAt('sink', 0)],
      runs: [
        ['in', 'street', 'a', [pipe(10)]],
        ['short', 'a', 'b', [pipe(10, 20)]],
        ['long', 'a', 'b', [pipe(40, 16)]],
        ['out', 'b', 'sink', [pipe(1)]],
      ],
    }
    const { runs, nodes } = solved(works, { open: { sink: 1 } })
    const dropM = nodes.a!.headM - nodes.b!.headM
    for (const [id, lengthM, innerDiameterMm] of [
      ['short', 10, 20],
      ['long', 40, 16],
    ] as const) {
      const friction = pipeFriction({ flowLps: runs[id]!.flowLps, lengthM, innerDiameterMm })
      expect(friction.headLossM, id).toBeCloseTo(dropM, 6)
      expect(runs[id]!.lossM).toBeCloseTo(dropM, 6)
    }
    expect(runs.short!.flowLps + runs.long!.flowLps).toBeCloseTo(runs.in!.flowLps, 9)
  })
  it('two sources feed a tap by their heights, and the lower gives nothing against a check', () => {
    const works = (lowM: number, parts: NewPart[]): Works => ({
      nodes: [tankAt('high', 10), tankAt('low', lowM), jointAt('tee', 0), tapAt('sink', 0)],
      runs: [
        ['from-high', 'high', 'tee', [pipe(20)]],
        ['from-low', 'low', 'tee', [pipe(20), ...parts]],
        ['out', 'tee', 'sink', [pipe(1)]],
      ],
    })
    const even = solved(works(10, []), { open: { sink: 1 } })
    expect(even.runs['from-high']!.flowLps).toBeCloseTo(even.taps.sink!.flowLps / 2, 8)
    const back = solved(works(0, []), { open: { sink: 0.2 } })
    expect(back.runs['from-low']!.flowLps).toBeLessThan(-0.1)
    const held = solved(works(0, [check]), { open: { sink: 0.2 } })
    expect(held.runs['from-low']).toMatchObject({ flowLps: 0, status: 'checked' })
    expect(held.taps.sink!.pressureKPa).toBeGreaterThan(back.taps.sink!.pressureKPa)
  })
})

describe('what each thing is', () => {
  it('a main falls by the square of the flow, as its test says', () => {
    const works: Works = {
      nodes: [mainAt('street', 0, 400, { flowTest: { flowLps: 1, pressureKPa: 300 } }), tapAt('sink', 0)],
      runs: [['line', 'street', 'sink', [pipe(20)]]],
    }
    const { nodes, taps } = solved(works, { open: { sink: 1 } })
    expect(nodes.street!.pressureKPa).toBeCloseTo(400 - 100 * taps.sink!.flowLps ** 2, 6)
  })
  it('a well is drawn down by what is taken', () => {
    const works: Works = {
      nodes: [wellAt('well', 8, { specificCapacityLpsPerM: 0.1 }), outfallAt('top', 5)],
      runs: [['line', 'well', 'top', [{ ...jet, flowLps: 0.4 }, pipe(20)]]],
    }
    const { nodes, runs } = solved(works)
    expect(nodes.well!.headM).toBeCloseTo(-8 - runs.line!.flowLps / 0.1, 6)
  })
  it('a pressure tank stands midway unless told, and gives both its lines one head', () => {
    const works: Works = {
      nodes: [pressureTankAt('bladder', 1), tapAt('sink', 0)],
      runs: [['line', 'bladder', 'sink', [pipe(5)]]],
    }
    expect(solved(works).nodes.bladder!.headM).toBeCloseTo(1 + headOfPressureM(250), 9)
    expect(solved(works, { pressures: { bladder: 210 } }).taps.sink!.pressureKPa).toBeCloseTo(
      210 + staticPressure({ headM: 1 }).pressureKPa,
      6,
    )
  })
  it('a float shuts once its tank stands at it; a valve stops all; a port above the water gives none', () => {
    const works: Works = {
      nodes: [mainAt('street', 0, 300), tankAt('tank', 0), tapAt('low', -1), tapAt('high', 0)],
      runs: [
        ['fill', 'street', 'tank.half', [pipe(10), { kind: 'float', boreMm: 20 }]],
        ['drain', 'tank', 'low', [pipe(3), valve(0.2, false)]],
        ['upper', 'tank.half', 'high', [pipe(3)]],
      ],
    }
    const low = solved(works, { levels: { tank: 0.9 }, open: { low: 1, high: 1 } })
    expect(low.runs.fill).toMatchObject({ status: 'flowing' })
    expect(low.runs.drain).toMatchObject({ flowLps: 0, status: 'shut' })
    expect(low.runs.upper).toMatchObject({ flowLps: 0, status: 'dry' })
    expect(low.taps.high).toEqual({ flowLps: 0, pressureKPa: 0 })
    const full = solved(works, { levels: { tank: 1.2 }, open: { high: 1 } })
    expect(full.runs.fill).toMatchObject({ flowLps: 0, status: 'float-shut' })
    expect(full.runs.upper!.flowLps).toBeGreaterThan(0.01)
  })
  it('a pump that finds air gives nothing', () => {
    const works: Works = {
      nodes: [tankAt('tank', 0), tapAt('sink', 0)],
      runs: [['line', 'tank.half', 'sink', [jet, pipe(3)]]],
    }
    const { taps, runs } = solved(works, { levels: { tank: 0.5 }, open: { sink: 1 } })
    expect(taps.sink).toEqual({ flowLps: 0, pressureKPa: 0 })
    expect(runs.line!.status).toBe('dry')
  })
  it('a relief valve opens above its setting alone', () => {
    const works = (setKPa: number): Works => ({
      nodes: [mainAt('street', 0, 600), tapAt('sink', 0)],
      runs: [['line', 'street', 'sink', [pipe(20), { kind: 'relief', setKPa }, pipe(5)]]],
    })
    expect(solved(works(700)).taps.sink!.pressureKPa).toBeCloseTo(600, 6)
    const open = solved(works(400))
    expect(open.taps.sink!.pressureKPa).toBeGreaterThan(400)
    expect(open.taps.sink!.pressureKPa).toBeLessThan(480)
    expect(open.runs.line!.flowLps).toBeGreaterThan(0.3)
  })
  it('a drip passes no more than its own emitters, and less below its threshold', () => {
    const works: Works = {
      nodes: [mainAt('street', 0, 300), tapAt('bed', 0, { fixture: 'drip', ratedLps: 0.08 })],
      runs: [['line', 'street', 'bed', [pipe(10)]]],
    }
    expect(solved(works, { open: { bed: 1 } }).taps.bed!.flowLps).toBeCloseTo(0.08, 6)
    const weak = { ...works, nodes: [mainAt('street', 0, 20), works.nodes[1]!] }
    const { flowLps, pressureKPa } = solved(weak, { open: { bed: 1 } }).taps.bed!
    expect(flowLps).toBeCloseTo(0.08 * Math.sqrt(pressureKPa / 50), 7)
  })
  it('a cartridge takes what its maker says at its flow, by the square', () => {
    const filter: NewPart = { kind: 'filter', ratingUm: 5, medium: 'sediment', ratedLps: 0.3, lossKPaAtRated: 20 }
    const works: Works = {
      nodes: [mainAt('street', 0, 300), tapAt('sink', 0)],
      runs: [['line', 'street', 'sink', [filter]]],
    }
    const { runs } = solved(works, { open: { sink: 1 } })
    expect(runs.line!.lossM).toBeCloseTo(headOfPressureM(20) * (runs.line!.flowLps / 0.3) ** 2, 6)
  })
  it('what water cannot reach stands at its own height and is still', () => {
    const works: Works = {
      nodes: [jointAt('alone', 4), tapAt('sink', 2), mainAt('street', 0, 300)],
      runs: [
        ['line', 'alone', 'sink', [pipe(3)]],
        ['feed', 'street', 'alone', [valve(0.2, false)]],
      ],
    }
    const { nodes, taps } = solved(works, { open: { sink: 1 } })
    expect(nodes.alone).toEqual({ headM: 4, pressureKPa: 0 })
    expect(taps.sink).toEqual({ flowLps: 0, pressureKPa: 0 })
  })
})
