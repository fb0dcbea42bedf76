import { z } from 'zod'
import type { Site } from '#core/site'
import { dailySeries, DAYS_A_YEAR, isoDate, MADE_YEARS, type DailySeries } from '#core/climate'
import {
  compile,
  massErrorL,
  outlook,
  readTally,
  runMembers,
  SIZE_SHARES,
  sizeCurve,
  type Compiled,
} from '#core/balance'
import { Refused, refused } from '../lib/refused'
import { afford } from './cost'
import { siteIn } from './documents'

/** Runs over the days that a plain question takes: years to warm up, the years, and those without rain. */
const PLAIN_RUNS = 3

const optionsSchema = z.strictObject({
  years: z.number().int().min(1).max(200).optional(),
  seed: z.number().int().optional(),
  yieldBeforeSpill: z.boolean().optional(),
  daily: z.boolean().optional(),
  members: z.number().int().min(1).max(10000).optional(),
  sizes: z
    .strictObject({ tank: z.string(), litres: z.array(z.number().positive().max(1e7)).min(1).max(200).optional() })
    .optional(),
})

/**
 * A site's years by the daily balance: the site document, or `{ site, options }`. With `daily`, the days of all years
 * too; with `members`, an ensemble of so many made-up series; with `sizes`, days short against the size of a tank or of
 * the group it is joined to.
 */
export function balanceJob(json: unknown) {
  const { site, options } = siteIn(json)
  const asked = optionsSchema.safeParse(options)
  if (!asked.success)
    throw new Refused(
      422,
      asked.error.issues.map(issue => ({
        path: ['options', ...issue.path].join('.'),
        sentence: `${['options', ...issue.path].join('.')}: ${issue.message}.`,
      })),
    )
  const { yieldBeforeSpill, daily, years, seed, members, sizes } = asked.data
  const series = dailySeries(site, { years, seed })
  const compiled = compile(site, () => series)
  const days = series.rainMm.length
  const memberDays = (members ?? 0) * (years ?? MADE_YEARS) * DAYS_A_YEAR
  const curveDays = sizes ? (sizes.litres ?? SIZE_SHARES).length * days : 0
  afford(site, compiled, series, [
    { path: 'options.members', days: memberDays },
    { path: 'options.sizes', days: curveDays },
    { path: 'options.years', days: PLAIN_RUNS * days },
  ])
  const { run, ...figures } = outlook(site, series, { yieldBeforeSpill })
  return {
    ...figures,
    start: isoDate(series.startDay),
    massErrorL: massErrorL(run),
    ...(daily
      ? {
          daily: {
            rainMm: [...series.rainMm],
            storedL: [...run.storedL],
            askedL: [...run.askedL],
            shortL: [...run.shortL],
            spilledL: [...run.spilledL],
          },
        }
      : {}),
    ...(members ? { ensemble: ensembleOf(site, compiled, series, members, years ?? MADE_YEARS) } : {}),
    ...(sizes ? { sizes: curveOf(compiled, series, sizes) } : {}),
  }
}

function ensembleOf(site: Site, compiled: Compiled, series: DailySeries, members: number, years: number) {
  return readTally(runMembers(site, compiled, series, 0, members, years))
}

function curveOf(compiled: Compiled, series: DailySeries, { tank, litres }: { tank: string; litres?: number[] }) {
  const pool = compiled.pools.findIndex(({ tanks }) => tanks.some(candidate => candidate.id === tank))
  if (pool < 0) throw refused(422, `options.sizes.tank: there is no tank “${tank}” in this site.`, 'options.sizes.tank')
  const { capL } = compiled.pools[pool]!
  if (capL <= 0)
    throw refused(
      422,
      `options.sizes.tank: ${compiled.pools[pool]!.name} holds nothing; mend its overflow first.`,
      'options.sizes.tank',
    )
  return sizeCurve(
    compiled,
    pool,
    series,
    litres?.map(size => size / capL),
  )
}
