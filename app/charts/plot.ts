import type { ChartData, ChartDataset, ChartOptions, ScaleOptions } from 'chart.js'
import { axisUnit, groupDigits, showQuantity, showVolume, type Kind, type System } from '#core/units'

/** What lines, bands, bars and marks are coloured by: the colours of the theme, by what they mean. */
export const PLOT_COLOURS = {
  water: '--water',
  deep: '--water-deep',
  oak: '--oak',
  moss: '--moss',
  ink: '--ink',
  soft: '--soft',
  hair: '--hair',
  sheet: '--sheet',
  rust: '--rust',
  spill: '--line-spill',
  main: '--line-main',
} as const
export type PlotColour = keyof typeof PLOT_COLOURS
export type Palette = Record<PlotColour, string>

/** A point, in SI units or plain figures. */
export interface PlotPoint {
  x: number
  y: number
}

/** Something drawn along the axes: a line, a band between two of them, or bars. */
export type Series = { label: string; colour: PlotColour; right?: boolean; unnamed?: boolean } & (
  | { draws: 'line'; points: readonly PlotPoint[]; dashed?: boolean; filled?: boolean; thin?: boolean }
  | { draws: 'dots'; points: readonly PlotPoint[]; hollow?: boolean }
  /** A level at each place, as wide as there is room. */
  | { draws: 'levels'; points: readonly PlotPoint[] }
  | { draws: 'bars'; points: readonly PlotPoint[]; narrow?: boolean; over?: (point: PlotPoint) => boolean }
  | { draws: 'band'; points: readonly { x: number; low: number; high: number }[] }
)

/** An axis of quantities in one decimal unit of the site's system, or of plain figures. */
export interface PlotAxis {
  /** What runs along it; nothing where what stands beside the chart says so. */
  words?: string
  kind?: Kind
  /** What its unit is counted by, such as “a day”. */
  per?: string
  from?: number
  until?: number
  /** Its marks grow by shares and not by steps. */
  byShares?: boolean
  /** Depths: it begins where its figures do, and runs downward. */
  downward?: boolean
  /** How a figure on it reads, where that is no quantity. */
  text?: (value: number) => string
  /** Where its marks stand, where round figures would not do. */
  marks?: readonly number[]
  mostMarks?: number
  /** Its unit is told beside it. */
  untitled?: boolean
  /** It need not begin at nothing. */
  floats?: boolean
}

/** A place on a plot that is named, or where a line stands upright. */
export interface PlotMark {
  x: number
  y?: number
  words?: string
  colour: PlotColour
}

/** A mark that is dragged along a plot, or moved by keys, to make something so. */
export interface PlotGrip {
  x: number
  y: number
  least: number
  most: number
  label: string
  told: string
  to: (x: number) => void
  /** So many times as large as it is. */
  byKey: (times: number) => void
  begin: () => void
  end: () => void
}

export interface PlotAxes {
  x: PlotAxis
  y: PlotAxis
  right?: PlotAxis
}

/** An axis with its unit: how a figure stands on it, back again, and how it is told. */
export interface Measure {
  title: string
  of: (value: number) => number
  back: (value: number) => number
  /** A mark of the axis, from the figure as it stands on it. */
  mark: (onAxis: number) => string
  /** A figure by itself, with its unit. */
  told: (value: number) => string
}

const ys = (series: Series): number[] =>
  series.draws === 'band' ? series.points.flatMap(({ low, high }) => [low, high]) : series.points.map(({ y }) => y)

/** The measure of an axis, from what stands along it. */
export function measureOf(axis: PlotAxis, values: readonly number[], system: System): Measure {
  const { kind, words = '', text, per } = axis
  const plain = (value: number) => String(Number(value.toPrecision(4)))
  if (!kind) {
    const told = text ?? plain
    return { title: words, of: value => value, back: value => value, mark: told, told }
  }
  const largest = values.reduce((most, value) => Math.max(most, Math.abs(value)), Math.abs(axis.until ?? 0))
  const unit = axisUnit(kind, system, largest || Infinity)
  const [none, one] = [unit.of(0), unit.of(1)]
  const figure = (value: number) => (kind === 'volume' ? showVolume(value, system) : showQuantity(value, kind, system))
  const unitWords = [unit.words, per].filter(Boolean).join(' ')
  return {
    title: [words, unitWords].filter(Boolean).join(', '),
    of: unit.of,
    back: value => (value - none) / (one - none),
    mark: text
      ? onAxis => text((onAxis - none) / (one - none))
      : onAxis => groupDigits(Number(onAxis.toPrecision(6)), 4),
    told: text ?? (value => [figure(value).text, per].filter(Boolean).join(' ')),
  }
}

