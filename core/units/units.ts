import { FOOT_M, IMPERIAL_GALLON_L, INCH_MM, US_GALLON_L } from './measures'
/**
 * The units people speak, as data: each with its factor to the one SI unit of its kind.
 * Factors are exact by definition (international yard and pound, US and imperial gallon, ISO 80000).
 */

export type System = 'metric' | 'us' | 'imperial'

export type Kind =
  | 'length'
  | 'bore'
  | 'speed'
  /** A pipe's or a fitting's bore: where inches are spoken, called by its trade size. */
  | 'pipe'
  | 'area'
  | 'volume'
  | 'flow'
  /** What a well gives for each metre that its water is drawn down. */
  | 'specificCapacity'
  | 'hourFlow'
  | 'dailyVolume'
  | 'rain'
  | 'intensity'
  | 'pressure'
  | 'mass'
  | 'temperature'
  | 'duration'
  | 'share'
  | 'count'
  | 'coefficient'
  | 'roughness'
  | 'infiltration'
  | 'angle'

const PSI_KPA = 6.894757293168

interface Unit {
  factor: number
  words: string[]
  offset?: number
}

const US_GALLON: Unit = { factor: US_GALLON_L, words: ['US gal', 'usgal', 'us gallon', 'us gallons'] }
const IMPERIAL_GALLON: Unit = {
  factor: IMPERIAL_GALLON_L,
  words: ['imp gal', 'impgal', 'uk gal', 'imperial gallon', 'imperial gallons'],
}

const BORES: Unit[] = [
  { factor: 1, words: ['mm'] },
  { factor: 10, words: ['cm'] },
  { factor: 1000, words: ['m'] },
  { factor: INCH_MM, words: ['in', 'inch', 'inches', '"'] },
  { factor: 12 * INCH_MM, words: ['ft', 'foot', 'feet', "'"] },
]

