import { expect, it } from 'vitest'
import { blank, build, plainTank, using, withRoof } from '../../tests/sites'
import { daysTable } from './daysTable'
import { moveOf } from '../moves'
import { dailySeries } from '../climate'
import { outlook } from '../balance'

it('the days of a year read back, and what was asked is what was met, rationed and short', () => {
  const site = build(
    using(withRoof(plainTank(blank(), 'A')), 100),
    moveOf('ration', { use: 'use-1', steps: [{ belowShare: 0.5, share: 0.5 }] }),
  )
  const series = dailySeries(site, { years: 2 })
  const found = { ...outlook(site, series), rainMm: series.rainMm }
  const [head, ...lines] = daysTable(found, found.years[1]!).split('\r\n')
  const days = lines.map(line => Object.fromEntries(line.split(',').map((cell, at) => [head!.split(',')[at]!, cell])))
  expect(days).toHaveLength(found.years[1]!.to - found.years[1]!.from)
  expect(days[0]!.date).toMatch(/-01-01$/)
  const total = (column: string) => days.reduce((sum, day) => sum + Number(day[column]), 0)
  for (const day of days)
    expect(Number(day.met_L) + Number(day.rationed_L) + Number(day.short_L)).toBeCloseTo(Number(day.asked_L), 2)
  expect(total('rationed_L')).toBeGreaterThan(0)
  expect(total('short_L')).toBeGreaterThan(0)
  expect(total('met_L')).toBeCloseTo(found.years[1]!.metL, 0)
  expect(total('spilled_L')).toBeCloseTo(found.years[1]!.spilledL, 0)
})
