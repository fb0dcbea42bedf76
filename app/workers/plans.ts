import { beside } from './beside'
import { commissionCard } from '#core/plant'
import { spellsFrom } from '#core/balance'

/** How long it lasts from some shares of what the tanks hold, if it stops raining on a day. */
export const spellsIn = beside(spellsFrom, (face, site, startDay, shares) => face.spellsFrom(site, startDay, shares))
/** The card by which it is first filled. */
export const cardIn = beside(commissionCard, (face, site) => face.commissionCard(site))
