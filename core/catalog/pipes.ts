import type { System } from '../units'

/** A series of pipe: how it is called, how rough its wall is, and each size as it is sold with what it truly measures inside. */
interface PipeSeries {
  name: string
  /** Whose shelves it lies on. */
  standard: 'inch' | 'metric'
  roughnessMm: number
  /** What a metre of 26 mm costs, in whatever is spent. */
  pricePerM: number
  sizes: { size: string; innerMm: number }[]
}
const sizes = (...rows: [size: string, innerMm: number][]) => rows.map(([size, innerMm]) => ({ size, innerMm }))

/** True inner diameters: ASTM D1785 (schedules 40 and 80), EN 12201 (PE 100, SDR 11), EN 1057 (copper tube). */
export const PIPE_SERIES = {
  'plastic-40': {
    name: 'schedule 40 plastic',
    standard: 'inch',
    roughnessMm: 0.0015,
    pricePerM: 2.4,
    sizes: sizes(
      ['1/2 in', 15.8],
      ['3/4 in', 20.93],
      ['1 in', 26.64],
      ['1 1/4 in', 35.05],
      ['1 1/2 in', 40.89],
      ['2 in', 52.5],
      ['2 1/2 in', 62.71],
      ['3 in', 77.93],
      ['4 in', 102.26],
    ),
  },
  'plastic-80': {
    name: 'schedule 80 plastic',
    standard: 'inch',
    roughnessMm: 0.0015,
    pricePerM: 3.8,
    sizes: sizes(
      ['1/2 in', 13.87],
      ['3/4 in', 18.85],
      ['1 in', 24.31],
      ['1 1/4 in', 32.46],
      ['1 1/2 in', 38.1],
      ['2 in', 49.25],
      ['3 in', 73.66],
      ['4 in', 97.18],
    ),
  },
  'pe-100': {
    name: 'PE 100',
    standard: 'metric',
    roughnessMm: 0.0015,
    pricePerM: 2.2,
    sizes: sizes(
      ['20', 16.2],
      ['25', 20.4],
      ['32', 26.2],
      ['40', 32.6],
      ['50', 40.8],
      ['63', 51.4],
      ['75', 61.4],
      ['90', 73.6],
      ['110', 90],
    ),
  },
  copper: {
    name: 'copper',
    standard: 'metric',
    roughnessMm: 0.0015,
    pricePerM: 9.5,
    sizes: sizes(['15', 13.6], ['18', 16.4], ['22', 20.2], ['28', 26.2], ['35', 32.6], ['42', 39.6], ['54', 51.6]),
  },
  'steel-40': {
    name: 'schedule 40 galvanised steel',
    standard: 'inch',
    roughnessMm: 0.15,
    pricePerM: 7,
    sizes: sizes(
      ['1/2 in', 15.8],
      ['3/4 in', 20.93],
      ['1 in', 26.64],
      ['1 1/4 in', 35.05],
      ['1 1/2 in', 40.89],
      ['2 in', 52.5],
    ),
  },
} as const satisfies Record<string, PipeSeries>
export type PipeSeriesId = keyof typeof PIPE_SERIES
export const PIPE_SERIES_IDS = Object.keys(PIPE_SERIES) as [PipeSeriesId, ...PipeSeriesId[]]
export const pipeSeries = (id: PipeSeriesId): PipeSeries => PIPE_SERIES[id]

/** Nearer than this to a true inner diameter, a pipe is of that size. */
const NEAR_MM = 0.3

/** The size of a series that a pipe is, by what it measures inside. */
export const sizeOfPipe = (series: PipeSeriesId, innerMm: number) =>
  pipeSeries(series).sizes.find(each => Math.abs(each.innerMm - innerMm) < NEAR_MM)

/** Inch sizes as they are called where metres are spoken (DN). */
const NOMINAL: Record<string, string> = {
  '1/2 in': 'DN 15',
  '3/4 in': 'DN 20',
  '1 in': 'DN 25',
  '1 1/4 in': 'DN 32',
  '1 1/2 in': 'DN 40',
  '2 in': 'DN 50',
  '2 1/2 in': 'DN 65',
  '3 in': 'DN 80',
  '4 in': 'DN 100',
}

/** What a size is called by whoever reads it. */
export const sizeName = (size: string, units: System): string => (units === 'metric' ? (NOMINAL[size] ?? size) : size)

/** A starting guess of what a metre costs: wider pipe costs more than in proportion. */
export const pipePricePerM = (series: PipeSeriesId, innerMm: number): number =>
  PIPE_SERIES[series].pricePerM * (innerMm / 26) ** 1.4

/** What a person buys where nothing else is said. */
export const usualSeries = (standard: 'inch' | 'metric'): PipeSeriesId =>
  standard === 'inch' ? 'plastic-40' : 'pe-100'

/** Inside of a line on which no pipe is laid yet, mm: an inch of schedule 40, what houses are mostly piped in. */
export const USUAL_BORE_MM = 26.64
