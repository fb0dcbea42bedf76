import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { daysAfter, dayToday, dayWords, momentNow } from './days'
import { dayAndMonth, dayAndShortMonth } from './dayWords'

describe('a day', () => {
  it('near by is spoken of as people do, a far one by its date, another year’s with its year', () => {
    const said = (iso: string) => dayWords(iso, '2027-01-01')
    expect(['2027-01-01', '2027-01-02', '2026-12-31'].map(said)).toEqual(['today', 'tomorrow', 'yesterday'])
    expect(['2027-01-03', '2027-08-09', '2026-12-30', '2028-02-29'].map(said)).toEqual([
      '3 January',
      '9 August',
      '30 December 2026',
      '29 February 2028',
    ])
    // A reading tells the minute too.
    expect(said('2027-03-04T07:30')).toBe('4 March')
  })
  it('so many days on is counted over months, leap days and the turn of clocks', () => {
    expect(daysAfter(1, '2028-02-28')).toBe('2028-02-29')
    expect(daysAfter(1, '2027-02-28')).toBe('2027-03-01')
    expect(daysAfter(-1, '2027-01-01')).toBe('2026-12-31')
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 20000 }), fc.integer({ min: -800, max: 800 }), (start, days) => {
        const from = new Date(Date.UTC(2000, 0, 1 + start)).toISOString().slice(0, 10)
        const there = daysAfter(days, from)
        expect(Date.parse(there) - Date.parse(from)).toBe(days * 86_400_000)
        expect(daysAfter(-days, there)).toBe(from)
      }),
    )
  })
  it('that it is today is written as documents write it, and so is the minute', () => {
    expect(dayToday()).toMatch(/^\d{4}-\d\d-\d\d$/)
    expect(momentNow()).toMatch(/^\d{4}-\d\d-\d\dT\d\d:\d\d$/)
    expect(dayWords(dayToday())).toBe('today')
    expect(dayWords(daysAfter(1))).toBe('tomorrow')
  })
  it('by its date alone is the same wherever the reader is', () => {
    expect([dayAndMonth('2027-07-01'), dayAndShortMonth('2027-07-01')]).toEqual(['1 July', '1 Jul'])
    expect(dayAndMonth('2027-12-31')).toBe('31 December')
  })
})
