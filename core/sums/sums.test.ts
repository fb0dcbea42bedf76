import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { SUMS, solveSum } from '.'
import { extraterrestrialRadiation, referenceEvapotranspiration } from './gardenNeed'

function result(name: string, input: Record<string, unknown>) {
  const solved = solveSum(name, input)
  if (!solved.ok) throw new Error(JSON.stringify(solved.problems))
  return solved.result
}

describe('known answers', () => {
  it.each<[string, Record<string, unknown>, Record<string, number>, number]>([
    ['roof-yield', { planAreaM2: 38, rainMm: 12, runoffCoefficient: 0.9, wettingLossMm: 0.5, captureShare: 0.5 }, { volumeL: 196.65 }, 6],
    ['roof-yield', { planAreaM2: 100, rainMm: 1, runoffCoefficient: 1, wettingLossMm: 2 }, { volumeL: 0 }, 9],
    ['first-flush-volume', { planAreaM2: 60, depthMm: 0.8 }, { volumeL: 48 }, 9],
    ['chamber-length', { volumeL: 48, innerDiameterMm: 104 }, { lengthM: 5.6505 }, 3],
    ['chamber-drain-time', { innerDiameterMm: 104, heightM: 2, orificeMm: 1.5 }, { hours: 1.3756 }, 3],
    ['storm-flow', { planAreaM2: 120, intensityMmPerH: 90 }, { flowLps: 3 }, 9],
    ['tank-volume', { shape: 'upright-cylinder', diameterM: 2.4, heightM: 2.2, levelM: 2.2 }, { volumeL: 9952.566 }, 2],
    ['tank-volume', { shape: 'lying-cylinder', diameterM: 2, lengthM: 3, levelM: 1 }, { volumeL: 4712.389 }, 2],
    ['tank-volume', { shape: 'lying-cylinder', diameterM: 2, lengthM: 3, levelM: 2 }, { volumeL: 9424.778 }, 2],
    ['tank-volume', { shape: 'lying-cylinder', diameterM: 2, lengthM: 1, levelM: 0.5 }, { volumeL: 614.185 }, 2],
    ['tank-volume', { shape: 'box', lengthM: 1.2, widthM: 1, heightM: 1, levelM: 0.5 }, { volumeL: 600 }, 9],
    ['base-load', { volumeL: 1000, emptyMassKg: 60, contactAreaM2: 1.2 }, { massKg: 1060, pressureKPa: 8.66254 }, 4],
    ['static-pressure', { headM: 1 }, { pressureKPa: 9.798 }, 2],
    // A drowned opening nears the plain orifice Cd·A·√(2g·h̄) as the head grows.
    ['opening-flow', { innerDiameterMm: 50, depthMm: 4000 }, { flowLps: 0.6 * Math.PI * 0.025 ** 2 * Math.sqrt(2 * 9.80665 * 3.975) * 1000 }, 3],
    ['opening-flow', { innerDiameterMm: 100, depthMm: 0 }, { flowLps: 0 }, 9],
  ])('%s %j', (name, input, expected, places) => {
    const got = result(name, input)
    expect(Object.keys(got).sort()).toEqual(Object.keys(expected).sort())
    for (const [field, value] of Object.entries(expected)) expect(got[field]).toBeCloseTo(value, places)
  })

  it('agrees with the worked examples of FAO-56', () => {
    expect(extraterrestrialRadiation(-20, 246)).toBeCloseTo(32.2, 1)
    expect(referenceEvapotranspiration(extraterrestrialRadiation(45.72, 196), 14.8, 26.6)).toBeCloseTo(5.0, 1)
    const july = result('garden-need', { latitudeDeg: 45.72, month: 7, tMinC: 14.8, tMaxC: 26.6, areaM2: 20, cropCoefficient: 0.9, rainMm: 40 })
    expect(july.litresPerDay).toBeCloseTo((0.9 * july.et0MmPerDay! * 31 - 30) * 20 / 0.9 / 31, 9)
    expect(result('garden-need', { latitudeDeg: 80, month: 12, tMinC: -20, tMaxC: -10, areaM2: 10, cropCoefficient: 1 }).litresPerDay).toBe(0)
  })
})

describe('impossible input', () => {
  it.each<[string, Record<string, unknown>, string]>([
    ['roof-yield', { planAreaM2: -1, rainMm: 1, runoffCoefficient: 1 }, 'planAreaM2'],
    ['roof-yield', { planAreaM2: 10, rainMm: 1, runoffCoefficient: 1.2 }, 'runoffCoefficient'],
    ['roof-yield', { planAreaM2: 10, rainMm: 1 }, 'runoffCoefficient'],
    ['roof-yield', { planAreaM2: 10, rainMm: 'x', runoffCoefficient: 1 }, 'rainMm'],
    ['roof-yield', { planAreaM2: 10, rainMm: Number.NaN, runoffCoefficient: 1 }, 'rainMm'],
    ['roof-yield', { planAreaM2: 10, rainMm: 1, runoffCoefficient: 1, extra: 1 }, 'extra'],
    ['tank-volume', { shape: 'box', lengthM: 1, widthM: 1, heightM: 1, levelM: 2 }, 'levelM'],
    ['tank-volume', { shape: 'egg', levelM: 2 }, 'shape'],
    ['chamber-drain-time', { innerDiameterMm: 100, heightM: 2, orificeMm: 200 }, 'orificeMm'],
    ['garden-need', { latitudeDeg: 40, month: 13, tMinC: 5, tMaxC: 10, areaM2: 1, cropCoefficient: 1 }, 'month'],
    ['garden-need', { latitudeDeg: 40, month: 3, tMinC: 15, tMaxC: 10, areaM2: 1, cropCoefficient: 1 }, 'tMaxC'],
    ['no-such-sum', {}, 'name'],
  ])('%s %j names %s', (name, input, field) => {
    const solved = solveSum(name, input)
    expect(solved.ok).toBe(false)
    if (!solved.ok) {
      expect(solved.problems.map(problem => problem.path)).toContain(field)
      expect(solved.problems.every(problem => problem.sentence.endsWith('.'))).toBe(true)
    }
  })
})

describe('every sum', () => {
  it.each(SUMS.map(sum => [sum.name, sum] as const))('%s answers anything with its output fields or with problems, and its working ends at its result', (name, sum) => {
    const fields = Object.keys((sum.output as unknown as { shape: object }).shape)
    const anything = fc.dictionary(fc.constantFrom('planAreaM2', 'rainMm', 'runoffCoefficient', 'depthMm', 'volumeL', 'innerDiameterMm', 'heightM', 'orificeMm', 'headM', 'intensityMmPerH', 'levelM', 'shape'),
      fc.oneof(fc.double(), fc.string(), fc.constantFrom('box', 'upright-cylinder')))
    fc.assert(fc.property(anything, (input) => {
      const solved = solveSum(name, input)
      if (!solved.ok) return solved.problems.length > 0
      expect(Object.keys(solved.result)).toEqual(fields)
      expect(Object.values(solved.result)).toContain(solved.working.at(-1)!.value)
      return true
    }))
  })
  it('a lying cylinder fills steadily and its half is half', () => {
    fc.assert(fc.property(fc.double({ min: 0.1, max: 5, noNaN: true }), fc.double({ min: 0, max: 1, noNaN: true }), (diameterM, share) => {
      const at = (levelM: number) => result('tank-volume', { shape: 'lying-cylinder', diameterM, lengthM: 1, levelM }).volumeL!
      const level = share * diameterM
      expect(at(level) + at(diameterM - level)).toBeCloseTo(at(diameterM), 4)
    }))
  })
})
