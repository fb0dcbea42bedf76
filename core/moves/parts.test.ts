import { describe, expect, it } from 'vitest'
import { applyMove, applyMoves, moveOf } from '.'
import type { MoveArgs, MoveName } from './registry'
import { whyNot } from '../answers'
import { pinsOf, readSite, writeSite, type Site } from '../site'
import { lengthOfPart, type NewPart } from '../kinds'
import { jointAt, outfallAt, pipe, tankAt, tapAt, worksOf } from '../../tests/waterworks'

const valve = (id: string): NewPart => ({ id, kind: 'valve', boreMm: 25, open: true })
const line = () =>
  worksOf({
    nodes: [
      tankAt('tank', 3),
      tankAt('other', 3),
      tapAt('tap', 1),
      jointAt('tee', 1),
      tapAt('second', 1),
      outfallAt('ditch', 0),
    ],
    runs: [
      [
        'line',
        'tank',
        'tee',
        [valve('v'), { id: 'p', ...pipe(20) } as NewPart, { id: 'u', kind: 'union', boreMm: 25 }],
      ],
      ['first', 'tee', 'tap', [pipe(4)]],
      ['next', 'tee', 'second', [pipe(6)]],
    ],
  })
function made<Name extends MoveName>(site: Site, name: Name, args: MoveArgs<Name>): Site {
  const result = applyMove(site, moveOf(name, args))
  if (!result.ok) throw new Error(whyNot(result))
  const read = readSite(JSON.parse(writeSite(result.site)))
  if (!read.ok) throw new Error('does not read')
  return result.site
}
const refusal = <Name extends MoveName>(site: Site, name: Name, args: MoveArgs<Name>) => {
  const result = applyMove(site, moveOf(name, args))
  return result.ok ? undefined : whyNot(result)
}
const run = (site: Site, id: string) => site.runs.find(each => each.id === id)!
const ids = (site: Site, id: string) => run(site, id).parts.map(part => part.id)
const pipeM = (site: Site) => site.runs.flatMap(each => each.parts).reduce((sum, part) => sum + lengthOfPart(part), 0)

describe('parts of a line', () => {
  it('are moved along it, to before another or to its end', () => {
    expect(ids(made(line(), 'movePart', { part: 'u', before: 'v' }), 'line')).toEqual(['u', 'v', 'p'])
    expect(ids(made(line(), 'movePart', { part: 'v' }), 'line')).toEqual(['p', 'u', 'v'])
    expect(refusal(line(), 'movePart', { part: 'v', before: 'gone' })).toContain('no longer in')
  })
  it('give their place to others, and those are held against their kind', () => {
    const site = made(line(), 'replacePart', { part: 'u', with: { kind: 'check', boreMm: 25 } })
    expect(run(site, 'line').parts.map(({ kind }) => kind)).toEqual(['valve', 'pipe', 'check'])
    expect(refusal(line(), 'replacePart', { part: 'u', with: { kind: 'check' } })).toMatch(/bore/i)
  })
})

describe('a line', () => {
  it('is parted by a tee in its pipe: no metre is lost, and what it served is served', () => {
    const before = line()
    const site = made(before, 'splitRun', { run: 'line', by: 'tee' })
    expect(pipeM(site)).toBeCloseTo(pipeM(before), 9)
    expect(site.runs).toHaveLength(before.runs.length + 1)
    const joint = run(site, 'line').to.node
    const onward = site.runs.find(each => each.from.node === joint)!
    expect(onward.to.node).toBe('tee')
    expect(onward.parts.map(({ kind }) => kind)).toEqual(['pipe', 'union'])
  })
  it('is parted before a part, and a capped tee leaves a shut valve for later', () => {
    const site = made(line(), 'splitRun', { run: 'line', at: 'u', by: 'capped' })
    expect(ids(site, 'line')).toEqual(['v', 'p'])
    const cap = site.runs.at(-1)!
    expect(cap.parts).toMatchObject([{ kind: 'valve', open: false }])
  })
  it('is led to another hole, or into the middle of another line, and leaves nothing that joins nothing', () => {
    const led = made(line(), 'leadEnd', { run: 'line', end: 'from', node: 'other', port: 'out' })
    expect(run(led, 'line').from).toEqual({ node: 'other', port: 'out' })
    const into = made(line(), 'leadEnd', { run: 'next', end: 'from', into: 'first' })
    expect(run(into, 'next').from.node).toBe(run(into, 'first').to.node)
    expect(pipeM(into)).toBeCloseTo(pipeM(line()), 9)
    expect(refusal(line(), 'leadEnd', { run: 'next', end: 'to', node: 'tee' })).toContain('one place')
    expect(refusal(line(), 'leadEnd', { run: 'line', end: 'from', node: 'tap' })).toContain('No line can begin there')
    expect(refusal(line(), 'leadEnd', { run: 'line', end: 'to', into: 'line' })).toContain('itself')
  })
  it('gets a vent at its hump and a drain at its dip, its other known heights kept', () => {
    const shaped = made(line(), 'shapeRun', {
      run: 'line',
      places: [
        { alongM: 5, heightM: 4 },
        { alongM: 12, heightM: 0.5 },
      ],
    })
    const [hump, dip] = run(shaped, 'line').profile!
    const vented = made(shaped, 'ventOrDrain', { run: 'line', place: hump!.id, fit: 'vent' })
    const joint = vented.nodes.find(node => node.kind === 'joint' && node.ventTopM !== undefined)!
    expect(joint.baseM).toBe(4)
    const behind = vented.runs.find(each => each.from.node === joint.id)!
    expect(behind.profile).toMatchObject([{ alongM: 7, heightM: 0.5 }])
    const drained = made(shaped, 'ventOrDrain', { run: 'line', place: dip!.id, fit: 'drain' })
    expect(drained.nodes.filter(({ kind }) => kind === 'outfall')).toHaveLength(2)
    expect(pipeM(drained)).toBeCloseTo(pipeM(shaped) + 0.5, 6)
  })
})

