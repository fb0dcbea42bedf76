import { describe, expect, it } from 'vitest'
import { blank, build, plainTank, refusal } from '../../tests/sites'
import { moveOf } from './registry'
import { standInClimate } from './newSite'
import { litresPerDay, runsTo } from '../site'
import { CLIMATES, USE_PRESET_IDS } from '../catalog'

const roofed = (areaSideM = 8) =>
  build(
    plainTank(blank(), 'A'),
    moveOf('setHeight', { node: 'tank-1', baseM: 0.15 }),
    moveOf('addRoof', { name: 'Barn', lengthM: areaSideM, widthM: 5, material: 'steel', tank: 'tank-1' }),
  )

describe('uses', () => {
  it('indoors, high taps and low ones: a pump where it is needed, one for all', () => {
    let site = build(
      roofed(),
      moveOf('addUse', { preset: 'kitchen', count: 2 }),
      moveOf('addUse', { preset: 'shower', count: 2 }),
      moveOf('addUse', { preset: 'trees', count: 10 }),
    )
    const pumps = site.runs.flatMap(run => run.parts).filter(part => part.kind === 'pump')
    expect(pumps).toHaveLength(1)
    expect(runsTo(site, site.uses[1]!.at)[0]!.from.node).toBe(runsTo(site, site.uses[0]!.at)[0]!.from.node)
    expect(runsTo(site, site.uses[2]!.at)[0]!.from.node).toBe('tank-1')
    site = build(site, moveOf('fitTreatment', { tap: site.uses[0]!.at }))
    const parts = runsTo(site, site.uses[0]!.at)[0]!.parts.map(part => part.kind)
    expect(parts.slice(-4)).toEqual(['filter', 'filter', 'filter', 'lamp'])
    expect(
      runsTo(build(site, moveOf('fitTreatment', { tap: site.uses[0]!.at })), site.uses[0]!.at)[0]!.parts,
    ).toHaveLength(parts.length)
  })
  it.each(USE_PRESET_IDS)('%s asks for something in some month and nothing below none', preset => {
    const site = build({ ...roofed(), climate: standInClimate('dry-summer-hill') }, moveOf('addUse', { preset }))
    const months = litresPerDay(site, site.uses[0]!)
    expect(months).toHaveLength(12)
    expect(Math.max(...months)).toBeGreaterThan(0)
    expect(Math.min(...months)).toBeGreaterThanOrEqual(0)
  })
  it('a bed asks most when it is hot and dry, in either hemisphere', () => {
    const peak = (climate: 'dry-summer-hill' | 'trade-wind-island') => {
      const site = build(
        {
          ...roofed(),
          climate: standInClimate(climate),
          place: { ...blank().place, latitudeDeg: CLIMATES[climate].latitudeDeg },
        },
        moveOf('addUse', { preset: 'beds' }),
      )
      const months = litresPerDay(site, site.uses[0]!)
      return months.indexOf(Math.max(...months)) + 1
    }
    expect(peak('dry-summer-hill')).toBe(7)
    expect([8, 9, 10, 11]).toContain(peak('trade-wind-island'))
  })
  it('the last use at a joint takes the joint with it', () => {
    const site = build(roofed(), moveOf('addUse', { preset: 'shower' }))
    const bare = build(site, moveOf('remove', { id: 'use-1' }))
    expect(bare.nodes.some(node => node.kind === 'joint' || node.kind === 'tap')).toBe(false)
    expect(refusal(blank(), moveOf('addUse', { preset: 'shower' }))).toContain('no tank')
    expect(
      refusal(site, moveOf('insertPart', { run: 'run-1', before: 'gone', part: { kind: 'check', boreMm: 20 } })),
    ).toContain('no longer in')
  })
})
