import { expect } from 'vitest'
import { outlook } from '../../core/balance'
import { buildOf } from '../../core/build'
import { dailySeries } from '../../core/climate'
import { keepAnswer } from '../../core/keep'
import { momentWith, tapsOf } from '../../core/network'
import { play } from '../../core/plant'
import { review } from '../../core/review'
import { pictureOf } from '../../core/section'
import type { Site } from '../../core/site'

const finite = (value: unknown, path = ''): string[] => {
  if (typeof value === 'number') return Number.isFinite(value) ? [] : [path]
  if (value === null || typeof value !== 'object' || ArrayBuffer.isView(value)) return []
  return Object.entries(value).flatMap(([key, inner]) => finite(inner, `${path}.${key}`))
}

/** Everything that reads a site: the year, the moment, the plant, the review, the Section, what is built and kept. */
export function worksThrough(site: Site): void {
  const year = outlook(site, dailySeries(site, { years: 2 }))
  expect(finite(year.run)).toEqual([])
  const moment = momentWith(
    site,
    tapsOf(site).map(({ id }) => id),
    'full',
  )
  expect(moment.converged).toBe(true)
  expect(finite(moment)).toEqual([])
  const course = play(site, { seconds: 7200, everyS: 600, script: [{ atS: 60, rainMmPerH: 20 }], start: {} })
  expect(finite(course.levels)).toEqual([])
  const { in: came, out, spilled, stored, error } = course.litres
  expect(came - out - spilled - stored - error).toBeCloseTo(0, 6)
  for (const { id, sentence } of review(site).findings)
    expect(JSON.stringify(sentence), id).not.toMatch(/undefined|NaN/)
  const { drawing } = pictureOf(site, { framePx: 900, heightPx: 320 })
  expect(JSON.stringify(drawing)).not.toMatch(/NaN/)
  const { parts, order, total } = buildOf(site)
  for (const { what } of parts) expect(what).not.toMatch(/undefined|NaN/)
  expect(order.length).toBeGreaterThan(0)
  expect(total).toBeGreaterThan(0)
  expect(keepAnswer(site, [], '2027-04-18').chores.length).toBeGreaterThan(0)
}
