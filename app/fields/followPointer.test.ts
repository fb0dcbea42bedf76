import { describe, expect, it } from 'vitest'
import { followPointer } from './followPointer'

/** A thing on the page, as far as a pointer knows it. */
class Thing extends EventTarget {
  captured: number[] = []
  setPointerCapture = (id: number) => void this.captured.push(id)
  at(type: string, clientX: number): void {
    this.dispatchEvent(Object.assign(new Event(type), { clientX }))
  }
}
function followed() {
  const thing = new Thing()
  const seen: number[] = []
  const ends: boolean[] = []
  const down = Object.assign(new Event('pointerdown'), { pointerId: 7 }) as PointerEvent
  followPointer(
    down,
    thing as unknown as Element & GlobalEventHandlers,
    ({ clientX }) => seen.push(clientX),
    letGo => ends.push(letGo),
  )
  return { thing, seen, ends }
}

describe('a pointer that went down on a thing', () => {
  it('is followed wherever it goes, until it is let go', () => {
    const { thing, seen, ends } = followed()
    expect(thing.captured).toEqual([7])
    thing.at('pointermove', 3)
    thing.at('pointermove', 5)
    thing.at('pointerup', 5)
    thing.at('pointermove', 9)
    thing.at('pointerup', 9)
    expect([seen, ends]).toEqual([[3, 5], [true]])
  })
  it('that is lost is told apart from one that was let go', () => {
    const { thing, seen, ends } = followed()
    thing.at('pointercancel', 0)
    thing.at('pointermove', 4)
    expect([seen, ends]).toEqual([[], [false]])
  })
})
