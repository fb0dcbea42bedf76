import { describe, expect, it } from 'vitest'
import { forgottenValves, handValves, leaningModes, modesFor, servedAsValvesStand, servedInMode } from '..'
import { partsAlong, profileOf } from '../along'
import { steady } from '../steady/steady'
import { demoSite } from '../../../tests/demoSites'
import { jointAt, outfallAt, pipe, tankAt, tapAt, wellAt, worksOf } from '../../../tests/waterworks'
import type { NewPart } from '../../kinds'
import type { Site } from '../../site'

const pump: NewPart = { kind: 'pump', pump: 'submersible', flowLps: 0.5, headM: 45 }
const check: NewPart = { kind: 'check', boreMm: 25 }
const valve = (id: string, open = true): NewPart => ({ id, kind: 'valve', boreMm: 25, open })

/** Three hand valves choose between well to house, well to hill tank and tank to house. */
const three = () =>
  worksOf({
    nodes: [wellAt('well', 12), tankAt('hill', 15), jointAt('tee', 0), tapAt('house', 1), outfallAt('ditch', -2)],
    runs: [
      ['rise', 'well', 'tee', [pump, check, valve('at-well'), pipe(20)]],
      ['hill-line', 'tee', 'hill.out', [valve('at-hill'), pipe(60)]],
      ['to-house', 'tee', 'house', [valve('at-house'), pipe(8)]],
      ['drain', 'hill.half', 'ditch', [valve('drain', false), pipe(4)]],
    ],
  })
const mode = (id: string, open: string[], shut: string[]) => ({
  id,
  name: id,
  positions: [...open.map(part => ({ part, open: true })), ...shut.map(part => ({ part, open: false }))],
})
const withModes = (site: Site, ...modes: Site['modes']): Site => ({ ...site, modes })

