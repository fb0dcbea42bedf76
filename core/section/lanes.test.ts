import { expect, it } from 'vitest'
import { blank, joinedBy, plainTank, withJoint, withTap } from '../../tests/sites'
import { gapsForParts, lanesOf } from './lanes'
import { verticalScale } from './scale'
import { slotsOf } from './slots'
import type { NewPart } from '../kinds'

const valve: NewPart = { kind: 'valve', boreMm: 50, open: true }
const pipe: NewPart = { kind: 'pipe', lengthM: 5, innerDiameterMm: 50, roughnessMm: 0.0015 }
const scale = verticalScale([[-1, 4]], 300)
const forked = () => {
  let site = withTap(withTap(withJoint(plainTank(blank(), 'A'), 'tee'), 'low', 0.5), 'high', 3)
  site = joinedBy(site, ['tank-1', 'outlet'], ['tee', 'in'], [valve, valve, valve, pipe])
  site = joinedBy(site, ['tee', 'out'], ['low', 'in'], [valve, valve, pipe])
  return joinedBy(site, ['tee', 'out'], ['high', 'in'], [valve, pipe, valve])
}

it('lines that leave at one place run apart, and each leaves room for the parts of those before it', () => {
  const site = forked()
  const [, ...lanes] = site.runs.map(run => lanesOf(site, scale).get(run.id))
  expect(lanes).toEqual([
    { leaving: 0, partsBefore: 0, partsAfter: 0 },
    { leaving: 0, partsBefore: 0, partsAfter: 0 },
    { leaving: 1, partsBefore: 2, partsAfter: 0 },
  ])
})

it('the gap next to the end where most parts stand gets what a line lacks, and the others nothing', () => {
  const site = forked()
  const slots = slotsOf(site, scale.pxPerM)
  const gapPx = gapsForParts(site, slots, lanesOf(site, scale), scale)
  const at = (id: string) => slots.findIndex(slot => slot.kind === 'node' && slot.nodeId === id)
  expect(gapPx[0]).toBe(0)
  expect(gapPx[at('tank-1') + 1]).toBeGreaterThan(20)
  expect(gapPx[at('tee')]).toBe(0)
  const bare = { ...site, runs: site.runs.map(run => ({ ...run, parts: [] })) }
  expect(gapsForParts(bare, slots, lanesOf(bare, scale), scale).every(px => px === 0)).toBe(true)
})
