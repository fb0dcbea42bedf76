import { asBefore } from '~/stores/unchanged'
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
