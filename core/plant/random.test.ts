import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { play, plantOf, type Command, type ScriptStep } from '.'
import { jointAt, outfallAt, pipe, randomWorks, tankAt, tapAt, worksOf, type Works } from '../../tests/waterworks'
import type { NewPart } from '../kinds'
import type { Site } from '../site'

const seeds = fc.integer({ min: 1, max: 999_999 })
const idsOf = (site: Site, kind: string) => site.nodes.flatMap(node => (node.kind === kind ? [node.id] : []))
/** What people do to a site within ten minutes, at the seconds given. */
function doingsOn(site: Site, picks: [atS: number, pick: number][]): ScriptStep[] {
  const taps = idsOf(site, 'tap')
  const valves = site.runs.flatMap(({ parts }) => parts.flatMap(({ kind, id }) => (kind === 'valve' ? [id] : [])))
  const all: Command[] = [
    ...taps.flatMap((tap): Command[] => [
      { tap, to: 1 },
      { tap, to: 0.3 },
      { draw: tap, litres: 7 },
    ]),
    ...valves.flatMap((valve): Command[] => [
      { valve, to: true },
      { valve, to: false },
    ]),
    { power: true, to: false },
    { power: true, to: true },
    ...idsOf(site, 'main').map((main): Command => ({ main, to: false })),
  ]
  return picks.map(([atS, pick]) => ({ ...all[pick % all.length]!, atS }))
}
const picked = fc.array(fc.tuple(fc.integer({ min: 0, max: 600 }), fc.nat(1000)), { maxLength: 6 })
const numbersIn = (value: unknown): number[] => {
  if (typeof value === 'number') return [value]
  return typeof value === 'object' && value !== null ? Object.values(value).flatMap(numbersIn) : []
}

describe('plants made at random', () => {
  it('play whatever is done to them: books close, all is a number, and twice is the same to the byte', () => {
    fc.assert(
      fc.property(seeds, fc.integer({ min: 1, max: 10 }), picked, (seed, joints, picks) => {
        const site = worksOf(randomWorks(seed, joints))
        const played = () => play(site, { seconds: 600, everyS: 60, script: doingsOn(site, picks) })
        const course = played()
        expect(numbersIn(course).every(Number.isFinite)).toBe(true)
        const { in: came, out, spilled, error } = course.litres
        // A set that pushes round a ring into its own mouth may find no speed, one works in a thousand; then it says so.
        if (!course.trouble) expect(Math.abs(error)).toBeLessThan(1e-6 * Math.max(1, came + out + spilled))
        for (const levels of Object.values(course.levels))
          for (const level of levels) expect(level).toBeGreaterThan(-1e-9)
        expect(JSON.stringify(played())).toBe(JSON.stringify(course))
        const times = course.events.map(({ atS }) => atS)
        expect(times).toEqual(times.toSorted((a, b) => a - b))
      }),
      { numRuns: 60 },
    )
  })
  it('go to the same place in one stride as in many', () => {
    fc.assert(
      fc.property(seeds, seed => {
        const site = worksOf(randomWorks(seed, 4))
        const open = (): ReturnType<typeof plantOf> => {
          const plant = plantOf(site)
          for (const tap of idsOf(site, 'tap')) plant.act({ tap, to: 1 })
          return plant
        }
        const [once, often] = [open(), open()]
        once.advance(300)
        for (let atS = 20; atS <= 300; atS += 20) often.advance(atS)
        for (const [id, levelM] of Object.entries(once.view().levels))
          expect(often.view().levels[id], id).toBeCloseTo(levelM, 2)
      }),
      { numRuns: 30 },
    )
  })
})

describe('plants that are ill made', () => {
  const pump: NewPart = { kind: 'pump', pump: 'jet', flowLps: 0.5, headM: 20 }
  const shut: NewPart = { kind: 'valve', boreMm: 25, open: false }
  const ILL: Record<string, Works> = {
    'a line that leads nowhere': {
      nodes: [tankAt('tank', 2), jointAt('end', 0)],
      runs: [['line', 'tank', 'end', [pipe(5)]]],
    },
    'a pump that draws from the tank it fills': {
      nodes: [tankAt('tank', 0)],
      runs: [['round', 'tank', 'tank.in', [pump, pipe(5)]]],
    },
    'everything shut': {
      nodes: [tankAt('tank', 2), tapAt('tap', 0)],
      runs: [['line', 'tank', 'tap', [shut, pipe(5)]]],
    },
    'lines that hang together with no water anywhere': {
      nodes: [jointAt('a', 0), jointAt('b', 1), tapAt('tap', 0)],
      runs: [
        ['one', 'a', 'b', [pipe(5)]],
        ['two', 'b', 'tap', [pipe(5)]],
      ],
    },
    'a pump into a shut end': {
      nodes: [tankAt('tank', 0), jointAt('end', 0)],
      runs: [['line', 'tank', 'end', [pump, pipe(5)]]],
    },
    'nothing at all': { nodes: [outfallAt('ditch', 0)], runs: [] },
  }
  it.each(Object.entries(ILL))('play with %s, and nothing is lost', (_, works) => {
    const site = worksOf(works)
    const script = idsOf(site, 'tap').map((tap): ScriptStep => ({ atS: 60, tap, to: 1 }))
    const { levels, litres, trouble } = play(site, { seconds: 3600, everyS: 600, script })
    expect(trouble).toBeUndefined()
    expect(Math.abs(litres.error)).toBeLessThan(1e-6)
    expect(litres.out).toBe(0)
    for (const each of Object.values(levels)) expect(Math.abs(each.at(-1)! - each[0]!)).toBeLessThan(0.01)
  })
})
