import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { HANGS_ON, outsideWater, withOutsideWater } from '../../tests/outsideWater'
import { plainBalance, reckoned } from '../../tests/plainBalance'
import { arbitraryRain, arbitrarySite } from '../../tests/sites'
import { simulate } from './simulate'
import { compile } from './compile'
import { onShareOf } from './outages'
import { seriesOf, stormSplit } from '../climate'

describe('the flat loop', () => {
  it('says what the plain balance says, on any site, any rain, any rule', () => {
    /** In how many runs something failed for part of a day. */
    let cuts = 0
    fc.assert(
      fc.property(
        arbitrarySite,
        arbitraryRain,
        outsideWater,
        fc.integer({ min: 0, max: 364 }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (document, rain, water, startDay, startShare) => {
          const bare = compile(document)
          if (!bare.pools.length) return
          const site = withOutsideWater(bare, water)
          const split = stormSplit(40, water.burstMmPerH)
          // Frost and warm days by turns, colder ones later.
          const meanC = Float64Array.from(rain, (_, day) => ((day * startDay) % 17) - (day % 7))
          const warmth = { meanC, et0Mm: meanC.map(mean => Math.max(0, mean / 2)) }
          const series = { ...seriesOf(startDay, Float64Array.from(rain), true), split, warmth }
          const startL = site.pools.map(pool => pool.capL * startShare)
          const run = simulate(site, series, { startL })
          const on = site.outages.map(outage => onShareOf(outage, series))
          const works = (column: number, day: number) =>
            (HANGS_ON[column] ?? []).reduce((share, outage) => share * on[outage]![day]!, 1)
          if (on.some(shares => shares.some(share => share > 0 && share < 1))) cuts++
          const plain = plainBalance(site, rain, [...split], day => series.month[day]!, warmth, startL, works)
          const near = (got: number, wanted: number, what: string) =>
            expect(Math.abs(got - wanted), what).toBeLessThan(1e-6 * (1 + Math.abs(wanted)))
          plain.forEach((expected, day) => {
            expected.pools.forEach((litres, pool) =>
              near(run.poolL[day * run.pools + pool]!, litres, `pool ${pool}, day ${day}`),
            )
            expected.shortL.forEach((litres, use) =>
              near(run.shortByUseL[day * run.uses + use]!, litres, `use ${use}, day ${day}`),
            )
            near(run.spilledL[day]!, expected.spilledL, `spill, day ${day}`)
            near(run.caughtL[day]!, expected.caughtL, `caught, day ${day}`)
            near(run.flushedL[day]!, expected.flushedL, `flushed, day ${day}`)
            near(run.gutterL[day]!, expected.gutterL, `gutters, day ${day}`)
            near(run.wellL[day]!, expected.wellL, `well, day ${day}`)
            near(run.mainL[day]!, expected.mainL, `main, day ${day}`)
            near(run.cartL[day]!, expected.cartL, `carted, day ${day}`)
            near(run.rationedL[day]!, expected.rationedL, `rationed, day ${day}`)
          })
        },
      ),
      { numRuns: 120 },
    )
    expect(reckoned.beds).toBeGreaterThan(20)
    expect(reckoned.thaws).toBeGreaterThan(20)
    expect(cuts).toBeGreaterThan(20)
  })
})
