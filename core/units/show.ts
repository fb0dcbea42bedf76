import { FOOT_M } from './measures'
import { tradeSizeOf } from './tradeSizes'
import { SHOWN, UNITS, type Kind, type System } from './units'

export interface ShownQuantity {
  number: string
  unit: string
  text: string
}

const THIN = '\u202f'

/** Writes an SI value in the site's units. Lengths in feet read as feet, inches and eighths. */
export function showQuantity(value: number, kind: Kind, system: System): ShownQuantity {
  if (!Number.isFinite(value)) return { number: '–', unit: '', text: '–' }
  if (kind === 'length' && system !== 'metric') return feetAndInches(value)
  const trade = kind === 'pipe' && system !== 'metric' ? tradeSizeOf(value) : undefined
  if (trade) return { number: trade, unit: 'in', text: `${trade} in` }
  const { unit } = SHOWN[kind][system]
  const known = UNITS[kind].find(candidate => candidate.words[0] === unit)!
  const spoken = value / known.factor - (known.offset ?? 0)
  const number = groupDigits(spoken, decimalsOf(spoken, kind, system))
  return { number, unit, text: unit && unit !== '°' ? `${number} ${unit}` : `${number}${unit}` }
}

/**
 * A limit in round figures of the system, on the safe side of what it truly is: at most two digits that count, fewer
 * feet for a most, more for a least.
 */
export function showLimit(value: number, kind: Kind, system: System, end: 'least' | 'most'): string {
  const { unit } = SHOWN[kind][system]
  const known = UNITS[kind].find(candidate => candidate.words[0] === unit)!
  const spoken = value / known.factor - (known.offset ?? 0)
  const step = 10 ** (Math.floor(Math.log10(Math.abs(spoken) || 1)) - 1)
  const isSi = unit === SHOWN[kind].metric.unit
  // What is round already, but for a hair of arithmetic, stays as it is.
  const steps = Math.round((spoken / step) * 1e6) / 1e6
  const round = isSi ? spoken : (end === 'most' ? Math.floor(steps) : Math.ceil(steps)) * step
  const number = groupDigits(round, 6)
  return unit && unit !== '°' ? `${number} ${unit}` : `${number}${unit}`
}

/** Water that drips keeps two digits however slight, where arithmetic has not made it of nothing. */
const SLIGHT = new Set<Kind>(['volume', 'flow', 'hourFlow', 'dailyVolume'])
const LEAST_SHOWN = 1e-4

/**
 * Depths of rain under an inch are told apart by thousandths: a flush of 0.016 in is not one of 0.02. Of a width in
 * inches three digits tell all there is, but where somebody typed eighths.
 */
function decimalsOf(spoken: number, kind: Kind, system: System): number {
  const { decimals } = SHOWN[kind][system]
  const isWidth = (kind === 'bore' || kind === 'pipe') && system !== 'metric'
  if (isWidth && Math.abs(spoken * 8 - Math.round(spoken * 8)) > 1e-6)
    return Math.min(decimals, Math.abs(spoken) >= 10 ? 1 : Math.abs(spoken) >= 1 ? 2 : 3)
  if (SLIGHT.has(kind) && Math.abs(spoken) < 10 ** -decimals && Math.abs(spoken) >= LEAST_SHOWN)
    return 1 - Math.floor(Math.log10(Math.abs(spoken)))
  return kind === 'rain' && system !== 'metric' && Math.abs(spoken) < 1 ? decimals + 1 : decimals
}

/** Large volumes as people say them: m³ from ten thousand litres on; gallons stay gallons. */
export function showVolume(litres: number, system: System): ShownQuantity {
  if (system !== 'metric') return showQuantity(litres, 'volume', system)
  if (Math.abs(litres) < 10000)
    return showQuantity(Math.abs(litres) < 0.5 ? litres : Math.round(litres), 'volume', system)
  const number = groupDigits(litres / 1000, 1)
  return { number, unit: 'm³', text: `${number} m³` }
}

/** A number with at most `decimals` decimals, fewer for large ones, thin spaces between thousands. */
export function groupDigits(value: number, decimals: number): string {
  const size = Math.abs(value)
  const kept = size >= 1000 ? 0 : size >= 100 ? Math.min(1, decimals) : decimals
  const [whole, fraction] = Math.abs(value).toFixed(kept).split('.')
  const grouped = whole!.length > 4 ? whole!.replace(/\B(?=(\d{3})+$)/g, THIN) : whole!
  const tail = fraction?.replace(/0+$/, '')
  const digits = tail ? `${grouped}.${tail}` : grouped
  return value < 0 && /[1-9]/.test(digits) ? `−${digits}` : digits
}

function feetAndInches(metres: number): ShownQuantity {
  const eighths = Math.round((Math.abs(metres) / FOOT_M) * 96)
  const feet = Math.floor(eighths / 96)
  const inches = Math.floor((eighths % 96) / 8)
  const fraction = ['', '1/8', '1/4', '3/8', '1/2', '5/8', '3/4', '7/8'][eighths % 8]!
  const inchText = [inches || (!fraction && !feet) ? String(inches) : '', fraction].filter(Boolean).join(' ')
  const parts = [feet ? `${feet} ft` : '', inchText && inchText !== '0' ? `${inchText} in` : ''].filter(Boolean)
  const text = (metres < 0 && eighths ? '−' : '') + (parts.join(' ') || '0 ft')
  return { number: text, unit: '', text }
}