describe('what was found', () => {
  it('is written down by its line, over what stood there, and wiped', () => {
    const noted = made(line(), 'noteFound', { line: 'gives:tap', value: 0.2 })
    const again = made(made(noted, 'noteFound', { line: 'gives:tap', value: 0.3 }), 'noteFound', {
      line: 'holds:v',
      well: true,
    })
    expect(again.found).toEqual([
      { line: 'gives:tap', value: 0.3 },
      { line: 'holds:v', well: true },
    ])
    const wiped = made(made(again, 'noteFound', { line: 'gives:tap' }), 'noteFound', { line: 'holds:v' })
    expect(wiped.found).toBeUndefined()
  })
})

describe('pinned readings', () => {
  it('stand where there is something to read, once each, with what they should show, and go with their place', () => {
    const [tap] = line().nodes.filter(({ kind }) => kind === 'tap')
    const pinned = made(made(line(), 'pinReading', { at: tap!.id }), 'pinReading', { at: 'line' })
    expect(pinned.pins).toMatchObject([
      { reads: 'gauge', at: tap!.id },
      { reads: 'flow', at: 'line' },
    ])
    expect(refusal(pinned, 'pinReading', { at: 'line' })).toContain('pinned already')
    const outfall = line().nodes.find(({ kind }) => kind === 'outfall')!
    expect(refusal(pinned, 'pinReading', { at: outfall.id })).toContain('nothing to read there')
    const [gauge, flow] = pinned.pins!
    const kept = made(pinned, 'keepReading', { pin: gauge!.id, shows: 240 })
    expect(kept.pins![0]).toMatchObject({ shows: 240 })
    expect(made(kept, 'keepReading', { pin: gauge!.id }).pins![0]).not.toHaveProperty('shows')
    expect(pinsOf({ ...kept, runs: [] }).map(({ reads }) => reads)).toEqual(['gauge'])
    expect(made(made(kept, 'dropPin', { pin: gauge!.id }), 'dropPin', { pin: flow!.id }).pins).toBeUndefined()
  })
})

describe('ways of running it', () => {
  it('are kept as the valves stand, turned, renamed, turned to and forgotten', () => {
    const kept = made(line(), 'keepMode', { name: ' Tank to house ' })
    expect(kept.modes).toMatchObject([{ name: 'Tank to house', positions: [{ part: 'v', open: true }] }])
    const { id } = kept.modes[0]!
    const turned = made(kept, 'setPositions', { mode: id, positions: [{ part: 'v', open: false }] })
    expect(turned.modes[0]!.positions).toEqual([{ part: 'v', open: false }])
    expect(made(turned, 'turnToMode', { mode: id }).runs[0]!.parts[0]).toMatchObject({ open: false })
    expect(made(turned, 'setPositions', { mode: id, positions: [{ part: 'v' }] }).modes[0]!.positions).toEqual([])
    expect(made(turned, 'renameMode', { mode: id, name: 'Winter' }).modes[0]!.name).toBe('Winter')
    expect(made(turned, 'dropMode', { mode: id }).modes).toEqual([])
    expect(refusal(kept, 'keepMode', { name: 'tank to HOUSE' })).toContain('already')
    expect(refusal(kept, 'keepMode', { name: '  ' })).toContain('wants a name')
    // A valve that is taken out is taken out of its modes.
    const without = applyMoves(kept, [moveOf('remove', { id: 'v' })])
    expect(without.ok && without.site.modes[0]!.positions).toEqual([])
  })
})
