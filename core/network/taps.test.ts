import { describe, expect, it } from 'vitest'
import { jointAt, mainAt, outfallAt, pipe, tankAt, tapAt, worksOf } from '../../tests/waterworks'
import { airAt, levelsAt, loadUnitsOf, momentWith, wayOfWater } from '.'

const hill = worksOf({
  nodes: [tankAt('hill', 12), jointAt('tee', 2), tapAt('sink', 1), tapAt('hose', 0, { fixture: 'hose' })],
  runs: [
    ['main line', 'hill', 'tee', [pipe(60, 20)]],
    ['to-sink', 'tee', 'sink', [pipe(6, 16)]],
    ['to-hose', 'tee', 'hose', [pipe(20, 16)]],
  ],
})

describe('what taps give', () => {
  it('is most alone and full, less as the tank runs down, and least together', () => {
    for (const id of ['sink', 'hose']) {
      const [full, low, together] = [
        momentWith(hill, [id], 'full'),
        momentWith(hill, [id], 'low'),
        momentWith(hill, ['sink', 'hose'], 'low'),
      ].map(({ taps }) => taps[id]!.flowLps)
      expect(full).toBeGreaterThan(low!)
      expect(low).toBeGreaterThan(together!)
      expect(together).toBeGreaterThan(0.01)
    }
  })
  it('tanks joined low down stand level, and low ones a hand above their draw-off', () => {
    const pair = worksOf({
      nodes: [tankAt('one', 0), tankAt('two', 0.4)],
      runs: [['link', 'one.half', 'two.half', [pipe(2, 50)]]],
    })
    expect(levelsAt(hill, 'full')).toEqual({ hill: 2 })
    expect(levelsAt(hill, 'low')).toEqual({ hill: 0.05 })
    const { one, two } = levelsAt(pair, 'full')
    expect(one).toBeCloseTo(two! + 0.4, 9)
  })
  it('the way of a tap’s water begins where it stands and ends at the tap', () => {
    const works = worksOf({
      nodes: [mainAt('street', 0, 300), jointAt('tee', 0), tapAt('sink', 1)],
      runs: [
        ['feed', 'street', 'tee', [pipe(10)]],
        ['to-sink', 'sink.in', 'tee.out', [pipe(6, 16)]],
      ],
    })
    const way = wayOfWater(works, momentWith(works, ['sink'], 'full'), 'sink')
    expect(way.map(({ run, forward }) => [run.id, forward])).toEqual([
      ['feed', true],
      ['to-sink', false],
    ])
    expect(wayOfWater(works, momentWith(works, [], 'full'), 'sink')).toEqual([])
  })
  it('a siphon has air at its hump, and water under pressure has none', () => {
    const siphon = worksOf({
      nodes: [tankAt('hill', 5), jointAt('hump', 8), outfallAt('ditch', 1)],
      runs: [
        ['up', 'hill', 'hump', [pipe(10)]],
        ['down', 'hump', 'ditch', [pipe(30)]],
      ],
    })
    expect(airAt(siphon, momentWith(siphon, [], 'full'))).toEqual([{ id: 'hump', pressureKPa: expect.any(Number) }])
    expect(airAt(hill, momentWith(hill, ['sink'], 'full'))).toEqual([])
  })
  it('taps weigh in the demand by what they are', () => {
    expect(loadUnitsOf(hill)).toBe(1.5 + 2.5)
  })
})

describe('air', () => {
  it('is drawn in where a line humps above its pressure, and not where it lies below', () => {
    const site = worksOf({
      nodes: [tankAt('a', 5), tapAt('t', 1)],
      runs: [['r', 'a', 't', [pipe(40)]]],
    })
    const humped = (heightM: number) =>
      airAt(
        { ...site, runs: [{ ...site.runs[0]!, profile: [{ id: 'hump', alongM: 20, heightM }] }] },
        momentWith(site, ['t'], 'full'),
      )
    expect(humped(2)).toEqual([])
    expect(humped(8)[0]).toMatchObject({ id: 'hump', on: { heightM: 8 } })
    expect(humped(8)[0]!.pressureKPa).toBeLessThan(-10)
  })
})
