import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { straightAxis } from './straightAxis'

const figure = fc.double({ min: -1e6, max: 1e6, noNaN: true })

describe('a straight axis', () => {
  it('puts its ends on its ends, and what lies half way half way', () => {
    const x = straightAxis([0, 40], [60, 460])
    expect([x(0), x(40), x(20), x(-10)]).toEqual([60, 460, 260, -40])
    // Heights run upwards where pixels run down.
    const y = straightAxis([0, 2], [200, 0])
    expect([y(0), y(2), y(0.5)]).toEqual([200, 0, 150])
  })
  it('tells which figure stands at a place: there and back again', () => {
    fc.assert(
      fc.property(figure, figure, figure, (low, high, value) => {
        fc.pre(Math.abs(high - low) > 1e-3)
        const x = straightAxis([low, high], [40, 700])
        expect(Math.abs(x.at(x(value)) - value)).toBeLessThan(
          1e-6 * (1 + Math.abs(value) + Math.abs(high) + Math.abs(low)),
        )
      }),
    )
  })
  it('is never without a place: an axis of nothing has all its figures at its beginning', () => {
    const x = straightAxis([3, 3], [40, 700])
    expect(x(3)).toBe(40)
    expect(Number.isFinite(x(5))).toBe(true)
  })
  it('ends on a round figure where it is to, and marks round figures within', () => {
    const x = straightAxis([0, 17.3], [0, 100], true)
    expect(x.most).toBeGreaterThanOrEqual(17.3)
    expect(x.most).toBe(18)
    expect(straightAxis([0, 17.3], [0, 100]).most).toBe(17.3)
    const marks = x.marks(4)
    expect(marks).toEqual([0, 5, 10, 15])
    for (const mark of marks) expect(x(mark)).toBeGreaterThanOrEqual(0)
  })
})
