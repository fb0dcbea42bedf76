import { expect, it } from 'vitest'
import { commissionCard, isAsExpected, plantOf, readPin } from '.'
import { steady } from '../network'
import { demoSite } from '../../tests/demoSites'

it('the card has a line for every valve, tank, overflow, float, pump, check and tap, in the order of filling', () => {
  const site = demoSite('quillfern-ridge')
  const card = commissionCard(site)
  const count = (of: string) => card.filter(({ id }) => id.startsWith(`${of}:`)).length
  const parts = site.runs.flatMap(run => run.parts)
  expect(count('tight')).toBe(3)
  expect(count('spills')).toBe(2)
  expect(count('float')).toBe(1)
  expect(count('pump')).toBe(3)
  expect(count('holds')).toBe(parts.filter(({ kind }) => kind === 'check').length)
  expect(count('gives')).toBe(5)
  expect(new Set(card.map(({ id }) => id)).size).toBe(card.length)
  const stages = card.map(({ stage }) => stage)
  expect([...new Set(stages)]).toEqual(['dry', 'little', 'full', 'running'])
  // What a tap is to give is what the network says of it alone.
  const shower = card.find(({ id }) => id === 'gives:shower-tap')!.expect!
  const { taps } = steady(site, { open: { 'shower-tap': 1 }, levels: { 'tank-1': 1.4, 'tank-2': 1.4 } })
  expect(shower.value).toBeCloseTo(taps['shower-tap']!.flowLps, 2)
})
it('a pinned reading that was kept stands on the card with what it should show', () => {
  const plain = demoSite('quillfern-ridge')
  const site = { ...plain, pins: [{ id: 'pin-1', reads: 'gauge' as const, at: 'shower-tap', shows: 240 }] }
  const added = commissionCard(site).filter(({ id }) => !commissionCard(plain).some(line => line.id === id))
  expect(added).toMatchObject([{ id: 'pin:pin-1', stage: 'running', expect: { value: 240, kind: 'pressure' } }])
  const view = plantOf(site).view()
  expect(readPin(view, site.pins[0]!)).toBeCloseTo(view.taps['shower-tap']!.pressureKPa, 9)
  expect(readPin(view, { reads: 'level', at: 'tank-1' })).toBe(view.levels['tank-1'])
  expect(readPin(view, { reads: 'flow', at: 'gone' })).toBeUndefined()
})
it('a figure that is near is as expected, one that is not is told', () => {
  expect(isAsExpected({ value: 0.25, kind: 'flow' }, 0.22)).toBe(true)
  expect(isAsExpected({ value: 0.25, kind: 'flow' }, 0.1)).toBe(false)
  expect(isAsExpected({ value: 300, kind: 'pressure' }, 260)).toBe(false)
  expect(isAsExpected({ value: 1.2, kind: 'length' }, 1.21)).toBe(true)
})
