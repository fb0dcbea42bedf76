import { applyMove } from '#core/moves'
import { Refused } from '../lib/refused'
import { siteAndArgs } from './documents'

/** A move made on a site: `{ name, asked: { site, args } }`. What it put in is told by its ids. */
export function moveJob(json: unknown) {
  const { name, asked } = json as { name: string; asked: unknown }
  const { site, args } = siteAndArgs(asked, 'the move')
  const result = applyMove(site, { name, args })
  if (!result.ok) throw new Refused(422, result.problems.slice(0, 1))
  return { site: result.site, makes: result.made.moves?.[0]?.makes ?? [] }
}
