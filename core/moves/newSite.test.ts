import { describe, expect, it } from 'vitest'
import { newSite, standInClimate } from './newSite'
import { readSite, tanksOf } from '../site'
import { CLIMATE_IDS, CLIMATES } from '../catalog'

describe('a new site', () => {
  const PURPOSES = [
    [{ preset: 'beds' as const, count: 20 }],
    [
      { preset: 'kitchen' as const, count: 3 },
      { preset: 'flush' as const, count: 3 },
    ],
    [{ preset: 'cattle' as const, count: 4 }],
    [
      { preset: 'basin' as const, count: 3 },
      { preset: 'washdown' as const, count: 1 },
    ],
  ]
  it.each(CLIMATE_IDS)('stands in a %s whatever the roof and the use', climate => {
    const { latitudeDeg, altitudeM } = CLIMATES[climate]
    for (const uses of PURPOSES) {
      for (const [lengthM, widthM] of [
        [3, 2],
        [9, 7],
        [40, 18],
      ] as const) {
        for (const units of ['metric', 'us', 'imperial'] as const) {
          const made = newSite({
            id: 'n',
            name: 'N',
            units,
            climate: standInClimate(climate),
            place: { latitudeDeg, altitudeM },
            roof: { name: 'Roof', lengthM, widthM, material: 'clay-tile' },
            uses,
          })
          expect(made).toMatchObject({ ok: true, site: { standards: { units, volts: units === 'us' ? 120 : 230 } } })
          if (made.ok) {
            expect(readSite(made.site).ok).toBe(true)
            expect(tanksOf(made.site)).toHaveLength(2)
            expect(made.site.uses).toHaveLength(uses.length)
          }
        }
      }
    }
  })
})
