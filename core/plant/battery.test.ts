import { describe, expect, it } from 'vitest'
import { plantOf } from '.'
import { drawnBy } from '../network'
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
  it('a well that has given its day is noted once a day, at the litre at which it has', () => {
    const plant = plantOf(site, { clockS: 0 })
    plant.act({ tap: 'tap', to: 1 })
    plant.advance(2 * 86400)
    const noted = plant.events.filter(({ what }) => what === 'well-overdrawn')
    const flowLps = plant.view().runs.lift!
    expect(noted.map(({ atS }) => Math.floor(atS / 86400))).toEqual([0, 1])
    // Noted with the step in which it came: none is longer than ten minutes of the sun's clock.
    for (const { value, atS } of noted) {
      expect(value).toBeGreaterThan(600)
      expect(value).toBeLessThan(600 + 600 * flowLps)
      expect(value).toBeCloseTo(flowLps * (atS % 86400), 6)
    }
  })
})
