import { describe, expect, it } from 'vitest'
import { blank, build, joinedBy, plainTank, put } from '../../tests/sites'
import { emptyingOf, soakingOf, spillWay } from './spillWays'
import { poolsOf } from './pools'
import { linksOf, lostIfBurstL, usableL } from './joining'
import { ifBurst, ifShut } from './whatIf'
import { drySpellFrom } from './drySpell'
import { compile } from './compile'
import { gravityFlow, levelTogether, openingFlow } from '../sums'
import { tanksOf, type Site } from '../site'
import { moveOf } from '../moves'
import { weatherSeries } from '../climate'
import type { NodeOf } from '../kinds'

/**
 * Two of a cubic metre, joined at the floor by 2 m of 50 mm pipe, under a roof of 100 m² that loses nothing, in a
 * storm of 72 mm/h.
 */
const pair = (): Site => {
  const joined = build(
    plainTank(plainTank(blank(), 'A'), 'B'),
    moveOf('linkAtBottom', { a: 'tank-1', b: 'tank-2', boreMm: 50 }),
  )
  const roofed = build(
    joined,
    moveOf('addRoof', { name: 'R', lengthM: 10, widthM: 10, material: 'steel', eavesM: 3, tank: 'tank-1' }),
    put(['climate', 'storm'], { intensityMmPerH: 72, minutes: 5 }),
    put(['climate', 'burst'], undefined),
  )
  const link = roofed.runs.findIndex(run => run.from.port === 'link')
  const gutter = roofed.roofs[0]!.spouts[0]!
  return build(
    roofed,
    put(['runs', link, 'parts', 2, 'lengthM'], 2),
    put(['roofs', 0, 'spouts', 0], { ...gutter, gutter: undefined }),
    put(['nodes', roofed.nodes.findIndex(node => node.kind === 'spout'), 'boreMm'], 200),
  )
}

describe('links', () => {
  const site = pair()
  const link = linksOf(site, poolsOf(site))[0]!
  it('are driven by half of the height in which they work, through entry, exit, two valves and two unions', () => {
    // Full at 0.9 m over a link at the floor: 0.45 m. k = 0.5 + 1 + 2 × 0.2 + 2 × 0.05.
    expect(link.flow).toEqual({ headM: 0.45, lengthM: 2, innerDiameterMm: 50, kTotal: 2 })
    expect(link.passesLps).toBeCloseTo(gravityFlow(link.flow).flowLps, 9)
    expect(link.minutes()).toBeCloseTo(
      levelTogether({
        planAreaAM2: 1,
        planAreaBM2: 1,
        levelDifferenceM: 0.45,
        lengthM: 2,
        innerDiameterMm: 50,
        kTotal: 2,
      }).minutes,
      9,
    )
  })
  it('must pass the share of the storm that belongs on the other side', () => {
    // 100 m² × 72 mm/h = 2 L/s, less what the spout’s line cannot carry; half of it belongs in B.
    expect(link.stormLps).toBeLessThanOrEqual(2 + 1e-9)
    expect(link.wantedLps).toBeCloseTo(link.stormLps! / 2, 9)
    const wide = build(site, put(['nodes', site.nodes.findIndex(node => node.id === 'tank-2'), 'shape', 'lengthM'], 3))
    expect(linksOf(wide, poolsOf(wide))[0]!.wantedLps).toBeCloseTo(link.stormLps! * 0.75, 9)
  })
  it('with another way round say nothing of what they must pass, nor without a storm', () => {
    const ring = build(site, moveOf('linkAtBottom', { a: 'tank-1', b: 'tank-2', boreMm: 40 }))
    expect(linksOf(ring, poolsOf(ring)).map(each => each.wantedLps)).toEqual([undefined, undefined])
    const calm = build(site, put(['climate', 'storm'], { minutes: 5 }))
    expect(linksOf(calm, poolsOf(calm))[0]).toMatchObject({
      wantedLps: undefined,
      passesLps: expect.closeTo(link.passesLps, 9),
    })
  })
})

