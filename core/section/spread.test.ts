import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { narrowPx, STAFF_PX, type Slot } from './slots'
import { closestPx, spread } from './spread'

const thing = (width: number, groundM: number, yields: boolean, at: number): Slot => ({
  kind: 'node',
  nodeId: `n${at}`,
  x: 0,
  width,
  groundM,
  yields,
})
const anyRow = fc
  .array(
    fc.record({
      width: fc.integer({ min: 18, max: 126 }),
      groundM: fc.integer({ min: -3, max: 20 }),
      yields: fc.boolean(),
      partsPx: fc.integer({ min: 0, max: 120 }),
    }),
    { minLength: 1, maxLength: 30 },
  )
  .map(row => ({
    slots: row.map(({ width, groundM, yields }, at) => thing(width, groundM, yields, at)),
    partsPx: row.map(each => each.partsPx),
  }))
const gapsOf = (slots: Slot[]) =>
  slots.map((slot, at) => slot.x - (at ? slots[at - 1]!.x + slots[at - 1]!.width : STAFF_PX))

describe('sharing the width out', () => {
  it('keeps the order, lets nothing touch, and never shrinks a thing below what it may be', () => {
    fc.assert(
      fc.property(anyRow, fc.integer({ min: 200, max: 4000 }), ({ slots, partsPx }, wantedPx) => {
        const laid = spread(slots, partsPx, wantedPx)
        expect(laid.widthPx).toBeGreaterThanOrEqual(wantedPx)
        expect(laid.slots.map(slot => slot.width)).toHaveLength(slots.length)
        for (const [at, slot] of laid.slots.entries()) {
          expect(slot.width).toBeGreaterThanOrEqual(narrowPx(slots[at]!) - 1e-9)
          expect(slot.width).toBeLessThanOrEqual(slots[at]!.width + 1e-9)
          if (at) expect(gapsOf(laid.slots)[at]!).toBeGreaterThan(8.9)
        }
        const last = laid.slots.at(-1)!
        expect(last.x + last.width).toBeLessThanOrEqual(laid.widthPx)
      }),
    )
  })
  it('gives parts what they need from the width on that is said to be the closest', () => {
    fc.assert(
      fc.property(anyRow, fc.integer({ min: 0, max: 2000 }), ({ slots, partsPx }, morePx) => {
        const laid = spread(slots, partsPx, closestPx(slots, partsPx) + morePx)
        for (const [at, gap] of gapsOf(laid.slots).entries())
          if (at) expect(gap).toBeGreaterThanOrEqual(partsPx[at]! - 1e-6)
      }),
    )
  })
  it('makes no gap smaller where there is more room', () => {
    fc.assert(
      fc.property(anyRow, fc.integer({ min: 200, max: 3000 }), fc.integer({ min: 1, max: 900 }), (row, px, more) => {
        const [before, after] = [px, px + more].map(wantedPx => gapsOf(spread(row.slots, row.partsPx, wantedPx).slots))
        for (const [at, gap] of before!.entries()) expect(after![at]!).toBeGreaterThanOrEqual(gap - 1e-6)
      }),
    )
  })
  it('stands things equally far apart where no parts ask for more, up to what is usual, and further when widened', () => {
    const row = [thing(60, 0, false, 0), thing(40, 0, true, 1), thing(80, 0, false, 2)]
    expect(gapsOf(spread(row, [0, 0, 0], 400).slots).slice(1)).toEqual([expect.closeTo(48, 6), expect.closeTo(48, 6)])
    expect(gapsOf(spread(row, [0, 0, 0], 2000).slots)[1]).toBe(64)
    expect(gapsOf(spread(row, [0, 0, 0], 2000, 4).slots)[1]).toBe(256)
    expect(gapsOf(spread(row, [0, 100, 0], 400).slots)[1]).toBe(100)
  })
  it('a hill is a slope: things on other ground stand further apart', () => {
    const flat = gapsOf(spread([thing(60, 0, false, 0), thing(60, 0, false, 1)], [0, 0], 200).slots)[1]!
    const steep = gapsOf(spread([thing(60, 0, false, 0), thing(60, 12, false, 1)], [0, 0], 200).slots)[1]!
    expect(steep).toBeGreaterThan(flat)
  })
})
