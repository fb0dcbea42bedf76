import { describe, expect, it } from 'vitest'
import { bare, fieldOf, fieldSentence, fieldWords, portId, THINGS, THING_KINDS, type ThingKind } from './things'
import { blank, build, plainTank, withRoof } from '../../tests/sites'
import { moveOf } from '../moves'
import { fieldRow } from '../units'

const site = build(
  withRoof(plainTank(blank(), 'Oak')),
  moveOf('addUse', { preset: 'beds' }),
  moveOf('fitDrip', { use: 'use-1' }),
  moveOf('ration', { use: 'use-1', steps: [{ belowShare: 0.3, share: 0.5 }] }),
)
const bed = site.uses[0]!
const run = site.runs.find(each => each.parts.length > 0)!
const emitter = bed.amount.by === 'bed' ? bed.amount.drip!.emitters[0]!.id : ''
const ADDRESSES: Partial<Record<ThingKind, string>> = {
  site: '',
  month: '7',
  roof: 'roof-1',
  piece: site.roofs[0]!.pieces[0]!.id,
  stretch: site.roofs[0]!.spouts[0]!.id,
  node: 'tank-1',
  port: portId('tank-1', 'outlet'),
  run: run.id,
  part: run.parts[0]!.id,
  use: 'use-1',
  ration: bed.rations![0]!.id,
  emitter,
}
const addressed = Object.entries(ADDRESSES) as [ThingKind, string][]

describe('things that have fields', () => {
  it.each(addressed)('a %s is found by its id, and its fields are what its schema knows', (kind, id) => {
    const thing = THINGS[kind](site, id)!
    expect(thing.schema.safeParse(thing.fields).success).toBe(true)
    expect(Object.keys(thing.fields).filter(key => !Object.hasOwn(thing.schema.shape, key))).toEqual([])
  })
  it.each(THING_KINDS.filter(kind => kind !== 'site'))('a %s that is not there is not found', kind => {
    expect(THINGS[kind](site, 'gone')).toBeUndefined()
    expect(THINGS[kind](site, '__proto__')).toBeUndefined()
  })
  it('are known by the name a person gave, or by whose they are', () => {
    expect(THINGS.node(site, 'tank-1')!.name).toBe('Oak')
    expect(THINGS.port(site, portId('tank-1', 'outlet'))!.name).toBe('Oak')
    expect(THINGS.piece(site, ADDRESSES.piece!)!.name).toBe('Roof')
    expect(THINGS.emitter(site, emitter)!.name).toBe(bed.name)
    expect(THINGS.part(site, ADDRESSES.part!)!.name).toMatch(/ of .*(Oak|Roof)/)
  })
})

describe('a field of a thing', () => {
  const tank = THINGS.node(site, 'tank-1')!
  it('is found by its name, dots leading into what it holds, each form with its own', () => {
    expect(fieldOf(tank, 'baseM')).toMatchObject({ ok: true, key: 'baseM' })
    expect(fieldOf(tank, 'shape.lengthM')).toMatchObject({ ok: true, key: 'lengthM', holder: { shape: 'box' } })
    expect(fieldOf(tank, 'shape.diameterM')).toEqual({ ok: false, because: 'unknown' })
    expect(fieldOf(THINGS.site(site)!, 'standards.units')).toMatchObject({ ok: true, key: 'units' })
  })
  it.each(['id', 'kind', 'ports'])('%s is not one to be set', field => {
    expect(fieldOf(tank, field)).toEqual({ ok: false, because: 'fixed' })
  })
  it.each(['', '.', 'baseM.', 'baseM.x', '__proto__', 'constructor.name', 'shape.toString', 'Basem'])(
    '“%s” is not one at all',
    field => expect(fieldOf(tank, field)).toEqual({ ok: false, because: 'unknown' }),
  )
  it('is missing where what it lies in is missing', () => {
    expect(fieldOf(tank, 'stand.braced')).toEqual({ ok: false, because: 'missing' })
  })
  it('is called by words, and by no unit or hump', () => {
    for (const [kind, id] of addressed)
      for (const field of Object.keys(THINGS[kind](site, id)!.schema.shape)) {
        expect(fieldWords(field), field).toMatch(/^[a-z][a-z -]*$/)
        expect(fieldWords(field), field).not.toMatch(/ (m|mm|l|lps|kg|deg|share)$/)
      }
  })
  it('that is a number of metres, litres or shares is read as such', () => {
    for (const [kind, id] of addressed)
      for (const [field, schema] of Object.entries(THINGS[kind](site, id)!.schema.shape)) {
        if (bare(schema as never).constructor.name !== 'ZodNumber') continue
        const { kind: quantity } = fieldRow(field)
        if (/[a-z]M$/.test(field)) expect(quantity, field).toBe('length')
        if (/Share$/.test(field)) expect(quantity, field).toBe('share')
        if (/[a-z]Mm$/.test(field)) expect(['bore', 'pipe', 'rain', 'roughness'], field).toContain(quantity)
      }
  })
  it('is told wrong in a sentence with its owner, its limit in the reader’s units', () => {
    expect(fieldSentence('baseM', 'Oak', 'must be at most 30', 'metric')).toBe('Height of “Oak” must be at most 30 m.')
    expect(fieldSentence('baseM', 'Oak', 'must be at most 30', 'us')).toBe('Height of “Oak” must be at most 98 ft.')
    expect(fieldSentence('tee', undefined, 'must be one of swept, square', 'metric')).toBe(
      'Tee must be one of swept, square.',
    )
    const long = fieldSentence('baseM', 'x'.repeat(500), 'must be a number', 'metric')
    expect(long.length).toBeLessThan(100)
  })
})
