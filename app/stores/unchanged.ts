import isEqual from 'fast-deep-equal'
import { computed, type ComputedRef } from 'vue'

/** What was worked out anew, or, where it came out as before, what it was: so that nothing that shows it is drawn again. */
export const asBefore = <Value>(before: Value | undefined, now: Value): Value =>
  before !== undefined && isEqual(before, now) ? before : now

/** Things of a list, each the same one as before where nothing of it has changed. */
export function unchanged<Item>(items: () => readonly Item[], keyOf: (item: Item) => string): ComputedRef<Item[]> {
  return computed<Item[]>(before => {
    const known = new Map(before?.map(item => [keyOf(item), item]))
    return items().map(item => asBefore(known.get(keyOf(item)), item))
  })
}
