import { z } from 'zod'
import { massErrorL, outlook } from '#core/balance'
import { dailySeries, isoDate } from '#core/climate'
import { documentRoute, Refused, siteIn } from '../lib/documents'

const optionsSchema = z.strictObject({
  years: z.number().int().min(1).max(200).optional(), seed: z.number().int().optional(),
  yieldBeforeSpill: z.boolean().optional(), daily: z.boolean().optional(),
})

/** A site's years by the daily balance: the site document, or `{ site, options }`. With `daily`, the days of all years too. */
export default documentRoute((json) => {
  const { site, options } = siteIn(json)
  const asked = optionsSchema.safeParse(options)
  if (!asked.success) throw new Refused(422, asked.error.issues.map(issue => ({ path: ['options', ...issue.path].join('.'), sentence: `${['options', ...issue.path].join('.')}: ${issue.message}.` })))
  const { yieldBeforeSpill, daily, years, seed } = asked.data
  const series = dailySeries(site, { years, seed })
  const { run, ...figures } = outlook(site, series, { yieldBeforeSpill })
  return {
    ...figures, start: isoDate(series.startDay), massErrorL: massErrorL(run),
    ...(daily ? { daily: { rainMm: [...series.rainMm], storedL: [...run.storedL], askedL: [...run.askedL], shortL: [...run.shortL], spilledL: [...run.spilledL] } } : {}),
  }
})
