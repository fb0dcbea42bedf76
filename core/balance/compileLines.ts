import { brings, type Limits } from './compileLimits'
import { hangingOf, POWER } from './compileOutages'
import { AWAY, NEVER_FAILS, type Transfer } from './compiled'
import type { Pool } from './pools'
import { floatShutsM, highestM, isShutAtSpouts, type Path, pathsFrom, portHeightM, roleOf, type Site } from '../site'
import type { Tank } from '../kinds'

/** A way out of a pool by something other than its overflow, and what lies below where it draws. */
export interface DrawPath {
  from: number
  tankId: string
  path: Path
  keepL: number
  /** What it hangs on that can fail. */
  on: number
}

/** Where each pool spills to: another pool's index, or away. */
export function spillsOf(site: Site, pools: Pool[], poolOf: ReadonlyMap<string, number>): number[] {
  return pools.map((pool, index) => {
    const { path } = pool.spillsAt
    // A flap that sends the roof to ground once the tank is full leaves nothing to spill on.
    if (!path || isShutAtSpouts(site, pool.tanks)) return AWAY
    const end = poolOf.get(path.end.id)
    return end === undefined || end === index ? AWAY : end
  })
}

/** How low a draw-off reaches above its tank’s floor: its own height, or where the stop of its float holds it. */
function drawnDownToM(port: Tank['ports'][number]): number {
  return Math.max(port.heightM, port.floating?.stopM ?? 0)
}

/** Every way out of every pool. By gravity a line keeps what stands below its end or a hump; a pump all that it cannot reach. */
export function suppliesOf(site: Site, pools: Pool[], hanging = hangingOf(site)): DrawPath[] {
  return pools.flatMap((pool, from) =>
    pool.tanks.flatMap(tank =>
      tank.ports
        .filter(port => port.role !== 'overflow')
        .flatMap(port =>
          pathsFrom(site, tank.id, name => name === port.name).map((path): DrawPath => {
            const pumped = path.pumpLps !== undefined
            const downToM = pumped && port.intakeM !== undefined ? port.intakeM : drawnDownToM(port)
            const deadL = pool.deadBelowL(tank.id, tank.baseM + downToM)
            return {
              from,
              tankId: tank.id,
              path,
              keepL: pumped ? deadL : Math.max(deadL, pool.volumeAtL(highestM(site, path))),
              on: pumped ? hanging.on(POWER) : NEVER_FAILS,
            }
          }),
        ),
    ),
  )
}

/** The supplies that lead into another pool, and bring something. */
export function transfersOf(
  site: Site,
  pools: Pool[],
  poolOf: ReadonlyMap<string, number>,
  supplies: DrawPath[],
  limits: Limits,
): Transfer[] {
  return supplies.flatMap(({ from, tankId, path, keepL, on }): Transfer[] => {
    const to = poolOf.get(path.end.id)
    if (to === undefined || to === from) return []
    const pumped = path.pumpLps !== undefined
    const held = limits.of(path, tankId, on)
    // A pump that cannot lift so high brings nothing at all; what cannot fall is kept by its heights.
    if (pumped && !brings(limits, held)) return []
    const stopL = fillsToL(site, path, pools[to]!, path.hasFloat || pumped)
    return [{ from, to, keepL, stopL, pumped, limits: held }]
  })
}

/** Litres at which a pool that a way fills is full: where its float shuts it, or its hole lies. */
export function fillsToL(site: Site, path: Path, { capL, volumeAtL }: Pool, stops: boolean): number {
  if (!stops) return Infinity
  // What comes in at the draw-off, by the line that feeds from it, stops once the tank is full.
  if (roleOf(site, path.at) === 'outlet') return capL
  return Math.min(capL, volumeAtL(floatShutsM(site, path.runs.at(-1)!) ?? portHeightM(site, path.at)))
}

/** What runs on through a pool within the day, from where, and by which ways. */
interface Behind {
  from: number
  keepL: number
  limits: number[]
}

/**
 * What stands behind a pool and runs on through it within the day, once the pool itself is drawn down to `keepL`: a
 * small tank behind a float valve gives what it holds and what its own filling line brings, along a chain of them too.
 */
export function behind(transfers: Transfer[], pool: number, keepL: number, seen: number[] = [pool]): Behind[] {
  return transfers
    .filter(line => line.to === pool && !seen.includes(line.from) && line.stopL > keepL + 1)
    .flatMap(line => {
      const further = behind(transfers, line.from, line.keepL, [...seen, line.from])
      return [line, ...further.map(each => ({ ...each, limits: [...line.limits, ...each.limits] }))]
    })
}

/** What runs on through a pool on its way to another, within the day. */
export const passingOf = (transfers: Transfer[]): Transfer[] =>
  transfers.flatMap(line =>
    behind(transfers, line.from, line.keepL, [line.from, line.to]).map(({ from, keepL, limits }): Transfer => ({
      from,
      to: line.to,
      keepL,
      stopL: line.stopL,
      pumped: line.pumped,
      limits: [...line.limits, ...limits],
    })),
  )

/** Pools that spill into each other in a ring, each ring once: full, its water has no way out. */
export function spillRings(spillTo: readonly number[]): number[][] {
  const rings: number[][] = []
  const seen = new Set<number>()
  for (let first = 0; first < spillTo.length; first++) {
    const chain: number[] = []
    let here = first
    while (here !== AWAY && !seen.has(here)) {
      seen.add(here)
      chain.push(here)
      here = spillTo[here]!
    }
    const at = chain.indexOf(here)
    if (at >= 0) rings.push(chain.slice(at))
  }
  return rings
}

/**
 * The order in which pools spill, upstream first. A ring of tanks spilling into each other has no first one:
 * the line that would close the ring is taken to run away, so that its water is counted as spilled.
 */
export function cutCycles(spillTo: number[]): number[] {
  const order: number[] = []
  const state = new Uint8Array(spillTo.length)
  const visit = (pool: number) => {
    state[pool] = 1
    const next = spillTo[pool]!
    if (next !== AWAY && state[next] === 1) spillTo[pool] = AWAY
    else if (next !== AWAY && state[next] === 0) visit(next)
    state[pool] = 2
    order.unshift(pool)
  }
  for (let pool = 0; pool < spillTo.length; pool++) if (state[pool] === 0) visit(pool)
  return order
}
