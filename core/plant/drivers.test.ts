import { describe, expect, it } from 'vitest'
import { plantOf } from '.'
import { sunOnPanels } from './sun'
import { casingOf, drawnBy, peakSunHours } from '../network'
import { monthDaylightH } from '../sums'
import { DAY_S } from '../units'
import { pipe, tankAt, tapAt, wellAt, worksOf } from '../../tests/waterworks'
import type { NewPart, PartOf } from '../kinds'
import type { Site } from '../site'

const pump: NewPart = { kind: 'pump', pump: 'submersible', flowLps: 0.5, headM: 20, switchedBy: 'hand' }
const works = (power: NonNullable<Site['power']>): Site => ({
  ...worksOf({
    nodes: [tankAt('low', 0), tankAt('high', 8)],
    runs: [['up', 'low', 'high.in', [pump, pipe(10, 32)]]],
  }),
  power,
})
const takesW = (site: Site) =>
  drawnBy(site, site.runs[0]!.parts[0] as PartOf<'pump'>, { flowLps: 0.5, headM: 20 }).inputW
const booked = (site: Site, seconds: number, before: Parameters<ReturnType<typeof plantOf>['act']>[0][]) => {
  const plant = plantOf(site, { levels: { low: 1.8, high: 0.2 } })
  for (const doing of before) plant.act(doing)
  plant.advance(seconds)
  return plant
}
const OFF = { power: false, to: false }

describe('power', () => {
  it('without a battery a pump stops as the power goes', () => {
    const plant = booked(works({}), 600, [OFF])
    expect(plant.view().pumps.up).toBe(false)
    expect(plant.litres().in + plant.litres().out).toBe(0)
  })
  it('a battery carries it for as long as four fifths of what it holds last', () => {
    const site = works({ batteryWh: 20 })
    const plant = booked(site, 3600, [OFF])
    const emptyS = (0.8 * 20 * 3600) / takesW(site)
    const { atS } = plant.events.find(({ what }) => what === 'battery-empty')!
    expect(atS).toBeCloseTo(emptyS, 1)
    expect(plant.view().batteryWh).toBe(0)
    expect(plant.pumpLog.up!.at(-1)).toEqual({ atS: expect.closeTo(emptyS, 0) as number, on: false })
  })
  it('panels keep a battery from running out while the sun brings what is drawn', () => {
    const site = works({ batteryWh: 20, panelW: 2 * takesW(works({})) })
    expect(booked(site, 1800, [OFF]).view().pumps.up).toBe(true)
    expect(booked(site, 1800, [OFF, { sun: 0 }]).view().pumps.up).toBe(false)
  })
  it('a battery is charged again while the power is on', () => {
    const plant = booked(works({ batteryWh: 20 }), 3600, [OFF])
    plant.act({ power: true, to: true })
    plant.advance(3600 + 2.5 * 3600)
    expect(plant.view().batteryWh).toBeCloseTo(8, 3)
  })
  it('an inverter that cannot bear its start trips, once each time that the switch would have it run', () => {
    const tripping = booked(works({ inverterSurgeW: 100 }), 600, [])
    expect(tripping.events.filter(({ what }) => what === 'trips')).toHaveLength(1)
    expect(tripping.view().pumps.up).toBe(false)
    tripping.act({ pump: 'up', to: false })
    tripping.act({ pump: 'up', to: true })
    expect(tripping.events.filter(({ what }) => what === 'trips')).toHaveLength(2)
    const bearing = booked(works({ inverterSurgeW: 5000 }), 600, [])
    expect(bearing.events.some(({ what }) => what === 'trips')).toBe(false)
    expect(bearing.view().pumps.up).toBe(true)
  })
})

describe('wells', () => {
  const site = worksOf({
    nodes: [wellAt('bore', 10, { yieldLPerDay: 600 }), tapAt('tap', 0)],
    runs: [['lift', 'bore', 'tap', [pump, pipe(12)]]],
  })
  it('a well gives what stands above its pump and what comes in, then air; a guard lets it rest longer', () => {
    const { storedL, comesLps } = casingOf(site.nodes.find(node => node.kind === 'well')!)
    const drawn = (of: Site) => {
      const plant = plantOf(of, { clockS: 0 })
      plant.act({ tap: 'tap', to: 1 })
      plant.advance(DAY_S)
      return { litres: plant.litres(), dry: plant.events.filter(({ what }) => what === 'well-dry'), plant }
    }
    const { litres, dry, plant } = drawn(site)
    expect(comesLps).toBeCloseTo(600 / DAY_S, 9)
    expect(litres.in).toBeLessThanOrEqual(storedL + 600 + 1e-6)
    expect(litres.in).toBeGreaterThan(0.95 * (storedL + 600))
    expect(Math.abs(litres.error)).toBeLessThan(1e-6 * litres.in)
    expect(dry.length).toBeGreaterThan(3)
    expect(plant.pumpLog.lift!.length).toBeGreaterThan(6)
    const guarded = drawn(
      worksOf({
        nodes: [wellAt('bore', 10, { yieldLPerDay: 600 }), tapAt('tap', 0)],
        runs: [['lift', 'bore', 'tap', [{ ...pump, dryGuard: true }, pipe(12)]]],
      }),
    )
    expect(guarded.dry.length).toBeLessThan(dry.length / 2)
    expect(guarded.litres.in).toBeLessThanOrEqual(storedL + 600 + 1e-6)
  })
})

describe('the sun', () => {
  const site = worksOf({
    nodes: [wellAt('bore', 10), tankAt('tank', 2)],
    runs: [['lift', 'bore', 'tank', [{ ...pump, pump: 'solar' }, pipe(12)]]],
  })
  const at = (latitudeDeg: number): Site => ({ ...site, place: { ...site.place, latitudeDeg } })
  it.each([56, 23, -35])(
    'at %s° a day of each month sums to its hours of full sun, from sunrise to sunset',
    latitudeDeg => {
      peakSunHours(at(latitudeDeg)).forEach((fullH, index) => {
        const month = index + 1
        const shares = Array.from({ length: 24 * 60 }, (_, minute) =>
          sunOnPanels(at(latitudeDeg), { clockS: 0, month }, 60 * minute)!,
        )
        expect(Math.abs(shares.reduce((sum, share) => sum + share, 0) / 60 - fullH)).toBeLessThan(0.35)
        const lightH = monthDaylightH(latitudeDeg, index)
        expect(sunOnPanels(at(latitudeDeg), { clockS: 0, month }, 3600 * (12 - lightH / 2) - 60)).toBe(0)
        expect(sunOnPanels(at(latitudeDeg), { clockS: 0, month }, 3600 * (12 + lightH / 2) + 60)).toBe(0)
      })
    },
  )
  it('in December at 56° north is a sixth of June’s and less', () => {
    const months = peakSunHours(at(56))
    expect(months[11]! / months[5]!).toBeLessThan(1 / 6)
  })
})
