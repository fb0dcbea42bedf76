import { describe, expect, it } from 'vitest'
import { autonomyText, lastsWithoutRain } from './autonomy'
import { WAITING } from './step'
import type { Outlook } from '#core/balance'

const lasting = (days: number, hours = 24 * days, beyond = false) =>
  ({ autonomy: { days, hours, beyond, month: 6 } }) as unknown as Outlook

describe('how long full tanks last', () => {
  it.each<[string, Outlook | undefined, string]>([
    ['before it is known', undefined, WAITING],
    ['where nothing is used', {} as Outlook, '–'],
    ['a few hours', lasting(0, 5.9), '5 hours'],
    ['an hour', lasting(0, 1.2), '1 hour'],
    ['two days and a half', lasting(2, 60.4), '60 hours'],
    ['a month', lasting(31), '31 days'],
    ['longer than anybody asks', lasting(800, 19200, true), 'over 2 years'],
  ])('%s is said as people say it', (_, outlook, words) => expect(autonomyText(outlook)).toBe(words))
  it('tells from which month, and what does not come to help', () => {
    expect(lastsWithoutRain(lasting(12)).note).toMatch(/^from full, begun in \w+, no well or main$/)
    expect(lastsWithoutRain({} as Outlook).note).toBe('nothing is used yet')
  })
})
