import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { jointAt, mainAt, outfallAt, pipe, pressureTankAt, tankAt, tapAt, type Works } from '../../../tests/waterworks'
import { solved } from '../../../tests/solvedWorks'
import { gravityFlow, headOfPressureM, staticPressure } from '../../sums'
import type { NewPart } from '../../kinds'

/** A regulator lets no more stand behind it than it is set to, and is in nobody's way where there is less. */
const regulator = (setKPa: number, k = 10): NewPart => ({ kind: 'regulator', boreMm: 25, setKPa, k })
const house = (parts: NewPart[], mainKPa = 600, tapM = 0): Works => ({
  nodes: [mainAt('main', 0, mainKPa), jointAt('tee', 0), tapAt('tap', tapM)],
  runs: [
    ['in', 'main', 'tee', parts],
    ['up', 'tee', 'tap', [pipe(5)]],
  ],
})

describe('a regulator', () => {
  it('holds its setting behind it with all taps shut, whatever stands before it', () => {
    for (const mainKPa of [350, 600, 1200]) {
      const { converged, nodes } = solved(house([pipe(5), regulator(300), pipe(5)], mainKPa))
      expect(converged).toBe(true)
      expect(nodes.tee!.pressureKPa).toBeCloseTo(300, 6)
      expect(nodes.tap!.pressureKPa).toBeCloseTo(300, 6)
    }
  })
  it('lets all through where there is less than it is set to, less its own loss', () => {
    const { nodes, runs } = solved(house([pipe(5), regulator(300), pipe(5)], 250))
    expect(nodes.tee!.pressureKPa).toBeCloseTo(250, 6)
    expect(runs.in!.flowLps).toBe(0)
    const works: Works = {
      nodes: [tankAt('hill', 5), outfallAt('ditch', 0)],
      runs: [['line', 'hill', 'ditch', [pipe(20), regulator(300, 7.5), pipe(20)]]],
    }
    const wanted = gravityFlow({ headM: 6, lengthM: 40, innerDiameterMm: 25, kTotal: 8 }).flowLps
    expect(solved(works, { levels: { hill: 1 } }).runs.line!.flowLps).toBeCloseTo(wanted, 7)
  })
  it('that throttles gives what its setting drives through what lies behind it, whatever drives it', () => {
    const flowAt = (mainKPa: number) => {
      const works: Works = {
        nodes: [mainAt('main', 0, mainKPa), outfallAt('ditch', 0)],
        runs: [['line', 'main', 'ditch', [pipe(3), regulator(200), pipe(40)]]],
      }
      return solved(works).runs.line!.flowLps
    }
    const wanted = gravityFlow({ headM: headOfPressureM(200), lengthM: 40, innerDiameterMm: 25, kTotal: 0 }).flowLps
    for (const mainKPa of [500, 900]) expect(flowAt(mainKPa)).toBeCloseTo(wanted, 6)
  })
  it('lets nothing back: a tank that stands higher behind it keeps its water', () => {
    const works: Works = {
      nodes: [mainAt('main', 0, 100), tankAt('hill', 30)],
      runs: [['line', 'main', 'hill.out', [pipe(5), regulator(300), pipe(40)]]],
    }
    const { converged, runs } = solved(works, { levels: { hill: 1 } })
    expect([converged, runs.line!.flowLps]).toEqual([true, 0])
  })
  it('stands behind a pump, and behind a pressure tank, as behind a main', () => {
    const jet: NewPart = { kind: 'pump', pump: 'jet', flowLps: 0.6, headM: 50 }
    const works: Works = {
      nodes: [tankAt('tank', 0), jointAt('tee', 0), tapAt('tap', 0)],
      runs: [
        ['line', 'tank', 'tee', [pipe(2), jet, pipe(3), regulator(250), pipe(5)]],
        ['up', 'tee', 'tap', [pipe(5)]],
      ],
    }
    const shut = solved(works)
    expect(shut.nodes.tee!.pressureKPa).toBeCloseTo(250, 6)
    const open = solved(works, { open: { tap: 1 } })
    expect(open.converged).toBe(true)
    expect(open.nodes.tee!.pressureKPa).toBeLessThan(250)
    expect(open.taps.tap!.flowLps).toBeGreaterThan(0.1)
    // With the pump standing the tank's own height is all there is.
    const stands = solved(works, { running: { line: false }, levels: { tank: 1 } })
    expect(stands.nodes.tee!.pressureKPa).toBeCloseTo(staticPressure({ headM: 1 }).pressureKPa, 6)
    const vessel: Works = {
      nodes: [pressureTankAt('vessel', 0), tapAt('tap', 2)],
      runs: [['house', 'vessel', 'tap', [regulator(180), pipe(8)]]],
    }
    expect(solved(vessel, { pressures: { vessel: 350 } }).taps.tap!.pressureKPa).toBeCloseTo(
      180 - staticPressure({ headM: 2 }).pressureKPa,
      6,
    )
  })
  it('keeps its word with several in a net, at any settings and openings, and joints pass on what they get', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 150, max: 900 }),
        fc.integer({ min: 60, max: 600 }),
        fc.integer({ min: 60, max: 600 }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (mainKPa, first, second, low, high) => {
          const works: Works = {
            nodes: [mainAt('main', 0, mainKPa), jointAt('tee', 0), tapAt('low', 0), tapAt('high', 4)],
            runs: [
              ['in', 'main', 'tee', [pipe(6), regulator(first), pipe(4)]],
              ['down', 'tee', 'low', [regulator(second), pipe(8)]],
              ['up', 'tee', 'high', [pipe(12)]],
            ],
          }
          const { converged, nodes, taps, residuals } = solved(works, { open: { low, high } })
          expect(converged).toBe(true)
          expect(residuals.continuityLps).toBeLessThan(1e-6)
          expect(nodes.tee!.pressureKPa).toBeLessThan(Math.min(first, mainKPa) + 1e-3)
          expect(taps.low!.pressureKPa).toBeLessThan(Math.min(second, first, mainKPa) + 1e-3)
        },
      ),
      { numRuns: 200 },
    )
  })
})
