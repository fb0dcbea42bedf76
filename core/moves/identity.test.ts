import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { whyNot } from '../answers'
import { arbitrarySite, blank, build, plainTank, refusal } from '../../tests/sites'
import { replay } from './replay'
import { moveOf, setField } from './registry'
import { applyMove } from './apply'
import { idsOf, nameOf, nodeById, readSite, runName, writeSite, type Site } from '../site'

const roofed = () =>
  build(plainTank(blank(), 'A'), moveOf('addRoof', { name: 'Barn', lengthM: 8, widthM: 5, material: 'steel' }))
const json = (site: Site) => JSON.parse(JSON.stringify(site)) as Record<string, never>

describe('one move sets a field', () => {
  const site = build(roofed(), moveOf('addUse', { preset: 'beds' }), moveOf('fitDrip', { use: 'use-1' }))
  const run = site.runs.find(each => each.to.node === site.uses[0]!.at)!
  const emitter = site.uses[0]!.amount.by === 'bed' ? site.uses[0]!.amount.drip!.emitters[0]!.id : ''
  it.each([
    ['site', '', 'standards.units', 'us'],
    ['site', '', 'climate.storm.minutes', 10],
    ['month', '7', 'rainMm', 12],
    ['node', 'tank-1', 'shape.lengthM', 1.2],
    ['port', 'tank-1.outlet', 'heightM', 0.2],
    ['run', run.id, 'name', 'To the beds'],
    ['part', run.parts[0]!.id, 'open', false],
    ['roof', 'roof-1', 'pitchDeg', 30],
    ['piece', 'roof-1-piece-1', 'lengthM', 9],
    ['stretch', 'roof-1-gutter-1', 'gutter.widthMm', 150],
    ['use', 'use-1', 'amount.areaM2', 11],
    ['emitter', emitter, 'count', 7],
  ] as const)('of a %s (%s), %s', (of, id, field, value) => {
    const set = build(site, setField(of, id, field, value))
    expect(set).not.toEqual(site)
    expect(readSite(json(set))).toMatchObject({ ok: true })
    expect(JSON.stringify(set)).toContain(JSON.stringify(value))
  })
  it('refuses what the field cannot hold, in the units of whoever reads', () => {
    expect(refusal(site, setField('node', 'tank-1', 'ventMm', -1))).toBe('Vent of “A” must be at least 0 mm.')
    expect(refusal(site, setField('node', 'tank-1', 'ventMm', 'wide'))).toBe('Vent of “A” must be a number.')
    expect(refusal(site, setField('node', 'tank-1', 'ventMm', undefined))).toBe('Vent of “A” must be given.')
    const us = build(site, setField('site', '', 'standards.units', 'us'))
    expect(refusal(us, setField('roof', 'roof-1', 'pitchDeg', 80))).toBe('Pitch of “Barn” must be at most 75°.')
    expect(refusal(us, setField('node', 'tank-1', 'baseM', 6000))).toContain('16\u202f000 ft')
  })
  it('refuses unknown fields, identity and lists of other things; a field of what is not there says so', () => {
    expect(refusal(site, setField('node', 'tank-1', 'coverr', 'black'))).toContain('is not a field of it')
    expect(refusal(site, setField('node', 'tank-1', 'toString', 'x'))).toContain('is not a field of it')
    for (const field of ['id', 'kind', 'ports'])
      expect(refusal(site, setField('node', 'tank-1', field, []))).toContain('cannot be set')
    expect(refusal(site, setField('run', run.id, 'parts', []))).toContain('cannot be set')
    expect(refusal(site, setField('node', 'tank-1', 'stand.braced', true))).toContain('before there is one')
    expect(refusal(site, setField('part', 'gone', 'open', true))).toContain('no longer there')
  })
  it('keeps unknown fields of a document through reading, writing and setting beside them', () => {
    const odd = json(site) as unknown as { nodes: Record<string, unknown>[]; runs: { parts: object[] }[] }
    Object.assign(odd.nodes[0]!, { moss: 'a little' })
    Object.assign(odd.runs[0]!.parts[0]!, { k: 3.5 })
    const read = readSite(odd)
    if (!read.ok) throw new Error(read.problems[0]!.sentence)
    const text = writeSite(build(read.site, setField('node', 'tank-1', 'ventMm', 70)))
    expect(text).toContain('"moss": "a little"')
    expect(text).toContain('"k": 3.5')
  })
})

