import { designStorm, pathsFrom, type DesignStorm, type Path, type Site } from '../site'
import { catchLimits, roofLines, type CatchLimit, type RoofLine } from '../network'
import type { NodeOf, Tank } from '../kinds'
import { weatherSeries, type DailySeries } from '../climate'
import {
  catchYear,
  compile,
  emptyingOf,
  linksOf,
  lostIfBurstL,
  outlookOf,
  poolsOf,
  simulate,
  soakingOf,
  spillWay,
  type CatchYear,
  type Compiled,
  type DailyRun,
  type Emptying,
  type LinkReading,
  type Outlook,
  type Pool,
  type Soaking,
  type SpillWay,
} from '../balance'

/**
 * What is worked out from a document, each once, when it is first asked for: the one place where the checks, the Sheets
 * and the workers read it.
 */
export interface Reading {
  readonly site: Site
  /** The days of the site's own weather. */
  readonly series: DailySeries
  readonly compiled: Compiled
  readonly pools: Pool[]
  /** Each way from a spout to a tank. */
  readonly lines: { spout: NodeOf<'spout'>; path: Path; tank: Tank }[]
  readonly storm: DesignStorm | undefined
  readonly limits: CatchLimit[]
  readonly roofLines: RoofLine[]
  /** What becomes of the roofs' water in a mean year. */
  readonly roofYear: CatchYear
  /** Open links between tanks of a group. */
  readonly links: LinkReading[]
  /** The balance, day by day, and what the years of it come to. */
  readonly days: DailyRun
  readonly outlook: Outlook
  /** The way each pool spills, by the pool's id; none for one that runs over its rim. */
  readonly spills: ReadonlyMap<string, SpillWay>
  /** Soakaways against their storm, by the outfall's id. */
  readonly soakaways: ReadonlyMap<string, Soaking>
  /** What a burst at each tank's floor loses, and how each runs out, by the tank's id. */
  readonly bursts: ReadonlyMap<string, { ownL: number; lostL: number }>
  readonly emptyings: ReadonlyMap<string, Emptying>
}

/** How each part of a reading is worked out, from the document and from the other parts. */
const PARTS: { [Part in keyof Omit<Reading, 'site'>]: (reading: Reading) => Reading[Part] } = {
  series: ({ site }) => weatherSeries(site),
  compiled: reading => compile(reading.site, () => reading.series),
  pools: ({ site }) => poolsOf(site),
  lines: ({ site }) =>
    site.nodes
      .filter(node => node.kind === 'spout')
      .flatMap(spout =>
        pathsFrom(site, spout.id).flatMap(path => (path.end.kind === 'tank' ? [{ spout, path, tank: path.end }] : [])),
      ),
  storm: ({ site }) => designStorm(site),
  limits: ({ site }) => catchLimits(site),
  roofLines: ({ site }) => roofLines(site),
  roofYear: ({ compiled, series }) => catchYear(compiled, series),
  links: ({ site, pools }) => linksOf(site, pools),
  days: ({ compiled, series }) => simulate(compiled, series),
  outlook: ({ site, compiled, series, days }) => outlookOf(site, compiled, series, days),
  spills: ({ site, compiled }) =>
    new Map(
      compiled.pools.flatMap((pool, index) => {
        const way = spillWay(site, compiled, index)
        return way ? [[pool.id, way] as const] : []
      }),
    ),
  soakaways: ({ site, spills }) =>
    new Map(
      [...spills.values()].flatMap(({ outfall, areaM2 }) => {
        const soaking = outfall?.to === 'soakaway' ? soakingOf(site, outfall, areaM2) : undefined
        return soaking ? [[outfall!.id, soaking] as const] : []
      }),
    ),
  bursts: ({ compiled }) =>
    new Map(
      compiled.pools.flatMap((pool, index) =>
        pool.tanks.map(tank => [tank.id, lostIfBurstL(compiled, index, tank)] as const),
      ),
    ),
  emptyings: ({ site, pools }) =>
    new Map(
      pools.flatMap(pool =>
        pool.tanks.flatMap(tank => {
          const emptying = emptyingOf(site, tank, pool.capM)
          return emptying ? [[tank.id, emptying] as const] : []
        }),
      ),
    ),
}

/** A document never changes once made, so it is read once, whoever asks. */
const readings = new WeakMap<Site, Reading>()

/**
 * The reading of a site. Nothing of it is worked out before it is asked for, and nothing twice. `series` may be handed
 * in where it is known already.
 */
export function readingOf(site: Site, series?: DailySeries): Reading {
  const known = readings.get(site)
  if (known) return known
  const reading = { site } as Reading
  for (const [part, work] of Object.entries(PARTS) as [keyof typeof PARTS, (reading: Reading) => unknown][])
    Object.defineProperty(reading, part, {
      configurable: true,
      enumerable: true,
      get() {
        const value = part === 'series' && series ? series : work(reading)
        Object.defineProperty(reading, part, { value, enumerable: true })
        return value
      },
    })
  readings.set(site, reading)
  return reading
}
