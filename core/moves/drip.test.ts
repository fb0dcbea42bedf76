import { describe, expect, it } from 'vitest'
import { blank, build, put, refusal } from '../../tests/sites'
import { moveOf, setField } from './registry'
import { standInClimate } from './newSite'
import { dripPlan, litresPerDay, monthWarmth, zonesWithin, type Amount, type Site } from '../site'

const one = () => build(blank(), moveOf('addTank', { kind: 'upright', how: 'alone' }))

describe('a bed on drip', () => {
  const garden = () =>
    build({ ...one(), climate: standInClimate('dry-summer-hill') }, moveOf('addUse', { preset: 'trees', count: 60 }))
  const bedOf = (site: Site) => site.uses[0]!.amount as Extract<Amount, { by: 'bed' }>
  it('runs as long as the month that asks most needs, in zones that keep within the flow', () => {
    const before = garden()
    const needed = Math.max(...litresPerDay(before, before.uses[0]!))
    const site = build(before, moveOf('fitDrip', { use: 'use-1', mostLph: 100 }))
    const plan = dripPlan(bedOf(site).drip!)
    expect(plan.litresPerDay).toBeGreaterThanOrEqual(needed)
    expect(plan.litresPerDay).toBeLessThan(needed * 1.1)
    // 240 drippers of 2 L/h: 480 L/h in five zones of 96.
    expect(bedOf(site).drip!.zones).toBe(5)
    expect(plan.zoneLph).toBeCloseTo(96, 9)
    expect(Math.max(...litresPerDay(site, site.uses[0]!))).toBeCloseTo(plan.litresPerDay, 9)
    expect(bedOf(build(site, moveOf('fitDrip', { use: 'use-1', off: true }))).drip).toBeUndefined()
    expect(refusal(build(one(), moveOf('addUse', { preset: 'hens' })), moveOf('fitDrip', { use: 'use-1' }))).toContain(
      'Only a bed',
    )
  })
  it('by a timer is shut in months under 5 °C, unless told otherwise', () => {
    const cold = { ...one(), climate: standInClimate('continental-forest') }
    const site = build(cold, moveOf('addUse', { preset: 'trees', count: 60 }), moveOf('fitDrip', { use: 'use-1' }))
    const asked = litresPerDay(site, site.uses[0]!)
    const { meanC } = monthWarmth(site)
    expect(meanC.some(mean => mean < 5)).toBe(true)
    meanC.forEach((mean, month) => expect(asked[month]! > 0, String(mean)).toBe(mean >= 5))
    const runsOn = build(site, setField('use', 'use-1', 'amount.drip.runsInCold', true))
    expect(new Set(litresPerDay(runsOn, runsOn.uses[0]!)).size).toBe(1)
  })
  it('zones never exceed the flow, and one is enough where all fits', () => {
    const emitters = [
      { id: 'trees', count: 30, litresPerHour: 4 },
      { id: 'herbs', count: 10, litresPerHour: 2 },
    ]
    expect(zonesWithin(emitters, 140)).toBe(1)
    expect(zonesWithin(emitters, 139)).toBe(2)
    expect(zonesWithin(emitters, 20)).toBe(7)
  })
  it('mulch and heavy soil ask less, animals more in hot months', () => {
    const bare = garden()
    const inYear = (soil: 'sand' | 'clay') => {
      const site = build({ ...bare, climate: standInClimate('wet-town') }, put(['uses', 0, 'amount', 'soil'], soil))
      return litresPerDay(site, site.uses[0]!).reduce((sum, litres) => sum + litres, 0)
    }
    const july = Math.max(...litresPerDay(bare, bare.uses[0]!))
    const mulched = build(bare, put(['uses', 0, 'amount', 'mulch'], 'mulched'))
    expect(Math.max(...litresPerDay(mulched, mulched.uses[0]!))).toBeLessThan(july * 0.85)
    expect(inYear('clay')).toBeLessThan(inYear('sand') * 0.9)
    const herd = build(
      { ...one(), climate: standInClimate('dry-summer-hill') },
      moveOf('addUse', { preset: 'cattle', count: 4 }),
    )
    const months = litresPerDay(herd, herd.uses[0]!)
    expect([months[0], months[6]]).toEqual([200, 300])
  })
})
