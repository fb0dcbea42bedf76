import { WET_DAY_MM } from './months'

/** The longest run of days on which it rained less than a wet day's least, and where it begins. */
export function longestDrySpell(rainMm: ArrayLike<number>): { days: number; from: number } {
  let longest = { days: 0, from: 0 }
  let from = 0
  for (let index = 0; index <= rainMm.length; index++) {
    if (index < rainMm.length && rainMm[index]! < WET_DAY_MM) continue
    if (index - from > longest.days) longest = { days: index - from, from }
    from = index + 1
  }
  return longest
}
