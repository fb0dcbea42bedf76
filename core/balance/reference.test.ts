import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { arbitraryRain, arbitrarySite } from '../../tests/sites'
import { simulate } from './simulate'
import type { Bed } from './beds'
import { compile } from './compile'
import { onShareOf } from './outages'
import { NEVER_FAILS, type Compiled } from './compiled'
import { roofYield } from '../sums'
import { seriesOf, stormSplit } from '../climate'
import { WET_DAY_HOURS } from '../catalog'

/** How many days of beds the plain balance has reckoned: none would test nothing. */
let beds = 0
/** And how many days a roof thawed. */
let thaws = 0
/** And in how many runs something failed for part of a day. */
let cuts = 0

interface PlainDay {
  pools: number[]
  spilledL: number
  shortL: number[]
  caughtL: number
  flushedL: number
  gutterL: number
  wellL: number
  mainL: number
  cartL: number
  rationedL: number
}

/**
 * The daily balance once more, as plainly as the methods put it: objects, no flat arrays, no shortcuts.
 * It is slow and says the same; where the two differ one of them is wrong.
 */
function plainBalance(
  site: Compiled,
  rainMm: number[],
  split: number[],
  monthOf: (day: number) => number,
  warmth: { et0Mm: Float64Array; meanC: Float64Array },
  startL: number[],
  works: (on: number, day: number) => number,
): PlainDay[] {
  const pools = startL.map((litres, pool) => Math.max(0, Math.min(litres, site.pools[pool]!.capL)))
  const chambers = site.chambers.map(() => 0)
  const depletedMm = site.demands.map(() => 0)
  const snowMm = site.caught.map(() => 0)
  const filling = site.topUps.map(() => false)
  const allowed = (mask: number, month: number) => Math.floor(mask / 2 ** month) % 2 === 1

  return rainMm.map((rain, day) => {
    const month = monthOf(day)
    const celsius = warmth.meanC[day]!
    const result: PlainDay = {
      pools: [],
      spilledL: 0,
      shortL: [],
      caughtL: 0,
      flushedL: 0,
      gutterL: 0,
      wellL: 0,
      mainL: 0,
      cartL: 0,
      rationedL: 0,
    }
    const arriving = pools.map(() => 0)
    /** What the failing of others leaves of the most that a day could bring. */
    const part = (mostL: number, on: number) => (works(on, day) > 0 ? mostL * works(on, day) : 0)
    /** The root zone's balance of one day, and what it is given. */
    const bedToday = (bed: Bed, use: number) => {
      const evaporates = warmth.et0Mm[day]!
      const drinks = celsius < 5 ? 0 : evaporates * bed.cropFactor
      const soaks = bed.sheltered || rain < evaporates / 5 ? 0 : rain
      const dry = Math.max(0, depletedMm[use]! + drinks - soaks)
      const given = bed.monthShares[month]! * Math.max(0, dry - bed.availableMm / 2)
      depletedMm[use] = Math.min(bed.availableMm, dry - given)
      return (given * bed.areaM2) / bed.irrigationEfficiency
    }

    // Chambers empty first: by hand on their day, or under a falling head for the hours without rain.
    site.chambers.forEach((chamber, index) => {
      const before = chambers[index]!
      const dryHours = rain > 0 ? 24 - WET_DAY_HOURS : 24
      let after = before
      if (chamber.drainHours < Infinity && before > 0)
        after = chamber.capL * Math.max(0, Math.sqrt(before / chamber.capL) - dryHours / chamber.drainHours) ** 2
      if (chamber.emptiedEveryDays > 0 && day % chamber.emptiedEveryDays === 0) after = 0
      result.flushedL += before - after
      chambers[index] = after
    })

    // Rain on each roof, five minutes by five minutes; what its chamber keeps, and the rest towards its pool.
    const outletLeft = site.chambers.map(chamber =>
      rain > 0 && chamber.drainHours < Infinity ? ((2 * chamber.capL) / chamber.drainHours) * WET_DAY_HOURS : 0,
    )
    for (const [index, entry] of site.caught.entries()) {
      if (entry.pool < 0) continue
      // Below freezing it lies; else it runs with as much of what lies as the day melts.
      const melt = celsius < 0 ? 0 : Math.min(snowMm[index]!, 3 * celsius)
      snowMm[index]! += celsius < 0 ? rain * entry.snowShare : -melt
      const fallen = celsius < 0 ? 0 : rain + melt
      if (fallen > 0 && melt > 0) thaws++
      if (fallen === 0) continue
      const whole = roofYield({
        planAreaM2: entry.areaM2,
        rainMm: fallen,
        runoffCoefficient: entry.runoffCoefficient,
        wettingLossMm: entry.wettingLossMm,
      }).volumeL
      const over = split.reduce(
        (sum, share) =>
          sum + Math.max(0, ((whole * rain) / fallen) * share - (entry.areaM2 * entry.spillsAtMmPerH) / 12),
        0,
      )
      result.gutterL += over
      if (allowed(entry.bypassMonths, month)) continue
      let volumeL = (whole - over) * entry.captureShare
      result.caughtL += volumeL
      for (const at of entry.chambers) {
        const kept = Math.min(volumeL, site.chambers[at]!.capL - chambers[at]!)
        chambers[at]! += kept
        volumeL -= kept
        const lost = Math.min(volumeL, outletLeft[at]!)
        outletLeft[at]! -= lost
        result.flushedL += lost
        volumeL -= lost
      }
      arriving[entry.pool]! += volumeL
    }

    const settle = () => {
      for (const pool of site.spillOrder) {
        const total = pools[pool]! + arriving[pool]!
        const over = Math.max(0, total - site.pools[pool]!.capL)
        pools[pool] = total - over
        arriving[pool] = 0
        if (site.spillTo[pool]! >= 0) arriving[site.spillTo[pool]!]! += over
        else result.spilledL += over
      }
    }
    settle()

    for (const line of [...site.transfers, ...site.passing]) {
      const litres = Math.max(
        0,
        Math.min(pools[line.from]! - line.keepL, line.stopL - pools[line.to]!, part(line.mostLPerDay, line.on)),
      )
      pools[line.from]! -= litres
      pools[line.to]! += litres
    }
    settle()

    const wellLeft = site.wells.map(well => part(well.yieldLPerDay, well.on))
    const mainLeft = site.mains.map(main => part(main.mostLPerDay, main.on))
    for (const [use, demand] of site.demands.entries()) {
      const asked = demand.bed ? bedToday(demand.bed, use) : demand.litresPerDay[month]!
      if (demand.bed) beds++
      // Each step of rationing whose level its pool has fallen below; the strictest counts.
      const taken = Math.min(
        1,
        ...demand.rations.filter(ration => pools[ration.pool]! < ration.belowL).map(ration => ration.share),
      )
      let open = asked * taken
      result.rationedL += asked * (1 - taken)
      for (const source of demand.sources) {
        if (!allowed(source.months, month)) continue
        const available =
          source.kind === 'pool'
            ? pools[source.index]! - source.keepL
            : source.kind === 'well'
              ? wellLeft[source.index]!
              : mainLeft[source.index]!
        const share = source.mostShare * works(source.on, day)
        const litres = Math.max(0, Math.min(open, available, asked * taken * share))
        open -= litres
        if (source.kind === 'pool') pools[source.index]! -= litres
        else if (source.kind === 'well') {
          wellLeft[source.index]! -= litres
          result.wellL += litres
        } else {
          mainLeft[source.index]! -= litres
          result.mainL += litres
        }
      }
      result.shortL.push(open)
    }

    site.topUps.forEach((line, index) => {
      // Out of its months its switch is off.
      if (!allowed(line.months, month)) filling[index] = false
      if (!allowed(line.months, month)) return
      if (pools[line.pool]! <= line.startL) filling[index] = true
      if (!filling[index]) return
      const wanted = Math.max(0, line.stopL - pools[line.pool]!)
      const litres = Math.min(
        wanted,
        part(line.mostL, line.on),
        line.kind === 'well' ? wellLeft[line.index]! : line.kind === 'main' ? mainLeft[line.index]! : Infinity,
      )
      pools[line.pool]! += litres
      if (line.kind === 'well') {
        wellLeft[line.index]! -= litres
        result.wellL += litres
      } else if (line.kind === 'main') {
        mainLeft[line.index]! -= litres
        result.mainL += litres
      } else result.cartL += litres
      if (litres >= wanted - 1e-9 || line.kind === 'cart') filling[index] = false
    })
    pools.forEach((litres, pool) => {
      if (!allowed(site.drainedMonths[pool]!, month)) return
      result.spilledL += litres
      pools[pool] = 0
    })
    result.pools = [...pools]
    return result
  })
}

