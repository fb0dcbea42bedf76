import type { Compiled } from './compiled'
import { bareRoofs, catchRain } from './catch'
import { roofColumns } from './columns'
import { chamberDrainTime, WASH_OFF_PER_MM } from '../sums'
import { chamberAreaM2, chamberDrainInput, chamberVolumeL, type Site } from '../site'
import type { NodeOf } from '../kinds'
import { DAYS_A_YEAR, type DailySeries } from '../climate'
import { BUILD_UP_DAYS, TEE_STRAY, WET_DAY_HOURS, type TeeId } from '../catalog'

/** A way to build or keep a chamber: what it holds, how it empties, and what shuts it. */
export interface FlushWay {
  capL: number
  drainHours: number
  emptiedEveryDays: number
  ball: boolean
  tee: TeeId
}
/**
 * What comes of it in a mean year: the share of the washed-off dirt kept from the tank, and litres that never reach
 * it.
 */
export interface FlushYield {
  keptShare: number
  lostL: number
  outletL: number
  foulRains: number
  rains: number
}

export interface FlushTrade {
  chamberId: string
  now: FlushYield
  /** The same outlet hours over a range of depths of rain kept back. */
  byDepth: (FlushYield & { depthMm: number })[]
  /** The same chamber with outlets of other bores. */
  byOutlet: (FlushYield & { orificeMm: number; hours: number })[]
  /** The same chamber emptied by hand once a week, and never: its outlet clogged, or nobody there. */
  byHandWeekly: FlushYield
  neverEmptied: FlushYield
  /** What reaches the chamber in a mean year, litres. */
  arrivesL: number
}

const DEPTHS_MM = [0.1, 0.2, 0.4, 0.6, 0.8, 1, 1.5, 2, 3, 4]
const OUTLETS_MM = [0.5, 0.8, 1, 1.2, 1.5, 2, 3, 4]
/** A chamber that a rain finds more than half full lets that rain's first water by. */
const FOUL_SHARE = 0.5
const NEVER = Infinity

/** What a chamber keeps out and costs, as it is and as it might be. Undefined where no roof reaches it. */
export function flushTrade(
  site: Site,
  compiled: Compiled,
  chamberId: string,
  series: DailySeries,
): FlushTrade | undefined {
  const chamber = site.nodes.find(node => node.id === chamberId) as NodeOf<'chamber'> | undefined
  const areaM2 = chamber ? chamberAreaM2(site, chamberId) : 0
  if (!chamber || !(areaM2 > 0)) return undefined
  const arriving = arrivingL(compiled, chamberId, series)
  const run = (way: Partial<FlushWay>) => flushYears(arriving, areaM2, { ...wayOf(chamber), ...way }, series)
  const hoursAt = (orificeMm: number) => chamberDrainTime(chamberDrainInput(chamber, orificeMm)).hours
  return {
    chamberId,
    now: run({}),
    arrivesL: (arriving.reduce((sum, litres) => sum + litres, 0) / arriving.length) * DAYS_A_YEAR,
    byDepth: DEPTHS_MM.map(depthMm => ({ depthMm, ...run({ capL: depthMm * areaM2 }) })),
    byOutlet: [...new Set([...OUTLETS_MM, ...(chamber.orificeMm ? [chamber.orificeMm] : [])])]
      .sort((a, b) => a - b)
      .filter(orificeMm => orificeMm <= chamber.innerDiameterMm)
      .map(orificeMm => ({
        orificeMm,
        hours: hoursAt(orificeMm),
        ...run({ drainHours: hoursAt(orificeMm), emptiedEveryDays: 0 }),
      })),
    byHandWeekly: run({ drainHours: NEVER, emptiedEveryDays: 7 }),
    neverEmptied: run({ drainHours: NEVER, emptiedEveryDays: 0 }),
  }
}

function wayOf(chamber: NodeOf<'chamber'>): FlushWay {
  return {
    capL: chamberVolumeL(chamber),
    emptiedEveryDays: chamber.emptiedEveryDays ?? 0,
    ball: chamber.ball !== false,
    tee: chamber.tee ?? 'swept',
    drainHours: chamber.orificeMm ? chamberDrainTime(chamberDrainInput(chamber, chamber.orificeMm)).hours : NEVER,
  }
}

/** Litres that reach a chamber each day, past gutters, by-pass, screens and the chambers before it. */
function arrivingL(compiled: Compiled, chamberId: string, series: DailySeries): Float64Array {
  const here = compiled.chambers.findIndex(({ id }) => id === chamberId)
  const roofs = roofColumns({
    ...compiled,
    pools: compiled.pools.slice(0, 1),
    caught: compiled.caught
      .filter(entry => entry.chambers.includes(here))
      .map(entry => ({ ...entry, chambers: entry.chambers.slice(0, entry.chambers.indexOf(here)), pool: 0 })),
  })
  return catchRain(roofs, series, series.rainMm.length, bareRoofs(roofs)).inflowL
}

/**
 * Runs one chamber over days of arriving water. Dirt builds up on a dry roof towards all that it will hold and is
 * washed off exponentially with
 * the runoff (Sartor & Boyd 1972): what the chamber has room for is kept, and so is what its outlet lets by while it
 * rains.
 */
export function flushYears(
  arrivingL: Float64Array,
  areaM2: number,
  way: FlushWay,
  series: Pick<DailySeries, 'rainMm'>,
): FlushYield {
  const gathers = -Math.expm1(-1 / BUILD_UP_DAYS)
  const outletL = way.drainHours === NEVER ? 0 : ((2 * way.capL) / way.drainHours) * WET_DAY_HOURS
  let [dirt, content, washed, kept, lostL, outL, foul, rains] = [1, 0, 0, 0, 0, 0, 0, 0]
  for (let day = 0; day < arrivingL.length; day++) {
    const wet = series.rainMm[day]! > 0
    if (content > 0) {
      const root = Math.max(0, Math.sqrt(content / way.capL) - (wet ? 24 - WET_DAY_HOURS : 24) / way.drainHours)
      const after =
        way.emptiedEveryDays > 0 && day % way.emptiedEveryDays === 0
          ? 0
          : way.drainHours === NEVER
            ? content
            : way.capL * root * root
      lostL += content - after
      content = after
    }
    const litres = arrivingL[day]!
    if (litres === 0) {
      dirt += (1 - dirt) * gathers
      continue
    }
    rains++
    if (content > FOUL_SHARE * way.capL) foul++
    const comes = dirt * -Math.expm1((-WASH_OFF_PER_MM * litres) / areaM2)
    const taken = Math.min(litres, way.capL - content)
    const first = dirt * -Math.expm1((-WASH_OFF_PER_MM * taken) / areaM2)
    const out = Math.min(litres - taken, outletL)
    const past = litres - taken - out
    // Without a ball the water rushing past stirs the chamber and carries some of it on.
    const stirred = way.ball || way.capL === 0 ? 0 : first * -Math.expm1((-TEE_STRAY[way.tee] * past) / way.capL)
    washed += comes
    kept += first - stirred + (litres > taken ? ((comes - first) * out) / (litres - taken) : 0)
    dirt -= comes
    content += taken
    lostL += out
    outL += out
  }
  const years = arrivingL.length / DAYS_A_YEAR
  return {
    keptShare: washed > 0 ? kept / washed : 0,
    lostL: lostL / years,
    outletL: outL / years,
    foulRains: foul / years,
    rains: rains / years,
  }
}
