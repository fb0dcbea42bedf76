import { describe, expect, it } from 'vitest'
import { jointAt, outfallAt, pipe, tankAt, tapAt, worksOf } from '../../tests/waterworks'
import { dutyOf, momentWith, pumpsOf } from '.'
import { headOnCurve } from '../sums'
import type { NewPart } from '../kinds'

const lifts = (pump: NewPart, upM = 15) =>
  worksOf({
    nodes: [tankAt('low', 0), tankAt('header', upM)],
    runs: [['line', 'low', 'header', [pipe(2, 32), pump, pipe(60, 25)]]],
  })
const jet = { kind: 'pump', pump: 'jet', flowLps: 0.5, headM: 25 } as const

describe('where a pump runs', () => {
  it('is where its curve and its system’s meet, and lifts to the end of its line', () => {
    const site = lifts(jet)
    const duty = dutyOf(site, pumpsOf(site)[0]!, [], 'low')!
    const near = (curve: typeof duty.curve) => headOnCurve(curve, duty.at.flowLps)
    expect(near(duty.curve)).toBeCloseTo(duty.at.headM, 1)
    expect(near(duty.system)).toBeCloseTo(duty.at.headM, 6)
    const { runs } = momentWith(site, [], 'low')
    // From 5 cm of water up to the inlet of a tank that is nearly empty, and what the line takes.
    expect(duty.at.headM).toBeCloseTo(15 + 1.9 - 0.05 + runs.line!.lossM, 6)
    expect(duty.inputW).toBeCloseTo((9.80665 * 0.9991 * duty.at.flowLps * duty.at.headM) / duty.efficiency, 0)
  })
  it('the system asks more the more it takes, from its still lift up', () => {
    const site = lifts({ ...jet, pump: 'solar' })
    const { system } = dutyOf(site, pumpsOf(site)[0]!, [], 'low')!
    expect(system.length).toBeGreaterThan(3)
    for (let at = 1; at < system.length; at++) {
      expect(system[at]!.flowLps).toBeGreaterThan(system[at - 1]!.flowLps)
      expect(system[at]!.headM).toBeGreaterThan(system[at - 1]!.headM)
    }
    expect(system[0]!.headM).toBeGreaterThan(16.8)
  })
  it('a set that holds a pressure runs at the share of its speed that gives it', () => {
    const set = { ...jet, pump: 'variable-speed', setKPa: 150 } as const
    const site = worksOf({
      nodes: [tankAt('low', 0), jointAt('tee', 0), tapAt('sink', 0)],
      runs: [
        ['set', 'low', 'tee', [set]],
        ['out', 'tee', 'sink', [pipe(5)]],
      ],
    })
    const duty = dutyOf(site, pumpsOf(site)[0]!, ['sink'], 'full')!
    const atFullM = (flowLps: number) => 1.25 * 25 - 0.25 * 25 * (flowLps / 0.5) ** 2
    expect(duty.speed).toBeLessThan(1)
    expect(duty.speed! ** 2 * atFullM(duty.at.flowLps / duty.speed!)).toBeCloseTo(duty.at.headM, 6)
  })
  it('one that moves no water has none', () => {
    const high = lifts(jet, 90)
    expect(dutyOf(high, pumpsOf(high)[0]!, [], 'full')).toBeUndefined()
    const free = worksOf({
      nodes: [tankAt('low', 0), outfallAt('ditch', 0)],
      runs: [['out', 'low', 'ditch', [pipe(3)]]],
    })
    expect(pumpsOf(free)).toEqual([])
  })
})
