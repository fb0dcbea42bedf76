import { describe, expect, it } from 'vitest'
import { jointAt, outfallAt, pipe, tankAt, tapAt, type Works } from '../../../tests/waterworks'
import { flow, solved } from '../../../tests/solvedWorks'
import { perVelocityHead } from './laws'
import { pumpPoint } from '../../sums'
import type { NewPart } from '../../kinds'

const valve = (k: number, open = true): NewPart => ({ kind: 'valve', boreMm: 25, open, k })
const jet = { kind: 'pump', pump: 'jet', flowLps: 0.6, headM: 30 } as const

describe('pumps', () => {
  const lifts = (pump: NewPart, k = 50, upM = 10): Works => ({
    nodes: [tankAt('low', 0), outfallAt('top', upM)],
    runs: [['line', 'low', 'top', [valve(k), pump]]],
  })
  it.each([
    {
      ...jet,
      curve: [
        { flowLps: 0.1, headM: 40 },
        { flowLps: 0.6, headM: 30 },
        { flowLps: 1, headM: 5 },
      ],
    },
    {
      ...jet,
      curve: [
        { flowLps: 0, headM: 20 },
        { flowLps: 2, headM: 1 },
      ],
    },
  ])('meet their system where pump-point says', pump => {
    const k = 50
    // The line takes what its valve and the entry into it do, both by the square of the flow.
    const lossCoefficient = k * perVelocityHead(25) + 0.5 * perVelocityHead(25)
    const wanted = pumpPoint({ curve: pump.curve, staticHeadM: 10 - 1.5, lossCoefficient })
    expect(flow(lifts(pump, k), 'line', { levels: { low: 1.5 } })).toBeCloseTo(wanted.flowLps, 7)
  })
  it('without a curve have that of their kind through their duty point', () => {
    const still = (kind: 'jet' | 'solar' | 'submersible') =>
      solved({
        nodes: [tankAt('low', 0), tapAt('sink', 0)],
        runs: [['line', 'low', 'sink', [{ ...jet, pump: kind }, pipe(1)]]],
      }).nodes.sink!.headM
    expect(still('jet')).toBeCloseTo(2 + 1.25 * 30, 6)
    expect(still('submersible')).toBeCloseTo(2 + 1.25 * 30, 6)
    expect(still('solar')).toBeCloseTo(2 + 2 * 30, 6)
    const lossM = 0.6 ** 2 * (50 * perVelocityHead(25) + 0.5 * perVelocityHead(25))
    expect(flow(lifts(jet, 50, 32 - lossM), 'line')).toBeCloseTo(0.6, 6)
  })
  it('a diaphragm gives 1.3 of its flow at no head, half of it at its stall, and blocks where it stands', () => {
    const pump = { ...jet, pump: 'on-demand', flowLps: 0.2, headM: 20 } as const
    expect(flow(lifts(pump, 0, 2), 'line')).toBeCloseTo(0.26, 3)
    expect(flow(lifts(pump, 0, 2 + 25.9), 'line')).toBeCloseTo(0.1, 2)
    expect(solved(lifts(pump, 0, 2 + 26.1)).runs.line).toMatchObject({ flowLps: 0, status: 'stopped' })
    const down = lifts(pump, 0, -5)
    expect(solved(down, { running: { line: false } }).runs.line).toMatchObject({ flowLps: 0, status: 'stopped' })
    expect(flow(lifts(jet, 0, -5), 'line', { running: { line: false } })).toBeGreaterThan(0.5)
  })
  it('a variable-speed set holds its outlet at what it is set to, until it can no more', () => {
    const set = { ...jet, pump: 'variable-speed', setKPa: 250 } as const
    const works: Works = {
      nodes: [
        tankAt('low', 0),
        jointAt('tee', 0),
        tapAt('a', 0),
        tapAt('b', 0),
        tapAt('fire', 0, { fixture: 'hydrant' }),
      ],
      runs: [
        ['set', 'low', 'tee', [set]],
        ['to-a', 'tee', 'a', [pipe(10)]],
        ['to-b', 'tee', 'b', [pipe(10)]],
        ['to-fire', 'tee', 'fire', [pipe(10, 50)]],
      ],
    }
    expect(solved(works).taps.a!.pressureKPa).toBeCloseTo(250, 6)
    const one = solved(works, { open: { a: 1 } })
    expect(one.nodes.tee!.pressureKPa).toBeCloseTo(250, 6)
    const two = solved(works, { open: { a: 1, b: 1 } })
    expect(two.taps.a!.pressureKPa).toBeCloseTo(one.taps.a!.pressureKPa, 6)
    expect(two.runs.set!.flowLps).toBeCloseTo(2 * one.runs.set!.flowLps, 6)
    expect(solved(works, { open: { fire: 1 } }).nodes.tee!.pressureKPa).toBeLessThan(240)
    // Where the tank itself stands higher it idles, and water runs through it.
    const high = { ...works, nodes: [tankAt('low', 40), ...works.nodes.slice(1)] }
    expect(solved(high, { open: { a: 1 } }).nodes.tee!.pressureKPa).toBeGreaterThan(350)
  })
  it('in series with a set behind a joint gets its own flow through', () => {
    const works: Works = {
      nodes: [tankAt('low', 0), jointAt('mid', 0), jointAt('tee', 0), tapAt('a', 0)],
      runs: [
        ['suction', 'low', 'mid', [pipe(4, 32)]],
        ['set', 'mid', 'tee', [{ ...jet, pump: 'variable-speed', setKPa: 200 }]],
        ['to-a', 'tee', 'a', [pipe(10)]],
      ],
    }
    const { runs, nodes } = solved(works, { open: { a: 1 } })
    expect(runs.suction!.flowLps).toBeCloseTo(runs.set!.flowLps, 6)
    expect(nodes.tee!.pressureKPa).toBeCloseTo(200, 6)
  })
})
