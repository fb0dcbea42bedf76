import { answersOf } from './answers'
import { spellsFrom } from '#core/balance'
import { commissionCard } from '#core/plant'
import type { Site } from '#core/site'

const spells = answersOf('spells', (site, { startDay, shares }) => spellsFrom(site, startDay, shares))
/** How long it lasts from some shares of what the tanks hold, if it stops raining on a day. */
export const spellsIn = (site: Site, startDay: number, shares: readonly number[]) =>
  spells(site, { startDay, shares: [...shares] })

const card = answersOf('card', commissionCard)
/** The card by which it is first filled. */
export const cardIn = (site: Site) => card(site, {})