describe('ways of running it', () => {
  it('of three valves are proposed: well to house, well to hill tank, tank to house, and the tank shut off', () => {
    const site = three()
    expect(handValves(site).map(({ valve }) => valve.id)).toEqual(['at-well', 'at-hill', 'at-house', 'drain'])
    const proposed = Object.fromEntries(
      modesFor(site).map(({ name, positions }) => [
        name,
        Object.fromEntries(positions.map(({ part, open }) => [part, open])),
      ]),
    )
    expect(proposed['well to hill']).toMatchObject({ 'at-well': true, 'at-hill': true, 'at-house': false })
    expect(proposed['well to the taps']).toMatchObject({ 'at-well': true, 'at-house': true, 'at-hill': false })
    expect(proposed['hill to the taps']).toMatchObject({ 'at-hill': true, 'at-house': true, 'at-well': false })
    // What is kept already is not proposed again.
    const [first] = modesFor(site)
    const kept = withModes(site, { id: 'm', ...first! })
    expect(modesFor(kept).map(({ name }) => name)).not.toContain(first!.name)
  })
  it('serve what they say, and a mode that shuts all serves nobody', () => {
    const site = three()
    expect(servedInMode(site, mode('fill', ['at-well', 'at-hill'], ['at-house']))).toMatchObject({
      taps: [],
      tanks: [{ id: 'hill' }],
    })
    expect(servedInMode(site, mode('fall', ['at-hill', 'at-house'], ['at-well'])).taps).toEqual(['house'])
    expect(servedInMode(site, mode('none', [], ['at-well', 'at-hill', 'at-house']))).toEqual({ taps: [], tanks: [] })
    expect(servedAsValvesStand(site).taps).toEqual(['house'])
  })
  it('are spoiled by one valve that was forgotten: a drain left open empties a tank, a shut one stalls the pump', () => {
    const site = withModes(
      three(),
      mode('fill', ['at-well', 'at-hill'], ['at-house', 'drain']),
      mode('shut', [], ['at-well', 'at-hill', 'at-house', 'drain']),
    )
    const found = forgottenValves(site)
    expect(found).toMatchObject([
      { valve: 'at-well', open: false, what: 'stalls', id: 'rise' },
      { valve: 'at-hill', open: false, what: 'stalls', id: 'rise' },
    ])
    // The drain lies at half height: it empties what stands over it, once the tank is so full.
    const low = worksOf({
      nodes: [tankAt('tank', 2), tapAt('tap', 0), outfallAt('ditch', 0)],
      runs: [
        ['house', 'tank', 'tap', [valve('at-house'), pipe(8)]],
        ['drain', 'tank', 'ditch', [valve('drain', false), pipe(4)]],
      ],
    })
    expect(forgottenValves(withModes(low, mode('day', ['at-house'], ['drain'])))).toMatchObject([
      { valve: 'drain', open: true, what: 'empties', id: 'tank' },
    ])
  })
  it('lean on each other where one does not name a valve that the other turns and it needs', () => {
    const site = withModes(
      three(),
      mode('rest', ['at-well'], ['at-house']),
      mode('house', ['at-well'], ['at-hill']),
      mode('all', ['at-house', 'at-hill'], []),
    )
    const found = leaningModes(site).map(({ mode: of, after, valve: part, open, lost }) => [
      of.id,
      after.id,
      part,
      open,
      lost,
    ])
    expect(found).toEqual([
      ['rest', 'house', 'at-hill', true, ['hill']],
      ['house', 'rest', 'at-house', true, ['house']],
    ])
    // Named, it leans no more.
    expect(
      leaningModes(withModes(site, mode('rest', ['at-hill'], ['at-house']), mode('house', ['at-house'], ['at-hill']))),
    ).toEqual([])
  })
  it('for a power cut open the by-pass by which a tap still gets water, and only where that helps', () => {
    const bypassed = (open: boolean) =>
      worksOf({
        nodes: [tankAt('tank', 3), jointAt('tee', 0), jointAt('tap-tee', 0), tapAt('tap', 0)],
        runs: [
          ['suction', 'tank', 'tee', [pipe(2)]],
          ['set', 'tee', 'tap-tee', [valve('at-pump'), { ...pump, pump: 'on-demand' } as NewPart, check, pipe(2)]],
          ['round', 'tee', 'tap-tee', [valve('by-pass', open), pipe(2)]],
          ['on', 'tap-tee', 'tap', [pipe(3)]],
        ],
      })
    const [cut] = modesFor(bypassed(false)).filter(({ name }) => name === 'Power cut')
    expect(cut?.positions).toEqual([
      { part: 'by-pass', open: true },
      { part: 'at-pump', open: false },
    ])
    expect(modesFor(bypassed(true)).some(({ name }) => name === 'Power cut')).toBe(false)
  })
  it('for the winter shut what leads outside alone, where it freezes', () => {
    const site = worksOf({
      nodes: [tankAt('tank', 3), jointAt('tee', 0), tapAt('kitchen', 0), tapAt('hose', 0, { fixture: 'hose' })],
      runs: [
        ['from', 'tank', 'tee', [valve('main'), pipe(2)]],
        ['in', 'tee', 'kitchen', [valve('at-kitchen'), pipe(2)]],
        ['out', 'tee', 'hose', [valve('at-hose'), pipe(9)]],
      ],
    })
    const months = site.climate.months.map(month => ({ ...month, tMinC: -12, tMaxC: -2 })) as Site['climate']['months']
    const cold: Site = { ...site, climate: { ...site.climate, months } }
    const named = (of: Site, name: string) => modesFor(of).find(each => each.name === name)?.positions
    expect(named(cold, 'Winter')).toEqual([{ part: 'at-hose', open: false }])
    expect(named(cold, 'Summer')).toEqual([{ part: 'at-hose', open: true }])
    expect(named(site, 'Winter')).toBeUndefined()
  })
  it('can be proposed for each demo site, and each serves somebody or shuts a tank off', () => {
    for (const name of ['quillfern-ridge', 'brindle-yard', 'cinder-tor'] as const) {
      const site = demoSite(name)
      for (const each of modesFor(site)) {
        const { taps, tanks } = servedInMode(site, { id: 'x', ...each })
        if (!/cleaned|Winter/.test(each.name))
          expect(taps.length + tanks.length, `${name}: ${each.name}`).toBeGreaterThan(0)
      }
    }
  })
})

describe('a line part by part', () => {
  it('has the pressures of its ends, and between them what its parts take and its pump gives', () => {
    const site = three()
    const moment = steady(site, { open: { house: 1 }, levels: { hill: 1 } })
    for (const run of site.runs) {
      if (run.id === 'drain') continue
      const along = partsAlong(site, run, moment)
      expect(along.map(({ part }) => part)).toEqual(run.parts)
      const last = along.at(-1)!
      const end = moment.nodes[run.to.node]!
      if (run.to.node !== 'hill') expect(last.behindKPa).toBeCloseTo(end.pressureKPa, 1)
    }
    const [first, second] = partsAlong(site, site.runs[0]!, moment)
    expect(first!.gainM).toBeGreaterThan(10)
    expect(second!.beforeKPa! - first!.beforeKPa!).toBeGreaterThan(100)
  })
  it('knows its humps and dips, and how deep it lies', () => {
    const site = three()
    const line = {
      ...site.runs[1]!,
      profile: [
        { id: 'hump', alongM: 20, heightM: 20 },
        { id: 'dip', alongM: 40, heightM: -1 },
      ],
    }
    const places = profileOf(site, line)
    expect(places.map(({ is }) => is)).toEqual([undefined, 'hump', 'dip', undefined])
    expect(places[2]).toMatchObject({ id: 'dip', alongM: 40, heightM: -1, deepM: 1 })
  })
})
