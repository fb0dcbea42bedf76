import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { solveSum } from './registry'

/** One field of a sum's result, for plain numbers. */
function ask(name: string, field: string, input: Record<string, unknown>): number {
  const solved = solveSum(name, input)
  if (!solved.ok) throw new Error(`${name}: ${JSON.stringify(solved.problems)}`)
  return solved.result[field]!
}
const between = (min: number, max: number) => fc.double({ min, max, noNaN: true })
const alike = (a: number, b: number, within = 1e-9) =>
  expect(Math.abs(a - b)).toBeLessThanOrEqual(within * Math.max(1, Math.abs(a), Math.abs(b)))

describe('what falls and runs off', () => {
  const roof = { planAreaM2: 60, rainMm: 10, runoffCoefficient: 0.8, wettingLossMm: 0.5, captureShare: 0.9 }
  const litres = (change: Partial<typeof roof>) => ask('roof-yield', 'volumeL', { ...roof, ...change })
  it('a roof twice as large gives twice as much, and two rains give less than one as long', () => {
    fc.assert(
      fc.property(between(0.1, 500), between(0.6, 200), (planAreaM2, rainMm) => {
        alike(litres({ planAreaM2: 2 * planAreaM2, rainMm }), 2 * litres({ planAreaM2, rainMm }))
        expect(2 * litres({ planAreaM2, rainMm: rainMm / 2 })).toBeLessThanOrEqual(litres({ planAreaM2, rainMm }))
      }),
    )
  })
  it('what one millimetre on a square metre gives is a litre, and no more ever runs off than falls', () => {
    expect(ask('roof-yield', 'volumeL', { planAreaM2: 1, rainMm: 1, runoffCoefficient: 1 })).toBe(1)
    fc.assert(
      fc.property(between(0, 300), between(0, 1), between(0, 5), (rainMm, runoffCoefficient, wettingLossMm) => {
        const given = litres({ rainMm, runoffCoefficient, wettingLossMm, captureShare: 1 })
        expect(given).toBeLessThanOrEqual(60 * rainMm)
        expect(given).toBeGreaterThanOrEqual(0)
      }),
    )
  })
  it('a storm’s flow is its yield in an hour', () => {
    fc.assert(
      fc.property(between(1, 2000), between(1, 300), (planAreaM2, intensityMmPerH) => {
        const flowLps = ask('storm-flow', 'flowLps', { planAreaM2, intensityMmPerH })
        alike(
          flowLps * 3600,
          ask('roof-yield', 'volumeL', { planAreaM2, rainMm: intensityMmPerH, runoffCoefficient: 1 }),
        )
      }),
    )
  })
  it('a rarer storm is harder and a longer one milder, though it brings more water', () => {
    const intensity = (returnYears: number, minutes: number) =>
      ask('storm-intensity', 'intensityMmPerH', { fiveYearMmPerH: 75, returnYears, minutes })
    const years = [1, 2, 5, 10, 30, 100].map(each => intensity(each, 5))
    const lengths = [5, 10, 20, 60, 180]
    expect(years).toEqual(years.toSorted((a, b) => a - b))
    expect(years[2]).toBeCloseTo(75, 9)
    for (const [at, minutes] of lengths.slice(1).entries()) {
      expect(intensity(5, minutes)).toBeLessThan(intensity(5, lengths[at]!))
      expect(intensity(5, minutes) * minutes).toBeGreaterThan(intensity(5, lengths[at]!) * lengths[at]!)
    }
  })
  it('the first rain washes off more of the dirt than its share of the rain, and all that is kept was washed off', () => {
    fc.assert(
      fc.property(between(0.1, 50), between(0, 10), (runoffMm, keptMm) => {
        const washed = ask('wash-off', 'washedShare', { runoffMm, keptMm })
        const kept = ask('wash-off', 'keptShare', { runoffMm, keptMm })
        expect(kept).toBeLessThanOrEqual(washed + 1e-12)
        expect(kept).toBeGreaterThanOrEqual(washed * Math.min(1, keptMm / runoffMm) - 1e-12)
      }),
    )
  })
})

