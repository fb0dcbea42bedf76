import { describe, expect, it } from 'vitest'
import type { Site } from './schema'
import { readSite, writeSite } from '.'
import { litresPerDay } from './uses'
import { replay } from '../moves'
import { dayNumber, seriesOf } from '../climate'
import { compile, outlook } from '../balance'
import brindleYard from '../../tests/version1/brindle-yard.json'
import cinderTor from '../../tests/version1/cinder-tor.json'
import quillfernRidge from '../../tests/version1/quillfern-ridge.json'

const OLD = {
  'brindle-yard.json': brindleYard,
  'cinder-tor.json': cinderTor,
  'quillfern-ridge.json': quillfernRidge,
}
const old = (name: string) => structuredClone(OLD[name as keyof typeof OLD]) as Record<string, unknown>
const read = (document: unknown): Site => {
  const reading = readSite(document)
  if (!reading.ok) throw new Error(JSON.stringify(reading.problems))
  return reading.site
}
/**
 * What the code of version 1 made of its own demo files, in days short and litres of ten years. (Figures told with the
 * weather that it made up were compared with it while that weather could still be made.)
 */
const SAID = {
  'brindle-yard.json': {
    shortDays: 39,
    caughtL: 210695.688,
    spilledL: 101923.5217,
    metL: 100678.6082,
    usableL: 500.6550438,
  },
  'cinder-tor.json': { shortDays: 0, caughtL: 397763.6147, spilledL: 27.2521, metL: 675620, usableL: 5872.534592 },
  'quillfern-ridge.json': {
    shortDays: 0,
    caughtL: 1008797.4117,
    spilledL: 36156.5936,
    metL: 984331.8341,
    usableL: 19353.7815424,
  },
}
/** Ten years of rain by rule, so that what the files say does not hang on how years are made up. */
const SERIES = seriesOf(
  dayNumber('2001-01-01'),
  Float64Array.from({ length: 3652 }, (_, day) => ((day * 7919) % 11 < 3 ? ((day * 1049) % 23) * 0.8 : 0)),
  true,
)

/** Beds as the code of version 1 had them, asking the mean month's need, alike in every year; and no snow lies. */
const byMonths = (site: Site): Site => ({
  ...site,
  climate: {
    ...site.climate,
    // Nights and days as far apart as they are, so that the sun is as it is.
    months: site.climate.months.map(month => {
      const warmerC = Math.max(0, -month.tMinC)
      return { ...month, tMinC: month.tMinC + warmerC, tMaxC: month.tMaxC + warmerC }
    }),
  },
  uses: site.uses.map(use => {
    if (use.amount.by !== 'bed') return use
    const litres = litresPerDay(site, use)
    const peak = Math.max(...litres)
    return { ...use, amount: { by: 'day', litresPerDay: peak, months: litres.map(day => day / peak) } }
  }),
})