describe('a burst, and a valve shut', () => {
  const site = pair()
  const link = site.runs.find(run => run.from.port === 'link')!
  it('loses all that can follow, and only its own behind a shut valve or a high sill', () => {
    const tank = tanksOf(site)[0]!
    expect(lostIfBurstL(compile(site), 0, tank)).toEqual({
      ownL: expect.closeTo(900, 6),
      lostL: expect.closeTo(1800, 6),
    })
    const shut = compile(build(site, moveOf('turnValve', { part: link.parts[0]!.id, open: false })))
    expect(lostIfBurstL(shut, 0, shut.pools[0]!.tanks[0]!).lostL).toBeCloseTo(900, 6)
    const high = build(site, moveOf('setPort', { tank: 'tank-2', port: 'link', heightM: 0.4 }))
    expect(lostIfBurstL(compile(high), 0, tanksOf(high)[0]!).lostL).toBeCloseTo(900 + 500, 6)
  })
  it('loses what fills it through an open float line too', () => {
    let stepped = plainTank(plainTank(blank(), 'A'), 'B')
    stepped = build(
      stepped,
      moveOf('setHeight', { node: 'tank-2', baseM: -2 }),
      moveOf('setHeight', { node: 'outfall-2', baseM: -2 }),
      moveOf('feedByFloat', { from: 'tank-1', to: 'tank-2' }),
    )
    const compiled = compile(stepped)
    const lower = compiled.pools.findIndex(pool => pool.tanks[0]!.id === 'tank-2')
    expect(lostIfBurstL(compiled, lower, compiled.pools[lower]!.tanks[0]!)).toEqual({
      ownL: expect.closeTo(900, 6),
      lostL: expect.closeTo(1800, 6),
    })
  })
  it('shut: what is cut off, what runs over, what is left to draw', () => {
    const used = build(
      site,
      moveOf('addUse', { preset: 'hens', tank: 'tank-2' }),
      moveOf('remove', { id: 'outfall-2' }),
    )
    const tap = used.nodes.find(node => node.kind === 'tap')!.id
    const low = build(used, moveOf('setHeight', { node: tap, baseM: 0 }))
    const series = weatherSeries(low)
    const effect = ifShut(low, link.parts[0]!.id, series)!
    // Alone, B serves its hens with what stands in it, and nothing fills it any more: it runs over no rim.
    expect(effect).toMatchObject({ runOver: [], cutOff: [], runsDry: ['Hens'] })
    // Were it A that has no overflow, its roof would fill it to its rim.
    const other = build(low, moveOf('leadOverflow', { tank: 'tank-2' }), moveOf('remove', { id: 'outfall-1' }))
    expect(ifShut(other, link.parts[0]!.id, series)!.runOver).toEqual(['A'])
    // A’s 900 L reach nobody.
    expect(effect.usableL).toEqual([expect.closeTo(1800, 6), expect.closeTo(1000, 6)])
    expect(effect.apart.sort()).toEqual(['A', 'B'])
    const line = low.runs.find(run => run.to.node === tap)!
    expect(ifShut(low, line.parts[0]!.id, series)).toMatchObject({ cutOff: ['Hens'] })
    expect(ifShut(low, link.parts[1]!.id, series)).toBeUndefined()
    expect(ifShut(low, 'gone', series)).toBeUndefined()
  })
})

