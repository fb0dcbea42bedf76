import { describe, expect, it } from 'vitest'
import { NEVER } from '../../tests/plainRules'
import { NOTHING_TYPED, readOwnMonths, type OwnMonthsTyped } from './ownMonths'

const RAIN = '80 62 55 40 31 12 4 6 28 70 91 88'
const typed = (own: Partial<OwnMonthsTyped>): OwnMonthsTyped => ({
  ...NOTHING_TYPED,
  rain: RAIN,
  latitude: '44',
  ...own,
})
const read = (own: Partial<OwnMonthsTyped>, units: 'metric' | 'us' | 'imperial' = 'metric') => {
  const said = readOwnMonths(typed(own), units)
  if (typeof said === 'string') throw new Error(said)
  return said
}
const refused = (own: Partial<OwnMonthsTyped>) => {
  const said = readOwnMonths(typed(own), 'metric')
  expect(said).toBeTypeOf('string')
  for (const rule of NEVER) expect(said).not.toMatch(rule)
  return said as string
}

describe('own months, as somebody types them', () => {
  it('are taken with blanks, commas, semicolons or lines between them', () => {
    const wanted = RAIN.split(' ').map(Number)
    for (const text of [RAIN, RAIN.replaceAll(' ', ', '), RAIN.replaceAll(' ', ';'), RAIN.replaceAll(' ', '\n')])
      expect(read({ rain: text }).climate.months.map(({ rainMm }) => rainMm)).toEqual(wanted)
  })
  it('are in the units of the site, and in any other that is written with them', () => {
    const [january] = read({ rain: '3.2 in 62 55 40 31 12 4 6 28 70 91 88'.replace(' in', 'in') }).climate.months
    expect(january!.rainMm).toBeCloseTo(81.28, 6)
    const inches = '3 2.5 2 1.5 1 0.5 0.2 0.2 1 2.5 3.5 3'
    expect(read({ rain: inches }, 'us').climate.months[0]!.rainMm).toBeCloseTo(76.2, 6)
  })
  it('that are left out are guessed: wet days and temperatures that such months may have', () => {
    const { climate, place } = read({})
    expect(climate.source).toBe('own months')
    expect(place).toMatchObject({ latitudeDeg: 44, altitudeM: 0 })
    for (const { rainMm, wetDays, tMinC, tMaxC } of climate.months) {
      expect(wetDays).toBeGreaterThanOrEqual(rainMm > 0 ? 0.5 : 0)
      expect(wetDays).toBeLessThanOrEqual(31)
      expect(tMinC).toBeLessThan(tMaxC)
    }
    // It is warmer in summer than in winter, and the other way round south of the equator.
    const warm = (latitude: string) => {
      const { months } = read({ latitude }).climate
      return months[6]!.tMaxC - months[0]!.tMaxC
    }
    expect(warm('44')).toBeGreaterThan(5)
    expect(warm('-44')).toBeLessThan(-5)
  })
  it('that are told stand as they were told', () => {
    const lows = '-4 -3 0 3 7 11 13 13 9 5 1 -3'
    const highs = '3 5 10 14 19 23 26 26 21 15 8 4'
    const { months } = read({ lows, highs, wetDays: '12 10 10 9 8 4 2 2 6 10 12 13' }).climate
    expect(months[0]).toMatchObject({ tMinC: -4, tMaxC: 3, wetDays: 12 })
    expect(months[11]).toMatchObject({ tMinC: -3, tMaxC: 4, wetDays: 13 })
  })
  it('are refused with what is missing or wrong, and which figure it is', () => {
    expect(refused({ rain: '' })).toBe('Your months’ rain: twelve figures are needed, January to December.')
    expect(refused({ rain: '80' })).toContain('there is 1.')
    expect(refused({ rain: `${RAIN} 5` })).toContain('there are 13.')
    expect(refused({ rain: RAIN.replace('62', 'lots') })).toContain('the 2. figure, “lots”, is no month’s figure')
    expect(refused({ rain: RAIN.replace('91', '9100') })).toContain('the 11. figure, “9100”')
    expect(refused({ wetDays: '12 10 10 9 8 4 2 2 6 10 12 32' })).toMatch(/^Your wet days: the 12\. figure, “32”/)
    expect(refused({ lows: '-4 -3 0 3 7 11 13 13 9 5 1 -3' })).toMatch(/^Of the temperatures both are needed/)
  })
  it('want to know where: a latitude from pole to pole, an altitude in any unit', () => {
    for (const latitude of ['', 'north', '91', '-90.5']) expect(refused({ latitude })).toMatch(/^The latitude, “/)
    expect(read({ latitude: '-33,5' }).place.latitudeDeg).toBe(-33.5)
    expect(read({ altitude: '400 ft' }).place.altitudeM).toBeCloseTo(121.92, 6)
    expect(refused({ altitude: 'high' })).toMatch(/^The altitude: /)
  })
})
