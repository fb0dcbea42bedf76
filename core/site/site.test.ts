import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { whyNot } from '../answers'
import { arbitrarySite, blank, build, plainTank, setUp } from '../../tests/sites'
import { rimM, tanksOf } from './tanks'
import type { Move, Site } from './schema'
import { roofAreaM2 } from './roofs'
import { readSite, readSiteText, writeSite } from '.'
import { portHeightM } from './graph'
import { applyMove, moveOf, redo, undo, setField } from '../moves'

const problems = (json: unknown) => {
  const read = readSite(json)
  return read.ok ? ['read'] : read.problems.map(problem => `${problem.path}: ${problem.sentence}`)
}
const json = (site: Site) => JSON.parse(writeSite(site)) as Record<string, unknown>

describe('reading a document', () => {
  it('gives back what was written, for any site', () => {
    fc.assert(
      fc.property(arbitrarySite, site => {
        expect(readSiteText(writeSite(site))).toEqual({ ok: true, site: JSON.parse(JSON.stringify(site)) })
      }),
      { numRuns: 60 },
    )
  })
  it('keeps fields it does not know, at every depth', () => {
    const document = json(plainTank(blank(), 'A')) as { nodes: { painted?: string }[]; neighbour?: unknown }
    document.neighbour = { lends: 'a ladder' }
    document.nodes[0]!.painted = 'blue'
    const read = readSite(document)
    expect(read.ok && read.site).toMatchObject({
      neighbour: { lends: 'a ladder' },
      nodes: expect.arrayContaining([expect.objectContaining({ painted: 'blue' })]),
    })
  })
  it('brings version 0 up to date', () => {
    const { standards, ...rest } = json(plainTank(blank(), 'A')) as {
      standards: unknown
      nodes: Record<string, unknown>[]
    }
    expect(standards).toBeDefined()
    const old = {
      ...rest,
      version: 0,
      units: 'us',
      nodes: rest.nodes.map(({ baseM, groundM, ...node }) => ({
        ...node,
        baseMm: Number(baseM) * 1000 + 250 * Number(groundM === 0),
      })),
    }
    const read = readSite(old)
    expect(read).toMatchObject({ ok: true, migratedFrom: 0, site: { version: 2, standards: { units: 'us' } } })
    if (read.ok) expect(tanksOf(read.site)[0]!.baseM).toBe(0.25)
  })
  it('refuses newer, foreign, broken and hostile documents in plain words', () => {
    expect(problems({ ...blank(), version: 7 })[0]).toContain('newer Tall Cask')
    expect(problems({ format: 'garden/plan', version: 1 })[0]).toContain('not a Tall Cask site')
    expect(problems([])[0]).toContain('one JSON object')
    expect(problems({ ...blank(), version: 0, nodes: 'many' })[0]).toContain('not laid out like one')
    expect(readSiteText('<html>')).toMatchObject({
      ok: false,
      problems: [{ sentence: expect.stringContaining('not JSON') }],
    })
    expect(readSiteText('')).toMatchObject({ ok: false, problems: [{ sentence: 'This file is empty.' }] })
    const hostile = readSiteText(writeSite(blank()).replace('{', '{"__proto__":{"polluted":true},'))
    expect(hostile.ok).toBe(true)
    expect(({} as { polluted?: boolean }).polluted).toBeUndefined()
  })
  it('names the field, the thing it belongs to, and what would be right', () => {
    const site = plainTank(blank(), 'East tank')
    const index = site.nodes.findIndex(node => node.kind === 'tank')
    const broken = json(site) as { nodes: Record<string, Record<string, unknown>>[] }
    broken.nodes[index]!.shape!.lengthM = -2
    expect(problems(broken)).toEqual([`nodes[${index}].shape.lengthM: Length of “East tank” must be more than 0 m.`])
    const stray = json(site) as { runs: Record<string, unknown>[] }
    stray.runs.push({
      id: 'x',
      name: 'Lost',
      from: { node: 'tank-1', port: 'spigot' },
      to: { node: 'nowhere', port: 'in' },
      parts: [],
    })
    expect(problems(stray)).toEqual([
      expect.stringContaining('no such port'),
      expect.stringContaining('not in this site'),
    ])
    expect(problems({ ...json(site), nodes: [{ kind: 'teapot' }] })[0]).toContain('kind of node')
  })
  it('never throws, whatever it is given', () => {
    fc.assert(fc.property(fc.string(), text => typeof readSiteText(text).ok === 'boolean'))
    fc.assert(fc.property(fc.jsonValue(), value => typeof readSite(value).ok === 'boolean'))
    fc.assert(
      fc.property(arbitrarySite, fc.nat(), fc.jsonValue(), (site, pick, value) => {
        const document = json(site)
        const keys = Object.keys(document).filter(key => key !== 'format' && key !== 'version')
        document[keys[pick % keys.length]!] = value
        return typeof readSite(document).ok === 'boolean'
      }),
      { numRuns: 60 },
    )
  })
})

