import { describe, expect, it } from 'vitest'
import { blank, joinedBy, plainTank, withJoint, withTap } from '../../tests/sites'
import { pathsFrom } from '../site'
import type { NewPart } from '../kinds'

const pump: NewPart = { kind: 'pump', pump: 'jet', flowLps: 0.5, headM: 20 }

describe('following lines', () => {
  it('goes through joints, meets pumps and floats, and stops at a shut valve', () => {
    let site = withTap(withTap(withJoint(plainTank(blank(), 'A'), 'tee'), 'low', 0.1), 'high', 3)
    site = joinedBy(site, ['tank-1', 'outlet'], ['tee', 'in'], [pump])
    site = joinedBy(site, ['tee', 'out'], ['low', 'in'], [{ kind: 'float', boreMm: 20 }])
    site = joinedBy(site, ['tee', 'out'], ['high', 'in'], [{ kind: 'valve', boreMm: 20, open: false }])
    const paths = pathsFrom(site, 'tank-1', port => port === 'outlet')
    expect(paths.map(path => path.end.id)).toEqual(['low'])
    expect(paths[0]).toMatchObject({ pumpLps: 0.5, hasFloat: true, chambers: [] })
  })
  it('does not go round a ring for ever', () => {
    let site = withJoint(withJoint(plainTank(blank(), 'A'), 'one'), 'two')
    site = joinedBy(
      joinedBy(joinedBy(site, ['tank-1', 'outlet'], ['one', 'in'], []), ['one', 'out'], ['two', 'in'], []),
      ['two', 'out'],
      ['one', 'in'],
      [],
    )
    expect(pathsFrom(site, 'tank-1', port => port === 'outlet')).toEqual([])
  })
})
