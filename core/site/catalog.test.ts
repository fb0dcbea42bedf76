import { describe, expect, it } from 'vitest'
import { blank, build } from '../../tests/sites'
import { tankNominalL, tanksOf } from './tanks'
import { moveOf } from '../moves'
import {
  BASES,
  BED_SOIL_IDS,
  BED_SOILS,
  COVERS,
  guessedPrice,
  MULCHES,
  SOIL_IDS,
  SOILS,
  sizesSoldL,
  TANK_KIND_IDS,
  TANK_KINDS,
  USE_PRESET_IDS,
  USE_PRESETS,
} from '../catalog'

describe('tanks in the catalog', () => {
  it.each(TANK_KIND_IDS)('%s: its sizes rise, and taking one gives a tank of that size', kind => {
    const sizes = sizesSoldL(kind, 'metric')
    expect([...sizes].sort((a, b) => a - b)).toEqual([...sizes])
    const site = build(blank(), moveOf('addTank', { kind, how: 'alone' }))
    for (const volumeL of sizes) {
      const tank = tanksOf(build(site, moveOf('setKind', { tank: 'tank-1', kind, volumeL })))[0]!
      expect(Math.abs(tankNominalL(tank) / volumeL - 1)).toBeLessThan(0.01)
      expect(tank.tankKind).toBe(kind)
    }
  })
  it.each(TANK_KIND_IDS)(
    '%s: a larger one costs more, and less a litre; at the size it was priced, what it was priced at',
    kind => {
      const { price, priceAtL } = TANK_KINDS[kind]
      expect(guessedPrice(kind, priceAtL)).toBeCloseTo(price, 6)
      const sizes = [0.5, 1, 2, 4].map(share => priceAtL * share)
      for (let at = 1; at < sizes.length; at++) {
        const [small, large] = [sizes[at - 1]!, sizes[at]!]
        expect(guessedPrice(kind, large)).toBeGreaterThan(guessedPrice(kind, small))
        expect(guessedPrice(kind, large) / large).toBeLessThan(guessedPrice(kind, small) / small)
      }
    },
  )
  it('one of the usual size smaller than the catalog’s keeps its proportions, a larger one its height', () => {
    const site = build(blank(), moveOf('addTank', { kind: 'upright', how: 'alone' }))
    const shape = (volumeL: number) => {
      const made = tanksOf(build(site, moveOf('setKind', { tank: 'tank-1', kind: 'upright', volumeL })))[0]!.shape
      if (made.shape !== 'upright-cylinder') throw new Error('it is round')
      return made
    }
    const usual = TANK_KINDS.upright.shape
    expect(shape(1000).heightM / shape(1000).diameterM).toBeCloseTo(usual.heightM / usual.diameterM, 2)
    expect(shape(20000).heightM).toBe(usual.heightM)
  })
  it('dark and covered walls keep the light out, white and clear ones do not', () => {
    expect(
      Object.entries(COVERS)
        .filter(([, cover]) => !cover.lightTight)
        .map(([id]) => id),
    ).toEqual(['white', 'clear'])
  })
})

describe('ground and beds', () => {
  it('bears the more the firmer it is, and drains the faster the coarser', () => {
    const bears = (id: (typeof SOIL_IDS)[number]) => SOILS[id].bearingKPa
    expect(bears('rock')).toBeGreaterThan(bears('gravel'))
    expect(bears('gravel')).toBeGreaterThan(bears('sand'))
    expect(bears('sand')).toBeGreaterThan(bears('soft-clay'))
    expect(bears('soft-clay')).toBeGreaterThan(bears('fill'))
    const soaks = (['gravel', 'sand', 'loam', 'stiff-clay'] as const).map(id => SOILS[id].infiltrationMPerS)
    expect([...soaks].sort((a, b) => b - a)).toEqual(soaks)
    for (const id of SOIL_IDS) expect(SOILS[id].infiltrationMPerS > 0 && SOILS[id].infiltrationMPerS < 1e-3).toBe(true)
  })
  it('heavy soil keeps more of the rain for the roots, and mulch cuts what is asked', () => {
    const kept = BED_SOIL_IDS.map(id => BED_SOILS[id].rainUseShare)
    expect([...kept].sort((a, b) => a - b)).toEqual(kept)
    expect(MULCHES.mulched.cropFactor).toBeLessThan(MULCHES.bare.cropFactor)
  })
  it('only what is buried lies below the ground', () => {
    expect(
      Object.entries(BASES)
        .filter(([, base]) => base.heightM < 0)
        .map(([id]) => id),
    ).toEqual(['buried'])
  })
})

describe('uses in the catalog', () => {
  it.each(USE_PRESET_IDS)('%s can be added to a site with a tank, and asks for water in some month', preset => {
    const site = build(
      blank(),
      moveOf('addTank', { kind: 'upright', how: 'alone' }),
      moveOf('addUse', { preset, count: 3 }),
    )
    const [use] = site.uses
    expect(use!.quality).toBe(USE_PRESETS[preset].quality)
    expect(use!.amount.months.some(share => share > 0)).toBe(true)
    expect(site.nodes.some(node => node.id === use!.at && node.kind === 'tap')).toBe(true)
  })
})
