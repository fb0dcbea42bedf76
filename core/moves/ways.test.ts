import { describe, expect, it } from 'vitest'
import { whyNot } from '../answers'
import { blank, build } from '../../tests/sites'
import { waysFor } from './ways'
import { moveOf } from './registry'
import { standInClimate } from './newSite'
import { applyMoves } from './apply'
import { feedsOf, joinedTanks, runsFrom, tankNominalL, tanksOf, type Site } from '../site'

const pair = () =>
  build(
    blank(),
    moveOf('addTank', { kind: 'upright', how: 'alone' }),
    moveOf('addTank', { kind: 'upright', how: 'joined', to: 'tank-1' }),
    moveOf('addUse', { preset: 'sheep', tank: 'tank-2' }),
  )
const way = (site: Site, id: string) => waysFor(site).find(candidate => candidate.id === id)
const made = (site: Site, id: string): Site => {
  const result = applyMoves(site, way(site, id)!.moves)
  if (!result.ok) throw new Error(whyNot(result))
  return result.site
}
const heldL = (site: Site) => tanksOf(site).reduce((sum, tank) => sum + tankNominalL(tank), 0)

describe('one big tank, or many', () => {
  it('one of the same litres stands in for the pair, and the use still draws', () => {
    const one = made(pair(), 'one-big')
    expect(tanksOf(one)).toHaveLength(1)
    expect(heldL(one) / heldL(pair())).toBeCloseTo(1, 2)
    expect(one.uses).toHaveLength(1)
    expect(runsFrom(one, tanksOf(one)[0]!.id).some(run => run.to.node === one.uses[0]!.at)).toBe(true)
  })
  it('totes of the same litres, up to a dozen, all at one level', () => {
    const totes = made(pair(), 'many-totes')
    const tanks = tanksOf(totes)
    expect(tanks.every(tank => tank.tankKind === 'tote')).toBe(true)
    expect(tanks.length).toBe(Math.min(12, Math.round(heldL(pair()) / 1000)))
    expect(joinedTanks(totes, tanks[0]!)).toHaveLength(tanks.length)
  })
  it('a stepped line becomes one tank that the lowest one’s lines run to', () => {
    const stepped = build(
      pair(),
      moveOf('addTank', { kind: 'drum', how: 'stepped', to: 'tank-1' }),
      moveOf('drawFrom', { use: 'use-1', tank: 'tank-3' }),
    )
    const one = made(stepped, 'one-big')
    expect(tanksOf(one).map(tank => tank.id)).toEqual(['tank-3'])
    expect(heldL(one) / heldL(stepped)).toBeCloseTo(1, 2)
  })
  it('is not offered where the site is that way already', () => {
    const one = build(blank(), moveOf('addTank', { kind: 'upright', how: 'alone' }))
    expect(way(one, 'one-big')).toBeUndefined()
    expect(way(made(pair(), 'many-totes'), 'many-totes')).toBeUndefined()
  })
})

describe('inlets, chambers and winter', () => {
  it('the other way of filling is offered, and after it the first', () => {
    expect(way(pair(), 'inlets')!.name).toContain('Calm')
    expect(way(made(pair(), 'inlets'), 'inlets')!.name).toContain('from the top')
  })
  it('by-pass or burying is argued only where it freezes', () => {
    const roofed = build(
      pair(),
      moveOf('addRoof', { name: 'House', lengthM: 8, widthM: 6, material: 'steel', tank: 'tank-1' }),
    )
    const ids = (climate: 'cold-upland' | 'trade-wind-island') =>
      waysFor({ ...roofed, climate: standInClimate(climate) }).map(({ id }) => id)
    expect(ids('cold-upland')).toEqual(expect.arrayContaining(['winter-by-pass', 'bury']))
    expect(ids('trade-wind-island')).not.toEqual(expect.arrayContaining(['winter-by-pass']))
    const buried = made({ ...roofed, climate: standInClimate('cold-upland') }, 'bury')
    expect(tanksOf(buried).every(tank => tank.base === 'buried' && tank.baseM < tank.groundM)).toBe(true)
  })
  it('chambers are named in the units of whoever reads them', () => {
    const flushed = build(
      pair(),
      moveOf('addRoof', { name: 'House', lengthM: 8, widthM: 6, material: 'steel', tank: 'tank-1' }),
      moveOf('fitFirstFlush', { spout: 'spout-1' }),
    )
    expect(way(flushed, 'big-chambers')!.name).toContain('2 mm')
    expect(way({ ...flushed, standards: { ...flushed.standards, units: 'us' } }, 'big-chambers')!.name).toContain(
      '0.079 in',
    )
  })
})

describe('a big pressure tank, or a variable-speed set', () => {
  it('are offered where a pressure tank stands, and nowhere else', () => {
    const kitchen = build(pair(), moveOf('addUse', { preset: 'kitchen' }))
    expect(way(kitchen, 'large-pressure-tank')).toBeUndefined()
    const run = feedsOf(kitchen).find(feed => feed.pump)!.trunk[0]!.id
    const held = build(kitchen, moveOf('liftBy', { run, by: 'jet', hold: 'pressure-tank' }))
    const vessel = (site: Site) => site.nodes.find(node => node.kind === 'pressureTank')
    expect(vessel(made(held, 'large-pressure-tank'))).toMatchObject({ volumeL: 450 })
    const set = made(held, 'variable-speed')
    expect(vessel(set)).toBeUndefined()
    expect(feedsOf(set).some(feed => feed.lift === 'variable-speed')).toBe(true)
  })
})
