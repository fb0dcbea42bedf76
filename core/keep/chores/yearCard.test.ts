import { describe, expect, it } from 'vitest'
import { dueChores, yearCard } from '..'
import { demoSite } from '../../../tests/demoSites'
import { build } from '../../../tests/sites'
import { moveOf } from '../../moves'

const site = demoSite('cinder-tor')
const on = '2028-02-29'
const { months: card, monthly } = yearCard(site, [], on)

describe('the year’s card', () => {
  it('has twelve months from this one on, over a leap year too', () => {
    expect(card.map(({ from }) => from.slice(0, 7))).toEqual([
      '2028-02',
      ...Array.from({ length: 10 }, (_, at) => `2028-${String(at + 3).padStart(2, '0')}`),
      '2029-01',
    ])
  })
  it('has every chore that comes within the year, as often as it comes round, each on a day of its month', () => {
    const times = (id: string) => card.flatMap(({ chores }) => chores.filter(({ ids }) => ids.includes(id))).length
    for (const { id, comes, inDays } of dueChores(site, [], on)) {
      if (inDays > 330) continue
      const everyMonth = monthly.some(({ ids }) => ids.includes(id))
      expect(everyMonth).toBe(comes.by !== 'season' && comes.months === 1)
      expect(times(id) > 0).toBe(!everyMonth)
      if (everyMonth) continue
      if (comes.by !== 'season') expect(times(id)).toBeLessThanOrEqual(Math.ceil(12 / comes.months))
      else expect(times(id)).toBeLessThanOrEqual(comes.days.length + 1)
    }
    for (const { from, chores } of card)
      expect(chores.every(({ day }) => day.slice(0, 7) === from.slice(0, 7) && day >= on)).toBe(true)
  })
  it('says of what is alike once what is done, and where else', () => {
    const alike = [...monthly, ...card.flatMap(({ chores }) => chores)].filter(({ ids }) => ids.length > 1)
    expect(alike.length).toBeGreaterThan(0)
    for (const { ids, also, minutes } of alike) {
      expect(new Set(ids.map(id => id.slice(0, id.indexOf(':')))).size).toBe(1)
      expect(also.every(Boolean)).toBe(true)
      expect(minutes).toBeGreaterThanOrEqual(ids.length)
    }
  })
  it('has what is late in this month, and what never comes here in none', () => {
    const [late] = dueChores(site, [{ id: 'a', at: '2026-01-01', kind: 'note' }], on)
    expect(late!.inDays).toBeLessThan(0)
    const withLate = yearCard(site, [{ id: 'a', at: '2026-01-01', kind: 'note' }], on)
    expect([...withLate.monthly, ...withLate.months[0]!.chores].flatMap(({ ids }) => ids)).toContain(late!.id)
    const without = yearCard(build(site, moveOf('putChore', { chore: late!.id, never: true })), [], on)
    const all = [...without.monthly, ...without.months.flatMap(({ chores }) => chores)]
    expect(all.some(({ ids }) => ids.includes(late!.id))).toBe(false)
  })
})
