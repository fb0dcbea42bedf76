import { wrap, type Remote } from 'comlink'
import type { ShallowRef } from 'vue'
import { useSite } from '~/stores/site'
import type { SectionWorker } from '~/workers/section.worker'
import { bandsOf, pictureOf, received, type Frame, type Held, type Picture } from '#core/section'
import type { Site } from '#core/site'

/** A site of more things than this takes longer to lay out than a blink, and is laid out beside the page. */
const LARGE = 60

/**
 * Keeps `picture` that of the open site, as it is drawn in a frame. An edit first shows where it was typed and in the figures; the drawing
 * follows in a task of its own, but for a height that is being dragged, which is seen to move.
 */
export function useDrawing(
  picture: ShallowRef<Picture | undefined>,
  frame: Readonly<Ref<Frame>>,
  held: Readonly<Ref<Held | undefined>>,
): void {
  const store = useSite()
  const large = layoutBeside(picture, frame, held)

  function draw(): void {
    const { site } = store
    if (!site || !frame.value.framePx) return
    if (site.nodes.length > LARGE) large.ask(site)
    else picture.value = pictureOf(site, frame.value, held.value)
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
  onScopeDispose(large.end)
}

/** Lays sites out in a worker, one at a time; of several that wait only the newest is taken up. */
function layoutBeside(
  picture: ShallowRef<Picture | undefined>,
  frame: Readonly<Ref<Frame>>,
  held: Readonly<Ref<Held | undefined>>,
) {
  let worker: Worker | undefined
  let face: Remote<SectionWorker> | undefined
  let newest: Site | undefined
  let busy = false

  function start(): Remote<SectionWorker> {
    worker = new Worker(new URL('../workers/section.worker.ts', import.meta.url), { type: 'module' })
    return wrap<SectionWorker>(worker)
  }

  async function layOut(): Promise<void> {
    busy = true
    while (newest) {
      const site = newest
      newest = undefined
      face ??= start()
      const { daily: _daily, ...climate } = site.climate
      const kept = held.value && { ...held.value, scale: bandsOf(held.value.scale) }
      const plain = await face.picture({ ...site, climate, options: [] }, frame.value, kept)
      if (useSite().site?.id === site.id) picture.value = received(plain, site)
    }
    busy = false
  }

  return {
    ask(site: Site): void {
      newest = site
      if (!busy) void layOut()
    },
    end: () => worker?.terminate(),
  }
}
