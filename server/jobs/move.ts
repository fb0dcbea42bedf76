import { applyMove } from '#core/moves'
import { Refused, refused } from '../lib/refused'
import { siteIn } from './documents'

/** A move made on a site: `{ name, asked: { site, args } }`. What it put in is told by its ids. */
export function moveJob(json: unknown) {
  const { name, asked } = json as { name: string; asked: unknown }
  if (typeof asked !== 'object' || asked === null || !('site' in asked))
    throw refused(422, 'site: the body must hold the site, and what the move takes as args.', 'site')
  const strays = Object.keys(asked).filter(field => field !== 'site' && field !== 'args')
  if (strays.length) throw refused(422, `${strays[0]} is nothing that can be asked.`, strays[0]!)
  const { site } = siteIn(asked)
  const { args = {} } = asked as { args?: Record<string, unknown> }
  const result = applyMove(site, { name, args })
  if (!result.ok) throw new Refused(422, result.problems.slice(0, 1))
  return { site: result.site, makes: result.made.moves?.[0]?.makes ?? [] }
}