/** Every unit a kind understands. The first word is how it is written back. */
export const UNITS: Record<Kind, Unit[]> = {
  length: [
    { factor: 1, words: ['m', 'metre', 'metres', 'meter', 'meters'] },
    { factor: 0.01, words: ['cm'] },
    { factor: 0.001, words: ['mm'] },
    { factor: 1000, words: ['km'] },
    { factor: FOOT_M, words: ['ft', 'foot', 'feet', "'"] },
    { factor: INCH_MM / 1000, words: ['in', 'inch', 'inches', '"'] },
    { factor: 3 * FOOT_M, words: ['yd', 'yard', 'yards'] },
  ],
  bore: BORES,
  pipe: BORES,
  area: [
    { factor: 1, words: ['m²', 'm2', 'sqm', 'sq m', 'square metres', 'square meters'] },
    { factor: FOOT_M ** 2, words: ['ft²', 'ft2', 'sqft', 'sq ft', 'square feet'] },
    { factor: 10000, words: ['ha', 'hectare', 'hectares'] },
    { factor: 4046.8564224, words: ['acre', 'acres'] },
  ],
  volume: [
    { factor: 1, words: ['L', 'l', 'litre', 'litres', 'liter', 'liters'] },
    { factor: 1000, words: ['m³', 'm3', 'cubic metres', 'cubic meters', 'kl'] },
    { factor: 0.001, words: ['ml'] },
    US_GALLON,
    IMPERIAL_GALLON,
    { factor: 1728 * (INCH_MM / 100) ** 3, words: ['ft³', 'ft3', 'cu ft', 'cubic feet'] },
  ],
  speed: [
    { factor: 1, words: ['m/s', 'mps'] },
    { factor: FOOT_M, words: ['ft/s', 'fps'] },
  ],
  flow: [
    { factor: 1, words: ['L/s', 'l/s', 'lps'] },
    { factor: 1 / 60, words: ['L/min', 'l/min', 'lpm'] },
    { factor: 1 / 3600, words: ['L/h', 'l/h', 'lph'] },
    { factor: 1 / 3.6, words: ['m³/h', 'm3/h'] },
    { factor: US_GALLON_L / 60, words: ['US gpm', 'usgpm'] },
    { factor: IMPERIAL_GALLON_L / 60, words: ['imp gpm', 'impgpm'] },
  ],
  specificCapacity: [
    { factor: 1, words: ['L/s/m', 'l/s/m', 'L/s a metre'] },
    { factor: US_GALLON_L / 60 / FOOT_M, words: ['US gpm/ft', 'usgpm/ft', 'gpm/ft'] },
    { factor: IMPERIAL_GALLON_L / 60 / FOOT_M, words: ['imp gpm/ft', 'impgpm/ft'] },
  ],
  hourFlow: [
    { factor: 1, words: ['L/h', 'l/h', 'lph', 'litres an hour', 'L', 'l'] },
    { factor: 60, words: ['L/min', 'l/min', 'lpm'] },
    { factor: US_GALLON_L, words: ['US gph', 'usgph', 'US gal/h'] },
    { factor: IMPERIAL_GALLON_L, words: ['imp gph', 'impgph', 'imp gal/h'] },
  ],
  dailyVolume: [
    { factor: 1, words: ['L/day', 'l/day', 'l/d', 'litres a day', 'liters a day', 'L', 'l'] },
    { factor: 1000, words: ['m³/day', 'm3/day', 'm3/d'] },
    { factor: US_GALLON_L, words: ['US gal/day', 'us gpd', 'US gal'] },
    { factor: IMPERIAL_GALLON_L, words: ['imp gal/day', 'imp gpd', 'imp gal'] },
  ],
  rain: [
    { factor: 1, words: ['mm'] },
    { factor: 10, words: ['cm'] },
    { factor: INCH_MM, words: ['in', 'inch', 'inches', '"'] },
  ],
  intensity: [
    { factor: 1, words: ['mm/h', 'mm/hr'] },
    { factor: INCH_MM, words: ['in/h', 'in/hr'] },
  ],
  pressure: [
    { factor: 1, words: ['kPa', 'kpa'] },
    { factor: 100, words: ['bar'] },
    { factor: PSI_KPA, words: ['psi'] },
    { factor: 1000, words: ['MPa', 'mpa'] },
    { factor: 9.80665, words: ['m head', 'mh2o', 'm of water'] },
    { factor: 9.80665 * FOOT_M, words: ['ft head', 'fth2o', 'ft of water'] },
  ],
  mass: [
    { factor: 1, words: ['kg'] },
    { factor: 1000, words: ['t', 'tonne', 'tonnes'] },
    { factor: 0.45359237, words: ['lb', 'lbs', 'pounds'] },
  ],
  temperature: [
    { factor: 1, words: ['°C', 'c', 'deg c', 'celsius'] },
    { factor: 5 / 9, offset: -32, words: ['°F', 'f', 'deg f', 'fahrenheit'] },
  ],
  duration: [
    { factor: 1, words: ['h', 'hr', 'hour', 'hours'] },
    { factor: 1 / 60, words: ['min', 'minute', 'minutes'] },
    { factor: 24, words: ['days', 'day', 'd'] },
  ],
  share: [
    { factor: 0.01, words: ['%', 'percent', 'per cent'] },
    { factor: 1, words: ['of 1'] },
  ],
  count: [{ factor: 1, words: [''] }],
  coefficient: [{ factor: 1, words: [''] }],
  roughness: [
    { factor: 1, words: ['mm'] },
    { factor: INCH_MM, words: ['in', 'inch', 'inches', '"'] },
  ],
  infiltration: [
    { factor: 1 / 3.6e6, words: ['mm/h', 'mm an hour'] },
    { factor: INCH_MM / 3.6e6, words: ['in/h', 'inches an hour'] },
    { factor: 1, words: ['m/s'] },
  ],
  angle: [{ factor: 1, words: ['°', 'deg', 'degrees'] }],
}

/** Words whose meaning depends on the site's system: a gallon is not one thing. */
export const SPOKEN: Partial<Record<Kind, Record<string, Record<System, string>>>> = {
  volume: gallonWords(['gal', 'gals', 'gallon', 'gallons'], 'US gal', 'imp gal'),
  flow: gallonWords(['gpm', 'gal/min'], 'US gpm', 'imp gpm'),
  hourFlow: gallonWords(['gph', 'gal/h', 'gal an hour'], 'US gph', 'imp gph'),
  dailyVolume: gallonWords(['gal', 'gallons', 'gal/day', 'gpd', 'gal a day'], 'US gal/day', 'imp gal/day'),
}

function gallonWords(words: string[], us: string, imperial: string) {
  return Object.fromEntries(words.map(word => [word, { metric: us, us, imperial }]))
}

