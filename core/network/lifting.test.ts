import { describe, expect, it } from 'vitest'
import { cyclingOf, heldAtL } from './cycling'
import { batteryDays, conductorFor, dailyWh, drawnBy, peakSunHours, solarMonths, wireGauge } from './power'
import { suctionOf } from './suction'
import { drinkingFaults, trainsOf } from './treatment'
import { hoursToFill, nightOf, readTest } from './wells'
import { singleTapFlows } from './singleTapFlows'
import { momentWith } from './taps'
import { blank, build, plainTank } from '../../tests/sites'
import { without } from '../../tests/soundSite'
import { jointAt, pipe, tapAt, wellAt, worksOf } from '../../tests/waterworks'
import { moveOf, setField, standInClimate } from '../moves'
import { feedsOf, type Site } from '../site'
import type { NewPart, NodeOf, Part } from '../kinds'

const well = (told: object = {}) => wellAt('w', 10, { specificCapacityLpsPerM: 0.05, yieldLPerDay: 4320, ...told })
const asWell = (told: object = {}) => well(told) as NodeOf<'well'>
const pump = (told: object = {}): NewPart =>
  ({ kind: 'pump', pump: 'jet', flowLps: 0.5, headM: 30, ...told }) as NewPart
const check: NewPart = { kind: 'check', boreMm: 25 }

describe('suction', () => {
  const sucking = (waterDepthM: number, altitudeM: number): Site => {
    const site = worksOf({
      nodes: [wellAt('w', waterDepthM), jointAt('j', 1), tapAt('t', 1)],
      runs: [
        ['r', 'w', 'j', [check, pipe(waterDepthM + 2, 32), pump()]],
        ['s', 'j', 't', [pipe(5)]],
      ],
    })
    return { ...site, place: { ...site.place, altitudeM } }
  }
  const at = (waterDepthM: number, altitudeM: number) => {
    const site = sucking(waterDepthM, altitudeM)
    const [run] = site.runs
    return suctionOf(
      site,
      run!,
      run!.parts.find(part => part.kind === 'pump')!,
      0.5,
    )!
  }
  it('7 m at 1500 m of altitude cannot be drawn; at the sea it can, just', () => {
    expect(at(7, 1500).spareM).toBeLessThan(-0.4)
    expect(at(7, 0).spareM).toBeGreaterThan(0)
    expect(at(7, 0).spareM).toBeLessThan(1)
    // Per 1000 m the air carries about 1.1 m less.
    expect(at(4, 0).spareM - at(4, 1000).spareM).toBeCloseTo(1.16, 1)
  })
  it('the foot valve is seen, and a pump in its water has no suction', () => {
    expect(at(5, 0)).toMatchObject({ footValve: true, lifts: true, npshRequiredM: 2.2 })
    const within = worksOf({ nodes: [well(), tapAt('t', 1)], runs: [['r', 'w', 't', [pump(), check, pipe(12)]]] })
    expect(suctionOf(within, within.runs[0]!, within.runs[0]!.parts[0] as Part & { kind: 'pump' }, 0.5)).toBeUndefined()
  })
})

describe('a well', () => {
  it('its pumping test gives back the capacity and the recovery it was made of', () => {
    const recovered = [5, 10, 20, 40].map(minutes => ({ minutes, depthM: 10 + 4 * Math.exp((-2 * minutes) / 60) }))
    const drawn = [1, 10, 30, 50, 60].map(minutes => ({ minutes, depthM: 14 - 3 * Math.exp(-minutes / 8) }))
    const read = readTest(asWell({ pumpingTest: { flowLps: 0.4, drawn, recovered } }))!
    expect(read.recoveryPerH).toBeCloseTo(2, 6)
    expect(read.fit).toBeCloseTo(1, 9)
    expect(read.ninetyMinutes).toBeCloseTo((60 * Math.LN10) / 2, 6)
    expect(read.specificCapacityLpsPerM).toBeCloseTo(0.4 / read.drawdownM, 9)
    expect(read.drawdownM).toBeCloseTo(4, 2)
    expect(read.stillFalling).toBe(false)
    expect(readTest(asWell())).toBeUndefined()
  })
  it('a night gives what stands in its casing and what comes in, and never more than the pump lifts', () => {
    // 4320 L a day are 0.05 L/s: 1800 L in ten hours. Of the 30 m, 17 stand above the pump: 208.6 L in 125 mm.
    const night = nightOf(asWell(), 0.5, 10)
    expect(night.storedL).toBeCloseTo((Math.PI * 0.125 ** 2 * 17 * 1000) / 4, 6)
    expect(night.litres).toBeCloseTo(1800 + night.storedL, 6)
    expect(night).toMatchObject({ rests: true, steadyLps: 0.05 })
    expect(nightOf(asWell(), 0.01, 10).litres).toBeCloseTo(360)
    // A dry season leaves less of both.
    expect(nightOf(asWell({ dryFallM: 5 }), 0.5, 10).litres).toBeLessThan(night.litres)
  })
  it('hours to fill are those after which a night has given so much', () => {
    const hours = hoursToFill(asWell(), 0.5, 1500)!
    expect(nightOf(asWell(), 0.5, hours).litres).toBeCloseTo(1500, 3)
    expect(hoursToFill(asWell({ yieldLPerDay: 10 }), 0.5, 5000)).toBeUndefined()
  })
})

