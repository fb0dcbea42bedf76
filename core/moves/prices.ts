import { defineMove } from './move'
import { z } from 'zod'

/**
 * Notes what a thing is bought for, and the length it comes in. What is null goes back to the catalog's guess; what is
 * not given stays as it was noted.
 */
export const notePrice = defineMove({
  args: z.object({
    of: z.string().min(1).max(120),
    price: z.number().min(0, 'must be at least 0').max(1e7).nullable().optional(),
    soldInM: z.number().positive('must be more than 0').max(100, 'must be at most 100').nullable().optional(),
  }),
  label: () => 'Note a price',
  apply(site, { of, price, soldInM }) {
    const noted = site.prices?.find(each => each.id === of) ?? { id: of }
    if (price === null) delete noted.price
    else if (price !== undefined) noted.price = price
    if (soldInM === null) delete noted.soldInM
    else if (soldInM !== undefined) noted.soldInM = soldInM
    const others = (site.prices ?? []).filter(each => each.id !== of)
    const worth = noted.price !== undefined || noted.soldInM !== undefined
    const prices = worth ? [...others, noted] : others
    if (prices.length) site.prices = prices
    else delete site.prices
  },
})
