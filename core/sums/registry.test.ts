import fc from 'fast-check'
import { fieldRow, parseQuantity, showQuantity } from '../units'
import { describe, expect, it } from 'vitest'
import { SUMS, solveSum } from './registry'

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
    ['gutter-sloped', { widthMm: 100, depthMm: 60, slope: 0 }, 'slope'],
    ['downpipe-flow', { innerDiameterMm: 68, fillShare: 1.4 }, 'fillShare'],
    [
      'soakaway',
      { planAreaM2: 80, stormMm: 30, stormHours: 2, infiltrationMPerS: 0, wettedAreaM2: 6, voidShare: 0.4 },
      'infiltrationMPerS',
    ],
    ['pipe-friction', { flowLps: 1, innerDiameterMm: 50, lengthM: 10, roughnessMm: 9 }, 'roughnessMm'],
    ['gravity-flow', { headM: -1, lengthM: 10, innerDiameterMm: 50 }, 'headM'],
    ['drip-zone', { emitters: [], minutesPerRun: 30, runsPerWeek: 3 }, 'emitters'],
    ['post-load', { massKg: 1200, posts: 2.5, footingAreaM2: 0.09 }, 'posts'],
    ['drain-down-time', { planAreaM2: 1, fromLevelM: 0.5, toLevelM: 0.8, orificeMm: 50 }, 'toLevelM'],
    [
      'level-together',
      { planAreaAM2: 1, planAreaBM2: 1, levelDifferenceM: 1, lengthM: 1, innerDiameterMm: 10, roughnessMm: 5 },
      'roughnessMm',
    ],
    ['wash-off', { runoffMm: -1, keptMm: 2 }, 'runoffMm'],
    ['storm-intensity', { fiveYearMmPerH: 60, returnYears: 0, minutes: 5 }, 'returnYears'],
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
  it.each(SUMS.flatMap(sum => sum.examples.map((example, at) => [sum.name, at, example] as const)))(
    '%s works its example %i, whatever is left out of it',
    (name, _, example) => {
      const solved = solveSum(name, example)
      expect(solved).toMatchObject({ ok: true })
      if (solved.ok) expect(solved.working.every(step => Number.isFinite(step.value))).toBe(true)
      for (const field of Object.keys(example)) {
        const { [field]: _left, ...rest } = example
        expect(solveSum(name, rest), field).toMatchObject({ ok: false })
      }
    },
  )
  it.each(SUMS.map(sum => [sum.name, sum] as const))('%s shows the figures it begins with as they are', (_, sum) => {
    const given = sum.input.parse(sum.examples[0]) as Record<string, unknown>
    for (const [field, value] of Object.entries(given)) {
      if (typeof value !== 'number') continue
      for (const system of ['metric', 'us', 'imperial'] as const) {
        const { kind } = fieldRow(field)
        const read = parseQuantity(showQuantity(value, kind, system).text, kind, system)
        expect(read, field).toMatchObject({ ok: true })
        // Areas are told to a tenth of a square metre, whatever they are.
        if (read.ok && field !== 'footingAreaM2') expect(Math.abs(read.value - value) / (value || 1)).toBeLessThan(0.06)
      }
    }
  })
  it.each(SUMS.map(sum => [sum.name, sum] as const))('%s has words for all its fields', (_, sum) => {
    for (const field of sum.examples.flatMap(Object.keys)) expect(fieldRow(field).words, field).not.toMatch(/^$|[A-Z]/)
  })
  it.each(SUMS.map(sum => [sum.name, sum] as const))(
    '%s answers anything with its output fields or with problems, and its working ends at its result',
    (name, sum) => {
      const fields = Object.keys((sum.output as unknown as { shape: object }).shape)
      const anything = fc.dictionary(
        fc.constantFrom(
          'planAreaM2',
          'rainMm',
          'runoffCoefficient',
          'depthMm',
          'volumeL',
          'innerDiameterMm',
          'heightM',
          'orificeMm',
          'headM',
          'intensityMmPerH',
          'levelM',
          'shape',
        ),
        fc.oneof(fc.double(), fc.string(), fc.constantFrom('box', 'upright-cylinder')),
      )
      fc.assert(
        fc.property(anything, input => {
          const solved = solveSum(name, input)
          if (!solved.ok) return solved.problems.length > 0
          expect(Object.keys(solved.result)).toEqual(fields)
          expect(Object.values(solved.result)).toContain(solved.working.at(-1)!.value)
          return true
        }),
      )
    },
  )
})
