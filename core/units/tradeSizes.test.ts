import { describe, expect, it } from 'vitest'
import { parseQuantity } from './parse'
import { showQuantity } from './show'

const typed = (text: string, kind: 'pipe' | 'bore' | 'length' = 'pipe', system: 'us' | 'metric' = 'us') => {
  const parsed = parseQuantity(text, kind, system)
  return parsed.ok ? parsed.value : undefined
}
const shown = (mm: number) => showQuantity(mm, 'pipe', 'us').text

describe('a pipe', () => {
  it.each([
    ['4 in', 102.26],
    ['4', 102.26],
    ['1-1/2 in', 40.89],
    ['1 1/2"', 40.89],
    ['3/4"', 20.93],
    ['½ in', 15.8],
  ])('typed as %s has the true bore of that size, and is called by it again', (text, mm) => {
    expect(typed(text)).toBeCloseTo(mm, 9)
    expect(shown(typed(text)!)).toBe(
      `${text === '4' ? '4' : text.replace(/["-]| in/g, part => (part === '-' ? ' ' : '')).replace('½', '1/2')} in`,
    )
  })
  it('sold in millimetres goes by the size nearest to it, one between sizes by its own measure', () => {
    expect(['50', '104', '154'].map(mm => shown(Number(mm)))).toEqual(['2 in', '4 in', '6 in'])
    expect(shown(68)).toBe('2.68 in')
    expect(shown(25.4 * 4.25)).toBe('4.25 in')
  })
  it('is what it is where millimetres are spoken, and a hole is never a pipe', () => {
    expect(typed('4 in', 'pipe', 'metric')).toBeCloseTo(101.6, 9)
    expect(typed('1/2 in', 'bore')).toBeCloseTo(12.7, 9)
    expect(showQuantity(1.5, 'bore', 'us').text).toBe('0.059 in')
    // Three digits tell all there is of a width, but for eighths that somebody typed.
    expect(showQuantity(586, 'bore', 'us').text).toBe('23.1 in')
    expect(showQuantity(104, 'bore', 'imperial').text).toBe('4.09 in')
    expect(showQuantity(10.125 * 25.4, 'bore', 'us').text).toBe('10.125 in')
    expect(showQuantity(104, 'bore', 'metric').text).toBe('104 mm')
  })
})

describe('lengths as people type them', () => {
  it.each([
    ["6'", 1.8288],
    [`5' 6"`, 1.6764],
    ['6', 1.8288],
    ['-2 ft', -0.6096],
    ['1-1/2 in', 0.0381],
  ])('%s', (text, metres) => expect(typed(text, 'length')).toBeCloseTo(metres, 9))
})

describe('a depth of rain', () => {
  it('has the digits that two flushes need to be told apart', () => {
    expect([0.4, 0.5].map(mm => showQuantity(mm, 'rain', 'us').text)).toEqual(['0.016 in', '0.02 in'])
    expect(showQuantity(88, 'rain', 'us').text).toBe('3.46 in')
  })
})
