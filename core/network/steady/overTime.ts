import type { Weir, Lines, Link, Opening, Store } from './layout'
import { linesOverTime, openingKey } from './lines'
import { mainM, momentOf, type MomentSetting } from './moment'
import { settled } from './steady'
import type { Site } from '../../site'

/** How water stands while some time goes by, and what is open and runs. */
export interface OverTime extends Pick<MomentSetting, 'open' | 'running' | 'mains'> {
  /** Of each store: the head it begins at, and how far that falls, m, for each L/s drawn; and whether it is empty. */
  stores: readonly { headM: number; slope: number; empty?: boolean }[]
  /** Of each weir: the head at which nothing would go over it, and what each L/s over it takes, m; or nothing goes. */
  weirs: readonly ({ headM: number; slope: number } | undefined)[]
  /** Holes that stand above their tank's water, and runs whose floats are shut. */
  dry: ReadonlySet<string>
  /** Runs that begin in a well whose pump has drawn it down to itself. */
  wellsDry: ReadonlySet<string>
  floatsShut: ReadonlySet<string>
}

/** What flows then, on the middle of the time: through each link, L/s; and the head of each unknown place, m. */
export interface Flowing {
  flowLps: Float64Array
  headM: Float64Array
  /** Where no answer was found: why. */
  trouble?: string
}

/** Lines in which time goes by, made once for a site as it stands. */
export const overTimeOf = (site: Site): Lines => linesOverTime(site)

/**
 * Flows of lines whose tanks give way, solved together with how far they do: what is drawn over the time lowers the
 * head that it is drawn by. `from` is where the search begins, as flows were before.
 */
export function flowsOver(lines: Lines, over: OverTime, from?: Float64Array): Flowing {
  const { stores, weirs, dry, wellsDry, floatsShut } = over
  lines.stores.forEach((store, at) => (store.gives.slope = stores[at]!.slope))
  lines.weirs.forEach((weir, at) => (weir.compliance.slope = weirs[at]?.slope ?? 1))
  const moment = momentOf(lines, over, {
    leavesAir: ({ leavesBy, runId }) =>
      (leavesBy !== undefined && dry.has(leavesBy)) || (runId !== undefined && wellsDry.has(runId)),
    // Water that comes in above a tank's own falls into it freely.
    arrivesInAir: ({ arrivesBy }) => arrivesBy !== undefined && dry.has(arrivesBy),
    floatShuts: ({ float, runId }) => float !== undefined && floatsShut.has(runId!),
    fixedM: known => (known.kind === 'main' ? mainM(known.node, over.mains ?? {}) : 'headM' in known ? known.headM : 0),
  })
  lines.stores.forEach(({ fixed, link }, at) => {
    moment.fixedM[fixed] = stores[at]!.headM
    if (stores[at]!.empty) moment.standing[link]!.noForward = true
  })
  for (const [key, { wet, dry: open }] of lines.openings) moment.standing[dry.has(key) ? wet : open]!.closed = true
  lines.weirs.forEach(({ fixed, link }, at) => {
    const weir = weirs[at]
    if (weir) moment.fixedM[fixed] = weir.headM
    else moment.standing[link]!.closed = true
  })
  for (const [at, standing] of moment.standing.entries()) if (standing.closed) moment.flowLps[at] = 0
  from?.forEach((flowLps, at) => {
    if (!moment.standing[at]!.closed && Math.abs(flowLps) > LEAST_START_LPS) moment.flowLps[at] = flowLps
  })
  const { trouble } = settled(lines, moment)
  // What is next to nothing is told too, and what a wall lets through: only so do the books of a day close.
  const flowLps = Float64Array.from(moment.flowLps, (flow, at) => (moment.standing[at]!.closed ? 0 : flow))
  return { flowLps, headM: moment.headM, trouble }
}
/** A law that is flat at no flow gives a search nothing to go by. */
const LEAST_START_LPS = 1e-3

export { openingKey, type Weir, type Lines, type Link, type Opening, type Store }