/** Adds wells, mains and rules of every kind to a compiled site, since moves do not build them yet. */
const outsideWater = fc.record({
  yieldLPerDay: fc.double({ min: 0, max: 600, noNaN: true }),
  startShare: fc.double({ min: 0, max: 0.6, noNaN: true }),
  stopShare: fc.double({ min: 0.3, max: 1, noNaN: true }),
  wellMonths: fc.integer({ min: 0, max: 4095 }),
  mainMonths: fc.integer({ min: 0, max: 4095 }),
  topUpByMain: fc.boolean(),
  firstUseFromWell: fc.boolean(),
  mostL: fc.oneof(fc.constant(Infinity), fc.double({ min: 0, max: 400, noNaN: true })),
  loadL: fc.double({ min: 0, max: 5000, noNaN: true }),
  mainMostL: fc.oneof(fc.constant(Infinity), fc.double({ min: 0, max: 500, noNaN: true })),
  rations: fc.array(
    fc.record({
      belowShare: fc.double({ min: 0, max: 1, noNaN: true }),
      share: fc.double({ min: 0, max: 1, noNaN: true }),
    }),
    { maxLength: 3 },
  ),
  handEmptied: fc.integer({ min: 0, max: 9 }),
  captureShare: fc.double({ min: 0.5, max: 1, noNaN: true }),
  cutsPerYear: fc.integer({ min: 0, max: 300 }),
  rota: fc.tuple(fc.integer({ min: 1, max: 9 }), fc.integer({ min: 1, max: 9 })),
  mainShare: fc.double({ min: 0.1, max: 1, noNaN: true }),
  drainedMonths: fc.oneof(fc.constant(0), fc.integer({ min: 0, max: 4095 })),
  burstMmPerH: fc.double({ min: 1, max: 400, noNaN: true }),
})