describe('what is named by an id', () => {
  it('keeps it whatever comes and goes around it', () => {
    fc.assert(
      fc.property(arbitrarySite, fc.nat(), (site, pick) => {
        const ids = [...idsOf(site)]
        expect(new Set(ids).size).toBe(ids.length)
        const runs = site.runs.filter(run => run.parts.length)
        if (!runs.length) return
        const run = runs[pick % runs.length]!
        const part = run.parts[pick % run.parts.length]!
        const longer = build(
          site,
          moveOf('insertPart', { run: run.id, before: run.parts[0]!.id, part: { kind: 'union', boreMm: 25 } }),
        )
        const after = longer.runs.find(each => each.id === run.id)!
        expect(after.parts.find(each => each.id === part.id)).toEqual(part)
        expect(after.parts).toHaveLength(run.parts.length + 1)
      }),
      { numRuns: 40 },
    )
  })
  it('a mode goes on naming its valve after a part is put in before it, and lets go of one that is taken out', () => {
    const pair = build(plainTank(blank(), 'A'), moveOf('addTank', { kind: 'tote', how: 'joined', to: 'tank-1' }))
    const link = pair.runs.find(run => run.from.port.startsWith('link'))!
    const valve = link.parts[0]!
    const site: Site = {
      ...pair,
      modes: [{ id: 'winter', name: 'Winter', positions: [{ part: valve.id, open: false }] }],
    }
    const fitted = build(
      site,
      moveOf('insertPart', { run: link.id, before: valve.id, part: { kind: 'union', boreMm: 50 } }),
    )
    const named = fitted.modes[0]!.positions[0]!.part
    expect(fitted.runs.flatMap(run => run.parts).find(part => part.id === named)?.kind).toBe('valve')
    expect(build(site, moveOf('remove', { id: valve.id })).modes[0]!.positions).toEqual([])
    expect(build(site, moveOf('remove', { id: 'tank-2' })).modes[0]!.positions).toEqual([])
    const dangling = { ...site, modes: [{ ...site.modes[0]!, positions: [{ part: 'gone', open: true }] }] }
    expect(readSite(json(dangling))).toMatchObject({ ok: false, problems: [{ path: 'modes[0].positions[0].part' }] })
  })
})

describe('an option, adopted on a plan that has changed', () => {
  const drums = () =>
    ['Top drum', 'Middle drum', 'Low drum'].reduce(
      (site, name) => build(site, moveOf('addTank', { kind: 'drum', how: 'alone', name })),
      blank(),
    )
  it('renames the drum it was made for, whatever else was taken out', () => {
    const site = drums()
    const option = [setField('node', 'tank-3', 'name', 'Cellar drum')]
    const without = build(site, moveOf('remove', { id: 'tank-1' }))
    const { site: adopted, left } = replay(without, option, 'Adopt')
    expect(left).toEqual([])
    expect(adopted.nodes.filter(node => node.kind === 'tank').map(node => node.name)).toEqual([
      'Middle drum',
      'Cellar drum',
    ])
  })
  it('says which move no longer fits, and makes the rest', () => {
    const option = [setField('node', 'tank-1', 'ventMm', 60), setField('node', 'tank-3', 'ventMm', 60)]
    const { site, left } = replay(build(drums(), moveOf('remove', { id: 'tank-1' })), option, 'Adopt')
    expect(left).toMatchObject([{ problem: 'What you were changing is no longer there.' }])
    expect(nodeById(site, 'tank-3')).toMatchObject({ ventMm: 60 })
  })
  it('goes on with what it put in itself, though the plan has taken that id since', () => {
    const added = applyMove(drums(), moveOf('addTank', { kind: 'tote', how: 'alone', name: 'Mine' }))
    if (!added.ok) throw new Error(whyNot(added))
    const option = [...added.made.moves!, setField('node', 'tank-4', 'ventMm', 61)]
    const grown = build(drums(), moveOf('addTank', { kind: 'drum', how: 'alone', name: 'Theirs' }))
    const { site, left } = replay(grown, option, 'Adopt')
    expect(left).toEqual([])
    expect(nodeById(site, 'tank-4')).toMatchObject({ name: 'Theirs' })
    expect(nodeById(site, 'tank-5')).toMatchObject({ name: 'Mine', ventMm: 61 })
  })
})

describe('names that nobody typed', () => {
  it('follow what they join and what they serve', () => {
    const site = build(roofed(), moveOf('addUse', { preset: 'hens' }))
    const line = site.runs.find(run => run.from.node === 'spout-1')!
    expect(runName(site, line)).toBe('Barn spout to A')
    const renamed = build(site, setField('node', 'tank-1', 'name', 'Oak'), setField('use', 'use-1', 'name', 'Ducks'))
    expect(runName(renamed, line)).toBe('Barn spout to Oak')
    expect(nameOf(renamed, site.uses[0]!.at)).toBe('Ducks')
    const overflow = renamed.runs.find(run => run.from.port === 'overflow')!
    expect(runName(renamed, overflow)).toBe('Oak overflow')
    expect(nameOf(renamed, overflow.to.node)).toBe('Swale of Oak')
    expect(runName(build(renamed, setField('run', line.id, 'name', 'Long pipe')), line)).toBe('Barn spout to Oak')
  })
})
