import { weatherSeries, type DailySeries } from '../climate'
import { designStorm, pathsFrom, type DesignStorm, type Path, type Site } from '../site'
import { catchLimits, roofLines, type CatchLimit, type RoofLine } from '../network'
import type { NodeOf, Tank } from '../kinds'
import {
  burstsOf,
  compiledOf,
  daysOf,
  emptyingsOf,
  openLinksOf,
  poolsOf,
  roofYearOf,
  soakawaysOf,
  spillWaysOf,
  yearsAhead,
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

/** What checks look at: a document, and what is known of it. A check names what it looks at, and sees nothing else. */
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
  readonly roofYear: CatchYear
  readonly links: LinkReading[]
  readonly days: DailyRun
  readonly outlook: Outlook
  readonly spills: ReadonlyMap<string, SpillWay>
  readonly soakaways: ReadonlyMap<string, Soaking>
  readonly bursts: ReadonlyMap<string, { ownL: number; lostL: number }>
  readonly emptyings: ReadonlyMap<string, Emptying>
}

const linesToTanks = (site: Site): Reading['lines'] =>
  site.nodes
    .filter(node => node.kind === 'spout')
    .flatMap(spout =>
      pathsFrom(site, spout.id).flatMap(path => (path.end.kind === 'tank' ? [{ spout, path, tank: path.end }] : [])),
    )

/** Each by the question that knows it; whatever two checks ask is worked out once. */
const PARTS: { [Part in keyof Omit<Reading, 'site'>]: (site: Site) => Reading[Part] } = {
  series: weatherSeries,
  compiled: compiledOf,
  pools: poolsOf,
  lines: linesToTanks,
  storm: designStorm,
  limits: catchLimits,
  roofLines,
  roofYear: roofYearOf,
  links: openLinksOf,
  days: daysOf,
  outlook: yearsAhead,
  spills: spillWaysOf,
  soakaways: soakawaysOf,
  bursts: burstsOf,
  emptyings: emptyingsOf,
}

/** A document as checks look at it: nothing is worked out before a check asks for it. */
export const readingOf = (site: Site): Reading =>
  Object.defineProperties(
    { site },
    Object.fromEntries(
      Object.entries(PARTS).map(([part, work]) => [part, { enumerable: true, get: () => work(site) }]),
    ),
  ) as Reading
