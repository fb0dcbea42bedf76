import { describe, expect, it } from 'vitest'
import { moveOf, setField } from '.'
import { blank, build, plainTank } from '../../tests/sites'
import { nodeById, portHeightM, type Site } from '../site'
import type { NodeOf, Tank } from '../kinds'

const withWell = () => build(plainTank(blank(), 'Tank'), moveOf('addSource', { kind: 'well', tank: 'tank-1' }))
const wellOf = (site: Site) => nodeById(site, 'well-1') as NodeOf<'well'>

describe('what stands on the ground', () => {
  it('a well that is deeper goes further down: its head stays where it is', () => {
    const before = withWell()
    const headM = portHeightM(before, { node: 'well-1', port: 'out' })
    const deeper = build(before, setField('node', 'well-1', 'depthM', wellOf(before).depthM + 12))
    expect(portHeightM(deeper, { node: 'well-1', port: 'out' })).toBeCloseTo(headM, 9)
    expect(wellOf(deeper).baseM).toBeCloseTo(wellOf(before).baseM - 12, 9)
    // Back again, it is what it was.
    expect(build(deeper, setField('node', 'well-1', 'depthM', wellOf(before).depthM))).toEqual(before)
  })
  it('is lifted with it: a tank by as much as its ground, a well’s head too', () => {
    const before = build(withWell(), moveOf('setHeight', { node: 'tank-1', baseM: 0.6 }))
    const lifted = build(before, setField('node', 'tank-1', 'groundM', 2), setField('node', 'well-1', 'groundM', 2))
    const tank = nodeById(lifted, 'tank-1') as Tank
    expect(tank.baseM - tank.groundM).toBeCloseTo(0.6 - (nodeById(before, 'tank-1') as Tank).groundM, 9)
    expect(portHeightM(lifted, { node: 'well-1', port: 'out' })).toBeCloseTo(
      2 + portHeightM(before, { node: 'well-1', port: 'out' }) - wellOf(before).groundM,
      9,
    )
  })
})
