import { describe, expect, it } from 'vitest'
import { partsTable, readPrices } from './partsTable'
import { toBuy } from '../build'
import { demoSite } from '../../tests/demoSites'

describe('the list as a table', () => {
  const site = demoSite('brindle-yard')
  it('holds every thing with what is to be bought, and is read back as a price book', () => {
    const items = toBuy(site)
    const table = partsTable(site, items)
    const [, ...lines] = table.trim().split(/\r?\n/)
    expect(lines.map(line => line.split(',')[0])).toEqual(items.map(({ id }) => id))
    const { prices, problems } = readPrices(table)
    expect(problems).toEqual([])
    for (const { id, price } of items) expect(prices.get(id)).toBe(price)
  })
  it('reads prices as people write them, and says which it cannot', () => {
    const { prices, problems } = readPrices(
      '\uFEFFID;Price;shop\ntape;2,50;A\ntee;€ 1 234.50;B\nunion;dear;C\nvalve;-3;D\n',
    )
    expect([...prices]).toEqual([
      ['tape', 2.5],
      ['tee', 1234.5],
    ])
    expect(problems).toEqual([
      'Line 4: “dear” is no price; write a number, such as 4.20.',
      'Line 5: “-3” is no price; write a number, such as 4.20.',
    ])
    expect(readPrices('what,cost\npipe,3').problems[0]).toContain('no column “id”')
    expect(readPrices('').problems[0]).toContain('no column')
  })
})
