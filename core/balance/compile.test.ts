import { describe, expect, it } from 'vitest'
import { blank, build, joinedBy, plainTank, withJoint, withTap } from '../../tests/sites'
import { outlook, poolFigures } from './year'
import { poolsOf } from './pools'
import { compile } from './compile'
import type { Site } from '../site'
import { moveOf } from '../moves'
import type { NewPart } from '../kinds'
import { seriesOf } from '../climate'

const tap = (site: Site, id: string, baseM: number): Site => ({
  ...withTap(site, id, baseM),
  uses: [
    ...site.uses,
    {
      id: `use-${id}`,
      name: id,
      at: id,
      quality: 'garden',
      priority: site.uses.length + 1,
      amount: { by: 'day', litresPerDay: 100, months: Array.from({ length: 12 }, () => 1) },
    },
  ],
})
const pump: NewPart = { kind: 'pump', pump: 'jet', flowLps: 0.5, headM: 20 }

describe('what a use can draw', () => {
  it('by gravity only what stands above its tap; by pump all above the outlet', () => {
    const high = tap(plainTank(blank(), 'A'), 'sink', 0.5)
    const keep = (site: Site) => compile(site).demands[0]!.sources.map(source => source.keepL)
    expect(keep(joinedBy(high, ['tank-1', 'outlet'], ['sink', 'in'], []))).toEqual([expect.closeTo(500, 6)])
    expect(keep(joinedBy(high, ['tank-1', 'outlet'], ['sink', 'in'], [pump]))).toEqual([expect.closeTo(0, 6)])
    expect(keep(high)).toEqual([])
  })
  it('two lines from one pool count once, the better one', () => {
    let site = tap(plainTank(blank(), 'A'), 'sink', 0.5)
    site = joinedBy(
      joinedBy(site, ['tank-1', 'outlet'], ['sink', 'in'], []),
      ['tank-1', 'link'],
      ['sink', 'in'],
      [pump],
    )
    expect(compile(site).demands[0]!.sources).toEqual([
      expect.objectContaining({ kind: 'pool', keepL: expect.closeTo(0, 6) }),
    ])
  })
  it('is served in the order of priority, whatever the order in the file', () => {
    const site = tap(tap(plainTank(blank(), 'A'), 'later', 0), 'first', 0)
    const turned = { ...site, uses: site.uses.map(use => ({ ...use, priority: use.name === 'first' ? 1 : 2 })) }
    expect(compile(turned).demands.map(demand => demand.name)).toEqual(['first', 'later'])
  })
  it('usable is what the best line can draw', () => {
    const site = joinedBy(tap(plainTank(blank(), 'A'), 'sink', 0.3), ['tank-1', 'outlet'], ['sink', 'in'], [])
    expect(poolFigures(compile(site))[0]).toMatchObject({
      capL: expect.closeTo(900, 6),
      nominalL: expect.closeTo(1000, 6),
      usableL: expect.closeTo(600, 6),
    })
    expect(poolFigures(compile(plainTank(blank(), 'A')))[0]!.usableL).toBe(0)
  })
})

describe('pools', () => {
  it('tanks on one open manifold stand at one level; a pump in it parts them', () => {
    let site = withJoint(plainTank(plainTank(blank(), 'A'), 'B'), 'manifold')
    site = joinedBy(site, ['tank-1', 'outlet'], ['manifold', 'in'], [])
    expect(poolsOf(joinedBy(site, ['tank-2', 'outlet'], ['manifold', 'in'], []))).toHaveLength(1)
    expect(poolsOf(joinedBy(site, ['tank-2', 'outlet'], ['manifold', 'in'], [pump]))).toHaveLength(2)
  })
  it('a link above a spill point joins nothing', () => {
    const pair = build(
      plainTank(plainTank(blank(), 'A'), 'B'),
      moveOf('setPort', { tank: 'tank-1', port: 'link', heightM: 0.95 }),
      moveOf('linkAtBottom', { a: 'tank-1', b: 'tank-2', boreMm: 50 }),
    )
    expect(poolsOf(pair)).toHaveLength(2)
  })
  it('level and volume answer each other', () => {
    const pool = poolsOf(
      build(
        plainTank(plainTank(blank(), 'A', { lengthM: 2 }), 'B'),
        moveOf('setHeight', { node: 'tank-2', baseM: -0.4 }),
        moveOf('linkAtBottom', { a: 'tank-1', b: 'tank-2', boreMm: 50 }),
      ),
    )[0]!
    for (const heightM of [-0.4, -0.1, 0, 0.2, 0.45])
      expect(pool.volumeAtL(pool.levelAtM(pool.volumeAtL(heightM)))).toBeCloseTo(pool.volumeAtL(heightM), 6)
    expect(pool.levelAtM(pool.capL)).toBeCloseTo(pool.capM, 6)
    expect(pool.levelAtM(0)).toBeCloseTo(-0.4, 6)
  })
})

describe('the years of a series', () => {
  const site = joinedBy(tap(plainTank(blank(), 'A'), 'sink', 0), ['tank-1', 'outlet'], ['sink', 'in'], [])
  it('autonomy is the tank over the draw', () => {
    expect(outlook(site, seriesOf(0, new Float64Array(30), true)).autonomy).toMatchObject({ days: 9, beyond: false })
  })
  it('autonomy counts what is in the tanks alone, also where a main or a well serves the tap', () => {
    const rule = { startShare: 0, stopShare: 0, months: [1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12] }
    const backed: Site = {
      ...site,
      nodes: [
        ...site.nodes,
        { kind: 'main', id: 'street', name: 'Street', baseM: 0, groundM: 0, pressureKPa: 300, rule },
      ],
    }
    const fed = joinedBy(backed, ['street', 'out'], ['sink', 'in'], [])
    const result = outlook(fed, seriesOf(0, new Float64Array(30), true), { startL: [900] })
    expect(result.years[0]).toMatchObject({ shortDays: 0, mainL: expect.closeTo(2100, 6) })
    expect(result.autonomy).toMatchObject({ days: 9, beyond: false })
  })
  it('counts short days, runs of them and dry spells within their own year', () => {
    const startDay = Math.round(Date.UTC(2001, 0, 1) / 86400000)
    const result = outlook(site, seriesOf(startDay, new Float64Array(730), false), { startL: [900] })
    expect(result.years.map(year => [year.year, year.shortDays, year.longestShortDays, year.longestDryDays])).toEqual([
      [2001, 356, 356, 365],
      [2002, 365, 365, 365],
    ])
    expect(result.years[0]!.metL).toBeCloseTo(900, 6)
  })
  it('a site with nothing on it has years too', () => {
    const result = outlook(blank(), seriesOf(0, new Float64Array(365), true))
    expect(result).toMatchObject({ autonomy: undefined, pools: [], reference: { dry: 0, middle: 0, wet: 0 } })
    expect(result.years[0]).toMatchObject({ askedL: 0, shortDays: 0, spilledL: 0 })
  })
})
