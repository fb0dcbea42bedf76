import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { whyNot } from '../answers'
import { type Kind, type System, SHOWN, UNITS } from './units'
import { showLimit, showQuantity, showVolume } from './show'
import { parseQuantity } from './parse'

function si(text: string, kind: Kind, system: System = 'metric'): number {
  const parsed = parseQuantity(text, kind, system)
  if (!parsed.ok) throw new Error(whyNot(parsed))
  return parsed.value
}
function problem(text: string, kind: Kind, system: System = 'metric'): string {
  const parsed = parseQuantity(text, kind, system)
  return parsed.ok ? `read as ${parsed.value}` : whyNot(parsed)
}

describe('reading what people type', () => {
  it.each<[string, Kind, System, number]>([
    ['275 gal', 'volume', 'us', 1040.9882406],
    ['275 gal', 'volume', 'imperial', 1250.17475],
    ['1 1/2 in', 'bore', 'metric', 38.1],
    ['1½"', 'bore', 'metric', 38.1],
    ['3/4 in', 'bore', 'us', 19.05],
    ['12/16 in', 'bore', 'us', 19.05],
    ['5 ft 6', 'length', 'metric', 1.6764],
    ['5\' 6"', 'length', 'us', 1.6764],
    ["5'6", 'length', 'us', 1.6764],
    ['-2 ft 6 in', 'length', 'us', -0.762],
    ['0.8 bar', 'pressure', 'metric', 80],
    ['40 psi', 'pressure', 'metric', 275.79029172672],
    ['2.4 m', 'length', 'us', 2.4],
    ['2,4 m', 'length', 'metric', 2.4],
    ['2,4', 'length', 'metric', 2.4],
    ['1,250 gal', 'volume', 'us', 4731.76473],
    ['17 900 L', 'volume', 'metric', 17900],
    ['1,234,567.5 L', 'volume', 'metric', 1234567.5],
    ['68 °F', 'temperature', 'metric', 20],
    ['68', 'temperature', 'us', 20],
    ['1 in', 'rain', 'metric', 25.4],
    ['85', 'share', 'metric', 0.85],
    ['400 sq ft', 'area', 'metric', 37.161216],
    ['2 m3', 'volume', 'metric', 2000],
    ['1.5 m3/h', 'flow', 'metric', 0.41666666666667],
    ['−0.3', 'length', 'metric', -0.3],
    ['1e2 mm', 'length', 'metric', 0.1],
  ])('%s as %s (%s)', (text, kind, system, expected) => {
    expect(si(text, kind, system)).toBeCloseTo(expected, 8)
  })

  it('asks when a comma could mean two things, and says what it does not know', () => {
    expect(problem('1,250', 'volume')).toContain('1250 or 1.25')
    expect(problem('12 stone', 'length')).toContain('“stone” is not a unit')
    expect(problem('', 'length')).toContain('Type a number')
    expect(problem('high', 'length')).toContain('not a quantity')
    expect(problem('1/0 in', 'bore')).toContain('not a quantity')
    expect(problem('5 L 6', 'volume')).toContain('not a unit')
    expect(problem('1e400', 'length')).toContain('too large')
  })

  it('never throws or yields a number that is not finite, whatever is typed', () => {
    fc.assert(
      fc.property(fc.string(), fc.constantFrom(...(Object.keys(UNITS) as Kind[])), (text, kind) => {
        const parsed = parseQuantity(text, kind, 'us')
        expect(parsed.ok ? Number.isFinite(parsed.value) : whyNot(parsed).length > 0).toBe(true)
      }),
    )
  })
})

describe('showing and reading back', () => {
  const kinds = Object.keys(UNITS) as Kind[]
  it('gives back the value within what is shown', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -9000, max: 90000, noNaN: true }),
        fc.constantFrom(...kinds),
        fc.constantFrom<System>('metric', 'us', 'imperial'),
        (value, kind, system) => {
          const shown = showQuantity(value, kind, system).text
          const back = si(shown, kind, system)
          const unit = UNITS[kind].find(candidate => candidate.words[0] === SHOWN[kind][system].unit)!
          const shownSize = Math.abs(value / unit.factor - (unit.offset ?? 0))
          const step =
            (shownSize >= 999 ? 1 : shownSize >= 99 ? 0.1 : 0.05) * unit.factor +
            0.1 ** SHOWN[kind][system].decimals * unit.factor
          expect(Math.abs(back - value)).toBeLessThanOrEqual(kind === 'length' && system !== 'metric' ? 0.0016 : step)
          expect(showQuantity(back, kind, system).text).toBe(shown)
        },
      ),
    )
  })
  it('writes numbers as a person would', () => {
    expect(showQuantity(1.6764, 'length', 'us').text).toBe('5 ft 6 in')
    expect(showQuantity(0.0127, 'length', 'us').text).toBe('1/2 in')
    expect(showQuantity(0, 'length', 'us').text).toBe('0 ft')
    expect(showQuantity(-0.001, 'length', 'metric').text).toBe('0 m')
    expect(showQuantity(2.4, 'length', 'metric').text).toBe('2.4 m')
    expect(showVolume(17900, 'metric').text).toBe('17.9 m³')
    expect(showVolume(1040.988, 'us').text).toBe('275 US gal')
    // A drip keeps its digits, and what arithmetic makes of nothing is nothing.
    expect(showVolume(0.07, 'metric').text).toBe('0.07 L')
    expect(showVolume(2.4, 'metric').text).toBe('2 L')
    expect(showQuantity(0.0123, 'hourFlow', 'metric').text).toBe('0.012 L/h')
    expect(showQuantity(0.0004, 'flow', 'metric').text).toBe('0.0004 L/s')
    expect(showVolume(1e-9, 'metric').text).toBe('0 L')
    expect(showQuantity(Number.NaN, 'volume', 'metric').text).toBe('–')
  })
})

describe('a limit', () => {
  it('is told in round figures of the system, on the safe side', () => {
    expect(showLimit(100000, 'length', 'us', 'most')).toBe('320 000 ft')
    expect(showLimit(-500, 'length', 'us', 'least')).toBe('−1600 ft')
    expect(showLimit(5000, 'bore', 'imperial', 'most')).toBe('190 in')
    expect(showLimit(0.05, 'rain', 'us', 'least')).toBe('0.002 in')
    expect(showLimit(1e7, 'volume', 'us', 'most')).toBe('2 600 000 US gal')
    expect(showLimit(40, 'temperature', 'us', 'most')).toBe('100 °F')
    expect(showLimit(0, 'length', 'us', 'least')).toBe('0 ft')
  })
  it('is what it is where the system speaks SI, or counts', () => {
    expect(showLimit(5000, 'bore', 'metric', 'most')).toBe('5000 mm')
    expect(showLimit(365, 'count', 'us', 'most')).toBe('365')
    expect(showLimit(0.875, 'share', 'us', 'most')).toBe('87.5 %')
  })
  it('lies within what it is a limit of, and is a tenth off at most', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.01, max: 1e5, noNaN: true }), value => {
        const told = parseQuantity(showLimit(value, 'length', 'us', 'most'), 'length', 'us')
        const least = parseQuantity(showLimit(value, 'length', 'us', 'least'), 'length', 'us')
        expect(told.ok && told.value).toBeLessThanOrEqual(value * (1 + 1e-6))
        expect(told.ok && told.value).toBeGreaterThan(value * 0.9)
        expect(least.ok && least.value).toBeGreaterThanOrEqual(value * (1 - 1e-6))
        expect(least.ok && least.value).toBeLessThan(value * 1.1 + 1e-6)
      }),
    )
  })
})