/** The measures of a plot's axes; of the right one where there is any. */
export function measuresOf(axes: PlotAxes, series: readonly Series[], system: System) {
  const along = series.flatMap(each => each.points.map(({ x }) => x))
  const up = (right: boolean) => series.filter(each => Boolean(each.right) === right).flatMap(ys)
  return {
    x: measureOf(axes.x, along, system),
    y: measureOf(axes.y, up(false), system),
    right: axes.right && measureOf(axes.right, up(true), system),
  }
}
export type Measures = ReturnType<typeof measuresOf>

/** A point as it is drawn, with how it is told. */
interface DrawnPoint {
  x: number
  y: number
  told: string
}
type DrawnSet = ChartDataset<'line' | 'bar', DrawnPoint[]>

/** What the chart library draws of some series. */
export function plotData(
  series: readonly Series[],
  measures: Measures,
  palette: Palette,
): ChartData<'line' | 'bar', DrawnPoint[]> {
  return { datasets: series.flatMap(each => setsOf(each, measures, palette)) }
}

function setsOf(series: Series, measures: Measures, palette: Palette): DrawnSet[] {
  const up = (series.right && measures.right) || measures.y
  const colour = palette[series.colour]
  const drawn = (points: readonly PlotPoint[]): DrawnPoint[] =>
    points.map(({ x, y }) => ({ x: measures.x.of(x), y: up.of(y), told: up.told(y) }))
  const common = { label: series.label, yAxisID: series.right ? 'right' : 'y', borderColor: colour }
  if (series.draws === 'band') {
    const edge = (at: 'low' | 'high') => drawn(series.points.map(point => ({ x: point.x, y: point[at] })))
    const line = { ...common, type: 'line' as const, borderWidth: 0, pointRadius: 0, order: 9 }
    return [
      { ...line, label: `${series.label}, least`, data: edge('low') },
      { ...line, label: `${series.label}, most`, data: edge('high'), fill: '-1', backgroundColor: `${colour}66` },
    ]
  }
  const data = drawn(series.points)
  if (series.draws === 'bars') {
    const { over, points } = series
    return [
      {
        ...common,
        type: 'bar' as const,
        data,
        backgroundColor: over ? points.map(point => (over(point) ? palette.rust : colour)) : colour,
        borderWidth: 0,
        barPercentage: series.narrow ? 0.8 : 1,
        categoryPercentage: 1,
        grouped: false,
        order: 2,
      },
    ]
  }
  const line = { ...common, type: 'line' as const, data }
  if (series.draws === 'line')
    return [
      {
        ...line,
        pointRadius: 0,
        borderDash: series.dashed ? [6, 4] : [],
        borderWidth: series.thin ? 1.6 : 2.2,
        backgroundColor: `${colour}88`,
        fill: series.filled ? 'origin' : false,
        order: 3,
      },
    ]
  if (series.draws === 'dots')
    return [
      {
        ...line,
        showLine: false,
        pointRadius: 4.5,
        backgroundColor: series.hollow ? palette.sheet : colour,
        order: 1,
      },
    ]
  return [
    {
      ...line,
      showLine: false,
      pointStyle: 'line',
      pointRadius: ({ chart }) => (LEVEL_SHARE * (chart.chartArea?.width ?? 0)) / Math.max(1, data.length),
      pointBorderWidth: 3,
      order: 1,
    },
  ]
}
/** Half of a level, in shares of the room that each has. */
const LEVEL_SHARE = 0.42

export const PLOT_FONT = 'Atkinson Hyperlegible Next Variable'

