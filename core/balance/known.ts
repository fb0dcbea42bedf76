import { catchYear, type CatchYear } from './catchYear'
import { compile } from './compile'
import type { Compiled } from './compiled'
import { drySpellFrom, type Spell } from './drySpell'
import { linksOf, lostIfBurstL, type LinkReading } from './joining'
import { poolsOf } from './pools'
import { BALANCE_OF } from './reads'
import { simulate, type DailyRun } from './simulate'
import { emptyingOf, soakingOf, spillWay, type Emptying, type Soaking, type SpillWay } from './spillWays'
import { outlookOf, type Outlook } from './year'
import { weatherSeries } from '../climate'
import { remembered, type Site } from '../site'

/** A document as its daily balance sees it, over its own weather. */
export const compiledOf = remembered(BALANCE_OF, (site: Site): Compiled => compile(site, () => weatherSeries(site)))

/** What becomes of the roofs' water in a mean year. */
export const roofYearOf = remembered(BALANCE_OF, (site: Site): CatchYear =>
  catchYear(compiledOf(site), weatherSeries(site)),
)

/** The balance of a document, day by day, over all its weather. */
export const daysOf = remembered(BALANCE_OF, (site: Site): DailyRun => simulate(compiledOf(site), weatherSeries(site)))

/** What the years of it come to. */
export const yearsAhead = remembered(BALANCE_OF, (site: Site): Outlook =>
  outlookOf(site, compiledOf(site), weatherSeries(site), daysOf(site)),
)

/** Open links between tanks of a group. */
export const openLinksOf = remembered(BALANCE_OF, (site: Site): LinkReading[] => linksOf(site, poolsOf(site)))

/** The way each pool spills, by the pool's id; none for one that runs over its rim. */
export const spillWaysOf = remembered(BALANCE_OF, (site: Site): ReadonlyMap<string, SpillWay> => {
  const compiled = compiledOf(site)
  return new Map(
    compiled.pools.flatMap(({ id }, index) => {
      const way = spillWay(site, compiled, index)
      return way ? [[id, way] as const] : []
    }),
  )
})

/** Soakaways against their storm, by the outfall's id. */
export const soakawaysOf = remembered(
  BALANCE_OF,
  (site: Site): ReadonlyMap<string, Soaking> =>
    new Map(
      [...spillWaysOf(site).values()].flatMap(({ outfall, areaM2 }) => {
        const soaking = outfall?.to === 'soakaway' ? soakingOf(site, outfall, areaM2) : undefined
        return soaking ? [[outfall!.id, soaking] as const] : []
      }),
    ),
)

/** What a burst at each tank's floor loses, L, by the tank's id. */
export const burstsOf = remembered(BALANCE_OF, (site: Site): ReadonlyMap<string, { ownL: number; lostL: number }> => {
  const compiled = compiledOf(site)
  return new Map(
    compiled.pools.flatMap(({ tanks }, index) =>
      tanks.map(tank => [tank.id, lostIfBurstL(compiled, index, tank)] as const),
    ),
  )
})

/** How each tank runs out through its lowest outlet, by the tank's id. */
export const emptyingsOf = remembered(
  BALANCE_OF,
  (site: Site): ReadonlyMap<string, Emptying> =>
    new Map(
      poolsOf(site).flatMap(({ tanks, capM }) =>
        tanks.flatMap(tank => {
          const emptying = emptyingOf(site, tank, capM)
          return emptying ? [[tank.id, emptying] as const] : []
        }),
      ),
    ),
)

/** If it stops raining on a day: how long it lasts from each of some shares of what the tanks hold. */
export const spellsFrom = (site: Site, startDay: number, shares: readonly number[]): Spell[] =>
  shares.map(share => drySpellFrom(compiledOf(site), startDay, share))