describe('what a year without it is like', () => {
  it('a valve shut between roof and use leaves water that nobody gets, and the years say so', () => {
    const site = build(
      pair(),
      moveOf('addUse', { preset: 'sheep', count: 10, tank: 'tank-2' }),
      moveOf('remove', { id: 'outfall-2' }),
    )
    const low = build(site, moveOf('setHeight', { node: site.uses[0]!.at, baseM: 0 }))
    const series = weatherSeries(low)
    const link = low.runs.find(run => run.from.node === 'tank-1' && run.to.node === 'tank-2')!
    const effect = ifShut(low, link.parts.find(part => part.kind === 'valve')!.id, series)!
    // Every line is there, and yet the second tank, which no roof fills, runs dry and stays so.
    expect(effect).toMatchObject({ cutOff: [], runsDry: ['Sheep'] })
    expect(effect.shortDays[0]).toBeLessThan(60)
    expect(effect.shortDays[1]).toBeGreaterThan(360)
  })
  it('a group that has burst holds nothing, and what fills another keeps doing so', () => {
    const site = build(pair(), moveOf('addUse', { preset: 'sheep', count: 10, tank: 'tank-2' }))
    const low = build(site, moveOf('setHeight', { node: site.uses[0]!.at, baseM: 0 }))
    const [now, then] = ifBurst(low, 'tank-1', weatherSeries(low))!
    expect(now).toBeLessThan(60)
    expect(then).toBeGreaterThan(360)
    expect(ifBurst(low, 'gone', weatherSeries(low))).toBeUndefined()
  })
})

describe('how a full tank spills, soaks and empties', () => {
  it('the overflow passes what stands above its invert up to the rim, and takes the storm of all above it', () => {
    const site = pair()
    const way = spillWay(site, compile(site), 0)!
    expect(way.flow).toEqual({ innerDiameterMm: way.port.boreMm, depthMm: 100 })
    expect(way.passesLps).toBeCloseTo(openingFlow(way.flow).flowLps, 9)
    const cascade = build(
      plainTank(site, 'C'),
      moveOf('setHeight', { node: 'tank-3', baseM: -0.1 }),
      moveOf('setHeight', { node: 'outfall-3', baseM: -0.1 }),
      moveOf('spillInto', { from: 'tank-1', to: 'tank-3' }),
    )
    const compiled = compile(cascade)
    const last = compiled.pools.findIndex(pool => pool.tanks[0]!.id === 'tank-3')
    expect(spillWay(cascade, compiled, last)).toMatchObject({
      stormLps: expect.closeTo(way.stormLps!, 9),
      areaM2: expect.closeTo(100, 6),
    })
    const bare = build(plainTank(blank(), 'A'), moveOf('remove', { id: 'outfall-1' }))
    expect(spillWay(bare, compile(bare), 0)).toBeUndefined()
  })
  it('an overflow passes no more than its line does under the height up to the rim', () => {
    const site = build(plainTank(blank(), 'A'), moveOf('setHeight', { node: 'outfall-1', baseM: 0.5 }))
    const at = site.runs.findIndex(run => run.to.node === 'outfall-1')
    const pipe = { ...site.runs[at]!.parts.find(part => part.kind === 'pipe')!, innerDiameterMm: 32, lengthM: 6 }
    const narrow = build(site, put(['runs', at, 'parts'], [pipe]))
    const way = spillWay(narrow, compile(narrow), 0)!
    const { flowLps } = gravityFlow({
      headM: 0.5,
      lengthM: 6,
      innerDiameterMm: 32,
      roughnessMm: pipe.roughnessMm,
      kTotal: 1.5,
    })
    expect(way.lineLps / flowLps).toBeCloseTo(1, 2)
    expect(way).toMatchObject({ passesLps: way.lineLps, openingLps: spillWay(site, compile(site), 0)!.openingLps })
    expect(way.lineLps).toBeLessThan(way.openingLps)
  })
  it('a soakaway in tight ground wants more pit and takes longer than one in sand', () => {
    const pit = { lengthM: 2, widthM: 1, depthM: 1, voidShare: 0.4 }
    const site = build(pair(), moveOf('leadTo', { outfall: 'outfall-1', to: 'soakaway', soil: 'sand', pit }))
    const outfall = site.nodes.find(node => node.id === 'outfall-1') as NodeOf<'outfall'>
    const [sand, clay] = (['sand', 'stiff-clay'] as const).map(soil => soakingOf(site, { ...outfall, soil }, 100)!)
    expect(clay!.pitM3).toBeGreaterThan(sand!.pitM3)
    expect(clay!.halfEmptyHours / sand!.halfEmptyHours).toBeCloseTo(5e-5 / 2e-7, 3)
    // 2 × 1 × 1 m of stone with 0.4 of voids, half of it through half of its walls: 0.4 m³ / (3 m² × 5e-5 m/s).
    expect(sand!.halfEmptyHours).toBeCloseTo(0.4 / (3 * 5e-5) / 3600, 9)
    expect(soakingOf(site, { ...outfall, soil: undefined }, 100)).toBeUndefined()
    expect(soakingOf(site, outfall, 0)).toBeUndefined()
  })
  it('emptying takes what Torricelli says, and says where it goes', () => {
    const uphill = build(plainTank(blank(), 'A'), moveOf('addUse', { preset: 'beds' }))
    expect(emptyingOf(uphill, tanksOf(uphill)[0]!, 0.9)!.leadsTo).toBe('')
    const site = build(uphill, moveOf('setHeight', { node: uphill.uses[0]!.at, baseM: -0.5 }))
    const empty = emptyingOf(site, tanksOf(site)[0]!, 0.9)!
    expect(empty).toMatchObject({
      litres: expect.closeTo(900, 6),
      input: { planAreaM2: 1, fromLevelM: 0.9, toLevelM: 0, orificeMm: 50 },
      leadsTo: 'Vegetable beds',
    })
    // What stands in the ground, or is drawn uphill by a pump alone, does not run out by itself.
    expect(empty.belowGroundM).toBeUndefined()
    const buried = build(
      blank(),
      moveOf('addTank', { kind: 'buried', how: 'alone' }),
      moveOf('addUse', { preset: 'shower' }),
    )
    const [deep] = tanksOf(buried)
    expect(emptyingOf(buried, deep!, deep!.baseM + 1.2)).toMatchObject({
      leadsTo: '',
      belowGroundM: expect.closeTo(-deep!.baseM - 0.1, 6),
    })
    expect(emptyingOf(site, tanksOf(site)[0]!, 0)).toBeUndefined()
  })
})

