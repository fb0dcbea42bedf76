import type { MomentSetting } from '../steady/moment'
import { levelsAt } from '../taps'
import { islandsOf, type Island } from './islands'
import type { Site } from '../../site'

/** What can happen to lines that stand as they are: what runs, what is open, and how high water stands. */
export interface Scenario {
  id: string
  /** In words that go on from "with": "the power off". */
  words: string
  site: Site
  asked: MomentSetting
}

/** A main that comes weakly. */
const LOW_SHARE = 0.2

/**
 * What plausibly happens to a site: the power fails, the main comes, goes and is weak, each pump runs with all taps
 * shut, a tap is open, a tank is empty, a float sticks. In lines that have nothing to do with each other it happens at
 * once.
 */
export function scenariosOf(site: Site): Scenario[] {
  const islands = islandsOf(site)
  const [full, low] = [levelsAt(site, 'full'), levelsAt(site, 'low')]
  const mains = (kPa: (atRest: number) => number) =>
    Object.fromEntries(site.nodes.flatMap(node => (node.kind === 'main' ? [[node.id, kPa(node.pressureKPa)]] : [])))
  const pumps = (on: (runId: string) => boolean) =>
    Object.fromEntries(
      site.runs.flatMap(run => (run.parts.some(({ kind }) => kind === 'pump') ? [[run.id, on(run.id)]] : [])),
    )
  const stopped = pumps(() => false)
  const hasMain = islands.some(({ mains }) => mains.length)
  const hasPump = islands.some(({ pumps }) => pumps.length)
  const open = (taps: string[]) => Object.fromEntries(taps.map(id => [id, 1]))
  const happening = (id: string, words: string, asked: MomentSetting, of = site): Scenario => ({
    id,
    words,
    asked,
    site: of,
  })
  const nth = (of: (island: Island) => string[]) =>
    Array.from({ length: Math.max(0, ...islands.map(island => of(island).length)) }, (_, at) =>
      islands.flatMap(island => of(island)[at] ?? []),
    )
  return [
    happening('rest', hasPump ? 'the power off and all taps shut' : 'all taps shut', {
      levels: full,
      running: stopped,
    }),
    ...(hasMain
      ? [
          happening('main-on', 'the main on and all taps shut', { levels: full, running: stopped }),
          happening('main-fills', 'the main on and tanks low', { levels: low, running: stopped }),
          happening('main-off', 'the main off', { levels: full, running: stopped, mains: mains(() => 0) }),
          happening('main-off-pumps', 'the main off and pumps running', { levels: full, mains: mains(() => 0) }),
          happening('main-weak', 'the main weak and a tap open', {
            levels: full,
            mains: mains(kPa => kPa * LOW_SHARE),
            open: open(islands.flatMap(({ taps }) => taps[0] ?? [])),
          }),
        ]
      : []),
    ...nth(island => island.pumps).flatMap((runs, at) => {
      const running = pumps(id => runs.includes(id))
      return [
        happening(`pump-${at}`, 'the pump running and all taps shut', { levels: full, running }),
        happening(`pump-low-${at}`, 'the pump running and tanks low', { levels: low, running }),
      ]
    }),
    ...nth(island => island.taps.slice(0, 1)).map((taps, at) =>
      happening(`tap-${at}`, 'a tap open', { levels: full, open: open(taps) }),
    ),
    ...nth(island => (island.sources > 1 ? island.tanks : [])).map((tanks, at) =>
      happening(`empty-${at}`, 'a tank empty and the power off', {
        levels: { ...full, ...Object.fromEntries(tanks.map(id => [id, low[id]!])) },
        running: stopped,
      }),
    ),
    ...nth(island => island.floats).map((runs, at) =>
      happening(`float-${at}`, 'a float stuck open', { levels: full }, withoutFloats(site, runs)),
    ),
  ]
}

/** A float that sticks is a plain fitting. */
const withoutFloats = (site: Site, runIds: string[]): Site => ({
  ...site,
  runs: site.runs.map(run =>
    runIds.includes(run.id)
      ? {
          ...run,
          parts: run.parts.map(part =>
            part.kind === 'float'
              ? { id: part.id, kind: 'valve' as const, boreMm: part.boreMm, open: true, k: part.k ?? 6 }
              : part,
          ),
        }
      : run,
  ),
})
