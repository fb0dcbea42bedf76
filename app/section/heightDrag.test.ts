import { afterAll, describe, expect, it, vi } from 'vitest'
import { bringTheApp } from '../../tests/brought'
import type { VerticalScale } from '#core/section'

bringTheApp()
afterAll(() => vi.unstubAllGlobals())
const { useHeightDrag } = await import('./useHeightDrag')

/** A drawing of fifty pixels to a metre, its datum two hundred down; it stands ten pixels below the window's top. */
const [PX_PER_M, DATUM_PX, TOP_PX] = [50, 200, 10]
const scale = { metresAt: (y: number) => (DATUM_PX - y) / PX_PER_M } as VerticalScale

class Symbol extends EventTarget {
  ownerSVGElement = { getBoundingClientRect: () => ({ top: TOP_PX }) }
  setPointerCapture = () => undefined
}
/** A thing that stands at a height, and what was asked of it. */
function standing(atM: number) {
  const told = { baseM: atM, set: [] as number[], held: [] as (VerticalScale | undefined)[], done: 0 }
  const drag = useHeightDrag({
    scale: () => scale,
    baseM: () => told.baseM,
    set: baseM => {
      told.set.push(baseM)
      told.baseM = baseM
    },
    hold: each => void told.held.push(each),
    done: () => void told.done++,
  })
  const symbol = new Symbol()
  const yOf = (m: number) => TOP_PX + DATUM_PX - m * PX_PER_M
  function grab(m: number, button = 0): void {
    const event = Object.assign(new Event('pointerdown'), { button, pointerId: 1, clientY: yOf(m) })
    Object.defineProperty(event, 'offsetY', { value: yOf(m) - TOP_PX })
    Object.defineProperty(event, 'currentTarget', { value: symbol })
    drag.onPointerdown(event as unknown as PointerEvent)
  }
  const pull = (m: number) => symbol.dispatchEvent(Object.assign(new Event('pointermove'), { clientY: yOf(m) }))
  const letGo = () => symbol.dispatchEvent(new Event('pointerup'))
  const press = (key: string) => {
    let kept = false
    drag.onKeydown({ key, preventDefault: () => (kept = true) } as unknown as KeyboardEvent)
    return kept
  }
  return { told, drag, grab, pull, letGo, press }
}

describe('a height that is dragged', () => {
  it('goes as far as the pointer, in steps of five centimetres, wherever the thing was taken hold of', () => {
    const { told, drag, grab, pull, letGo } = standing(1)
    grab(1.4)
    pull(1.52)
    expect(drag.dragging.value).toBe(true)
    pull(2.03)
    pull(0.4)
    letGo()
    expect(told.set).toEqual([1.1, 1.65, 0])
    expect(drag.dragging.value).toBe(false)
    expect(told.done).toBe(1)
  })
  it('keeps the scale that it was drawn to until it is let go', () => {
    const { told, grab, pull, letGo } = standing(1)
    grab(1)
    pull(1.5)
    pull(2)
    expect(told.held).toEqual([scale])
    letGo()
    expect(told.held).toEqual([scale, undefined])
  })
  it('is not moved by a hand that trembles, nor by another button', () => {
    const { told, grab, pull, letGo } = standing(1)
    grab(1)
    pull(1.04)
    letGo()
    grab(1, 2)
    pull(3)
    expect(told.set).toEqual([])
    expect(told.held).toEqual([undefined])
  })
})

describe('a height by keys', () => {
  it('goes by five centimetres, or by half a metre, and leaves other keys alone', () => {
    const { told, press } = standing(1.02)
    expect(['ArrowUp', 'PageUp', 'ArrowDown', 'PageDown'].map(press)).toEqual([true, true, true, true])
    expect(told.set).toEqual([1.05, 1.55, 1.5, 1])
    expect(press('a')).toBe(false)
    expect(told.set).toHaveLength(4)
  })
})
