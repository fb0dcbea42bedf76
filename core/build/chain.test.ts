import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { chains, endsOfStep, WEIGHING_IDS, WEIGHINGS, type Chain, type ChainCost } from './chain'
import { ADAPTERS, END_FAMILIES, END_FAMILY_IDS, endFamily, mates, type End } from '../catalog'

const end = (family: End['family'], size: string, sex: End['sex']): End => ({ family, size, sex })
const anyEnd: fc.Arbitrary<End> = fc.constantFrom(
  ...END_FAMILY_IDS.flatMap(family =>
    endFamily(family).sizes.flatMap(({ size }) => [end(family, size, 'male'), end(family, size, 'female')]),
  ),
)

describe('ends', () => {
  it('are of at least fourteen families, with at least 120 adapters, each between ends that there are', () => {
    expect(END_FAMILY_IDS.length).toBeGreaterThanOrEqual(14)
    expect(ADAPTERS.length).toBeGreaterThanOrEqual(120)
    for (const { a, b, id, price } of ADAPTERS) {
      for (const { family, size } of [a, b])
        expect(
          END_FAMILIES[family].sizes.some(each => each.size === size),
          id,
        ).toBe(true)
      expect(price, id).toBeGreaterThan(0)
    }
    expect(new Set(ADAPTERS.map(({ id }) => id)).size).toBe(ADAPTERS.length)
  })
  it('mate the same both ways, never with themselves', () => {
    fc.assert(
      fc.property(anyEnd, anyEnd, (one, two) => {
        expect(mates(one, two)).toBe(mates(two, one))
        expect(mates(one, one)).toBe(false)
      }),
    )
  })
})

/** The best of every chain of up to so many adapters, by going through all of them. */
function exhaustive(from: End, to: End, weighing: ChainCost, most: number): number {
  let best = Infinity
  const go = (now: End, cost: number, left: number): void => {
    if (mates(now, to)) best = Math.min(best, cost + weighing.perJoint)
    if (!left || cost >= best) return
    for (const adapter of ADAPTERS)
      for (const turned of [false, true]) {
        const [one, two] = endsOfStep({ adapter, turned })
        if (!mates(now, one)) continue
        const own = weighing.price * adapter.price + weighing.perTrouble * (adapter.found - 1) + weighing.perJoint
        go(two, cost + own + (adapter.holds === 'now' ? weighing.forNow : 0), left - 1)
      }
  }
  go(from, 0, most)
  return best
}
function meets(from: End, to: End, { steps, joints }: Chain): void {
  let now = from
  for (const step of steps) {
    const [one, two] = endsOfStep(step)
    expect(mates(now, one)).toBe(true)
    now = two
  }
  expect(mates(now, to)).toBe(true)
  expect(joints).toHaveLength(steps.length + 1)
}

describe('from this to that', () => {
  const tote = end('buttress-6', '60', 'male')
  it('a tote’s valve comes to 63 mm pipe by a cap adapter and a threaded socket', () => {
    const [best, ...others] = chains(tote, end('solvent-metric', '63', 'male'), WEIGHINGS.cheapest)
    expect(best!.steps.map(({ adapter }) => adapter.name)).toEqual(['cap with solvent socket, 60 mm to 63 mm'])
    expect(best!.joints).toEqual(['washer', 'glued'])
    expect(others).toHaveLength(2)
    expect(others[0]!.cost).toBeGreaterThanOrEqual(best!.cost)
  })
  it('two ends that mate need nothing between; what a sleeve bridges in need holds for now', () => {
    const [none] = chains(end('tapered', '1', 'male'), end('tapered', '1', 'female'), WEIGHINGS.cheapest)
    expect(none).toMatchObject({ steps: [], joints: ['threaded'], price: 0, holds: 'good' })
    const inNeed = { ...WEIGHINGS.fewest, forNow: 0 }
    const [sleeve] = chains(end('solvent-inch', '2', 'male'), end('solvent-metric', '63', 'male'), inNeed)
    expect(sleeve).toMatchObject({ holds: 'now', joints: ['clamped', 'clamped'] })
  })
  it('every chain’s ends meet, whatever is asked; the first costs no more than the next', () => {
    fc.assert(
      fc.property(anyEnd, anyEnd, fc.constantFrom(...WEIGHING_IDS), (from, to, by) => {
        const found = chains(from, to, WEIGHINGS[by])
        for (const chain of found) meets(from, to, chain)
        for (const [at, chain] of found.slice(1).entries())
          expect(chain.cost).toBeGreaterThanOrEqual(found[at]!.cost - 1e-9)
        const sets = found.map(({ steps }) => steps.map(({ adapter }) => adapter.id).join())
        expect(new Set(sets).size).toBe(sets.length)
      }),
      { numRuns: 150 },
    )
  })
  it('is the best there is of up to three adapters', () => {
    fc.assert(
      fc.property(anyEnd, anyEnd, fc.constantFrom(...WEIGHING_IDS), (from, to, by) => {
        const best = exhaustive(from, to, WEIGHINGS[by], 3)
        const [found] = chains(from, to, WEIGHINGS[by], 1)
        if (best < Infinity) expect(found!.cost).toBeLessThanOrEqual(best + 1e-9)
        if (found && found.steps.length <= 3) expect(found.cost).toBeCloseTo(best, 9)
      }),
      { numRuns: 60 },
    )
  })
  it('follows what a person pays', () => {
    const to = end('solvent-metric', '63', 'male')
    const [best] = chains(tote, to, WEIGHINGS.cheapest)
    const dear = new Map([[best!.steps[0]!.adapter.id, 500]])
    const [other] = chains(tote, to, WEIGHINGS.cheapest, 1, dear)
    expect(other!.steps[0]!.adapter.id).not.toBe(best!.steps[0]!.adapter.id)
  })
})