describe('moves', () => {
  it('leave the site they were given alone, and undo and redo exactly', () => {
    fc.assert(
      fc.property(arbitrarySite, site => {
        const before = writeSite(site)
        const result = applyMove(site, moveOf('addTank', { kind: 'tote', how: 'alone' }))
        if (!result.ok) throw new Error(whyNot(result))
        expect(writeSite(site)).toBe(before)
        expect(undo(result.site, result.made)).toEqual(site)
        expect(redo(site, result.made)).toEqual(result.site)
      }),
      { numRuns: 40 },
    )
  })
  it('refuse with a sentence, and change nothing', () => {
    const site = plainTank(blank(), 'A')
    const problem = (move: Move) => {
      const result = applyMove(site, move)
      return result.ok ? 'made' : whyNot(result)
    }
    expect(problem({ name: 'drain', args: {} })).toContain('no move called')
    expect(problem(moveOf('addTank', { kind: 'tote', how: 'joined', to: 'gone' }))).toContain('any more')
    expect(problem(moveOf('setPort', { tank: 'tank-1', port: 'overflow', heightM: 3 }))).toContain('only 1 m tall')
    expect(problem(setField('node', 'tank-1', 'id', 'x'))).toContain('cannot be set')
    expect(problem(setField('node', 'tank-1', 'shape.lengthM', 0))).toContain('more than 0')
    expect(problem(setField('node', 'tank-1', '__proto__.x', 1))).toContain('not a field')
    expect(problem(moveOf('linkAtBottom', { a: 'tank-1', b: 'tank-1', boreMm: 50 }))).toContain('itself')
    expect(problem(moveOf('fitFirstFlush', { spout: 'none' }))).toContain('no spout')
  })
  it('a tank joined to another has its top level with it, and a valve at each end', () => {
    const site = build(plainTank(blank(), 'A'), moveOf('addTank', { kind: 'upright', how: 'joined', to: 'tank-1' }))
    const [a, b] = tanksOf(site)
    expect(rimM(b!)).toBeCloseTo(rimM(a!), 6)
    expect(site.runs.find(run => run.from.port === 'link')!.parts.map(part => part.kind)).toEqual([
      'valve',
      'union',
      'pipe',
      'union',
      'valve',
    ])
  })
  it('a tank fed by the spill of another hands the overflow line on', () => {
    const site = build(plainTank(blank(), 'A'), moveOf('addTank', { kind: 'tote', how: 'spill', to: 'tank-1' }))
    const spill = site.runs.find(run => run.from.node === 'tank-1' && run.from.port === 'overflow')!
    expect(spill.to.node).toBe('tank-2')
    expect(portHeightM(site, spill.from)).toBeGreaterThan(portHeightM(site, spill.to))
    expect(site.runs.find(run => run.from.node === 'tank-2')!.to.node).toBe('outfall-1')
  })
  it('a first flush stands between spout and tank, and can be taken out again', () => {
    const roofed = build(
      plainTank(blank(), 'A'),
      moveOf('addRoof', { name: 'Shed', lengthM: 6, widthM: 5, material: 'steel', tank: 'tank-1' }),
    )
    const site = build(roofed, moveOf('fitFirstFlush', { spout: 'spout-1', depthMm: 0.8 }))
    const chamber = site.nodes.find(node => node.kind === 'chamber')!
    expect((((chamber.innerDiameterMm ** 2 * Math.PI) / 4) * chamber.heightM) / 1000).toBeCloseTo(24, 0)
    expect(chamber.baseM + chamber.heightM).toBeLessThan(2.6)
    const back = build(site, moveOf('takeOutChamber', { chamber: chamber.id }))
    expect(back.runs.some(run => run.from.node === 'spout-1' && run.to.node === 'tank-1')).toBe(true)
  })
  it('taking out a roof takes its spout and chamber with it; taking out a use, its tap', () => {
    const made = setUp('dry-ranch', [{ preset: 'cattle', count: 6 }], {
      roof: { name: 'Barn', lengthM: 12, widthM: 9, material: 'steel' },
      place: { latitudeDeg: 33, altitudeM: 900, frostDepthM: 0.3 },
      units: 'us',
    })
    expect(roofAreaM2(made.roofs[0]!)).toBe(108)
    const bare = build(made, moveOf('remove', { id: made.roofs[0]!.id }), moveOf('remove', { id: made.uses[0]!.id }))
    expect(bare.nodes.map(node => node.kind).sort()).toEqual(['outfall', 'tank', 'tank'])
  })
})
