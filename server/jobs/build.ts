import { z } from 'zod'
import { buildOf } from '#core/build'
import { refused } from '../lib/refused'
import { argsIn } from './asked'
import { affordable } from './cost'
import { siteIn } from './documents'

const askedSchema = z.strictObject({
  owned: z
    .array(
      z.object({
        id: z.string('must be an id of the list'),
        count: z.number('must be a count').min(0, 'must be at least 0'),
      }),
      'must be a list of { id, count }',
    )
    .max(2000, 'must hold at most 2000 things')
    .optional(),
  month: z
    .number('must be a month')
    .int('must be a month')
    .min(1, 'must be a month')
    .max(12, 'must be a month')
    .optional(),
})

/** Parts, cuts, chains, order and gate of a site: `{ site, owned?, month? }`. */
export function buildJob(json: unknown) {
  if (typeof json !== 'object' || json === null || !('site' in json))
    throw refused(422, 'site: the body must hold the site.', 'site')
  const { site } = siteIn(json)
  const { site: _site, ...given } = json as Record<string, unknown>
  const asked = argsIn(askedSchema, given)
  return affordable('built', site, () => buildOf(site, asked.owned, asked.month))
}
