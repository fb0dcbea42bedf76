import { describe, expect, it } from 'vitest'
import { boreOfPart, does, layIn, lengthOfPart, levelsOut, passageOf, partWords, rowOf } from './ofParts'
import { PART_KIND_IDS, partSchema, type Part } from './parts'
import { nodeSchema } from './nodes'
import { phraseText } from '../words'

describe('what a part is', () => {
  const samples: Record<Part['kind'], Part> = {
    pipe: { id: 'a', kind: 'pipe', lengthM: 3, innerDiameterMm: 50, roughnessMm: 0.01 },
    valve: { id: 'a', kind: 'valve', boreMm: 50, open: true },
    check: { id: 'a', kind: 'check', boreMm: 50 },
    float: { id: 'a', kind: 'float', boreMm: 50 },
    screen: { id: 'a', kind: 'screen', meshMm: 1 },
    filter: { id: 'a', kind: 'filter', ratingUm: 5, medium: 'carbon' },
    lamp: { id: 'a', kind: 'lamp', ratedLps: 0.3, sensor: true },
    pump: { id: 'a', kind: 'pump', pump: 'jet', flowLps: 1, headM: 20 },
    union: { id: 'a', kind: 'union', boreMm: 50 },
    reducer: { id: 'a', kind: 'reducer', fromMm: 50, toMm: 25 },
    flexible: { id: 'a', kind: 'flexible', lengthM: 0.5, innerDiameterMm: 50 },
    meter: { id: 'a', kind: 'meter', boreMm: 25 },
    regulator: { id: 'a', kind: 'regulator', boreMm: 25, setKPa: 300 },
    relief: { id: 'a', kind: 'relief', setKPa: 600 },
  }
  it.each(PART_KIND_IDS)('%s reads, says itself, and is refused without its fields', kind => {
    expect(partSchema.safeParse(samples[kind]).success).toBe(true)
    expect(phraseText(partWords(samples[kind]), 'metric')).toMatch(/^[a-z0-9]/)
    expect(partSchema.safeParse({ id: 'a', kind }).success).toBe(false)
    expect(rowOf(samples[kind]).k).toBeGreaterThanOrEqual(0)
  })
  it('lets water through as it stands', () => {
    expect(passageOf(samples.valve)).toBe('both ways')
    expect(passageOf({ ...samples.valve, open: false } as Part)).toBe('shut')
    expect(levelsOut({ ...samples.valve, open: false } as Part)).toBe(false)
    for (const kind of ['check', 'float', 'pump'] as const) expect(levelsOut(samples[kind])).toBe(false)
    for (const kind of ['pipe', 'screen', 'union', 'meter'] as const) expect(levelsOut(samples[kind])).toBe(true)
    expect(does(samples.pump, 'lifts')).toBe(true)
  })
  it('has a bore of its own or its run’s, and takes another where it hangs in the line by it', () => {
    expect(boreOfPart(samples.pipe)).toBe(50)
    expect(boreOfPart(samples.screen)).toBeUndefined()
    const pipe = { ...samples.pipe }
    layIn(pipe, 81)
    expect(boreOfPart(pipe)).toBe(81)
    const meter = { ...samples.meter }
    layIn(meter, 81)
    expect(boreOfPart(meter)).toBe(25)
    expect([samples.pipe, samples.flexible, samples.valve].map(lengthOfPart)).toEqual([3, 0.5, 0])
  })
  it('a node of no known kind, and a tap without a fixture, are refused in words', () => {
    const read = nodeSchema.safeParse({ id: 'a', kind: 'moat' })
    expect(read.error!.issues[0]!.message).toBe('must be a kind of node that this version knows')
    expect(nodeSchema.safeParse({ id: 'a', kind: 'tap', baseM: 0, groundM: 0, fixture: 'spring' }).success).toBe(false)
    expect(nodeSchema.safeParse({ id: 'a', kind: 'tap', baseM: 0, groundM: 0, fixture: 'hose' }).success).toBe(true)
  })
})
