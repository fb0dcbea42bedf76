import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { whyNot } from '../answers'
import { arbitrarySite } from '../../tests/sites'
import { setField } from './registry'
import { applyMove } from './apply'
import { idsOf, readSite, THING_KINDS, type Site } from '../site'

const anyField = fc.oneof(
  fc.constantFrom('name', 'baseM', 'boreMm', 'share', 'open', 'lengthM', 'shape.heightM', 'amount.litresPerDay'),
  fc.constantFrom('standards.units', 'climate.source', 'pitchDeg', 'material', 'id', 'kind', 'ports', 'to'),
  fc.string({ maxLength: 12 }),
)
const anyValue = fc.oneof(
  fc.double(),
  fc.integer({ min: -5, max: 200 }),
  fc.boolean(),
  fc.string({ maxLength: 20 }),
  fc.constantFrom(null, undefined, 'us', 'steel', 'swale'),
  fc.jsonValue({ maxDepth: 2 }) as fc.Arbitrary<unknown>,
)
const read = (site: Site) => readSite(JSON.parse(JSON.stringify(site)))

describe('setting any field of any thing to anything', () => {
  it('leaves a document that reads back, or changes nothing and says why', () => {
    let [made, refused] = [0, 0]
    fc.assert(
      fc.property(
        arbitrarySite,
        fc.array(fc.tuple(fc.constantFrom(...THING_KINDS), fc.nat(), anyField, anyValue), { minLength: 20 }),
        (site, tries) => {
          const ids = ['', '7', 'gone', ...idsOf(site)]
          for (const [kind, pick, field, value] of tries) {
            const before = JSON.stringify(site)
            const result = applyMove(site, setField(kind, ids[pick % ids.length]!, field, value as never))
            expect(JSON.stringify(site)).toBe(before)
            if (result.ok) {
              made++
              expect(read(result.site)).toMatchObject({ ok: true })
            } else {
              refused++
              expect(whyNot(result)).toMatch(/\.$/)
              expect(whyNot(result)).not.toMatch(/undefined|NaN|\[object/)
            }
          }
        },
      ),
      { numRuns: 60 },
    )
    expect(made).toBeGreaterThan(0)
    expect(refused).toBeGreaterThan(made)
  })
  it('is a thing of its own each time: the same twice is the same, and another way round it comes back', () => {
    fc.assert(
      fc.property(arbitrarySite, fc.nat(), fc.double({ min: 1, max: 60, noNaN: true }), (site, pick, pitchDeg) => {
        const roof = site.roofs[pick % Math.max(1, site.roofs.length)]
        if (!roof) return
        const set = (on: Site, value: number) => {
          const result = applyMove(on, setField('roof', roof.id, 'pitchDeg', value))
          if (!result.ok) throw new Error(whyNot(result))
          return result.site
        }
        const once = set(site, pitchDeg)
        expect(set(once, pitchDeg)).toEqual(once)
        expect(JSON.parse(JSON.stringify(set(once, roof.pitchDeg)))).toEqual(JSON.parse(JSON.stringify(site)))
      }),
      { numRuns: 30 },
    )
  })
})
