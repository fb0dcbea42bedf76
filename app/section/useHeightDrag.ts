import { followPointer } from '~/fields/followPointer'
import type { VerticalScale } from '#core/section'

const STEP_M = 0.05

/** Lets a thing in the Section be put higher or lower, by pointer or by arrow keys, in steps of 5 cm. */
export function useHeightDrag(options: {
  scale: () => VerticalScale
  baseM: () => number
  set: (baseM: number) => void
  hold: (scale: VerticalScale | undefined) => void
  done: () => void
}) {
  const dragging = ref(false)
  const step = (value: number) => Math.round(Math.round(value / STEP_M) * STEP_M * 100) / 100

  function onPointerdown(event: PointerEvent): void {
    if (event.button !== 0) return
    const scale = options.scale()
    const startM = options.baseM()
    const grabM = scale.metresAt(event.offsetY)
    const target = event.currentTarget as SVGElement
    const svg = target.ownerSVGElement!
    const yOf = (move: PointerEvent) => move.clientY - svg.getBoundingClientRect().top
    const offsetM = scale.metresAt(yOf(event)) - grabM
    let moved = false
    const onMove = (move: PointerEvent) => {
      if (!moved && Math.abs(move.clientY - event.clientY) < 3) return
      if (!moved) options.hold(scale)
      moved = true
      dragging.value = true
      const next = step(startM + scale.metresAt(yOf(move)) - offsetM - grabM)
      if (next !== options.baseM()) options.set(next)
    }
    const onEnd = () => {
      dragging.value = false
      options.hold(undefined)
      options.done()
    }
    followPointer(event, target, onMove, onEnd)
  }

  function onKeydown(event: KeyboardEvent): void {
    const steps = { ArrowUp: 1, ArrowDown: -1, PageUp: 10, PageDown: -10 }[event.key]
    if (!steps) return
    event.preventDefault()
    options.set(step(options.baseM() + steps * STEP_M))
  }

  return { dragging, onPointerdown, onKeydown }
}