interface Shown {
  unit: string
  decimals: number
}

/** How each kind is written back in each system; `decimals` are for small numbers, larger ones take fewer. */
export const SHOWN: Record<Kind, Record<System, Shown>> = {
  length: {
    metric: { unit: 'm', decimals: 2 },
    us: { unit: 'ft', decimals: 2 },
    imperial: { unit: 'ft', decimals: 2 },
  },
  bore: { metric: { unit: 'mm', decimals: 1 }, us: { unit: 'in', decimals: 3 }, imperial: { unit: 'in', decimals: 3 } },
  pipe: { metric: { unit: 'mm', decimals: 1 }, us: { unit: 'in', decimals: 2 }, imperial: { unit: 'in', decimals: 2 } },
  area: {
    metric: { unit: 'm²', decimals: 1 },
    us: { unit: 'ft²', decimals: 1 },
    imperial: { unit: 'ft²', decimals: 1 },
  },
  volume: {
    metric: { unit: 'L', decimals: 1 },
    us: { unit: 'US gal', decimals: 1 },
    imperial: { unit: 'imp gal', decimals: 1 },
  },
  speed: {
    metric: { unit: 'm/s', decimals: 1 },
    us: { unit: 'ft/s', decimals: 1 },
    imperial: { unit: 'ft/s', decimals: 1 },
  },
  flow: {
    metric: { unit: 'L/s', decimals: 2 },
    us: { unit: 'US gpm', decimals: 1 },
    imperial: { unit: 'imp gpm', decimals: 1 },
  },
  specificCapacity: {
    metric: { unit: 'L/s/m', decimals: 4 },
    us: { unit: 'US gpm/ft', decimals: 3 },
    imperial: { unit: 'imp gpm/ft', decimals: 3 },
  },
  hourFlow: {
    metric: { unit: 'L/h', decimals: 1 },
    us: { unit: 'US gph', decimals: 1 },
    imperial: { unit: 'imp gph', decimals: 1 },
  },
  dailyVolume: {
    metric: { unit: 'L/day', decimals: 1 },
    us: { unit: 'US gal/day', decimals: 1 },
    imperial: { unit: 'imp gal/day', decimals: 1 },
  },
  rain: { metric: { unit: 'mm', decimals: 1 }, us: { unit: 'in', decimals: 2 }, imperial: { unit: 'in', decimals: 2 } },
  intensity: {
    metric: { unit: 'mm/h', decimals: 0 },
    us: { unit: 'in/h', decimals: 2 },
    imperial: { unit: 'in/h', decimals: 2 },
  },
  pressure: {
    metric: { unit: 'kPa', decimals: 0 },
    us: { unit: 'psi', decimals: 1 },
    imperial: { unit: 'psi', decimals: 1 },
  },
  mass: { metric: { unit: 'kg', decimals: 0 }, us: { unit: 'lb', decimals: 0 }, imperial: { unit: 'lb', decimals: 0 } },
  temperature: {
    metric: { unit: '°C', decimals: 1 },
    us: { unit: '°F', decimals: 1 },
    imperial: { unit: '°C', decimals: 1 },
  },
  duration: {
    metric: { unit: 'h', decimals: 2 },
    us: { unit: 'h', decimals: 2 },
    imperial: { unit: 'h', decimals: 2 },
  },
  share: { metric: { unit: '%', decimals: 1 }, us: { unit: '%', decimals: 1 }, imperial: { unit: '%', decimals: 1 } },
  count: { metric: { unit: '', decimals: 2 }, us: { unit: '', decimals: 2 }, imperial: { unit: '', decimals: 2 } },
  coefficient: {
    metric: { unit: '', decimals: 4 },
    us: { unit: '', decimals: 4 },
    imperial: { unit: '', decimals: 4 },
  },
  roughness: {
    metric: { unit: 'mm', decimals: 4 },
    us: { unit: 'in', decimals: 6 },
    imperial: { unit: 'in', decimals: 6 },
  },
  infiltration: {
    metric: { unit: 'mm/h', decimals: 1 },
    us: { unit: 'in/h', decimals: 2 },
    imperial: { unit: 'in/h', decimals: 2 },
  },
  angle: { metric: { unit: '°', decimals: 1 }, us: { unit: '°', decimals: 1 }, imperial: { unit: '°', decimals: 1 } },
}
