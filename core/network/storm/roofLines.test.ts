import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { arbitrarySite, blank, build, plainTank, put } from '../../../tests/sites'
import { joinsOf, roofLines, waterLine } from './roofLines'
import { catchLimits } from './catchLimits'
import { fittingLossM, gutterHalfRound, pipeFriction } from '../../sums'
import { lineFrom, type Site } from '../../site'
import { moveOf } from '../../moves'
import { compile } from '../../balance'

/**
 * A roof of 72 m² at 3 m over a tank whose inlet lies at 0.95 m, with one straight pipe and no screen: 50 mm an hour
 * are 1 L/s.
 */
function shed(lengthM = 10, innerDiameterMm = 50): Site {
  const site = build(
    plainTank(blank(), 'A'),
    moveOf('addRoof', { name: 'Shed', lengthM: 9, widthM: 8, material: 'steel', eavesM: 3, tank: 'tank-1' }),
  )
  return build(
    site,
    put(
      ['runs', site.runs.findIndex(run => run.from.node === 'spout-1'), 'parts'],
      [{ kind: 'pipe', lengthM, innerDiameterMm, roughnessMm: 0.0015 }],
    ),
  )
}
const lossM = (flowLps: number, lengthM: number, k: number, innerDiameterMm = 50) =>
  pipeFriction({ flowLps, innerDiameterMm, lengthM }).headLossM + fittingLossM(flowLps, innerDiameterMm, k)

describe('a line from a spout to a tank', () => {
  it('is dry where it falls all the way; entry, friction and exit are what a storm costs it', () => {
    const [line] = roofLines(shed())
    expect(line).toMatchObject({ wet: false, standingL: 0, inletM: 0.95, areaM2: 72 })
    const water = waterLine(line!, 50)
    expect(water.runs[0]!.flowLps).toBeCloseTo(1, 9)
    expect(water.atTopM).toBeCloseTo(0.95 + lossM(1, 10, 1.5), 9)
    expect(water.spills).toBe(false)
  })
  it('passes just the rain at which its water line reaches the spout', () => {
    const [line] = roofLines(shed())
    expect(waterLine(line!, line!.passesMmPerH).atTopM).toBeCloseTo(3, 6)
    expect(waterLine(line!, line!.passesMmPerH * 1.01).spills).toBe(true)
    expect(waterLine(line!, line!.passesMmPerH * 0.99).spills).toBe(false)
  })
  it('is wet where it dips: what lies below the inlet stands in it, and its low point has a drain', () => {
    const site = build(shed(), moveOf('dipLine', { spout: 'spout-1', lowM: -0.5 }))
    const [line] = roofLines(site)
    expect(line).toMatchObject({ wet: true, low: { heightM: -0.5 } })
    expect(line!.drainRunIds).toHaveLength(1)
    // Down: 3.5 m of fall and 2 m of yard, of which the part below 0.95 m is 1.45 in 3.5; up: 1.45 m and 3 m, all of
    // it.
    const litreAM = ((Math.PI * 0.05 ** 2) / 4) * 1000
    expect(line!.standingL).toBeCloseTo(litreAM * ((5.5 * 1.45) / 3.5 + 4.5), 6)
    expect(lineFrom(site, 'spout-1').map(run => run.to.node)).toEqual(['joint-1', 'tank-1'])
  })
  it('that is as high as its tank passes nothing', () => {
    const [line] = roofLines(build(shed(), moveOf('setHeight', { node: 'spout-1', baseM: 0.95 })))
    expect(line!.passesMmPerH).toBe(0)
  })
  it('wider pipe always passes more, a longer one less', () => {
    const passes = (lengthM: number, bore: number) => roofLines(shed(lengthM, bore))[0]!.passesMmPerH
    expect(passes(10, 68)).toBeGreaterThan(passes(10, 50))
    expect(passes(30, 50)).toBeLessThan(passes(10, 50))
  })
})