/** What hangs on what: the main on itself; the well on its pump's power; lines between tanks on the power and the main. */
const [MAIN, WELL, POWER] = [0, 1, 2]
const HANGS_ON = [[0], [1], [0, 1]]

function withOutsideWater(
  site: Compiled,
  water: typeof outsideWater extends fc.Arbitrary<infer Value> ? Value : never,
): Compiled {
  const demands = site.demands.map((demand, index) =>
    index === 0 && water.firstUseFromWell
      ? {
          ...demand,
          sources: [
            ...demand.sources,
            { kind: 'well' as const, index: 0, keepL: 0, months: water.wellMonths, on: WELL, mostShare: 1 },
            {
              kind: 'main' as const,
              index: 0,
              keepL: 0,
              months: water.mainMonths,
              on: MAIN,
              mostShare: water.mainShare,
            },
          ],
        }
      : demand,
  )
  const capL = site.pools[0]!.capL
  const rule = {
    pool: 0,
    index: 0,
    mostL: water.mostL,
    startL: capL * water.startShare,
    stopL: capL * Math.max(water.startShare, water.stopShare),
  }
  return {
    ...site,
    demands: demands.map((demand, index) =>
      index === demands.length - 1
        ? {
            ...demand,
            rations: water.rations.map(({ belowShare, share }) => ({ pool: 0, belowL: capL * belowShare, share })),
          }
        : demand,
    ),
    caught: site.caught.map(entry => ({ ...entry, captureShare: water.captureShare })),
    wells: [{ id: 'well', name: 'Well', yieldLPerDay: water.yieldLPerDay, on: WELL }],
    mains: [{ id: 'main', name: 'Main', mostLPerDay: water.mainMostL, on: MAIN }],
    transfers: site.transfers.map(line => ({ ...line, on: POWER })),
    outages: [
      { id: 'main', kind: 'main', name: 'Main', rule: { by: 'rota', daysOn: water.rota[0], daysOff: water.rota[1] } },
      {
        id: 'power',
        kind: 'power',
        name: 'Power',
        rule: { by: 'chance', timesPerYear: water.cutsPerYear, meanHours: 9 },
      },
    ],
    hangsOn: HANGS_ON,
    drainedMonths: site.pools.map(() => water.drainedMonths),
    chambers: site.chambers.map(chamber => ({
      ...chamber,
      emptiedEveryDays: water.handEmptied,
      drainHours: water.handEmptied % 2 ? Infinity : chamber.drainHours,
    })),
    topUps: [
      { ...rule, kind: 'well', months: water.wellMonths, on: WELL },
      ...(water.topUpByMain ? [{ ...rule, kind: 'main' as const, months: water.mainMonths, on: MAIN }] : []),
      { ...rule, kind: 'cart' as const, mostL: water.loadL, stopL: capL, months: 4095, on: NEVER_FAILS },
    ],
  }
}

describe('the flat loop', () => {
  it('says what the plain balance says, on any site, any rain, any rule', () => {
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
    expect(beds).toBeGreaterThan(20)
    expect(thaws).toBeGreaterThan(20)
    expect(cuts).toBeGreaterThan(20)
  })
})
