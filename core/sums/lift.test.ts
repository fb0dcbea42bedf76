import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { solveSum } from './registry'

/** Sums of pumps, pressure and power: answers worked by hand, laws, and what cannot be. */
function result(name: string, input: Record<string, unknown>) {
  const solved = solveSum(name, input)
  if (!solved.ok) throw new Error(JSON.stringify(solved.problems))
  return solved.result
}
const CURVE = [
  { flowLps: 0.2, headM: 40 },
  { flowLps: 0.8, headM: 30 },
  { flowLps: 1.2, headM: 10 },
]
/** Where 20 + 25 Q² = 40 − (Q − 0.2) · 10 / 0.6, which is 25 Q² + 16.667 Q − 23.333 = 0. */
const MEET = (-50 / 3 + Math.sqrt((50 / 3) ** 2 + 100 * (70 / 3))) / 50
const SWITCH = { prechargeKPa: 262, cutInKPa: 276, cutOutKPa: 414 }

describe('known answers', () => {
  it.each<[string, Record<string, unknown>, Record<string, number>, number]>([
    ['peak-flow', { loadUnits: 1 }, { flowLps: 0.1892706 }, 6],
    ['peak-flow', { loadUnits: 11 }, { flowLps: 15.3 * 0.0630902 }, 6],
    ['peak-flow', { loadUnits: 100 }, { flowLps: 43.5 * 0.0630902 }, 6],
    ['suction-lift', { altitudeM: 0, waterTemperatureC: 15, npshRequiredM: 2, frictionM: 0.8 }, { maxLiftM: 7.37 }, 2],
    // 1500 m up a suction pump finds 84.556 kPa of air: (84.556 − 1.706) / 9.798 − 2.8.
    [
      'suction-lift',
      { altitudeM: 1500, waterTemperatureC: 15, npshRequiredM: 2, frictionM: 0.8 },
      { maxLiftM: 5.656 },
      2,
    ],
    ['pump-head', { staticLiftM: 4, frictionM: 2, deliveryPressureKPa: 97.98 }, { headM: 16 }, 3],
    [
      'pump-point',
      { curve: CURVE, staticHeadM: 20, lossCoefficient: 25 },
      { flowLps: MEET, headM: 20 + 25 * MEET ** 2 },
      4,
    ],
    // Below its first point a pump gives the head of it.
    ['pump-point', { curve: CURVE, staticHeadM: 38, lossCoefficient: 200 }, { flowLps: 0.1, headM: 40 }, 6],
    ['pump-power', { flowLps: 1, headM: 10, efficiency: 0.5 }, { hydraulicW: 97.98, inputW: 195.96 }, 1],
    ['pressure-tank-drawdown', { volumeL: 300, ...SWITCH }, { drawdownL: 77.4 }, 1],
    ['pressure-tank-size', { pumpFlowLps: 0.5, minRunS: 60, ...SWITCH }, { volumeL: 116.34 }, 1],
    [
      'pump-cycle',
      { drawdownL: 60, pumpFlowLps: 1, demandLps: 0.4 },
      { onS: 100, offS: 150, startsPerHour: 14.4, worstStartsPerHour: 15 },
      9,
    ],
    [
      'voltage-drop',
      { currentA: 5, lengthM: 30, conductorMm2: 2.5, volts: 230 },
      { dropV: 2.1, dropShare: 2.1 / 230 },
      9,
    ],
    // 200 W for four hours are 2.88 MJ; three tenths of that lift 4405 kg by 20 m.
    ['solar-lift', { panelW: 200, peakSunHours: 4, efficiency: 0.3, headM: 20 }, { litresPerDay: 4405.17 }, 1],
    // 1000 L at 5 mg are 5 g, and a millilitre of five in the hundred holds 0.05 g.
    ['chlorine-dose', { volumeL: 1000, doseMgPerL: 5, availableShare: 0.05 }, { productMl: 100 }, 9],
  ])('%s %j', (name, input, wanted, places) => {
    const found = result(name, input)
    for (const [field, value] of Object.entries(wanted)) expect(found[field], field).toBeCloseTo(value, places)
    expect(Object.keys(found)).toEqual(Object.keys(wanted))
  })
})

