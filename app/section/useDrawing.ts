import type { ShallowRef } from 'vue'
import { pictureBeside } from '~/section/pictureBeside'
import { isLarge } from '~/engine/large'
import { nextTask } from '~/engine/nextTask'
import { useSite } from '~/stores/site'
import { pictureOf, type Frame, type HeldScale, type Picture } from '#core/section'
import type { Site } from '#core/site'

/**
 * Keeps `picture` that of the open site, as it is drawn in a frame. An edit first shows where it was typed and in the
 * figures; the drawing follows in a task of its own, but for a height that is being dragged, which is seen to move.
 */
export function useDrawing(
  picture: ShallowRef<Picture | undefined>,
  frame: Readonly<Ref<Frame>>,
  held: Readonly<Ref<HeldScale | undefined>>,
): void {
  const store = useSite()
  /** Of several large sites that wait only the newest is laid out. */
  let newest: Site | undefined
  let busy = false

  async function layOut(): Promise<void> {
    busy = true
    while (newest) {
      // The figures are asked for in the same breath, and come first.
      await nextTask()
      const site = newest
      newest = undefined
      const made = await pictureBeside(site, frame.value, held.value)
      // To take it in is work enough for one task, and to show it for another.
      await nextTask()
      if (store.site?.id === site.id && isLarge(store.site)) picture.value = made
    }
    busy = false
  }
  function draw(): void {
    const { site } = store
    if (!site || !frame.value.framePx) return
    if (!isLarge(site)) picture.value = pictureOf(site, frame.value, held.value)
    else {
      newest = site
      if (!busy) void layOut()
    }
  }
  watch(
    () => store.site,
    (next, before) => {
      if (held.value || next?.id !== before?.id) draw()
      else setTimeout(() => store.site === next && draw())
    },
    { flush: 'sync' },
  )
  watch([frame, held], draw, { immediate: true })
}