describe('a screen head at a height of its own', () => {
  const hung = (atM: number) =>
    build(
      shed(),
      moveOf('fitScreen', { spout: 'spout-1', type: 'spout' }),
      moveOf('hangScreen', { spout: 'spout-1', atM }),
    )
  it('is where the line is open to the air: only what stands below it pushes, through the pipe below it', () => {
    const [line] = roofLines(hung(1.5))
    expect(line).toMatchObject({ topM: 1.5, head: { hangsAtM: 1.5 }, inletM: 0.95 })
    const water = waterLine(line!, 50)
    // The first 1.5 of 10 m of pipe are fallen through, and the head’s own mesh stands above its water.
    expect(water.atTopM).toBeCloseTo(0.95 + lossM(1, 8.5, 1.5), 9)
    expect(waterLine(line!, line!.passesMmPerH).atTopM).toBeCloseTo(1.5, 6)
    const [low] = roofLines(hung(1))
    expect(waterLine(low!, 50).spills).toBe(true)
  })
  it('costs what it gives away: the lower it hangs, the less the line passes', () => {
    const passes = [2.5, 2, 1.5, 1].map(atM => roofLines(hung(atM))[0]!.passesMmPerH)
    expect(passes).toEqual([...passes].sort((a, b) => b - a))
    expect(passes[3]).toBeLessThan(0.5 * passes[0]!)
    expect(roofLines(hung(0.9))[0]!.passesMmPerH).toBe(0)
  })
  it('spills the storm that the gutter would have pushed through, and nothing comes over a higher place', () => {
    expect(catchLimits(hung(1))[0]).toMatchObject({ first: 'line' })
    expect(compile(hung(1)).caught[0]!.pool).toBe(0)
    expect(compile(hung(0.5)).caught[0]!.pool).toBeLessThan(0)
  })
})

describe('two spouts in one line', () => {
  const joined = () =>
    build(
      shed(),
      moveOf('addSpout', { roof: 'roof-1', tank: 'tank-1' }),
      moveOf('joinSpouts', { spout: 'spout-2', into: 'spout-1' }),
    )
  it('share what comes after the tee, and each side has its own loss', () => {
    const site = joined()
    const [join] = joinsOf(site, 50)
    expect(join!.sides.map(side => side.line.spout.id).sort()).toEqual(['spout-1', 'spout-2'])
    const water = waterLine(
      roofLines(site).find(line => line.spout.id === 'spout-2')!,
      50,
    )
    expect(water.runs.map(run => run.flowLps)).toEqual([expect.closeTo(0.5, 9), expect.closeTo(1, 9)])
  })
  it('the side that costs more has less height left, and spills first', () => {
    const site = joined()
    const narrow = build(site, moveOf('setBore', { runs: [lineFrom(site, 'spout-2')[0]!.id], boreMm: 25 }))
    const [join] = joinsOf(narrow, 50)
    expect(join!.sides[0]!.line.spout.id).toBe('spout-2')
    expect(join!.sides[0]!.lossM).toBeGreaterThan(join!.sides[1]!.lossM)
    expect(join!.sides[0]!.spareM).toBeLessThan(join!.sides[1]!.spareM)
  })
})

describe('what spills first', () => {
  const limitOf = (site: Site) => catchLimits(site)[0]!
  it('is the gutter, the downpipe or the line, whichever gives way to the least rain', () => {
    const gutter = {
      profile: 'half-round',
      widthMm: 100,
      depthMm: 50,
      slope: 0,
      outletAt: 'end',
      guard: 'none',
      below: 'unknown',
    }
    const small = build(shed(10, 104), put(['roofs', 0, 'spouts', 0, 'gutter'], gutter))
    // 0.778 L/s off 72 m² is 38.9 mm an hour; with its outlet in the middle the same gutter carries twice that.
    expect(limitOf(small)).toMatchObject({
      first: 'gutter',
      spillsAtMmPerH: expect.closeTo((gutterHalfRound({ widthMm: 100 }).flowLps / 72) * 3600, 6),
    })
    const middle = build(small, put(['roofs', 0, 'spouts', 0, 'gutter', 'outletAt'], 'middle'))
    expect(limitOf(middle).spillsAtMmPerH).toBeCloseTo(2 * limitOf(small).spillsAtMmPerH, 6)
    expect(limitOf(build(shed(200, 25))).first).toBe('line')
    const at = small.nodes.findIndex(node => node.id === 'spout-1')
    expect(limitOf(build(small, put(['nodes', at, 'boreMm'], 20))).first).toBe('downpipe')
  })
  it('a gutter nobody described spills at no rain', () => {
    expect(limitOf(build(shed(1, 193), put(['roofs', 0, 'spouts', 0, 'gutter'], undefined))).gutterMmPerH).toBe(
      Infinity,
    )
  })
})

it('any site that moves can build has lines with figures in them', () => {
  fc.assert(
    fc.property(arbitrarySite, site => {
      for (const line of roofLines(site)) {
        expect(line.standingL).toBeGreaterThanOrEqual(0)
        expect(line.passesMmPerH).toBeGreaterThanOrEqual(0)
        for (const place of waterLine(line, 60).places)
          expect(place.waterM).toBeGreaterThanOrEqual(place.heightM - 1e-9)
      }
      for (const limit of catchLimits(site)) expect(limit.spillsAtMmPerH).not.toBeNaN()
    }),
    { numRuns: 60 },
  )
})