const held = () => {
  const site = build(
    plainTank(blank(), 'Tank'),
    moveOf('addUse', { preset: 'kitchen', count: 4 }),
    moveOf('addUse', { preset: 'shower', count: 4 }),
  )
  return build(site, moveOf('liftBy', { run: feedsOf(site)[0]!.trunk[0]!.id, by: 'jet', hold: 'pressure-tank' }))
}

describe('a pressure tank', () => {
  it('starts at worst Q/4V an hour, and a larger one less often in proportion', () => {
    const feed = feedsOf(held())[0]!
    const [small, large] = [cyclingOf(held(), feed, 100)!, cyclingOf(held(), feed, 300)!]
    expect(small.worstPerHour).toBeCloseTo((3600 * small.pumpLps) / (4 * small.drawdownL), 9)
    expect(small.worstPerHour / large.worstPerHour).toBeCloseTo(3, 9)
    expect(large.heldL / small.heldL).toBeCloseTo(3, 9)
    expect(small.startsPerDay).toBeGreaterThan(large.startsPerDay)
    expect(small.runS).toBeCloseTo(small.drawdownL / small.pumpLps, 9)
  })
  it('holds by Boyle what lies between its gas and a pressure', () => {
    const vessel = { volumeL: 300, prechargeKPa: 262 }
    expect(heldAtL(vessel, 262)).toBe(0)
    expect(heldAtL(vessel, 414) - heldAtL(vessel, 276)).toBeCloseTo(77.4, 1)
  })
  it('says nothing where its switch cannot work', () => {
    const site = build(held(), setField('node', 'pressure-tank-1', 'prechargeKPa', 900))
    expect(cyclingOf(site, feedsOf(site)[0]!)).toBeUndefined()
  })
})

describe('power', () => {
  it('comes from the duty, the efficiency and the voltage', () => {
    const site = blank()
    const part = { id: 'p', ...pump({ efficiency: 0.5, cable: { lengthM: 50, conductorMm2: 1.5 } }) } as Part & {
      kind: 'pump'
    }
    const drawn = drawnBy(site, part, { flowLps: 0.5, headM: 20 })
    expect(drawn.inputW).toBeCloseTo((0.5 * 20 * 9.80665 * 0.9991) / 0.5, 1)
    expect(drawn.currentA).toBeCloseTo(drawn.inputW / 230 / 0.8, 9)
    expect(drawn.drop!.dropV).toBeCloseTo((2 * 50 * drawn.currentA * 0.0175) / 1.5, 9)
    // 196 W for half a litre a second: 109 Wh a cubic metre.
    expect(dailyWh(drawn, 1000)).toBeCloseTo(drawn.inputW / 1.8, 6)
    expect(batteryDays(1000, 200)).toBeCloseTo(4)
  })
  it('the thinnest copper keeps the drop under a twentieth', () => {
    expect(conductorFor(10, 30, 230)).toBe(1)
    expect(conductorFor(10, 100, 230)).toBe(4)
    expect(conductorFor(40, 2000, 12)).toBeUndefined()
  })
  it('copper goes by its gauge: 2.08 mm² are 14, 5.26 are 10, 53.5 are 1/0', () => {
    expect([2.08, 3.31, 5.26, 53.5, 107].map(wireGauge)).toEqual(['14 AWG', '12 AWG', '10 AWG', '1/0 AWG', '4/0 AWG'])
  })
  it('a panel lifts most in summer, and what it lifts falls with height', () => {
    const site = {
      ...blank(),
      climate: standInClimate('dry-summer-hill'),
      place: { ...blank().place, latitudeDeg: 39 },
    }
    const hours = peakSunHours(site)
    expect(Math.max(...hours)).toBeLessThan(9)
    expect(Math.min(...hours)).toBeGreaterThan(1)
    expect(hours[6]!).toBeGreaterThan(hours[0]!)
    const [low, high] = [solarMonths(site, 200, 0.4, 10), solarMonths(site, 200, 0.4, 20)]
    expect(low[6]! / high[6]!).toBeCloseTo(2, 9)
  })
})

describe('treatment', () => {
  it('takes its loss by the square of the flow, clean and due, and is told where it is too small', () => {
    const site = build(held(), moveOf('fitTreatment', { tap: 'tap-1' }))
    const [train] = trainsOf(site)
    const [first] = train!.stages
    expect(train!.stages).toHaveLength(4)
    expect(first!.cleanKPa).toBeCloseTo(15 * (train!.flowLps / 0.3) ** 2, 6)
    expect(first!.dueKPa / first!.cleanKPa).toBeCloseTo(70 / 15, 6)
    expect(train!.forDrinking).toBe(true)
    const small = build(site, setField('part', first!.part.id, 'ratedLps', 0.05))
    expect(trainsOf(small)[0]).toMatchObject({ overrated: true, narrowest: { ratedLps: 0.05 } })
  })
  it('that is fitted makes the water fit to drink', () => {
    const bare = without(held(), ({ kind }) => kind === 'filter' || kind === 'lamp')
    expect(drinkingFaults(bare, 'tap-1').map(({ fault }) => fault)).toContain('no-fine-filter')
    expect(drinkingFaults(build(held(), moveOf('fitTreatment', { tap: 'tap-1' })), 'tap-1')).toEqual([])
  })
})

it('taps alone are as they are when each is opened by itself', () => {
  const alone = singleTapFlows(held(), 'low')
  for (const [id, { flowLps }] of alone)
    expect(flowLps).toBeCloseTo(momentWith(held(), [id], 'low').taps[id]!.flowLps, 6)
})