/** How the chart library draws it: our axes, marks and hover. */
export function plotOptions(
  axes: PlotAxes,
  series: readonly Series[],
  measures: Measures,
  palette: Palette,
  { legend, glance }: { legend: boolean; glance: boolean },
): ChartOptions<'line' | 'bar'> {
  const font = { family: PLOT_FONT, size: glance ? 10 : 12 }
  const scale = (axis: PlotAxis, measure: Measure, along: boolean, right = false): ScaleOptions<'linear'> =>
    ({
      type: axis.byShares ? 'logarithmic' : 'linear',
      position: right ? 'right' : undefined,
      min: axis.from === undefined ? undefined : measure.of(axis.from),
      max: axis.until === undefined ? undefined : measure.of(axis.until),
      beginAtZero: !along && !axis.downward && !axis.floats,
      reverse: axis.downward ?? false,
      // Bars would else have room beside the first and the last: the axis says where it begins.
      offset: false,
      title: { display: Boolean(measure.title) && !axis.untitled, text: measure.title, color: palette.soft, font },
      grid: { color: palette.hair, display: !along && !right, drawTicks: false },
      border: { color: palette.hair },
      afterBuildTicks: axis.marks
        ? (built: { ticks: { value: number }[] }) => {
            built.ticks = axis.marks!.map(value => ({ value: measure.of(value) }))
          }
        : undefined,
      ticks: {
        color: palette.soft,
        font,
        padding: 4,
        includeBounds: false,
        maxRotation: 0,
        autoSkipPadding: 12,
        maxTicksLimit: axis.mostMarks ?? (along ? 8 : 5),
        callback: (value: string | number) => linesOf(measure.mark(Number(value))),
      },
    }) as ScaleOptions<'linear'>
  return {
    responsive: true,
    maintainAspectRatio: false,
    animation: false,
    parsing: false,
    normalized: true,
    ...(glance ? { events: [] } : {}),
    // What has figures at the same places is read together; else what is nearest.
    interaction: { mode: isEven(series) ? 'index' : 'nearest', axis: 'x', intersect: false },
    layout: { padding: { top: 6, right: axes.right ? 0 : 6 } },
    plugins: {
      legend: {
        display: legend,
        labels: {
          color: palette.ink,
          boxWidth: 14,
          font: { family: PLOT_FONT, size: 13 },
          filter: ({ text }) => !text.endsWith(', least'),
        },
      },
      tooltip: {
        enabled: !glance,
        titleFont: { family: PLOT_FONT },
        bodyFont: { family: PLOT_FONT },
        callbacks: {
          title: ([item]) => (item ? linesOf(measures.x.told(measures.x.back(item.parsed.x ?? 0))) : ''),
          label: item => `${item.dataset.label}: ${(item.raw as DrawnPoint).told}`,
        },
      },
    },
    scales: {
      x: scale(axes.x, measures.x, true),
      y: scale(axes.y, measures.y, false),
      ...(axes.right && measures.right ? { right: scale(axes.right, measures.right, false, true) } : {}),
    },
  }
}

const isEven = (series: readonly Series[]): boolean =>
  new Set(series.filter(({ unnamed }) => !unnamed).map(({ points }) => points.length)).size < 2

/** A mark of more than one line is drawn so. */
const linesOf = (words: string): string | string[] => (words.includes('\n') ? words.split('\n') : words)

/** So many rows of a plot's figures are told at most: of more, every so many. */
const MOST_ROWS = 60

/** A plot in figures: a head, and a row for each place along it, with what each series says there. */
export function plotRows(axes: PlotAxes, series: readonly Series[], measures: Measures) {
  const named = series.filter(({ unnamed }) => !unnamed)
  const all = [...new Set(named.flatMap(each => each.points.map(({ x }) => x)))].sort((one, other) => one - other)
  const every = Math.ceil(all.length / MOST_ROWS)
  const places = all.filter((_, at) => at % every === 0)
  const cellOf = (each: Series) => {
    const up = (each.right && measures.right) || measures.y
    const told =
      each.draws === 'band'
        ? each.points.map(({ x, low, high }) => [x, `${up.told(low)} to ${up.told(high)}`] as const)
        : each.points.map(({ x, y }) => [x, up.told(y)] as const)
    return new Map(told)
  }
  const cells = named.map(cellOf)
  return {
    head: [axes.x.words ?? '', ...named.map(({ label }) => label)],
    rows: places.map(x => [measures.x.told(x), ...cells.map(cell => cell.get(x) ?? '')]),
  }
}
