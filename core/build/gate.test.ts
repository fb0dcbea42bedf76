import { describe, expect, it } from 'vitest'
import { gateOf, planOf } from '.'
import { isToBeFilled } from './filled'
import { tanksOf } from '../site'
import { moveOf } from '../moves'
import type { NewPart } from '../kinds'
import type { Site } from '../site'
import { demoSite } from '../../tests/demoSites'
import { build } from '../../tests/sites'
import { outfallAt, tankAt, tapAt, worksOf } from '../../tests/waterworks'

const pipe = (lengthM: number, innerDiameterMm: number): NewPart => ({
  kind: 'pipe',
  lengthM,
  innerDiameterMm,
  roughnessMm: 0.0015,
})

describe('the gate', () => {
  it('is open where the plan lacks something, and tells what forgetting it costs', () => {
    const bare = worksOf({
      nodes: [{ ...tankAt('tank', 1), ventMm: 0 } as ReturnType<typeof tankAt>, tapAt('tap', 0), outfallAt('ditch', 0)],
      runs: [
        ['out', 'tank', 'tap', [pipe(2, 26.64)]],
        ['over', 'tank.overflow', 'ditch', [pipe(2, 52.5)]],
      ],
    })
    const items = Object.fromEntries(gateOf(bare, 6).map(item => [item.id, item]))
    expect(items['supply:tank']!.open).toBe('the supply outlet has no valve')
    expect(items['next:tank']!.open).toContain('nothing is left')
    expect(items['air:tank']!.open).toBe('it has no vent')
    expect(items['supply:tank']!.costsLater.litres).toBeGreaterThan(1500)
  })
  it('is behind one once water was let into every tank, and not before', () => {
    const site = demoSite('brindle-yard')
    expect(isToBeFilled(site)).toBe(true)
    const fills = planOf(site).filter(({ id }) => id.startsWith('fill:'))
    expect(fills).toHaveLength(tanksOf(site).length)
    const ticked = (tasks: typeof fills) =>
      build(site, ...tasks.map(({ id }) => moveOf('tickTask', { task: id, on: '2027-04-18' })))
    expect(isToBeFilled(ticked(fills.slice(1)))).toBe(true)
    expect(isToBeFilled(ticked(fills))).toBe(false)
  })
  it('of a tank that a day of rain fills says so, and never that it takes none', () => {
    const site = demoSite('brindle-yard')
    for (let month = 1; month <= 12; month++)
      for (const { costsLater } of gateOf(site, month)) expect(costsLater.days ?? 1).toBeGreaterThanOrEqual(1)
    const flat = {
      ...site,
      nodes: site.nodes.map(node =>
        node.kind === 'tank'
          ? { ...node, ports: node.ports.map(port => (port.role === 'overflow' ? { ...port, heightM: 0.001 } : port)) }
          : node,
      ),
    }
    const held = gateOf(flat, 10).filter(({ id }) => id.startsWith('supply:'))
    expect(held.length).toBeGreaterThan(0)
    for (const { costsLater, later } of held) {
      expect(costsLater.days).toBe(1)
      expect(later.join(' ')).toContain('A day’s rain at this season fills it again.')
    }
  })
  it('holds a base open until it has cured', () => {
    const poured = build(demoSite('brindle-yard'), moveOf('tickTask', { task: 'base:tank-3', on: '2027-06-01' }))
    const base = (today?: string) => gateOf(poured, 6, today).find(({ id }) => id === 'base:tank-3')!.open
    expect(base('2027-06-02')).toMatch(/^it cures for \d+ more days$/)
    expect(base('2027-07-01')).toBeUndefined()
    expect(base()).toBeUndefined()
  })
  it('shuts as its tasks are done', () => {
    const site = demoSite('brindle-yard')
    const open = (of: Site) => gateOf(of, 6).filter(item => item.open).length
    const before = open(site)
    const done = build(site, ...planOf(site).map(({ id }) => moveOf('tickTask', { task: id, on: '2027-05-01' })))
    expect(open(done)).toBeLessThan(before / 2)
    // What is left is missing in the plan itself.
    for (const item of gateOf(done, 6)) if (item.open) expect(item.open).not.toContain('not done yet')
  })
})
