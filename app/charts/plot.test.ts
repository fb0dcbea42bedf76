import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import {
  measureOf,
  measuresOf,
  plotData,
  plotOptions,
  plotRows,
  type Palette,
  type PlotAxes,
  type Series,
} from './plot'

/** A plot says the same in its marks, its hover and its figures, in one decimal unit of the site's system. */
const AXES: PlotAxes = { x: { words: 'size', kind: 'volume' }, y: { words: 'head', kind: 'length' } }
const palette = new Proxy({}, { get: (_, name) => `#${String(name)}` }) as Palette
const SERIES: Series[] = [
  { draws: 'band', label: 'years', colour: 'water', points: [0, 20_000].map(x => ({ x, low: 1, high: 3 })) },
  { draws: 'line', label: 'head', colour: 'deep', points: [0, 20_000].map(x => ({ x, y: x / 10_000 })) },
  { draws: 'dots', label: 'as it is', colour: 'oak', unnamed: true, points: [{ x: 5000, y: 0.5 }] },
]

describe('a measure', () => {
  it('leads back to the figure that it was told of, in every system', () => {
    fc.assert(
      fc.property(
        fc.constantFrom('metric', 'us', 'imperial' as const),
        fc.constantFrom('volume', 'length', 'flow', 'pressure', 'temperature' as const),
        fc.double({ min: 0, max: 1e5, noNaN: true }),
        (system, kind, value) => {
          const measure = measureOf({ kind }, [value], system)
          expect(Math.abs(measure.back(measure.of(value)) - value)).toBeLessThan(1e-7 * (1 + value))
        },
      ),
    )
  })
  it('is in one decimal unit: feet or inches, litres or cubic metres', () => {
    const head = measureOf({ words: 'head', kind: 'length' }, [1.4478], 'us')
    expect([head.title, head.mark(head.of(1.4478)), head.told(1.4478)]).toEqual(['head, ft', '4.75', '4 ft 9 in'])
    const held = measureOf({ words: 'held', kind: 'volume', per: 'a day' }, [34_500], 'metric')
    expect([held.title, held.mark(held.of(34_500)), held.told(900)]).toEqual(['held, m³ a day', '34.5', '900 L a day'])
  })
  it('tells plain figures, and what is no quantity in its own words', () => {
    expect(measureOf({ words: 'minutes' }, [90], 'us').mark(90)).toBe('90')
    expect(measureOf({ text: value => `${value} h` }, [4], 'us').told(4)).toBe('4 h')
  })
})

describe('a plot', () => {
  const measures = measuresOf(AXES, SERIES, 'metric')
  it('draws a band as two edges, the upper filled down to the lower, and the rest in front of it', () => {
    const { datasets } = plotData(SERIES, measures, palette)
    expect(datasets.map(({ label }) => label)).toEqual(['years, least', 'years, most', 'head', 'as it is'])
    expect(datasets[1]).toMatchObject({
      fill: '-1',
      data: [
        { x: 0, y: 3 },
        { x: 20, y: 3 },
      ],
    })
    expect(datasets[2]!.order).toBeLessThan(datasets[1]!.order!)
  })
  it('keeps the ends and the marks that its axes are given', () => {
    const axes: PlotAxes = { ...AXES, x: { ...AXES.x, from: 0, until: 20_000, marks: [10_000] } }
    const { scales } = plotOptions(axes, SERIES, measures, palette, { legend: false, glance: false })
    expect(scales!.x).toMatchObject({ min: 0, max: 20 })
    const built = { ticks: [] as { value: number }[] }
    ;(scales!.x as { afterBuildTicks: (scale: typeof built) => void }).afterBuildTicks(built)
    expect(built.ticks).toEqual([{ value: 10 }])
  })
  it('stands in figures: a row for each place, a column for each series that has a name', () => {
    const { head, rows } = plotRows(AXES, SERIES, measures)
    expect(head).toEqual(['size', 'years', 'head'])
    expect(rows).toEqual([
      ['0 L', '1 m to 3 m', '0 m'],
      ['20 m³', '1 m to 3 m', '2 m'],
    ])
  })
  it('of a whole year is told in so many rows that somebody reads them', () => {
    const days: Series = {
      draws: 'line',
      label: 'held',
      colour: 'deep',
      points: Array.from({ length: 365 }, (_, x) => ({ x, y: x })),
    }
    const { rows } = plotRows({ x: {}, y: {} }, [days], measuresOf({ x: {}, y: {} }, [days], 'metric'))
    expect(rows.length).toBeGreaterThan(30)
    expect(rows.length).toBeLessThan(62)
  })
})
