import { readingOf } from './reading'
import { drySpellFrom, type Spell } from '../balance'
import type { Site } from '../site'

/** If it stops raining on a day: how long it lasts from each of some shares of what the tanks hold. */
export function spellsFrom(site: Site, startDay: number, shares: readonly number[]): Spell[] {
  const { compiled } = readingOf(site)
  return shares.map(share => drySpellFrom(compiled, startDay, share))
}