describe('laws', () => {
  const kPa = (most: number) => fc.integer({ min: 1, max: most })
  it('a tank of the size that was worked out runs the pump as long as was asked', () => {
    fc.assert(
      fc.property(kPa(300), kPa(200), kPa(300), fc.integer({ min: 10, max: 600 }), (charge, over, gap, minRunS) => {
        const pressures = { prechargeKPa: charge, cutInKPa: charge + over, cutOutKPa: charge + over + gap }
        const { volumeL } = result('pressure-tank-size', { pumpFlowLps: 0.7, minRunS, ...pressures })
        const { drawdownL } = result('pressure-tank-drawdown', { volumeL, ...pressures })
        expect(drawdownL! / 0.7).toBeCloseTo(minRunS, 6)
        // What comes out is always less than the tank's own size.
        expect(drawdownL!).toBeLessThan(volumeL!)
      }),
    )
  })
  it('no draw starts a pump more often than half of what it lifts', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.01, max: 0.99, noNaN: true }), share => {
        const found = result('pump-cycle', { drawdownL: 40, pumpFlowLps: 0.6, demandLps: 0.6 * share })
        expect(found.startsPerHour).toBeLessThanOrEqual(found.worstStartsPerHour! * (1 + 1e-12))
      }),
    )
  })
  it('a steeper system moves the duty point up the curve, where pump and system always agree', () => {
    fc.assert(
      fc.property(fc.integer({ min: 20, max: 400 }), fc.integer({ min: -20, max: 39 }), (k, staticHeadM) => {
        const { flowLps, headM } = result('pump-point', { curve: CURVE, staticHeadM, lossCoefficient: k })
        expect(headM).toBeCloseTo(staticHeadM + k * flowLps! ** 2, 6)
        const steeper = result('pump-point', { curve: CURVE, staticHeadM, lossCoefficient: k * 1.5 })
        expect(steeper.flowLps).toBeLessThan(flowLps!)
      }),
    )
  })
  it('height, warmth and friction all take from what can be sucked', () => {
    const usual = { altitudeM: 400, waterTemperatureC: 15, npshRequiredM: 2, frictionM: 0.5 }
    const lift = (change: object) => result('suction-lift', { ...usual, ...change }).maxLiftM!
    for (const worse of [{ altitudeM: 1400 }, { waterTemperatureC: 35 }, { npshRequiredM: 3 }, { frictionM: 1 }])
      expect(lift(worse)).toBeLessThan(lift({}))
    expect(lift({ altitudeM: 6000, npshRequiredM: 5 })).toBeLessThan(0)
  })
  it('more taps may ask for more at once, but less for each', () => {
    const flow = (loadUnits: number) => result('peak-flow', { loadUnits }).flowLps!
    for (let units = 1; units < 100; units++) {
      expect(flow(units + 1)).toBeGreaterThan(flow(units))
      expect(flow(units + 1) / (units + 1)).toBeLessThan(flow(units) / units)
    }
  })
})

describe('what cannot be', () => {
  it.each<[string, Record<string, unknown>, string]>([
    ['peak-flow', { loadUnits: 0.5 }, 'loadUnits'],
    ['peak-flow', { loadUnits: 101 }, 'loadUnits'],
    ['pump-point', { curve: [...CURVE].reverse(), staticHeadM: 5, lossCoefficient: 10 }, 'curve'],
    ['pump-point', { curve: [CURVE[0], { flowLps: 1, headM: 41 }], staticHeadM: 5, lossCoefficient: 10 }, 'curve'],
    ['pump-point', { curve: CURVE, staticHeadM: 40, lossCoefficient: 10 }, 'staticHeadM'],
    ['pump-point', { curve: CURVE, staticHeadM: 0, lossCoefficient: 1 }, 'curve'],
    ['pump-power', { flowLps: 1, headM: 10, efficiency: 0 }, 'efficiency'],
    ['pressure-tank-drawdown', { volumeL: 300, prechargeKPa: 262, cutInKPa: 414, cutOutKPa: 276 }, 'cutOutKPa'],
    ['pressure-tank-drawdown', { volumeL: 300, prechargeKPa: 290, cutInKPa: 276, cutOutKPa: 414 }, 'prechargeKPa'],
    ['pump-cycle', { drawdownL: 60, pumpFlowLps: 0.4, demandLps: 0.4 }, 'demandLps'],
    ['voltage-drop', { currentA: 5, lengthM: 30, conductorMm2: 0, volts: 230 }, 'conductorMm2'],
    ['solar-lift', { panelW: 200, peakSunHours: 4, efficiency: 0.3, headM: 0 }, 'headM'],
    ['chlorine-dose', { volumeL: 1000, doseMgPerL: 5, availableShare: 5 }, 'availableShare'],
  ])('%s %j names %s', (name, input, field) => {
    const solved = solveSum(name, input)
    expect(solved.ok).toBe(false)
    if (!solved.ok) expect(solved.problems.map(({ path }) => path)).toEqual([field])
  })
})