describe('if it stops raining today', () => {
  const site = joinedBy(
    {
      ...plainTank(blank(), 'A'),
      nodes: [
        ...plainTank(blank(), 'A').nodes,
        { kind: 'tap', id: 'sink', name: 'sink', baseM: 0, groundM: 0, fixture: 'tap' },
      ],
      uses: [
        {
          id: 'use',
          name: 'Sink',
          at: 'sink',
          quality: 'garden',
          priority: 1,
          amount: { by: 'day', litresPerDay: 60, months: Array.from({ length: 12 }, () => 1) },
        },
      ],
    },
    ['tank-1', 'outlet'],
    ['sink', 'in'],
    [],
  )
  it('lasts what is held over what is drawn, from any level and any day', () => {
    for (const [share, days] of [
      [1, 15],
      [0.5, 7],
      [0, 0],
    ] as const)
      expect(drySpellFrom(compile(site), 20000, share)).toMatchObject({ days, first: 'Sink', rationedAfter: undefined })
    expect(drySpellFrom(compile(site), 20000, 1, 10)).toMatchObject({ days: undefined, first: undefined })
  })
  it('lasts longer for rationing, which begins earlier', () => {
    const rationed = build(site, moveOf('ration', { use: 'use', steps: [{ belowShare: 0.5, share: 0.5 }] }))
    const spell = drySpellFrom(compile(rationed), 20000, 1)
    expect(spell.rationedAfter).toBe(8)
    expect(spell.days).toBe(22)
  })
  it('counts what can be drawn, all groups together', () => {
    expect(usableL(compile(site))).toBeCloseTo(900, 6)
    expect(usableL(compile(plainTank(blank(), 'A')))).toBe(0)
  })
})
