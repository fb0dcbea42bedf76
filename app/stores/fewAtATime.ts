import { onScopeDispose, shallowRef, watch, type Ref } from 'vue'
import { nextFrame } from '~/engine/nextTask'
import { unchanged } from '~/stores/unchanged'

/**
 * A list of which no more than a few things at a time are new or other than they were: to draw them all anew at once
 * would hold the page. The others follow, a frame for every few; what is no longer in the list is gone at once, and
 * what has not changed stays the very thing it was.
 */
export function fewAtATime<Item>(
  all: () => readonly Item[],
  keyOf: (item: Item) => string,
  few: () => number,
): Readonly<Ref<Item[]>> {
  const items = unchanged(all, keyOf)
  const shown = shallowRef<Item[]>([])
  let goesOn = false
  let gone = false

  /** Takes in as many as may come at a time; true where some are left. */
  function take(): boolean {
    const known = new Map(shown.value.map(item => [keyOf(item), item]))
    let left = few()
    let waits = false
    const next = items.value.flatMap((item): Item[] => {
      const before = known.get(keyOf(item))
      if (before === item || left-- > 0) return [item]
      waits = true
      return before === undefined ? [] : [before]
    })
    if (next.length !== shown.value.length || next.some((item, at) => item !== shown.value[at])) shown.value = next
    return waits
  }
  async function follow(): Promise<void> {
    if (goesOn) return
    goesOn = true
    do await nextFrame()
    while (!gone && take())
    goesOn = false
  }
  watch([items, few], () => take() && void follow(), { immediate: true })
  onScopeDispose(() => (gone = true))
  return shown
}
