import { listOf, tripOf, TRIP_IDS, type Item, type TripId } from './items'
import { takeOffLines } from './lines'
import { takeOffSundries } from './sundries'
import { takeOffThings, takeOffVessel } from './things'
import { piecesOf } from '../pieces'
import { TAKEN_OFF_OF } from '../reads'
import { remembered, tanksOf, type Site } from '../../site'

/** Everything a plan is made of, counted and priced as far as anybody knows. */
export const takeOff = remembered(TAKEN_OFF_OF, (site: Site): Item[] => {
  const list = listOf(site)
  const pieces = piecesOf(site)
  takeOffThings(site, list)
  takeOffSundries(site, list, takeOffLines(site, list, pieces), pieces)
  return list.all()
})

/** The tanks alone, which are the dearest: what asks of them need not lay out pipes. */
export function takeOffVessels(site: Site): Item[] {
  const list = listOf(site)
  for (const tank of tanksOf(site)) takeOffVessel(list, tank)
  return list.all()
}

/** A thing that is still to be bought: what the list says, less what is there. */
export interface ToBuy extends Item {
  owned: number
  toBuy: number
  cost?: number
}

/** What is still to be bought, by own stock: what the document holds, or what is told. */
export function toBuy(site: Site, owned: readonly { id: string; count: number }[] = site.build?.owned ?? []): ToBuy[] {
  const have = new Map(owned.map(({ id, count }) => [id, count]))
  return takeOff(site).map(item => {
    const own = Math.min(item.count, have.get(item.id) ?? 0)
    const left = Math.round((item.count - own) * 10) / 10
    return { ...item, owned: own, toBuy: left, ...(item.price === undefined ? {} : { cost: left * item.price }) }
  })
}

/** What all of it costs; what has no price is not in it. */
export const totalOf = (items: readonly ToBuy[]): number => items.reduce((sum, { cost = 0 }) => sum + cost, 0)

/** The list by trips to the shop, those without anything left out. */
export const byTrip = (items: readonly ToBuy[]): { trip: TripId; items: ToBuy[] }[] =>
  TRIP_IDS.map(trip => ({ trip, items: items.filter(item => tripOf(item) === trip) })).filter(each => each.items.length)
