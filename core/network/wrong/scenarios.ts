import type { MomentSetting } from '../steady/moment'
import { levelsAt } from '../taps'
import { islandsOf, type Island } from './islands'
import { floatShutsM, graphOf, isPumped, type Site } from '../../site'

/** What can happen to lines that stand as they are: what runs, what is open, and how high water stands. */
export interface Scenario {
  id: string
  /** In words that go on from "with": "the power off". */
  words: string
  site: Site
  asked: MomentSetting
}

/** A main that comes weakly. */
const WEAK_SHARE = 0.1
/** So far under where its float shuts a tank stands that it fills, m. */
const UNDER_FLOAT_M = 0.02

/** One of the things that can be of a site: in words, and as it is asked about. */
interface Way {
  id: string
  words: string
  asked: MomentSetting
}

/**
 * What plausibly happens to a site, in every combination: the main on, weak or off; the power off, or each pump running;
 * tanks full, nearly empty, or one just under its float; all taps shut, or one open. Beside them a tank that is empty
 * and a float that sticks. In lines that have nothing to do with each other it happens at once.
 */
export function scenariosOf(site: Site): Scenario[] {
  const islands = islandsOf(site)
  if (!islands.length) return []
  const nth = (of: (island: Island) => readonly string[]) =>
    Array.from({ length: Math.max(0, ...islands.map(island => of(island).length)) }, (_, at) =>
      islands.flatMap(island => of(island)[at] ?? []),
    )
  const [mains, pumps, levels, taps] = [
    mainWays(site, islands),
    pumpWays(site, nth),
    levelWays(site, nth),
    tapWays(islands),
  ]
  const combined = mains.flatMap(main =>
    pumps.flatMap(pump =>
      levels.flatMap(level =>
        taps.map(tap => ({
          id: [main, pump, level, tap].map(({ id }) => id).join(' '),
          words: [main, pump, level, tap].flatMap(({ words }) => words || []).join(', '),
          site,
          asked: { ...main.asked, ...pump.asked, ...level.asked, ...tap.asked },
        })),
      ),
    ),
  )
  const [full, low] = [levelsAt(site, 'full'), levelsAt(site, 'low')]
  const empty = nth(island => (island.sources > 1 ? island.tanks : [])).map((tanks, at) => ({
    id: `empty-${at}`,
    words: 'a tank empty and the power off',
    site,
    asked: {
      levels: { ...full, ...Object.fromEntries(tanks.map(id => [id, low[id]!])) },
      running: running(site, () => false),
    },
  }))
  const stuck = nth(island => island.floats).map((runs, at) => ({
    id: `float-${at}`,
    words: 'a float stuck open',
    site: withoutFloats(site, runs),
    asked: { levels: full },
  }))
  return [...combined, ...empty, ...stuck]
}

const running = (site: Site, on: (runId: string) => boolean) =>
  Object.fromEntries(site.runs.flatMap(run => (isPumped(run) ? [[run.id, on(run.id)]] : [])))

function mainWays(site: Site, islands: Island[]): Way[] {
  if (!islands.some(({ mains }) => mains.length)) return [{ id: '', words: '', asked: {} }]
  const at = (share: number) =>
    Object.fromEntries(site.nodes.flatMap(node => (node.kind === 'main' ? [[node.id, node.pressureKPa * share]] : [])))
  return [
    { id: 'main-on', words: 'the main on', asked: { mains: at(1) } },
    { id: 'main-weak', words: 'the main weak', asked: { mains: at(WEAK_SHARE) } },
    { id: 'main-off', words: 'the main off', asked: { mains: at(0) } },
  ]
}

type Nth = (of: (island: Island) => readonly string[]) => string[][]

function pumpWays(site: Site, nth: Nth): Way[] {
  const each = nth(island => island.pumps)
  if (!each.length) return [{ id: '', words: '', asked: {} }]
  return [
    { id: 'power-off', words: 'the power off', asked: { running: running(site, () => false) } },
    ...each.map((runs, at) => ({
      id: `pump-${at}`,
      words: 'the pump running',
      asked: { running: running(site, id => runs.includes(id)) },
    })),
  ]
}

function levelWays(site: Site, nth: Nth): Way[] {
  const full = levelsAt(site, 'full')
  const under = nth(island => island.floats).map((runs, at) => {
    const levels = runs.flatMap((id): [string, number][] => {
      const run = graphOf(site).run(id)!
      const [shutsM, tank] = [floatShutsM(site, run), graphOf(site).node(run.to.node)]
      return shutsM === undefined || !tank ? [] : [[tank.id, Math.max(0, shutsM - tank.baseM - UNDER_FLOAT_M)]]
    })
    return {
      id: `under-${at}`,
      words: 'the tank under its float',
      asked: { levels: { ...full, ...Object.fromEntries(levels) } },
    }
  })
  return [
    { id: 'full', words: '', asked: { levels: full } },
    { id: 'low', words: 'tanks low', asked: { levels: levelsAt(site, 'low') } },
    ...under,
  ]
}

const tapWays = (islands: Island[]): Way[] => {
  const first = islands.flatMap(({ taps }) => taps[0] ?? [])
  return [
    { id: 'shut', words: 'all taps shut', asked: {} },
    ...(first.length
      ? [{ id: 'open', words: 'a tap open', asked: { open: Object.fromEntries(first.map(id => [id, 1])) } }]
      : []),
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
