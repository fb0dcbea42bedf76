import { sum } from 'd3-array'
import { describe, expect, it } from 'vitest'
import { review } from './review'
import { FAULTS } from '../../tests/faultySites'
import { filledHill, lifted, partOf, pumpRun, set, sound } from '../../tests/soundSite'
import { build } from '../../tests/sites'
import { pipe, tankAt, tapAt, worksOf } from '../../tests/waterworks'
import { daysOf, ifShut } from '../balance'
import { weatherSeries } from '../climate'
import { gateOf } from '../build'
import { moveOf, setField } from '../moves'
import { drawnBy, dutyAt, leftFull, peakSunHours, singleTapFlows } from '../network'
import { drainsLow, unstrained, waitsForNext, type Site } from '../site'
import type { Tank } from '../kinds'

const found = (site: Site, check: string) => review(site).findings.filter(finding => finding.check === check)
const tankIn = (site: Site, id = 'tank-1') => site.nodes.find(node => node.id === id) as Tank
const mainL = (site: Site) => sum(daysOf(site).mainL) / (daysOf(site).days / 365.25)

describe('a main that keeps a roofed tank full', () => {
  it('buys what the roof would have brought: its finding says by how much, and its move saves that', () => {
    const site = FAULTS['top-up-too-high']!(sound())
    const [high] = found(site, 'top-up-too-high')
    const { boughtL, savedL } = high!.numbers as Record<'boughtL' | 'savedL', number>
    expect(boughtL).toBeCloseTo(mainL(site), 6)
    const mended = build(site, high!.mend!.move)
    expect(mainL(site) - mainL(mended)).toBeCloseTo(savedL, 3)
  })
})

describe('an overflow', () => {
  it('is asked of no tank whose every spout goes to ground once it is full, by the check and by the gate', () => {
    const bare = build(sound(), moveOf('remove', { id: 'outfall-1' }))
    expect(found(bare, 'no-overflow')).toHaveLength(1)
    const spouts = bare.nodes.filter(({ kind }) => kind === 'spout')
    const shut = build(bare, ...spouts.map(({ id }) => set(bare, id, 'bypassWhenFull', true)))
    expect(found(shut, 'no-overflow')).toEqual([])
    const item = (site: Site) => gateOf(site, 5).find(({ id }) => id === 'overflow:tank-1')!
    expect(item(bare).open).toMatch(/no overflow/)
    expect(item(shut).open).toBeUndefined()
  })
})

describe('what is fitted low in a wall', () => {
  it('waits for the next tank, or drains, by one rule for the check and the gate', () => {
    const site = sound()
    expect(drainsLow(site, tankIn(site))).toBe(true)
    const spare = FAULTS['no-spare']!(site)
    for (const each of [site, spare]) {
      const waits = waitsForNext(each, tankIn(each))
      expect(found(each, 'no-spare').length === 0).toBe(waits)
      const { open } = gateOf(each, 5).find(({ id }) => id === 'next:tank-1')!
      expect(open !== 'nothing is left for the next tank').toBe(waits)
    }
    const high = FAULTS['drain-missing']!(site)
    expect(drainsLow(high, tankIn(high))).toBe(false)
    expect(gateOf(high, 5).find(({ id }) => id === 'drain:tank-1')!.open).toMatch(/no hole lies low/)
    // A buried one is emptied from its lid.
    expect(drainsLow(high, { ...tankIn(high), base: 'buried' })).toBe(true)
  })
})

describe('panels', () => {
  it('bring their watts for the month’s hours of sun, and a solar pump asks for all that it takes', () => {
    const site = build(lifted(sound(), 'solar'), setField('site', '', 'power', { panelW: 5 }))
    const [small] = found(site, 'panel-too-small')
    const pump = partOf(site, 'pump')
    const { inputW } = drawnBy(site, pump, dutyAt(pump))
    expect(small!.numbers).toEqual({ inputW, panelW: 5 })
    expect(found(build(site, small!.mend!.move), 'panel-too-small')).toEqual([])
    const offGrid = FAULTS['panel-too-small']!(sound())
    const { broughtWh } = found(offGrid, 'panel-too-small')[0]!.numbers as { broughtWh: number }
    expect(peakSunHours(offGrid).map(hours => hours * 1)).toContainEqual(expect.closeTo(broughtWh, 9))
  })
})

describe('a drip', () => {
  it('that is set up has its strainer, which costs its tap next to nothing', () => {
    const site = build(sound(), moveOf('fitDrip', { use: 'use-2' }))
    const bare = FAULTS['drip-unstrained']!(sound())
    const { at } = site.uses.find(({ id }) => id === 'use-2')!
    expect([unstrained(site, at), found(site, 'drip-unstrained')]).toEqual([[], []])
    const [now, then] = [bare, site].map(each => singleTapFlows(each, 'full').get(at)!.flowLps) as [number, number]
    expect(then / now).toBeGreaterThan(0.97)
    expect(then).toBeLessThan(now)
  })
})

describe('drained down', () => {
  it('a line up a hill stays full behind its check valve, and that is how much stands in it', () => {
    const hill = filledHill(sound())
    const up = hill.runs.find(({ to, parts }) => to.node === 'tank-3' && parts.some(({ kind }) => kind === 'pump'))!
    const held = leftFull(hill).find(({ run }) => run.id === up.id)!
    const pipeL = up.parts.reduce(
      (litres, part) =>
        part.kind === 'pipe' ? litres + (Math.PI / 4) * part.innerDiameterMm ** 2 * part.lengthM * 1e-3 : litres,
      0,
    )
    expect(held.litres).toBeGreaterThan(0.9 * pipeL)
    // What falls all the way from its tank to an open tap keeps nothing.
    const low = worksOf({
      nodes: [tankAt('up', 5), tapAt('down', 0)],
      runs: [['fall', 'up', 'down', [pipe(20)]]],
    })
    expect(leftFull(low)).toEqual([])
    expect(
      leftFull(worksOf({ nodes: [tankAt('low', 0), tapAt('high', 1)], runs: [['rise', 'low', 'high', [pipe(20)]]] })),
    ).toHaveLength(1)
  })
})

describe('a valve that is shut', () => {
  it('runs nothing over that nothing fills, on a demo of its own', () => {
    const site = sound()
    const run = pumpRun(site)
    const valve = run.parts.find(({ kind }) => kind === 'valve')!
    const effect = ifShut(site, valve.id, weatherSeries(site))!
    expect(effect.runOver).toEqual([])
    expect(effect.cutOff.length + effect.runsDry.length).toBeGreaterThan(0)
  })
})
