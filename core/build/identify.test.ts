import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { wouldSay, identify, type Question, type Seen } from './identify'
import { END_FAMILY_IDS, endFamily, type EndFamilyId, type Sex } from '../catalog'

const ends = END_FAMILY_IDS.filter(id => id !== 'sleeve' && id !== 'bulkhead').flatMap(family =>
  endFamily(family).sizes.map(({ size }) => ({ family, size })),
)
const anyEnd = fc.constantFrom(...ends)
const anySex = fc.constantFrom<Sex>('male', 'female')

describe('what do I have here', () => {
  it('a tote’s valve: three coarse turns of six millimetres, sixty across', () => {
    expect(identify({ sex: 'male', threaded: true, pitchMm: 6, acrossMm: 60 })).toMatchObject({
      family: 'buttress-6',
      size: '60',
    })
  })
  it('two fine threads of an inch differ by pitch and taper, and both are asked for before it is sure', () => {
    const rough = identify({ sex: 'male', threaded: true, acrossMm: 33.3 })
    expect(new Set(rough.candidates.map(({ family }) => family))).toEqual(new Set(['tapered', 'parallel']))
    expect(rough.family).toBeUndefined()
    expect(rough.next).toBe('tapered')
    expect(identify({ sex: 'male', threaded: true, acrossMm: 33.3, tapered: true })).toMatchObject({
      family: 'tapered',
      size: '1',
    })
    // Eleven turns an inch are no eleven and a half, over ten turns.
    expect(identify({ threaded: true, acrossMm: 33.3, pitchMm: 25.4 / 11, freely: true })).toMatchObject({
      family: 'parallel',
    })
  })
  it('two levers are a cam coupler, whose size a rule tells', () => {
    expect(identify({ ears: true })).toMatchObject({ family: 'cam', next: 'acrossMm' })
    expect(identify({ ears: true, sex: 'male', acrossMm: 63 }).size).toBe('2')
  })
  it('what fits nothing leaves nothing, and says so by having no candidate', () => {
    expect(identify({ threaded: true, pitchMm: 40 })).toEqual({ candidates: [] })
  })
  it('is never ruled out by what somebody with it in hand says, and what is asked next narrows it', () => {
    fc.assert(
      fc.property(anyEnd, anySex, (end, sex) => {
        let seen: Seen = { sex }
        for (let times = 0; times < 8; times++) {
          const { candidates, next } = identify(seen)
          expect(candidates).toContainEqual(expect.objectContaining(end))
          if (!next) break
          const answer = wouldSay(next, end, sex)
          if (answer === undefined) break
          seen = { ...seen, [next as Question]: answer }
          expect(identify(seen).candidates.length).toBeLessThanOrEqual(candidates.length)
        }
        const { candidates } = identify(seen)
        // What is left lies within a rule's breadth of it.
        expect(candidates.length).toBeLessThan(7)
        expect(candidates.some(({ family }) => (family as EndFamilyId) === end.family)).toBe(true)
      }),
    )
  })
})
