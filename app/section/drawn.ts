import isEqual from 'fast-deep-equal'
import type { ComputedRef, InjectionKey, ShallowRef } from 'vue'
import type { Drawing } from '#core/section'

const DRAWN: InjectionKey<Readonly<ShallowRef<Drawing>>> = Symbol('drawn')

export const provideDrawing = (drawing: Readonly<ShallowRef<Drawing>>): void => provide(DRAWN, drawing)

/** The drawing that a symbol stands in. */
export const useDrawn = (): Readonly<ShallowRef<Drawing>> => inject(DRAWN)!

/**
 * A figure of the drawing. Where it comes out as it was, it stays the same one, so that of a drawing made anew only
 * what has changed is drawn again.
 */
export function placed<Place>(of: (drawing: Drawing) => Place): ComputedRef<Place> {
  const drawing = useDrawn()
  return computed(before => asBefore(before, of(drawing.value)))
}

const asBefore = <Value>(before: Value | undefined, now: Value): Value =>
  before !== undefined && isEqual(before, now) ? before : now

/** Things of a list, each the same one as before where nothing of it has changed. */
export function unchanged<Item>(items: () => Item[], keyOf: (item: Item) => string): ComputedRef<Item[]> {
  return computed<Item[]>(before => {
    const known = new Map(before?.map(item => [keyOf(item), item]))
    return items().map(item => asBefore(known.get(keyOf(item)), item))
  })
}
