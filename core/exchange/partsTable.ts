import papaparse from 'papaparse'
import { cellText, writeTable } from './table'
import { TRIPS, tripOf, type ToBuy } from '../build'
import { phraseText } from '../words'
import type { Site } from '../site'

/** The list to buy as a table that any spreadsheet opens; its `id` and `price` are read back as a price book. */
export function partsTable(site: Site, items: readonly ToBuy[]): string {
  const rows = items.map(item => ({
    id: item.id,
    trip: TRIPS[tripOf(item)],
    what: item.what,
    size: phraseText(item.size, site.standards.units),
    needed: item.count,
    own: item.owned,
    buy: item.toBuy,
    unit: item.unit,
    price: item.price ?? '',
    cost: item.cost === undefined ? '' : Math.round(100 * item.cost) / 100,
  }))
  return writeTable(rows)
}

/** A price book as it was read: prices by the id of what they are of, and what could not be read, line by line. */
export interface PricesRead {
  prices: Map<string, number>
  problems: string[]
}

const MOST_PRICE = 1e7
const MOST_PROBLEMS = 5

/** Reads a price book: a table with the columns `id` and `price`, whatever else it holds. */
export function readPrices(text: string): PricesRead {
  const { data } = papaparse.parse<string[]>(text.replace(/^\uFEFF/, ''), { skipEmptyLines: true })
  const [head = [], ...rows] = data
  const columns = head.map(name => name.trim().toLowerCase())
  const missing = ['id', 'price'].filter(column => !columns.includes(column))
  if (missing.length)
    return {
      prices: new Map(),
      problems: [`The table has no column “${missing[0]}”; a price book has “id” and “price” in its first line.`],
    }
  const prices = new Map<string, number>()
  const problems: string[] = []
  const [idAt, priceAt] = [columns.indexOf('id'), columns.indexOf('price')]
  rows.forEach((row, at) => {
    const [id, told] = [cellText(row[idAt]), cellText(row[priceAt])]
    if (!id || !told) return
    // A comma before one or two last digits is a decimal one.
    const price = Number(
      told
        .replaceAll(/[^\d.,-]/g, '')
        .replace(/,(\d{1,2})$/, '.$1')
        .replaceAll(',', ''),
    )
    if (!/\d/.test(told) || !Number.isFinite(price) || price < 0 || price > MOST_PRICE)
      problems.push(`Line ${at + 2}: “${told}” is no price; write a number, such as 4.20.`)
    else prices.set(id, price)
  })
  const more = problems.length - MOST_PROBLEMS
  return { prices, problems: [...problems.slice(0, MOST_PROBLEMS), ...(more > 0 ? [`And ${more} more lines.`] : [])] }
}
