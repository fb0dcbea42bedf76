import { openedAt } from '#core/section'
import { nextTask } from '~/engine/nextTask'
import { useElementSize, useEventListener } from '@vueuse/core'

const [MOST, KEY_STEP, WHEEL_RATE] = [6, 1.25, 0.0015]
/** A press that moves less than this is a click. */
const CLICK_PX = 4

/**
 * How wide a drawing is within its frame. At 1 it is as wide as it must be to be read, and so it opens, unless the
 * whole of it is nearly as well read in the frame. The wheel, two fingers or keys make it wider about the place they point
 * at, or closer; a drag over what is no handle moves along it, and `fit`, or a double click, brings the whole into the
 * frame. Heights are not touched.
 */
export function useWiden(frame: Readonly<Ref<HTMLElement | null>>, readablePx: () => number, drawnPx: () => number) {
  const { width: framePx } = useElementSize(frame)
  const shiftPx = ref(0)
  useEventListener(frame, 'scroll', () => (shiftPx.value = frame.value!.scrollLeft), { passive: true })
  const asked = ref<number>()
  const opened = computed(() => openedAt(framePx.value, readablePx(), asked.value))
  const [least, widen] = [computed(() => opened.value.least), computed(() => opened.value.widen)]
  /** What is to stand where in the frame once it is drawn anew. */
  let anchor: { share: number; xPx: number } | undefined
  watch(
    drawnPx,
    () => {
      if (anchor && frame.value) frame.value.scrollLeft = anchor.share * frame.value.scrollWidth - anchor.xPx
      anchor = undefined
    },
    { flush: 'post' },
  )

  /** Makes it wider by a factor; what stands at `xPx` of the frame stays there as nearly as the layout lets it. */
  function by(factor: number, xPx = framePx.value / 2): void {
    const element = frame.value
    if (!element) return
    const next = Math.max(least.value, Math.min(MOST, widen.value * factor))
    if (next === widen.value) return
    anchor = { share: (element.scrollLeft + xPx) / element.scrollWidth, xPx }
    asked.value = next
  }
  function fit(): void {
    asked.value = 0
    frame.value?.scrollTo({ left: 0 })
  }

  const left = () => frame.value!.getBoundingClientRect().left
  useEventListener(
    frame,
    'wheel',
    event => {
      if (Math.abs(event.deltaX) > Math.abs(event.deltaY) || event.shiftKey) return
      const nothingToGive = event.deltaY > 0 && widen.value <= least.value
      if (nothingToGive) return
      event.preventDefault()
      by(Math.exp(-event.deltaY * WHEEL_RATE), event.clientX - left())
    },
    { passive: false },
  )

  /** Where the pointer was that moves the drawing along, and how far it has come. */
  let drag: { x: number; movedPx: number } | undefined
  useEventListener(frame, 'pointerdown', event => {
    const onHandle = (event.target as Element).closest('[role="slider"]')
    // A finger moves the drawing by the browser’s own scrolling.
    drag =
      event.button !== 0 || onHandle || event.pointerType === 'touch' ? undefined : { x: event.clientX, movedPx: 0 }
  })
  useEventListener(frame, 'pointermove', event => {
    if (!drag) return
    const alongPx = drag.x - event.clientX
    drag = { x: event.clientX, movedPx: drag.movedPx + Math.abs(alongPx) }
    if (drag.movedPx < CLICK_PX) return
    if (!frame.value!.hasPointerCapture(event.pointerId)) frame.value!.setPointerCapture(event.pointerId)
    frame.value!.scrollLeft += alongPx
  })
  useEventListener(frame, ['pointerup', 'pointercancel'], () => (drag = undefined))

  let apartPx: number | undefined
  useEventListener(
    frame,
    'touchmove',
    event => {
      const [one, other] = event.touches
      if (!one || !other) return void (apartPx = undefined)
      event.preventDefault()
      const nowPx = Math.abs(one.clientX - other.clientX)
      if (apartPx && nowPx) by(nowPx / apartPx, (one.clientX + other.clientX) / 2 - left())
      apartPx = nowPx
    },
    { passive: false },
  )
  useEventListener(frame, ['touchend', 'touchcancel'], () => (apartPx = undefined))
  useEventListener(frame, 'dblclick', event => {
    if (!(event.target as Element).closest('[role="slider"], [role="button"], button')) fit()
  })
  useEventListener(frame, 'keydown', event => {
    const act = { '+': () => by(KEY_STEP), '=': () => by(KEY_STEP), '-': () => by(1 / KEY_STEP), '0': fit }[event.key]
    if (!act || event.ctrlKey || event.metaKey) return
    event.preventDefault()
    act()
  })
  /**
   * Brings a stretch of the drawing into the frame, where it does not stand in it: in a task of its own, since to move
   * it has the page laid out.
   */
  async function bring(fromPx: number, toPx: number): Promise<void> {
    await nextTask()
    const element = frame.value
    if (!element || (fromPx >= element.scrollLeft && toPx <= element.scrollLeft + framePx.value)) return
    element.scrollTo({ left: (fromPx + toPx - framePx.value) / 2 })
  }
  return { asked, framePx, shiftPx, widen, least, by, fit, bring }
}
