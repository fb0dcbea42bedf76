import type { DailySeries } from '../climate'
import { prepareCatch, simulate } from './simulate'
import type { Compiled } from './compile'
import { SHORT_SHARE } from './year'

/** What a pool of another size would make of the same rain, in a mean year of the series. */
export interface SizePoint { capL: number, shortDays: number, shortL: number, spilledL: number }

const DAYS_A_YEAR = 365.25
/** From a tenth of what there is to four times as much, closer together where a tank is small. */
const SHARES = Array.from({ length: 25 }, (_, step) => 0.1 * 40 ** (step / 24))

/**
 * The curve of days short against the size of one pool, over the same rain. The pool grows in width, its heights as they are, so that whatever
 * is dead or kept back in it grows with it. The roofs are run once for all sizes.
 */
export function sizeCurve(compiled: Compiled, pool: number, series: DailySeries): SizePoint[] {
  const { capL } = compiled.pools[pool]!
  const caught = prepareCatch(compiled, series)
  return [...SHARES, 1].sort((a, b) => a - b).map((share): SizePoint => {
    const run = simulate(widened(compiled, pool, share), series, { caught })
    let [shortDays, shortL, spilledL] = [0, 0, 0]
    for (let day = 0; day < run.days; day++) {
      shortL += run.shortL[day]!
      spilledL += run.spilledL[day]!
      if (run.shortL[day]! > run.askedL[day]! * SHORT_SHARE) shortDays++
    }
    const years = run.days / DAYS_A_YEAR
    return { capL: capL * share, shortDays: shortDays / years, shortL: shortL / years, spilledL: spilledL / years }
  })
}

/** The size from which on the next 1000 litres spare less than a day a year; undefined where they still do at the largest, or nothing is short at all. */
export function payingSizeL(curve: SizePoint[]): number | undefined {
  const first = curve.findIndex((_, index) => {
    const rest = curve.slice(index)
    return rest.every((here, at) => { const next = rest[at + 1]; return !next || (here.shortDays - next.shortDays) / (next.capL - here.capL) * 1000 < 1 })
  })
  return first < 0 || first >= curve.length - 1 || curve[0]!.shortDays === 0 ? undefined : curve[first]!.capL
}

/** A compiled site with one pool's plan area multiplied. */
function widened(compiled: Compiled, pool: number, share: number): Compiled {
  const widen = (of: number, litres: number) => of === pool ? litres * share : litres
  return {
    ...compiled,
    pools: compiled.pools.map((entry, index) => index === pool ? { ...entry, capL: entry.capL * share } : entry),
    transfers: compiled.transfers.map(line => ({ ...line, keepL: widen(line.from, line.keepL), stopL: widen(line.to, line.stopL) })),
    demands: compiled.demands.map(demand => ({ ...demand, sources: demand.sources.map(source => source.kind === 'pool' ? { ...source, keepL: widen(source.index, source.keepL) } : source) })),
    topUps: compiled.topUps.map(line => ({ ...line, startL: widen(line.pool, line.startL), stopL: widen(line.pool, line.stopL) })),
  }
}
