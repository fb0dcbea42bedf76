import { afterAll, describe, expect, it, vi } from 'vitest'
import { bringTheApp } from '../../tests/brought'
import type { YearFigures } from '#core/balance'

bringTheApp()
afterAll(() => vi.unstubAllGlobals())
const results = {
  outlook: undefined as object | undefined,
  year: undefined as { from: number; to: number } | undefined,
}
vi.mock('~/stores/results', () => ({ useResults: () => results }))
const { useYearName } = await import('./useYearName')
const { useYearDay } = await import('./useYearDay')

const year = (number: number) => ({ year: number }) as YearFigures
const { name } = useYearName()

describe('a year of a record', () => {
  it('goes by its number, and by its rain where it stands for that', () => {
    results.outlook = {
      made: false,
      years: [9, 0, 4].map(shortDays => ({ shortDays })),
      reference: { dry: 0, middle: 2, wet: 1 },
    }
    expect(name(0, year(1995))).toBe('1995, a dry year for rain')
    expect(name(1, year(1996))).toBe('1996, a wet year for rain')
    expect(name(2, year(1997))).toBe('1997, a middling year for rain')
  })
  it('that stands for others and is unlike them says so', () => {
    const years = [19, 0, 0, 0, 0, 0].map(shortDays => ({ shortDays }))
    results.outlook = { made: false, years, reference: { dry: 1, middle: 0, wet: 2 } }
    expect(name(0, year(1995))).toBe(
      '1995, a middling year for rain, though this plan goes short on more days in it than in most years',
    )
    expect(name(1, year(1996))).toBe('1996, a dry year for rain')
  })
  it('that is the only one stands for nothing', () => {
    results.outlook = { made: false, years: [1], reference: { dry: 0, middle: 0, wet: 0 } }
    expect(name(0, year(1995))).toBe('1995')
  })
  it('that was made up is counted from one', () => {
    results.outlook = { made: true, years: [1, 2], reference: {} }
    expect(name(1, year(2002))).toBe('made-up year 2')
  })
  it('has a name before anything is known', () => {
    results.outlook = undefined
    expect(name(0, year(1995))).toBe('1995')
  })
})

describe('the day that the Section shows', () => {
  it('is the one under the pointer, else the one that was pinned, else midsummer, and stands in the year', () => {
    results.year = { from: 730, to: 1095 }
    const { day, hovered, pinned } = useYearDay()
    expect(day.value).toBe(730 + 181)
    pinned.value = 800
    expect(day.value).toBe(800)
    hovered.value = 900
    expect(day.value).toBe(900)
    hovered.value = undefined
    expect(day.value).toBe(800)
    // One of another year is not of this.
    pinned.value = 100
    expect(day.value).toBe(730 + 181)
    pinned.value = undefined
  })
  it('of a part of a year is no later than its last, and of none is none', () => {
    results.year = { from: 0, to: 90 }
    expect(useYearDay().day.value).toBe(89)
    results.year = undefined
    expect(useYearDay().day.value).toBeUndefined()
  })
})
