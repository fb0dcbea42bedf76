import { describe, expect, it } from 'vitest'
import { axisUnit } from './axis'
import { parseQuantity } from './parse'
import { SHOWN, type Kind, type System } from './units'

/** An axis has one decimal unit, and what stands on it is what its marks say. */
const SYSTEMS: System[] = ['metric', 'us', 'imperial']
const KINDS = Object.keys(SHOWN) as Kind[]

describe('the unit of an axis', () => {
  it.each(SYSTEMS)('reads back in %s as the figure that was put on it', system => {
    for (const kind of KINDS)
      for (const value of [0, 0.4, 1, 7.3, 1450]) {
        const { words, of } = axisUnit(kind, system)
        const read = parseQuantity(`${of(value)} ${words}`, kind, system)
        if (!read.ok) continue
        expect(Math.abs(read.value - value), `${kind} ${of(value)} ${words}`).toBeLessThan(1e-6 * Math.max(1, value))
      }
  })
  it('of lengths is feet or inches, and never both', () => {
    expect(axisUnit('length', 'us', 12).words).toBe('ft')
    expect(axisUnit('length', 'us', 12).of(1.4478)).toBeCloseTo(4.75, 9)
    expect(axisUnit('length', 'imperial', 0.5).words).toBe('in')
    expect(axisUnit('length', 'us', 0.5).of(0.4572)).toBeCloseTo(18, 9)
    expect(axisUnit('length', 'metric', 0.5).words).toBe('m')
    expect(axisUnit('volume', 'metric', 9000).words).toBe('L')
    expect(axisUnit('volume', 'metric', 12_000).of(12_000)).toBe(12)
    expect(axisUnit('volume', 'us', 12_000).words).toBe('US gal')
    expect(axisUnit('temperature' as Kind, 'us').of(100)).toBeCloseTo(212, 6)
  })
})
