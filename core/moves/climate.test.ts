import { describe, expect, it } from 'vitest'
import { moveOf, standInClimate } from '.'
import { blank, build, refusal } from '../../tests/sites'

const site = { ...blank(), climate: standInClimate('dry-summer-hill') }

describe('the other side of the equator', () => {
  it('has each month half a year on and its latitude turned, and back again is what it was', () => {
    const turned = build(site, moveOf('turnHemisphere', {}))
    expect(turned.place.latitudeDeg).toBe(-site.place.latitudeDeg)
    turned.climate.months.forEach((month, at) => expect(month).toEqual(site.climate.months[(at + 6) % 12]))
    expect(build(turned, moveOf('turnHemisphere', {})).climate).toEqual(site.climate)
  })
  it('is not where a record of days was read', () => {
    const daily = { start: '2020-01-01', rainMm: [1, 2, 3] }
    const recorded = { ...site, climate: { ...site.climate, daily } }
    expect(refusal(recorded, moveOf('turnHemisphere', {}))).toMatch(/drop it first/)
  })
})