describe('gutters, downpipes and lines', () => {
  it('a half-round gutter grows by the power of five halves', () => {
    const flow = (widthMm: number) => ask('gutter-half-round', 'flowLps', { widthMm })
    for (const widthMm of [60, 100, 150]) alike(flow(2 * widthMm) / flow(widthMm), 2 ** 2.5, 1e-6)
  })
  it('a gutter that falls four times as much carries twice as much; a rougher one less', () => {
    const flow = (change: object) =>
      ask('gutter-sloped', 'flowLps', { widthMm: 120, depthMm: 70, slope: 0.002, ...change })
    alike(flow({ slope: 0.008 }), 2 * flow({}))
    alike(flow({ manning: 0.022 }), flow({}) / 2)
    expect(flow({ depthMm: 80 })).toBeGreaterThan(flow({}))
  })
  it('a downpipe grows by the power of eight thirds, and by five thirds of its filling', () => {
    const flow = (innerDiameterMm: number, fillShare = 0.33) =>
      ask('downpipe-flow', 'flowLps', { innerDiameterMm, fillShare })
    alike(flow(160) / flow(80), 2 ** (8 / 3), 1e-6)
    alike(flow(80, 0.3) / flow(80, 0.15), 2 ** (5 / 3), 1e-6)
  })
  it('friction grows with the length, and with more than the flow; a wide pipe loses next to nothing', () => {
    const loss = (change: object) =>
      ask('pipe-friction', 'headLossM', { flowLps: 0.8, innerDiameterMm: 32, lengthM: 10, ...change })
    alike(loss({ lengthM: 30 }), 3 * loss({}))
    expect(loss({ flowLps: 1.6 })).toBeGreaterThan(3 * loss({}))
    expect(loss({ flowLps: 1.6 })).toBeLessThan(4.1 * loss({}))
    expect(loss({ innerDiameterMm: 64 })).toBeLessThan(loss({}) / 20)
    expect(loss({ roughnessMm: 0.5 })).toBeGreaterThan(loss({ roughnessMm: 0.01 }))
  })
  it('friction of a slow flow is that of Poiseuille: as the flow, and as the fourth power of the bore', () => {
    const slow = (flowLps: number, innerDiameterMm: number) =>
      ask('pipe-friction', 'headLossM', { flowLps, innerDiameterMm, lengthM: 100 })
    alike(slow(0.02, 40), 2 * slow(0.01, 40), 1e-6)
    alike(slow(0.01, 20), 16 * slow(0.01, 40), 1e-6)
  })
  it('more head drives more flow; length, bends and a narrow bore take it away', () => {
    const flow = (change: object) =>
      ask('gravity-flow', 'flowLps', { headM: 2, lengthM: 20, innerDiameterMm: 25, kTotal: 3, ...change })
    expect(flow({ headM: 4 })).toBeGreaterThan(1.4 * flow({}) * 0.98)
    expect(flow({ headM: 4 })).toBeLessThan(2 * flow({}))
    expect(flow({ lengthM: 40 })).toBeLessThan(flow({}))
    expect(flow({ kTotal: 30 })).toBeLessThan(flow({}))
    expect(flow({ innerDiameterMm: 50 })).toBeGreaterThan(5 * flow({}))
  })
  it('an opening passes more the deeper it lies, by three halves while the water is shallow', () => {
    const flow = (depthMm: number) => ask('opening-flow', 'flowLps', { innerDiameterMm: 100, depthMm })
    const depths = [1, 5, 20, 50, 99, 101, 150, 400, 2000]
    const flows = depths.map(flow)
    expect(flows).toEqual(flows.toSorted((a, b) => a - b))
    expect(flow(101) / flow(99)).toBeLessThan(1.05)
  })
  it('a head of ten metres is about a bar, and one below is as much the other way', () => {
    const pressure = (headM: number) => ask('static-pressure', 'pressureKPa', { headM })
    expect(pressure(10) / 98).toBeCloseTo(1, 2)
    fc.assert(fc.property(between(0, 200), headM => void alike(pressure(headM), -pressure(-headM))))
  })
})

