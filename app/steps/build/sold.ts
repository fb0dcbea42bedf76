import type { ToBuy } from '#core/build'
import { FOOT_M, type Kind, type System } from '#core/units'

type Unit = ToBuy['unit']

/** What is sold by its measure, and is counted and typed as such. */
const MEASURED: Partial<Record<Unit, Kind>> = { m: 'length', 'm²': 'area' }
export const kindSold = (unit: Unit): Kind | undefined => MEASURED[unit]

const NAMES: Partial<Record<Unit, [one: string, many: string]>> = {
  bag: ['bag', 'bags'],
  tin: ['tin', 'tins'],
  roll: ['roll', 'rolls'],
}

/** So many of a thing, as it is asked for over the counter: of feet whole ones. */
export function countWords(
  count: number,
  unit: Unit,
  show: (value: number, kind: Kind) => string,
  system: System,
): string {
  const kind = kindSold(unit)
  if (kind) return show(system === 'metric' ? count : wholeUp(count, pricedBy(unit, system).amount), kind)
  if (unit === 'each') return String(count)
  const names = NAMES[unit]
  return `${count} ${names ? names[count === 1 ? 0 : 1] : unit}`
}

const wholeUp = (value: number, step: number): number => Math.ceil(value / step - 1e-9) * step

/** For how much of a thing, in its unit, a price is told; and how that is called. */
export function pricedBy(unit: Unit, system: System): { amount: number; words: string } {
  const feet = system !== 'metric'
  if (unit === 'm') return feet ? { amount: FOOT_M, words: 'a foot' } : { amount: 1, words: 'a metre' }
  if (unit === 'm²')
    return feet ? { amount: FOOT_M ** 2, words: 'a square foot' } : { amount: 1, words: 'a square metre' }
  return { amount: 1, words: unit === 'each' ? 'each' : `a ${NAMES[unit]?.[0] ?? unit}` }
}
