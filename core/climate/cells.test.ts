import { describe, expect, it } from 'vitest'
import { fillGaps } from './gaps'
import { readCell } from './figures'
import { guessOrder, orderedDay, splitDate, type DateOrder } from './dates'
import { guessColumns, looksLikeHeader, namesUnit } from './columns'
import { dayNumber, dayOf, isoDate, monthOf, yearOf } from './calendar'

describe('dates as people write them', () => {
  it.each<[string, DateOrder, string]>([
    ['2021-03-04', 'ymd', '2021-03-04'],
    ['20210304', 'ymd', '2021-03-04'],
    ['2021/3/4', 'dmy', '2021-03-04'],
    ['04.03.2021', 'dmy', '2021-03-04'],
    ['3/4/2021', 'mdy', '2021-03-04'],
    ['4-Mar-2021', 'mdy', '2021-03-04'],
    ['4 March 2021', 'ymd', '2021-03-04'],
    ['Mar 4, 2021', 'dmy', '2021-03-04'],
    ['04/03/21', 'dmy', '2021-03-04'],
    ['04/03/75', 'dmy', '1975-03-04'],
    ['2021-03-04T09:00', 'ymd', '2021-03-04'],
    ['4.3.2021 9:00', 'dmy', '2021-03-04'],
    ['29.02.2020', 'dmy', '2020-02-29'],
  ])('%s (%s) is %s', (text, order, expected) => {
    expect(isoDate(orderedDay(splitDate(text)!, order)!)).toBe(expected)
  })
  it('knows dates that are none', () => {
    expect(orderedDay(splitDate('30.02.2021')!, 'dmy')).toBeUndefined()
    expect(orderedDay(splitDate('2021-13-01')!, 'ymd')).toBeUndefined()
    for (const text of ['', 'rain', '12', '1.5', '3,4', 'March']) expect(splitDate(text)).toBeUndefined()
  })
  it('finds the order from days that follow each other, even where every number could be a month', () => {
    const cells = ['01/02/2001', '02/02/2001', '03/02/2001', '04/02/2001', '05/02/2001', '06/02/2001'].map(text =>
      splitDate(text)!,
    )
    expect(guessOrder(cells)).toEqual({ order: 'dmy', sure: true })
    expect(guessOrder(cells.slice(0, 1)).sure).toBe(false)
  })
  it('the calendar keeps leap years and turns back', () => {
    expect(dayNumber('1970-01-01')).toBe(0)
    expect(dayOf(1900, 2, 29)).toBeUndefined()
    expect(dayOf(2000, 2, 29)! - dayOf(2000, 2, 28)!).toBe(1)
    for (const day of [-40000, -1, 0, 59, 20000]) expect(dayNumber(isoDate(day))).toBe(day)
    expect([yearOf(dayNumber('1999-12-31')), monthOf(dayNumber('1999-12-31'))]).toEqual([1999, 11])
  })
})

describe('figures as stations write them', () => {
  it.each<[string, number]>([
    ['3.4', 3.4],
    ['3,4', 3.4],
    ['.5', 0.5],
    ['12A', 12],
    ['0.0*', 0],
    ['1e1', 10],
    ['+2', 2],
    ['-3', -3],
  ])('%s is %d', (text, value) => {
    expect(readCell(text)).toEqual({ kind: 'number', value })
  })
  it('tells traces, flags and nonsense apart', () => {
    for (const text of ['T', 'tr', 'Trace', '<0.1']) expect(readCell(text).kind, text).toBe('trace')
    for (const text of ['', ' ', '-', 'M', 'NA', 'n/a', 'NaN', 'null', '-9999', '-999.9', '9999', '99.99', '///'])
      expect(readCell(text).kind, text).toBe('missing')
    for (const text of ['soaked', '1.2.3', '12 mm of it', '1e999']) expect(readCell(text).kind, text).toBe('unreadable')
    expect(readCell('99')).toEqual({ kind: 'number', value: 99 })
  })
})

describe('columns', () => {
  const rows = (make: (day: number) => string[]) => Array.from({ length: 40 }, (_, day) => make(day))
  it('finds rain by its name among other numbers, and the temperatures', () => {
    const header = ['station', 'date', 'tmax', 'tmin', 'sun_h', 'Precipitation [mm]', 'rain flag']
    expect(
      guessColumns(
        header,
        rows(day => ['0421', isoDate(day), '12', '3', '4', '0.2', '1']),
      ),
    ).toEqual({ date: [1], rain: 5, tMin: 3, tMax: 2 })
  })
  it('takes the last numbers where no name helps', () => {
    expect(
      guessColumns(
        [],
        rows(day => [isoDate(day), '7', '0.4']),
      ),
    ).toMatchObject({ date: [0], rain: 2 })
    expect(
      guessColumns(
        ['a', 'b'],
        rows(() => ['x', 'y']),
      ),
    ).toEqual({ date: [], rain: undefined })
  })
  it('knows a heading from a day, and units from headings', () => {
    expect(looksLikeHeader(['date', 'rain'])).toBe(true)
    expect(looksLikeHeader(['2001', '1', '3', '0.4'])).toBe(false)
    expect(['rain_mm', 'PRCP (inches)', 'rr [0.1 mm]', 'rain (in)', 'snow cm', 'rain'].map(namesUnit)).toEqual([
      'mm',
      'in',
      'tenths of mm',
      'in',
      'cm',
      undefined,
    ])
  })
  it('fills a gap from the nearest year that knows the date, and as dry where none does', () => {
    const two = [...Array.from({ length: 365 }, (_, day) => day), ...Array.from({ length: 365 }, () => Number.NaN)]
    const filled = fillGaps(dayNumber('2001-01-01'), two, 'other-years')
    expect(filled[365 + 40]).toBe(40)
    expect(fillGaps(0, [Number.NaN, 3], 'other-years')).toEqual([0, 3])
  })
})
