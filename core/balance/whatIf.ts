import { AWAY, type Compiled } from './compiled'
import { compile } from './compile'
import { usableL } from './joining'
import { simulate } from './simulate'
import { overYears } from './overYears'
import { yearsOf } from './year'
import { graphOf, isShutAtSpouts, type Run, type Site } from '../site'
import { isFilled } from './columns'
import type { DailySeries } from '../climate'

/** Short days of the middle year: as the plan stands, and as it would be. */
export type NowAndThen = [now: number, then: number]

/** What follows from shutting one open valve, by running the years with it shut. */
export interface ShutEffect {
  run: Run
  /** Uses that no water reaches any more; that draw the last of what stands there; and that go short more often. */
  cutOff: string[]
  runsDry: string[]
  shorter: { name: string; shortDays: NowAndThen }[]
  shortDays: NowAndThen
  /** Tanks that would run over their rim; and the groups that stand apart afterwards. */
  runOver: string[]
  apart: string[]
  /** Litres that can be drawn from full tanks. */
  usableL: NowAndThen
}

const missing = (from: Set<string>, there: Set<string>) => [...from].filter(name => !there.has(name))

/** The years of a compiled plan, in what these questions ask of them. */
function years(compiled: Compiled, series: DailySeries) {
  const told = { years: yearsOf(compiled, series, simulate(compiled, series)) }
  const of = (id: string, figure: 'shortDays' | 'metL') =>
    overYears(told, year => year.uses.find(use => use.id === id)?.[figure] ?? 0)
  return { shortDays: overYears(told, year => year.shortDays).middle, of }
}

/** Tries a valve shut, on a copy of the site. */
export function ifShut(site: Site, partId: string, series: DailySeries): ShutEffect | undefined {
  const run = graphOf(site).runWith(partId)
  if (!run?.parts.some(part => part.id === partId && part.kind === 'valve')) return undefined
  const turned = run.parts.map(part => (part.id === partId && part.kind === 'valve' ? { ...part, open: false } : part))
  const shut: Site = { ...site, runs: site.runs.map(each => (each === run ? { ...each, parts: turned } : each)) }
  const [before, after] = [site, shut].map(each => compile(each, () => series)) as [Compiled, Compiled]
  const [now, then] = [years(before, series), years(after, series)]
  const unled = (compiled: Compiled) =>
    new Set(
      compiled.pools
        .filter((pool, index) => !pool.spillsAt.port && isFilled(compiled, index) && !isShutAtSpouts(site, pool.tanks))
        .map(pool => pool.spillsAt.tank.name),
    )
  const names = (compiled: Compiled) => new Set(compiled.pools.map(pool => pool.name))
  const dry = before.demands.filter(({ id }) => now.of(id, 'metL').most > 0 && then.of(id, 'metL').most === 0)
  const reached = (id: string) => after.demands.some(demand => demand.id === id && demand.sources.length)
  return {
    run,
    cutOff: dry.filter(({ id }) => !reached(id)).map(({ name }) => name),
    runsDry: dry.filter(({ id }) => reached(id)).map(({ name }) => name),
    shorter: before.demands
      .filter(demand => !dry.includes(demand))
      .map(({ id, name }) => ({
        name,
        shortDays: [now.of(id, 'shortDays').middle, then.of(id, 'shortDays').middle] as NowAndThen,
      }))
      .filter(({ shortDays: [was, is] }) => is > was + 0.5),
    shortDays: [now.shortDays, then.shortDays],
    runOver: missing(unled(after), unled(before)),
    apart: missing(names(after), names(before)),
    usableL: [usableL(before), usableL(after)],
  }
}

/** Short days of a year in which a group holds nothing, since one of its tanks has burst and its valves stand open. */
export function ifBurst(site: Site, poolId: string, series: DailySeries): NowAndThen | undefined {
  const compiled = compile(site, () => series)
  const burst = compiled.pools.findIndex(({ id }) => id === poolId)
  if (burst < 0) return undefined
  const without: Compiled = {
    ...compiled,
    pools: compiled.pools.map((pool, index) => (index === burst ? { ...pool, capL: 0 } : pool)),
    spillTo: compiled.spillTo.map((to, index) => (index === burst ? AWAY : to)),
    topUps: compiled.topUps.filter(line => line.pool !== burst),
    transfers: compiled.transfers.filter(line => line.from !== burst && line.to !== burst),
    passing: compiled.passing.filter(line => line.from !== burst && line.to !== burst),
  }
  return [compiled, without].map(each => years(each, series).shortDays) as NowAndThen
}
