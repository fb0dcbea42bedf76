import { tankHeight, tankVolume } from '../sums'
import {
  onceLaid,
  rimM,
  overflowsOf,
  type Path,
  tankNominalL,
  tanksOf,
  type Site,
  levelLinks,
  type LevelLink,
} from '../site'
import type { Tank } from '../kinds'

/** Tanks that share one level, with what they hold together at any height. */
export interface Pool {
  /** The id of its first tank: as long as that stands, the pool is the same one. */
  id: string
  name: string
  tanks: Tank[]
  /** Height above the datum at which the pool spills: the lowest spill point among its tanks. */
  capM: number
  /** Litres at that height. */
  capL: number
  nominalL: number
  /** The tank whose spill point is lowest, and the port and line by which it spills; none where it runs over the rim. */
  spillsAt: { tank: Tank; port?: string; path?: Path }
  volumeAtL: (heightM: number) => number
  levelAtM: (volumeL: number) => number
  /** Litres that an outlet of a tank cannot reach: below it, or behind a higher link. */
  deadBelowL: (tankId: string, heightM: number) => number
}

const STAGES = 96
/**
 * Tanks whose bottoms are joined by open runs make one pool with one level, capped by the lowest rim or overflow
 * among them.
 */
export const poolsOf = onceLaid((site: Site): Pool[] => {
  const links = levelLinks(site)
  const neighbours = new Map<string, LevelLink[]>()
  for (const link of links) for (const id of [link.a, link.b]) neighbours.set(id, [...(neighbours.get(id) ?? []), link])

  const pools: Pool[] = []
  const placed = new Set<string>()
  for (const first of tanksOf(site)) {
    if (placed.has(first.id)) continue
    const reached = lowestPaths(first.id, neighbours)
    const tanks = tanksOf(site).filter(tank => reached.has(tank.id))
    for (const tank of tanks) placed.add(tank.id)
    pools.push(makePool(site, tanks, neighbours))
  }
  return pools
})

/** From one tank, the height of the highest sill on the lowest way to each tank and joint (minimax paths). */
function lowestPaths(from: string, neighbours: Map<string, LevelLink[]>): Map<string, number> {
  const sillM = new Map([[from, -Infinity]])
  const queue = [from]
  while (queue.length) {
    const here = queue.shift()!
    for (const link of neighbours.get(here) ?? []) {
      const next = link.a === here ? link.b : link.a
      const height = Math.max(sillM.get(here)!, link.invertM)
      if (height >= (sillM.get(next) ?? Infinity)) continue
      sillM.set(next, height)
      queue.push(next)
    }
  }
  return sillM
}

function makePool(site: Site, tanks: Tank[], neighbours: Map<string, LevelLink[]>): Pool {
  const spills = tanks
    .map(tank => {
      const [overflow] = overflowsOf(site, tank)
      return { tank, overflow, heightM: overflow?.runsAtM ?? rimM(tank) }
    })
    .sort((x, y) => x.heightM - y.heightM)
  const lowest = spills.filter(spill => spill.heightM < spills[0]!.heightM + 0.001)
  const at = lowest.find(spill => spill.overflow) ?? lowest[0]!
  const capM = spills[0]!.heightM
  const volumeIn = (tank: Tank, heightM: number) =>
    tankVolume({ ...tank.shape, levelM: Math.max(0, Math.min(heightM - tank.baseM, tankHeight(tank.shape))) }).volumeL
  const volumeAtL = (heightM: number) => tanks.reduce((sum, tank) => sum + volumeIn(tank, Math.min(heightM, capM)), 0)

  // Many readers of a pool never ask for a level, so its curve is worked out when one first does.
  let known: { heights: number[]; volumes: number[] } | undefined
  function curve(): { heights: number[]; volumes: number[] } {
    const floorM = Math.min(...tanks.map(tank => tank.baseM))
    // A level is wanted only where the pool can stand at it, so a pool capped below its floor has one stage. Floors
    // and rims are stages of their own: there the curve bends.
    const deepM = Math.max(0, capM - floorM)
    const even = Array.from({ length: STAGES + 1 }, (_, stage) => floorM + (deepM * stage) / STAGES)
    const bends = tanks.flatMap(tank => [tank.baseM, rimM(tank)]).filter(heightM => heightM > floorM && heightM < capM)
    const heights = [...even, ...bends].sort((a, b) => a - b)
    return { heights, volumes: heights.map(volumeAtL) }
  }
  const levelAtM = (volumeL: number) => {
    const { heights, volumes } = (known ??= curve())
    const above = volumes.findIndex(volume => volume >= volumeL - 1e-9)
    if (above <= 0) return above === 0 ? heights[0]! : heights.at(-1)!
    const [low, high] = [volumes[above - 1]!, volumes[above]!]
    return (
      heights[above - 1]! + (heights[above]! - heights[above - 1]!) * (high > low ? (volumeL - low) / (high - low) : 1)
    )
  }
  return {
    id: tanks[0]!.id,
    name: tanks.length > 1 ? tanks.map(tank => tank.name).join(' + ') : tanks[0]!.name,
    tanks,
    capM,
    capL: volumeAtL(capM),
    nominalL: tanks.reduce((sum, tank) => sum + tankNominalL(tank), 0),
    spillsAt: { tank: at.tank, port: at.overflow?.port.name, path: at.overflow?.path },
    volumeAtL,
    levelAtM,
    deadBelowL(tankId, heightM) {
      const sillM = lowestPaths(tankId, neighbours)
      return tanks.reduce(
        (sum, tank) => sum + volumeIn(tank, Math.min(capM, Math.max(heightM, sillM.get(tank.id) ?? capM))),
        0,
      )
    },
  }
}