describe('tanks and chambers', () => {
  it('a standpipe of the length that was worked out holds what it must', () => {
    fc.assert(
      fc.property(between(1, 400), between(60, 400), (volumeL, innerDiameterMm) => {
        const lengthM = ask('chamber-length', 'lengthM', { volumeL, innerDiameterMm })
        const shape = {
          shape: 'upright-cylinder',
          diameterM: innerDiameterMm / 1000,
          heightM: lengthM,
          levelM: lengthM,
        }
        fc.pre(lengthM > 0.01 && lengthM < 50)
        alike(ask('tank-volume', 'volumeL', shape), volumeL, 1e-6)
      }),
    )
  })
  it('every shape is empty at its floor and never loses water by rising', () => {
    const shapes = [
      { shape: 'upright-cylinder', diameterM: 1.8, heightM: 2 },
      { shape: 'box', lengthM: 1.2, widthM: 0.9, heightM: 2 },
      { shape: 'lying-cylinder', diameterM: 2, lengthM: 3 },
    ]
    for (const shape of shapes) {
      const volume = (levelM: number) => ask('tank-volume', 'volumeL', { ...shape, levelM })
      expect(volume(0)).toBe(0)
      let last = 0
      for (let levelM = 0.05; levelM <= 2; levelM += 0.05) {
        expect(volume(levelM)).toBeGreaterThan(last)
        last = volume(levelM)
      }
    }
  })
  it('running out by halves takes as long as at once', () => {
    const minutes = (fromLevelM: number, toLevelM: number) =>
      ask('drain-down-time', 'minutes', { planAreaM2: 3, fromLevelM, toLevelM, orificeMm: 40 })
    fc.assert(
      fc.property(between(0.2, 3), between(0, 1), (top, share) => {
        alike(minutes(top, 0), minutes(top, share * top) + minutes(share * top, 0), 1e-9)
      }),
    )
    expect(minutes(2, 1)).toBeLessThan(minutes(1, 0))
  })
  it('a chamber with half the outlet takes four times as long to empty', () => {
    const hours = (orificeMm: number) =>
      ask('chamber-drain-time', 'hours', { innerDiameterMm: 104, heightM: 1.5, orificeMm })
    alike(hours(1), 4 * hours(2), 1e-9)
  })
  it('two tanks level in the same time whichever is called the first, and never overshoot', () => {
    const minutes = (planAreaAM2: number, planAreaBM2: number, levelDifferenceM: number) =>
      ask('level-together', 'minutes', { planAreaAM2, planAreaBM2, levelDifferenceM, lengthM: 2, innerDiameterMm: 50 })
    fc.assert(
      fc.property(between(0.5, 12), between(0.5, 12), between(0.05, 2), (a, b, differenceM) => {
        alike(minutes(a, b, differenceM), minutes(b, a, differenceM), 1e-6)
        expect(minutes(a, b, differenceM)).toBeLessThan(minutes(a, b, differenceM * 2) + 1e-9)
      }),
      { numRuns: 30 },
    )
  })
  it('what stands on a base presses as it weighs, and posts share it', () => {
    fc.assert(
      fc.property(between(10, 20000), between(0.1, 20), fc.integer({ min: 1, max: 12 }), (volumeL, area, posts) => {
        const load = { volumeL, emptyMassKg: 50, contactAreaM2: area }
        const massKg = ask('base-load', 'massKg', load)
        alike(massKg, volumeL + 50)
        alike((ask('base-load', 'pressureKPa', load) * area * 1000) / 9.80665, massKg)
        const postKn = ask('post-load', 'postLoadKn', { massKg, posts, footingAreaM2: 0.1 })
        alike((postKn * posts * 1000) / 9.80665, massKg)
      }),
    )
  })
})

describe('what soaks away and what is given to the ground', () => {
  const pit = {
    planAreaM2: 120,
    stormMm: 40,
    stormHours: 1,
    infiltrationMPerS: 1e-5,
    wettedAreaM2: 8,
    voidShare: 0.4,
  }
  it('a soakaway holds what comes less what soaks away meanwhile, in voids', () => {
    fc.assert(
      fc.property(
        between(1, 400),
        between(1e-7, 1e-4),
        between(0.2, 0.95),
        (planAreaM2, infiltrationMPerS, voidShare) => {
          const input = { ...pit, planAreaM2, infiltrationMPerS, voidShare }
          const storageM3 = ask('soakaway', 'storageM3', input)
          alike(storageM3, Math.max(0, (planAreaM2 * 40) / 1000 - infiltrationMPerS * 8 * 3600))
          alike(ask('soakaway', 'pitM3', input) * voidShare, storageM3)
        },
      ),
    )
  })
  it('stiffer ground keeps it longer', () => {
    const hours = [1e-4, 1e-5, 1e-6].map(infiltrationMPerS =>
      ask('soakaway', 'halfEmptyHours', { ...pit, infiltrationMPerS }),
    )
    expect(hours).toEqual(hours.toSorted((a, b) => a - b))
  })
  it('a drip zone gives its flow for as long as it runs', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 300 }),
        between(0.5, 8),
        between(5, 240),
        (count, litresPerHour, minutes) => {
          const input = { emitters: [{ count, litresPerHour }], minutesPerRun: minutes, runsPerWeek: 3.5 }
          const flowLph = ask('drip-zone', 'flowLph', input)
          alike(flowLph, count * litresPerHour)
          alike(ask('drip-zone', 'litresPerWeek', input), ((flowLph * minutes) / 60) * 3.5)
        },
      ),
    )
  })
  it('a bed asks less in rain, and more where it is hotter, larger or thirstier', () => {
    const bed = { latitudeDeg: 40, month: 7, tMinC: 14, tMaxC: 28, areaM2: 20, cropCoefficient: 0.9, rainMm: 20 }
    const litres = (change: Partial<typeof bed>) => ask('garden-need', 'litresPerDay', { ...bed, ...change })
    expect(litres({ rainMm: 60 })).toBeLessThan(litres({}))
    expect(litres({ tMaxC: 34 })).toBeGreaterThan(litres({}))
    expect(litres({ cropCoefficient: 1.1 })).toBeGreaterThan(litres({}))
    alike(litres({ areaM2: 40 }), 2 * litres({}))
    // July there is January at the other end of the world, but for the sun, which stands a little nearer then.
    expect(litres({ latitudeDeg: -40, month: 1 }) / litres({})).toBeCloseTo(1.07, 1)
  })
})
