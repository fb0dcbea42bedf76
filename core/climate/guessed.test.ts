import { describe, expect, it } from 'vitest'
import { monthsTold } from './guessed'
import { CLIMATES, CLIMATE_IDS } from '../catalog'

const mean = (values: number[]) => values.reduce((sum, value) => sum + value, 0) / values.length
const rainMm = Array<number>(12).fill(70)

describe('twelve months as told', () => {
  it.each(CLIMATE_IDS)('a guess of %s’s warmth is of its kind: within a few degrees in the mean', id => {
    const { latitudeDeg, altitudeM, tMinC, tMaxC } = CLIMATES[id]
    const { months } = monthsTold({ rainMm }, { latitudeDeg, altitudeM })
    expect(Math.abs(mean(months.map(month => month.tMinC)) - mean([...tMinC]))).toBeLessThan(7)
    expect(Math.abs(mean(months.map(month => month.tMaxC)) - mean([...tMaxC]))).toBeLessThan(7)
    expect(Math.max(...months.map(month => month.tMaxC))).toBe(months[latitudeDeg < 0 ? 0 : 6]!.tMaxC)
  })
  it('a town at 31° is warmer than a temperate one, and south of the equator January is warmest', () => {
    const at = (latitudeDeg: number) => monthsTold({ rainMm }, { latitudeDeg, altitudeM: 0 }).months
    expect(at(31)[6]!.tMaxC).toBeGreaterThan(32)
    expect(at(31)[0]!.tMinC).toBeGreaterThan(5)
    expect(at(-31)[0]!.tMaxC).toBe(at(31)[6]!.tMaxC)
  })
  it('names what it guessed, and keeps what was told', () => {
    const place = { latitudeDeg: 45, altitudeM: 0 }
    expect(monthsTold({ rainMm }, place).assumed).toEqual(['temperatures', 'wetDays'])
    const twelve = (value: number) => Array<number>(12).fill(value)
    const told = monthsTold({ rainMm, wetDays: twelve(9), tMinC: twelve(3), tMaxC: twelve(12) }, place)
    expect(told.assumed).toBeUndefined()
    expect(told.months[4]).toEqual({ rainMm: 70, wetDays: 9, tMinC: 3, tMaxC: 12 })
  })
})
