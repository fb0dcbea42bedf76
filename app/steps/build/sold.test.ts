import { describe, expect, it } from 'vitest'
import { countWords, pricedBy } from './sold'
import { showQuantity } from '../../../core/units'

const us = (count: number, unit: Parameters<typeof countWords>[1]) =>
  countWords(count, unit, (value, kind) => showQuantity(value, kind, 'us').text, 'us')

describe('a thing of the list', () => {
  it('is counted as it is sold', () => {
    expect([us(3, 'each'), us(1, 'bag'), us(4, 'bag'), us(0.5, 'yd³')]).toEqual(['3', '1 bag', '4 bags', '0.5 yd³'])
    expect([us(3.048, 'm'), us(9.290304, 'm²')]).toEqual(['10 ft', '100 ft²'])
    // What is begun of a foot is bought whole.
    expect([us(3.06, 'm'), us(9.3, 'm²')]).toEqual(['11 ft', '101 ft²'])
    expect(countWords(3.06, 'm', value => `${value} m`, 'metric')).toBe('3.06 m')
  })
  it('has its price for what people of each system measure it in', () => {
    expect(pricedBy('m', 'metric')).toEqual({ amount: 1, words: 'a metre' })
    // Six a metre is 1.83 a foot.
    expect(6 * pricedBy('m', 'us').amount).toBeCloseTo(1.8288, 9)
    expect(pricedBy('m²', 'imperial').words).toBe('a square foot')
    expect(9 * pricedBy('m²', 'imperial').amount).toBeCloseTo(0.83612736, 9)
    expect(['each', 'bag', 'm³'].map(unit => pricedBy(unit as 'bag', 'us').words)).toEqual(['each', 'a bag', 'a m³'])
  })
})
