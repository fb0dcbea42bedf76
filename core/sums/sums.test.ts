import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { solveSum } from './registry'
import { extraterrestrialRadiation, referenceEvapotranspiration } from './gardenNeed'

function result(name: string, input: Record<string, unknown>) {
  const solved = solveSum(name, input)
  if (!solved.ok) throw new Error(JSON.stringify(solved.problems))
  return solved.result
}

describe('known answers', () => {
  it.each<[string, Record<string, unknown>, Record<string, number>, number]>([
    [
      'roof-yield',
      { planAreaM2: 38, rainMm: 12, runoffCoefficient: 0.9, wettingLossMm: 0.5, captureShare: 0.5 },
      { volumeL: 196.65 },
      6,
    ],
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
    [
      'opening-flow',
      { innerDiameterMm: 50, depthMm: 4000 },
      { flowLps: 0.6 * Math.PI * 0.025 ** 2 * Math.sqrt(2 * 9.80665 * 3.975) * 1000 },
      3,
    ],
    ['opening-flow', { innerDiameterMm: 100, depthMm: 0 }, { flowLps: 0 }, 9],
    ['gutter-half-round', { widthMm: 100 }, { flowLps: 0.778 }, 3],
    // 125 × 75 mm at 3 mm a metre: A 0.009375 m², R 0.0340909 m, worked on paper.
    ['gutter-sloped', { widthMm: 125, depthMm: 75, slope: 0.003 }, { flowLps: 4.9076 }, 3],
    ['downpipe-flow', { innerDiameterMm: 68 }, { flowLps: 3.83 }, 2],
    // 80 m², 30 mm in 2 h on 6 m² of wall and floor at 2·10⁻⁵ m/s: 2.4 m³ in, 0.864 m³ away.
    [
      'soakaway',
      { planAreaM2: 80, stormMm: 30, stormHours: 2, infiltrationMPerS: 2e-5, wettedAreaM2: 6, voidShare: 0.4 },
      { storageM3: 1.536, pitM3: 3.84, halfEmptyHours: 1.7778 },
      4,
    ],
    [
      'soakaway',
      { planAreaM2: 10, stormMm: 5, stormHours: 6, infiltrationMPerS: 1e-3, wettedAreaM2: 6, voidShare: 0.4 },
      { storageM3: 0, pitM3: 0, halfEmptyHours: 0 },
      9,
    ],
    // Each millimetre halves what is left (k = ln 2): 1 − ½² of it in the first two of three millimetres.
    [
      'drip-zone',
      {
        emitters: [
          { count: 40, litresPerHour: 2 },
          { count: 12, litresPerHour: 4 },
        ],
        minutesPerRun: 30,
        runsPerWeek: 3,
      },
      { flowLph: 128, litresPerWeek: 192 },
      9,
    ],
    ['post-load', { massKg: 1200, posts: 4, footingAreaM2: 0.09 }, { postLoadKn: 2.941995, pressureKPa: 32.688833 }, 5],
    // 1.2 m² from 1 m to empty through 50 mm: A / (Cd a) √(2/g), on paper 985.711 · 0.451601 / 60.
    [
      'drain-down-time',
      { planAreaM2: 1.2, fromLevelM: 1, toLevelM: 0, orificeMm: 50 },
      { minutes: ((1.2 / (0.62 * Math.PI * 0.025 ** 2)) * Math.sqrt(2 / 9.80665)) / 60 },
      9,
    ],
    ['drain-down-time', { planAreaM2: 1.2, fromLevelM: 0.7, toLevelM: 0.7, orificeMm: 50 }, { minutes: 0 }, 9],
    [
      'level-together',
      { planAreaAM2: 2, planAreaBM2: 2, levelDifferenceM: 0.01, lengthM: 2, innerDiameterMm: 50 },
      { minutes: 0 },
      9,
    ],
    ['wash-off', { runoffMm: 3, keptMm: 2, washOffPerMm: Math.LN2 }, { washedShare: 0.875, keptShare: 0.75 }, 9],
    [
      'wash-off',
      { runoffMm: 0.5, keptMm: 2, washOffPerMm: Math.LN2 },
      { washedShare: 1 - Math.SQRT1_2, keptShare: 1 - Math.SQRT1_2 },
      9,
    ],
    ['storm-intensity', { fiveYearMmPerH: 60, returnYears: 5, minutes: 5 }, { intensityMmPerH: 60 }, 9],
    [
      'storm-intensity',
      { fiveYearMmPerH: 60, returnYears: 50, minutes: 20, returnExponent: 0.3 },
      { intensityMmPerH: 60 * 10 ** 0.3 * 0.5 ** 0.75 },
      9,
    ],
  ])('%s %j', (name, input, expected, places) => {
    const got = result(name, input)
    expect(Object.keys(got).sort()).toEqual(Object.keys(expected).sort())
    for (const [field, value] of Object.entries(expected)) expect(got[field]).toBeCloseTo(value, places)
  })

  it('a pipe’s friction: laminar, smooth turbulent, rough, and no jump between', () => {
    const paper = result('pipe-friction', { flowLps: 0.631, innerDiameterMm: 26.64, lengthM: 30.48 })
    expect(paper.headLossM).toBeCloseTo(1.818, 2)
    const creeping = result('pipe-friction', { flowLps: 0.01, innerDiameterMm: 20, lengthM: 1 })
    expect(creeping.frictionFactor).toBeCloseTo(64 / creeping.reynolds!, 12)
    // Fully rough: 1/√f = −2 log(k / 3.7 d).
    expect(
      result('pipe-friction', { flowLps: 500, innerDiameterMm: 100, lengthM: 1, roughnessMm: 1 }).frictionFactor,
    ).toBeCloseTo(1 / (2 * Math.log10(370)) ** 2, 4)
    expect(result('pipe-friction', { flowLps: 0, innerDiameterMm: 20, lengthM: 1 })).toEqual({
      headLossM: 0,
      velocityMps: 0,
      reynolds: 0,
      frictionFactor: 0,
    })
    let last = 0
    for (let flowLps = 0.001; flowLps < 1; flowLps *= 1.05) {
      const { headLossM } = result('pipe-friction', { flowLps, innerDiameterMm: 40, lengthM: 10 })
      expect(headLossM).toBeGreaterThan(last)
      last = headLossM!
    }
  })
  it('two tanks that level through fittings alone take the time of Torricelli', () => {
    // With no friction to speak of Q = a √(2gh/k), and t = 2 (√h₁ − √h₂) / (a √(2g/k) (1/A + 1/B)).
    const { minutes } = result('level-together', {
      planAreaAM2: 1,
      planAreaBM2: 3,
      levelDifferenceM: 0.8,
      lengthM: 1e-6,
      innerDiameterMm: 100,
      kTotal: 50,
    })
    const perRoot = Math.PI * 0.05 ** 2 * Math.sqrt((2 * 9.80665) / 50) * (1 + 1 / 3)
    expect(minutes! / ((2 * (Math.sqrt(0.8) - 0.1)) / perRoot / 60)).toBeCloseTo(1, 4)
    const time = (change: Record<string, number>) =>
      result('level-together', {
        planAreaAM2: 1,
        planAreaBM2: 3,
        levelDifferenceM: 0.8,
        lengthM: 4,
        innerDiameterMm: 50,
        ...change,
      }).minutes!
    expect(time({ innerDiameterMm: 25 })).toBeGreaterThan(4 * time({}))
    expect(time({ lengthM: 40 })).toBeGreaterThan(time({}))
    expect(time({ withinM: 0.001 })).toBeGreaterThan(time({}))
  })
  it('the flow a head drives is the one whose losses take that head', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.001, max: 50, noNaN: true }),
        fc.double({ min: 0.5, max: 500, noNaN: true }),
        fc.double({ min: 10, max: 300, noNaN: true }),
        fc.double({ min: 0, max: 20, noNaN: true }),
        (headM, lengthM, innerDiameterMm, kTotal) => {
          const { flowLps } = result('gravity-flow', { headM, lengthM, innerDiameterMm, kTotal })
          const { headLossM, velocityMps } = result('pipe-friction', { flowLps, lengthM, innerDiameterMm })
          expect(headLossM! + (kTotal * velocityMps! ** 2) / 2 / 9.80665).toBeCloseTo(headM, 6)
        },
      ),
    )
    expect(result('gravity-flow', { headM: 0, lengthM: 10, innerDiameterMm: 50 }).flowLps).toBe(0)
  })

  it('agrees with the worked examples of FAO-56', () => {
    expect(extraterrestrialRadiation(-20, 246)).toBeCloseTo(32.2, 1)
    expect(referenceEvapotranspiration(extraterrestrialRadiation(45.72, 196), 14.8, 26.6)).toBeCloseTo(5.0, 1)
    const july = result('garden-need', {
      latitudeDeg: 45.72,
      month: 7,
      tMinC: 14.8,
      tMaxC: 26.6,
      areaM2: 20,
      cropCoefficient: 0.9,
      rainMm: 40,
    })
    expect(july.litresPerDay).toBeCloseTo(((0.9 * july.et0MmPerDay! * 31 - 30) * 20) / 0.9 / 31, 9)
    expect(
      result('garden-need', { latitudeDeg: 80, month: 12, tMinC: -20, tMaxC: -10, areaM2: 10, cropCoefficient: 1 })
        .litresPerDay,
    ).toBe(0)
  })
  it('a lying cylinder fills steadily and its half is half', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.1, max: 5, noNaN: true }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (diameterM, share) => {
          const at = (levelM: number) =>
            result('tank-volume', { shape: 'lying-cylinder', diameterM, lengthM: 1, levelM }).volumeL!
          const level = share * diameterM
          expect(at(level) + at(diameterM - level)).toBeCloseTo(at(diameterM), 4)
        },
      ),
    )
  })
})
