import type { Bed } from '../core/balance/beds'
import type { Compiled } from '../core/balance/compiled'
import { roofYield } from '../core/sums'
import { WET_DAY_HOURS } from '../core/catalog'

/** How many days of beds, and of thaw, the plain balance has reckoned: none would test nothing. */
export const reckoned = { beds: 0, thaws: 0 }

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
export function plainBalance(
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

    // Roofs run while it rains, and while what lies on one of them melts.
    const runs = rain > 0 || (celsius > 0 && snowMm.some(lying => lying > 0))
    // Chambers empty first: by hand on their day, or under a falling head for the hours without rain.
    site.chambers.forEach((chamber, index) => {
      const before = chambers[index]!
      const dryHours = runs ? 24 - WET_DAY_HOURS : 24
      let after = before
      if (chamber.drainHours < Infinity && before > 0)
        after = chamber.capL * Math.max(0, Math.sqrt(before / chamber.capL) - dryHours / chamber.drainHours) ** 2
      if (chamber.emptiedEveryDays > 0 && day % chamber.emptiedEveryDays === 0) after = 0
      result.flushedL += before - after
      chambers[index] = after
    })

    // Rain on each roof, five minutes by five minutes; what its chamber keeps, and the rest towards its pool.
    const outletLeft = site.chambers.map(chamber =>
      runs && chamber.drainHours < Infinity ? ((2 * chamber.capL) / chamber.drainHours) * WET_DAY_HOURS : 0,
    )
    for (const [index, entry] of site.caught.entries()) {
      // Below freezing it lies; else it runs with as much of what lies as the day melts.
      const melt = celsius < 0 ? 0 : Math.min(snowMm[index]!, 3 * celsius)
      snowMm[index]! += celsius < 0 ? rain * entry.snowShare : -melt
      if (entry.pool < 0) continue
      const fallen = celsius < 0 ? 0 : rain + melt
      if (fallen > 0 && melt > 0) reckoned.thaws++
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

    // Each way has so much to give today, to all who draw by it.
    const wayLeft = site.limits.map(({ mostL, on }) => part(mostL[month]!, on))
    const along = (ways: number[]) => Math.min(Infinity, ...ways.map(way => wayLeft[way]!))
    const took = (ways: number[], litres: number) => ways.forEach(way => (wayLeft[way]! -= litres))

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
        Math.min(pools[line.from]! - line.keepL, line.stopL - pools[line.to]!, along(line.limits)),
      )
      took(line.limits, litres)
      pools[line.from]! -= litres
      pools[line.to]! += litres
    }
    settle()

    const wellLeft = site.wells.map(well => part(well.yieldLPerDay, well.on))
    const mainLeft = site.mains.map(main => part(main.mostLPerDay, main.on))
    for (const [use, demand] of site.demands.entries()) {
      const asked = demand.bed ? bedToday(demand.bed, use) : demand.litresPerDay[month]!
      if (demand.bed) reckoned.beds++
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
        const litres = Math.max(0, Math.min(open, available, asked * taken * share, along(source.limits)))
        took(source.limits, litres)
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
        along(line.limits),
        line.kind === 'well' ? wellLeft[line.index]! : line.kind === 'main' ? mainLeft[line.index]! : Infinity,
      )
      took(line.limits, litres)
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
