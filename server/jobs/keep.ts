import { z } from 'zod'
import { whyNot } from '#core/answers'
import { keepAnswer, readFigure } from '#core/keep'
import { moment, READING_KIND_IDS, type LogReading } from '#core/kinds'
import { Refused, refused } from '../lib/refused'
import { argsIn } from './asked'
import { affordable } from './cost'
import { siteIn } from './documents'

const MOST_READINGS = 60_000

const readingSchema = z.object({
  id: z.string('must be text').max(200).optional(),
  at: moment(),
  kind: z.enum(READING_KIND_IDS, `must be one of ${READING_KIND_IDS.join(', ')}`),
  subject: z.string('must be text').max(200).optional(),
  value: z.number('must be a number').optional(),
  unit: z.string('must be text').max(40).optional(),
  source: z.string('must be text').max(200).optional(),
})
const askedSchema = z.strictObject({
  readings: z
    .array(readingSchema, 'must be a list of readings')
    .max(MOST_READINGS, `must hold at most ${MOST_READINGS} readings`),
  on: z.iso.date('must be a date, such as 2027-04-18'),
})

/** What a log says of a site on a day: `{ site, readings, on }`. */
export function keepJob(json: unknown) {
  if (typeof json !== 'object' || json === null || !('site' in json))
    throw refused(422, 'site: the body must hold the site, its readings, and the day it is.', 'site')
  const { site } = siteIn(json)
  const { site: _site, ...given } = json as Record<string, unknown>
  const { readings, on } = argsIn(askedSchema, given)
  const read = readings.map((each, at): { reading: LogReading } | { path: string; sentence: string } => {
    const told = readFigure(site, each)
    if (!told.ok) return { path: `readings.${at}.value`, sentence: `readings.${at}.value ${whyNot(told)}.` }
    const { unit: _unit, id, ...rest } = each
    return { reading: { ...rest, id: id ?? `r${at}`, value: told.value } }
  })
  const wrong = read.flatMap(each => ('path' in each ? [each] : []))
  if (wrong.length) throw new Refused(422, wrong.slice(0, 30))
  const log = read.flatMap(each => ('reading' in each ? [each.reading] : []))
  return affordable('today', site, () => keepAnswer(site, log, on))
}
