import { describe, expect, it } from 'vitest'
import { placeName, placesFor, readSpoken, sourceName } from '.'
import { demoSite } from '../../tests/demoSites'
import { whyNot } from '../answers'
import { showQuantity, type Kind, type System } from '../units'
import { isPumped } from '../site'
import { READING_KIND_IDS, READING_KINDS, type ReadingKind } from '../kinds'

const site = demoSite('quillfern-ridge')
const first = (kind: ReadingKind) => placesFor(site, kind)[0]?.id
const spoken = (kind: ReadingKind, text: string, system: System = 'metric') =>
  readSpoken(site, { kind, subject: first(kind), text }, system)
const why = (kind: ReadingKind, text: string): string => {
  const read = spoken(kind, text)
  return read.ok ? '' : whyNot(read)
}

/** A figure of each kind as one might read it, SI. */
const USUAL: Partial<Record<Kind, number>> = { length: 0.5, rain: 25.4, volume: 5000, pressure: 280, flow: 0.1 }

describe('a line of the log', () => {
  it.each([
    ['level', '0.71 m', 0.71],
    ['rain', '1/2 in', 12.7],
    ['meter', '12340 L', 12340],
    ['pressure', '2.8 bar', 280],
    ['starts', '14', 14],
    ['drop', '6 psi', 41.3685],
    ['recovery', '4 L/min', 4 / 60],
    ['standing', '20 cm', 0.2],
    ['carted', '1 m3', 1000],
  ] as const)('of %s is read as it is typed, “%s”, at its place', (kind, text, value) => {
    expect(spoken(kind, text)).toMatchObject({ ok: true, line: { kind, value: expect.closeTo(value, 3) as number } })
    const read = spoken(kind, text)
    if (read.ok) expect(read.line.subject).toBe(first(kind))
  })
  it('is what it was, said in anybody’s units and read again', () => {
    for (const system of ['metric', 'us', 'imperial'] as const)
      for (const kind of READING_KIND_IDS) {
        const { kind: of }: { kind?: Kind } = READING_KINDS[kind]
        if (!of) continue
        const value = USUAL[of] ?? 7
        const read = spoken(kind, showQuantity(value, of, system).text, system)
        expect(read, `${kind} ${system}`).toMatchObject({ ok: true })
        if (read.ok) expect(read.line.value! / value).toBeCloseTo(1, 1)
      }
  })
  it('of words alone keeps them; a chore or a photo needs none', () => {
    expect(spoken('note', ' a frog ')).toMatchObject({ line: { kind: 'note', note: 'a frog' } })
    expect(spoken('photo', '')).toEqual({ ok: true, line: { kind: 'photo' } })
    expect(readSpoken(site, { kind: 'chore', subject: 'gutter:roof-1', text: '' }, 'metric')).toEqual({
      ok: true,
      line: { kind: 'chore', subject: 'gutter:roof-1' },
    })
  })
  it('that says nothing, or what cannot be, is refused with a sentence', () => {
    expect(why('note', '  ')).toMatch(/Type what it says/)
    expect(why('rain', '-3 mm')).toMatch(/0 or more/)
    expect(why('starts', '-2')).toMatch(/cannot be/)
    expect(why('pressure', 'a lot')).toMatch(/\S/)
    const bare = demoSite('brindle-yard')
    const read = readSpoken(bare, { kind: 'recovery', subject: undefined, text: '4 L/min' }, 'metric')
    expect(read.ok ? '' : whyNot(read)).toMatch(/nothing here yet at which what a well gives could be read/)
  })
})

describe('a place', () => {
  it('fits what is read there', () => {
    const at = (kind: ReadingKind) => placesFor(site, kind).map(({ id }) => id)
    expect(at('starts')).toEqual(site.runs.filter(isPumped).map(({ id }) => id))
    expect(at('drop').every(id => site.runs.find(run => run.id === id)!.parts.some(p => p.kind === 'filter'))).toBe(
      true,
    )
    expect(at('recovery')).toEqual(site.nodes.flatMap(node => (node.kind === 'well' ? [node.id] : [])))
    expect(at('rain')).toEqual([])
    // A meter tells most where taps hang on the line.
    expect(at('meter')).toHaveLength(site.runs.length)
    expect(site.uses.some(use => site.runs.find(({ id }) => id === at('meter').at(-1))!.to.node === use.at)).toBe(false)
  })
  it('is called by its name, or by nothing once it is gone; a device that is gone by its id', () => {
    expect(placeName(site, first('level')!)).toBe('East tank A')
    expect(placeName(site, 'gone')).toBe('')
    expect(sourceName(site, 'device-9')).toBe('device-9')
    const device = { id: 'device-9', kind: 'rain' as const, name: 'gauge', address: '/x', everyMinutes: 9 }
    expect(sourceName({ ...site, devices: [device] }, 'device-9')).toBe('gauge')
  })
})
