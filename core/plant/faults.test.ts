import { describe, expect, it } from 'vitest'
import { broken, FAULT_IDS, FAULTS, holeId, plantOf, play, type FaultId, type FaultRow } from '.'
import { casingOf, steady } from '../network'
import { mainAt, pipe, pressureTankAt, tankAt, tapAt, wellAt, worksOf } from '../../tests/waterworks'
import { demoSite } from '../../tests/demoSites'
import type { NewPart } from '../kinds'

const check: NewPart = { kind: 'check', boreMm: 25 }
const float: NewPart = { kind: 'float', boreMm: 15 }
const pump: NewPart = { kind: 'pump', pump: 'submersible', flowLps: 0.4, headM: 45 }
const filter: NewPart = { kind: 'filter', ratingUm: 20, medium: 'sediment' }
const house = () =>
  worksOf({
    nodes: [
      wellAt('well', 8),
      pressureTankAt('vessel', 0),
      tapAt('tap', 1),
      mainAt('main', 0, 300),
      tankAt('cistern', 2),
    ],
    runs: [
      ['rise', 'well', 'vessel', [pump, check, pipe(12, 32)]],
      ['line', 'vessel', 'tap', [filter, pipe(10, 20)]],
      ['fill', 'main', 'cistern.in', [pipe(10, 16), float]],
    ],
  })
const part = (kind: string) =>
  house()
    .runs.flatMap(run => run.parts)
    .find(each => each.kind === kind)!.id

describe('what breaks', () => {
  it('can be put wherever it says it can on each demo site, and the plant still plays and its books close', () => {
    for (const name of ['quillfern-ridge', 'brindle-yard', 'cinder-tor'] as const) {
      const site = demoSite(name)
      for (const id of FAULT_IDS) {
        const row: FaultRow = FAULTS[id]
        for (const at of row.places(site)) {
          const { litres, trouble } = play(site, {
            seconds: 900,
            everyS: 300,
            script: [
              { atS: 60, fault: id, at, to: row.usual },
              { atS: 120, rainMmPerH: 20 },
            ],
          })
          expect(trouble, `${name} ${id} ${at}`).toBeUndefined()
          expect(Math.abs(litres.error), `${name} ${id} ${at}`).toBeLessThan(1e-5 * (litres.in + litres.out + 100))
        }
      }
    }
  })
  const after = (fault: FaultId, at: string, to: number, seconds: number, tap = 0) =>
    play(house(), {
      seconds,
      start: { levels: { cistern: 1.85 }, pressures: { vessel: 290 } },
      everyS: seconds / 10,
      script: [
        { atS: 0, fault, at, to },
        { atS: 0, tap: 'tap', to: tap },
      ],
    })
  it('a check that passes lets a pressure tank run back into its well', () => {
    const leaks = after('check-passes', part('check'), 0.2, 600)
    expect(leaks.pressures.vessel!.at(-1)).toBeLessThan(280)
    const sound = after('clogged', part('filter'), 0.5, 600)
    expect(sound.pressures.vessel!.at(-1)).toBeCloseTo(290, 3)
  })
  it('a float stuck open runs its tank over, and one stuck shut does not fill it', () => {
    expect(after('float-stuck-open', part('float'), 1, 3600).events.map(({ what }) => what)).toContain('spills')
    const shut = after('float-stuck-shut', part('float'), 1, 3600)
    expect(shut.levels.cistern!.at(-1)).toBeCloseTo(1.85, 9)
  })
  it('gas that is lost makes a pump start oftener', () => {
    const starts = (fault: FaultId, to: number) =>
      after(fault, 'vessel', to, 3600, 0.4).pumps.rise!.filter(({ on }) => on).length
    expect(starts('gas-lost', 0.8)).toBeGreaterThan(3 * starts('gas-lost', 0))
    expect(starts('switch-wrong', 0)).toBe(starts('gas-lost', 0))
  })
  it('a burst loses what an orifice of its size passes, and holds the pump on', () => {
    const burst = after('burst', 'line', 0.5, 1200)
    const hole = burst.taps[holeId('line')]!
    expect(Math.max(...hole)).toBeGreaterThan(0.3)
    // No more than what stands in the well above its pump, what comes in meanwhile, and what the pressure tank holds.
    const { storedL, comesLps } = casingOf(house().nodes.find(node => node.kind === 'well')!)
    expect(burst.litres.out).toBeGreaterThan(0.9 * (storedL + 1200 * comesLps))
    expect(burst.litres.out).toBeLessThan(storedL + 1200 * comesLps + 100)
    expect(burst.events.some(({ what }) => what === 'well-dry')).toBe(true)
    const site = broken(house(), [{ fault: 'leak', at: 'line', to: 0.1 }])
    const { taps } = steady(site, { open: { [holeId('line')]: 1 } })
    // 2 mm at some 2.5 bar: Cd A √(2 p / ρ).
    const { flowLps, pressureKPa } = taps[holeId('line')]!
    expect(flowLps).toBeCloseTo(0.62 * ((Math.PI * 0.002 ** 2) / 4) * Math.sqrt(2 * pressureKPa) * 1000, 4)
  })
  it('a worn pump, air before it and a clogged filter each weaken the tap in their own way', () => {
    const flow = (fault: FaultId, at: string, to: number, running = true) => {
      const plant = plantOf(house(), { pressures: { vessel: 210 } })
      plant.act({ fault, at, to })
      plant.act({ tap: 'tap', to: 1 })
      plant.advance(running ? 240 : 1)
      return plant.view()
    }
    const sound = flow('pump-worn', part('pump'), 0)
    expect(flow('pump-worn', part('pump'), 0.4).pressures.vessel).toBeLessThan(sound.pressures.vessel!)
    expect(flow('air-in-suction', part('pump'), 0.7).pressures.vessel).toBeLessThan(sound.pressures.vessel!)
    const clogged = flow('clogged', part('filter'), 0.85)
    expect(clogged.taps.tap!.flowLps).toBeLessThan(0.7 * sound.taps.tap!.flowLps)
    // What clogs behind the pressure tank leaves that its pressures.
    expect(clogged.pressures.vessel).toBeGreaterThan(199)
    expect(flow('frozen', 'line', 1).taps.tap!.flowLps).toBe(0)
  })
  it('a tank that leaks loses what a hole of that size does', () => {
    const { levels, litres } = play(house(), {
      seconds: 3600,
      start: { levels: { cistern: 1.85 } },
      script: [
        { atS: 0, main: 'main', to: false },
        { atS: 0, fault: 'tank-leaks', at: 'cistern', to: 4 },
      ],
    })
    expect(levels.cistern!.at(-1)).toBeLessThan(1.75)
    expect(litres.out).toBeCloseTo(
      0.62 * ((Math.PI * 0.004 ** 2) / 4) * Math.sqrt(2 * 9.80665 * 1.72) * 3600 * 1000,
      -1,
    )
  })
})
