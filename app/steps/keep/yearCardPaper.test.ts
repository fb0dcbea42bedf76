import { afterAll, describe, expect, it, vi } from 'vitest'
import { bringTheApp } from '../../../tests/brought'
import { demoSite } from '../../../tests/demoSites'
import { textsOf } from '../../../tests/paperText'
import { yearCard } from '../../../core/keep'

bringTheApp()
afterAll(() => vi.unstubAllGlobals())
const { yearCardPaper } = await import('./yearCardPaper')

describe('the year’s card on paper', () => {
  it.each(['quillfern-ridge', 'brindle-yard', 'cinder-tor'] as const)('of %s has every month in order', name => {
    const site = demoSite(name)
    const content = yearCardPaper(site, '2027-04-18')
    const texts = content.flatMap(each => textsOf(each))
    const card = yearCard(site, site.log ?? [], '2027-04-18')
    const months = texts.filter(text => /^[A-Z][a-z]+ 20\d\d$/.test(text))
    expect(months).toHaveLength(12)
    expect([months[0], months[11]]).toEqual(['April 2027', 'March 2028'])
    const chores = card.months.flatMap(month => month.chores)
    expect(texts.filter(text => text === '☐')).toHaveLength(chores.length)
    for (const { what } of [...card.monthly, ...chores])
      expect(
        texts.some(text => text.includes(what)),
        what,
      ).toBe(true)
  })
  it('has columns of about one length', () => {
    const [columns] = yearCardPaper(demoSite('quillfern-ridge'), '2027-04-18').flatMap(each =>
      typeof each === 'object' && 'columns' in each ? [each.columns] : [],
    )
    const lengths = columns!.map(column => textsOf(column as never).length)
    expect(lengths).toHaveLength(3)
    expect(Math.max(...lengths)).toBeLessThan(1.6 * Math.min(...lengths))
  })
})