describe('documents of version 1', () => {
  it.each(Object.keys(OLD))('%s comes up to date, always alike, and says the same figures', name => {
    const site = read(old(name))
    expect(read(old(name))).toEqual(site)
    expect(read(JSON.parse(writeSite(site)))).toEqual(site)
    const { years, pools } = outlook(byMonths(site), SERIES)
    const sum = (field: 'shortDays' | 'caughtL' | 'spilledL' | 'metL') =>
      years.reduce((total, year) => total + year[field], 0)
    const said = SAID[name as keyof typeof SAID]
    expect(sum('shortDays')).toBe(said.shortDays)
    for (const field of ['caughtL', 'spilledL', 'metL'] as const) expect(sum(field)).toBeCloseTo(said[field], 3)
    expect(pools.reduce((total, pool) => total + pool.usableL, 0)).toBeCloseTo(said.usableL, 6)
  })
  it('what pointed at a place points at the thing', () => {
    const document = old('quillfern-ridge.json')
    const site = read(document)
    const line = site.runs.find(run => run.id === 'hill-line')!
    expect(site.modes.map(mode => mode.positions)).toEqual([
      [{ part: line.parts[0]!.id, open: true }],
      [{ part: line.parts[0]!.id, open: false }],
    ])
    const at = site.nodes.findIndex(node => node.id === 'tank-2')
    const options = [
      {
        id: 'option-1',
        name: 'Wider',
        moves: [
          { name: 'change', args: { path: ['nodes', at, 'shape', 'diameterM'], value: 3 } },
          { name: 'change', args: { path: ['nodes', at, 'ports', 0, 'boreMm'], value: 125 } },
          { name: 'change', args: { path: ['climate', 'months', 6, 'rainMm'], value: 9 } },
          { name: 'change', args: { path: ['roofs', 0, 'spouts', 0, 'gutter', 'widthMm'], value: 150 } },
          { name: 'turnValve', args: { run: 'hill-line', part: 0, open: false } },
          { name: 'insertPart', args: { run: 'hill-line', at: 1, part: { kind: 'meter', boreMm: 26 } } },
        ],
      },
    ]
    const varied = read({ ...document, options })
    expect(varied.options[0]!.moves.every(move => move.name !== 'change')).toBe(true)
    const { site: made, left } = replay(varied, varied.options[0]!.moves, '')
    expect(left).toEqual([])
    expect(made.nodes[at]).toMatchObject({ shape: { diameterM: 3 } })
    expect(made.climate.months[6]!.rainMm).toBe(9)
    expect(made.roofs[0]!.spouts[0]!.gutter!.widthMm).toBe(150)
    expect(made.runs.find(run => run.id === 'hill-line')!.parts.slice(0, 2)).toMatchObject([
      { kind: 'valve', open: false },
      { kind: 'meter' },
    ])
  })
  it('fixtures, a hydrant’s outlet and a stand-in are told by their kind; what later issues bring survives', () => {
    const document = old('cinder-tor.json') as unknown as {
      nodes: Record<string, unknown>[]
      runs: { parts: Record<string, unknown>[] }[]
    }
    const tap = document.nodes.find(node => node.kind === 'tap')!
    Object.assign(tap, { fixture: 'Fire hydrant', ratedLps: 4 })
    const tank = document.nodes.find(node => node.kind === 'tank') as unknown as { ports: Record<string, unknown>[] }
    tank.ports.push({ name: 'fire', role: 'outlet', heightM: 0.05, boreMm: 50 })
    const pump = document.runs.flatMap(run => run.parts).find(part => part.kind === 'pump')!
    pump.curve = [
      { flowLps: 0, headM: 30 },
      { flowLps: 1, headM: 10 },
    ]
    const site = read(document)
    const read2 = JSON.stringify(site)
    expect(site.nodes.find(node => node.id === tap.id)).toMatchObject({ fixture: 'hydrant', ratedLps: 4 })
    expect(read2).toContain('"role":"fire"')
    expect(read2).toContain('"curve":[{"flowLps":0,"headM":30},{"flowLps":1,"headM":10}]')
    Object.assign(tap, { fixture: 'a spigot in the wall' })
    expect(read(document).nodes.find(node => node.id === tap.id)).toMatchObject({
      fixture: 'tap',
      fixtureWords: 'a spigot in the wall',
    })
  })
  it('a document of either version without ids gets them, and one with some keeps those', () => {
    const site = read(old('brindle-yard.json'))
    const bare = JSON.parse(JSON.stringify(site), function (this: { kind?: string }, key, value: unknown) {
      return key === 'id' && this.kind && ['pipe', 'valve', 'check', 'screen', 'pump', 'float'].includes(this.kind)
        ? undefined
        : value
    }) as { runs: { parts: Record<string, unknown>[] }[] }
    expect(bare.runs[0]!.parts[0]).not.toHaveProperty('id')
    expect(read(bare)).toEqual(site)
    bare.runs[0]!.parts[0]!.id = 'mine'
    expect(read(bare).runs[0]!.parts[0]!.id).toBe('mine')
    expect(compile(read(bare)).pools).toHaveLength(compile(site).pools.length)
  })
})
