import { produce } from 'immer'
import { describe, expect, it } from 'vitest'
import { demoSite } from '../../tests/demoSites'
import { bedNeeds, hotMonths, litresPerDay, rootM, usesAt } from './uses'
import type { Site, Use } from './schema'

const site = demoSite('quillfern-ridge')
const months = (share = 1): number[] => Array.from({ length: 12 }, () => share)
const use = (amount: Use['amount']): Use => ({ ...site.uses[0]!, amount })
const hot = (tMaxC: number): Site => ({
  ...site,
  climate: { ...site.climate, daily: undefined, months: site.climate.months.map(month => ({ ...month, tMaxC })) },
})

describe('what is used at a tap', () => {
  it('is listed in the order of the document, and every use at one tap alone', () => {
    const taps = site.nodes.filter(({ kind }) => kind === 'tap')
    const all = taps.flatMap(({ id }) => usesAt(site, id))
    expect(all).toHaveLength(site.uses.filter(({ at }) => taps.some(({ id }) => id === at)).length)
    for (const { id } of taps) expect(usesAt(site, id)).toEqual(site.uses.filter(({ at }) => at === id))
    expect(usesAt(site, 'nowhere')).toEqual([])
  })
  it('is read as it stands in a draft that a move is changing', () => {
    const tap = site.uses[0]!.at
    produce(site, draft => {
      const before = usesAt(draft, tap).length
      draft.uses.push({ ...site.uses[0]!, id: 'another' })
      expect(usesAt(draft, tap)).toHaveLength(before + 1)
    })
    expect(usesAt(site, tap).some(({ id }) => id === 'another')).toBe(false)
  })
})

describe('litres a day', () => {
  it('are people × litres, or people × times × litres each, by the share of each month', () => {
    const shares = months().map((_, at) => (at < 6 ? 1 : 0.5))
    const people = { by: 'people', people: 3, litresPerPersonDay: 40, months: shares } as Use['amount']
    expect(litresPerDay(site, use(people))).toEqual(shares.map(share => 120 * share))
    const habit = { by: 'habit', people: 2, timesPerPersonDay: 5, litresEach: 6, months: months() } as Use['amount']
    expect(litresPerDay(site, use(habit))).toEqual(months(60))
    const day = { by: 'day', litresPerDay: 55, months: months(0.2) } as Use['amount']
    for (const litres of litresPerDay(site, use(day))) expect(litres).toBeCloseTo(11, 9)
  })
  it('of animals are more in hot months, where that is told', () => {
    const heads = { by: 'heads', heads: 4, litresPerHeadDay: 10, hotFactor: 1.5, months: months() } as Use['amount']
    expect(litresPerDay(hot(12), use(heads))).toEqual(months(40))
    expect(litresPerDay(hot(33), use(heads))).toEqual(months(60))
    expect([hotMonths(hot(12)), hotMonths(hot(33))]).toEqual([[], Array.from({ length: 12 }, (_, at) => at + 1)])
    const { hotFactor: _none, ...plain } = heads as Extract<Use['amount'], { by: 'heads' }>
    expect(litresPerDay(hot(33), use(plain))).toEqual(months(40))
  })
  it('of a bed are nothing where it is not watered, and less where rain falls or mulch lies', () => {
    const bed = site.uses.map(({ amount }) => amount).find(amount => amount.by === 'bed')!
    expect(bedNeeds(site, { ...bed, months: months(0) })).toEqual(months(0))
    const whole = bedNeeds(site, { ...bed, mulch: 'bare', months: months() })
    const half = bedNeeds(site, { ...bed, mulch: 'bare', months: months(0.5) })
    whole.forEach((litres, at) => expect(half[at]).toBeCloseTo(litres / 2, 9))
    const rained = (rainMm: number): Site => ({
      ...site,
      climate: { ...site.climate, daily: undefined, months: site.climate.months.map(month => ({ ...month, rainMm })) },
    })
    const all = { ...bed, mulch: 'bare' as const, months: months() }
    // Without rain the crop factor is all that mulch changes.
    const dry = bedNeeds(rained(0), all)
    bedNeeds(rained(0), { ...all, mulch: 'mulched' }).forEach((litres, at) =>
      expect(litres).toBeCloseTo(0.8 * dry[at]!, 6),
    )
    bedNeeds(rained(400), all).forEach((litres, at) => expect(litres).toBeLessThanOrEqual(dry[at]!))
    expect(Math.min(...bedNeeds(rained(400), all))).toBe(0)
    expect([rootM({}), rootM({ rootM: 1 })]).toEqual([0.5, 1])
  })
})
