import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { overflowWeirs } from './overflowWeirs'
import { heldInTank, heldInVessel } from './stores'
import { openingFlow, tankHeight, tankVolume } from '../sums'
import { pipe, outfallAt, pressureTankAt, tankAt, worksOf } from '../../tests/waterworks'
import type { NodeOf, Tank } from '../kinds'

type TankShape = Tank['shape']
const size = (most: number) => fc.double({ min: 0.2, max: most, noNaN: true })
const shapes: fc.Arbitrary<TankShape> = fc.oneof(
  fc.record({ shape: fc.constant('upright-cylinder' as const), diameterM: size(6), heightM: size(4) }),
  fc.record({ shape: fc.constant('lying-cylinder' as const), diameterM: size(3), lengthM: size(8) }),
  fc.record({ shape: fc.constant('box' as const), lengthM: size(5), widthM: size(5), heightM: size(3) }),
)
const tankOf = (shape: TankShape) => ({ ...(tankAt('t', 3) as Tank), shape })

describe('what holds water', () => {
  it('a tank of any shape stands as high as its litres say, and rises as its surface is wide', () => {
    fc.assert(
      fc.property(shapes, fc.double({ min: 0.02, max: 0.98, noNaN: true }), (shape, share) => {
        const held = heldInTank(tankOf(shape))
        const levelM = share * tankHeight(shape)
        const litres = tankVolume({ ...shape, levelM }).volumeL
        expect(held.headM(litres)).toBeCloseTo(3 + levelM, 6)
        const [less, more] = [held.headM(litres * 0.9999), held.headM(litres * 1.0001)]
        expect((more - less) / (litres * 0.0002) / held.risePerL(litres)).toBeCloseTo(1, 2)
      }),
    )
  })
  it('over its rim a tank goes on, so that water can stand there while it runs over', () => {
    const held = heldInTank(tankOf({ shape: 'box', lengthM: 1, widthM: 1, heightM: 2 }))
    expect(held.headM(2000)).toBeCloseTo(5, 9)
    expect(held.headM(2010)).toBeCloseTo(5.01, 9)
    expect(held.headM(-1)).toBe(3)
  })
  it('a pressure tank squeezes its gas as Boyle says, and with less gas rises faster', () => {
    const vessel = pressureTankAt('v', 2) as NodeOf<'pressureTank'>
    const held = heldInVessel(vessel)
    fc.assert(
      fc.property(fc.double({ min: 181, max: 900, noNaN: true }), kPa => {
        const litres = held.litresAt(kPa)
        expect(held.pressureKPa(litres)).toBeCloseTo(kPa, 6)
        expect((kPa + 101.325) * (vessel.volumeL - litres)).toBeCloseTo((180 + 101.325) * vessel.volumeL, 3)
      }),
    )
    const half = heldInVessel(vessel, 0.5)
    expect(half.risePerL(60)).toBeGreaterThan(held.risePerL(20))
    expect(held.litresAt(100)).toBe(0)
  })
})

describe('what goes over a brim', () => {
  const site = worksOf({
    nodes: [tankAt('tank', 3), outfallAt('ditch', 0)],
    runs: [['over', 'tank.overflow', 'ditch', [pipe(3, 100)]]],
  })
  const [overflow, rim] = overflowWeirs(site, site.nodes[0] as Tank)
  it('an overflow passes what the sum of its mouth does, and no more than its line', () => {
    for (const depthMm of [2, 5, 10, 20, 40]) {
      const { flowLps } = openingFlow({ innerDiameterMm: 25, depthMm })
      expect(overflow!.at(depthMm / 1000).flowLps).toBeCloseTo(flowLps, 2)
    }
    const narrow = worksOf({
      nodes: [tankAt('tank', 3), outfallAt('ditch', 2)],
      runs: [['over', 'tank.overflow', 'ditch', [pipe(20, 10)]]],
    })
    const [choked] = overflowWeirs(narrow, narrow.nodes[0] as Tank)
    expect(choked!.at(0.1).flowLps).toBeLessThan(0.3 * overflow!.at(0.1).flowLps)
    expect(choked!.at(0.1).slope).toBe(0)
  })
  it('never less with more water over it, nothing at its height, and the rim begins last', () => {
    let before = 0
    for (let depthM = 0; depthM < 0.2; depthM += 0.001) {
      const { flowLps } = overflow!.at(depthM)
      expect(flowLps).toBeGreaterThanOrEqual(before)
      before = flowLps
    }
    expect(overflow!.at(0).flowLps).toBe(0)
    expect([overflow!.beginsM, rim!.beginsM]).toEqual([4.8, 5])
    expect(rim!.at(0.01).flowLps).toBeCloseTo(1800 * 4 * 0.01 ** 1.5, 6)
  })
})
