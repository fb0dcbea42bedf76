import { cutAlike } from '../cutSheets'
import { toBuy, totalOf } from './takeoff'
import type { Item } from './items'
import type { Site } from '../../site'

/** Something that could stand in for a thing on the list, and what that saves; or that stands in for it already. */
export interface Substitute {
  /** The thing that is replaced. */
  item: Pick<Item, 'id' | 'what' | 'size'>
  words: string
  saves: number
  swapped: boolean
}

/** A whole corner, whose id begins so, can be made of two halves. */
const WHOLE = 'elbow-90-'

/** Two halves of a corner for a whole one: what each would save by what is owned and paid, and those that are in use. */
export function substitutesOf(site: Site): Substitute[] {
  const swaps = site.build?.swaps ?? []
  const total = totalOf(toBuy(site))
  const withSwaps = (ids: string[]): Site => cutAlike(site, { ...site, build: { ...site.build, swaps: ids } })
  const plain = toBuy(withSwaps([])).filter(({ id }) => id.startsWith(WHOLE))
  return plain.flatMap(({ id, what, size }): Substitute[] => {
    const swapped = swaps.includes(id)
    const other = swapped ? swaps.filter(each => each !== id) : [...swaps, id]
    const differs = totalOf(toBuy(withSwaps(other))) - total
    const saves = Math.round((swapped ? differs : -differs) * 100) / 100
    return swapped || saves > 0 ? [{ item: { id, what, size }, words: 'Two of 45°', saves, swapped }] : []
  })
}
