import { steady, type RunState, type Steady } from './steady/steady'
import type { MomentSetting } from './steady/moment'
import {
  graphOf,
  joinedTanks,
  onceLaid,
  portsByRole,
  remembered,
  rimM,
  spillM,
  tanksOf,
  type Run,
  type Site,
} from '../site'
import type { NodeOf, Tank } from '../kinds'
import { FIXTURES } from '../catalog'
import { pipeLengthM } from './loss'
import { FLOWS_OF } from './reads'
import { staticPressure, tankVolume } from '../sums'

/** How high the tanks stand: all full, or each nearly down to its lowest draw-off. */
export type Stand = 'full' | 'low'
/** Water left above the lowest draw-off of a tank that is nearly empty. */
const LEFT_M = 0.05

/** Metres of water above each tank's floor; tanks that are joined low down stand as high as the first of them spills. */
export const levelsAt = (site: Site, stand: Stand): Record<string, number> =>
  stand === 'full' ? levelsFull(site) : levelsLow(site)
const levelsBy = (levelM: (site: Site, tank: Tank) => number) =>
  onceLaid((site: Site) => Object.fromEntries(tanksOf(site).map(tank => [tank.id, levelM(site, tank)])))
const levelsFull = levelsBy((site, tank) => fullM(site, tank))
const levelsLow = levelsBy((site, tank) => lowM(site, tank))
const fullM = (site: Site, tank: Tank): number => {
  const spillsM = Math.min(...joinedTanks(site, tank).map(joined => spillM(site, joined)))
  return Math.max(0, Math.min(spillsM, rimM(tank)) - tank.baseM)
}
/** Tanks that are joined stand down to the lowest draw-off among them. */
function lowM(site: Site, tank: Tank): number {
  const draws = joinedTanks(site, tank).flatMap(joined =>
    portsByRole(joined, 'outlet')
      .filter(({ name }) => graphOf(site).outOf(joined.id, name).length || graphOf(site).into(joined.id, name).length)
      .map(({ heightM, intakeM }) => joined.baseM + Math.min(heightM, intakeM ?? Infinity)),
  )
  const lowestM = draws.length ? Math.min(...draws) - tank.baseM : 0
  return Math.max(0, Math.min(fullM(site, tank), lowestM + LEFT_M))
}

/** How tanks stand at a share of the way from nearly empty to full. */
export function levelsBetween(site: Site, share: number): Record<string, number> {
  const [full, low] = [levelsFull(site), levelsLow(site)]
  return Object.fromEntries(tanksOf(site).map(({ id }) => [id, low[id]! + share * (full[id]! - low[id]!)]))
}

export const tapsOf = (site: Site): NodeOf<'tap'>[] => site.nodes.filter(node => node.kind === 'tap')

/** A moment with some taps open and the tanks at a stand; of one document it is worked out once, whoever asks. */
export function momentWith(site: Site, taps: readonly string[], stand: Stand, asked?: MomentSetting): Steady {
  const solve = () =>
    steady(site, { levels: levelsAt(site, stand), open: Object.fromEntries(taps.map(id => [id, 1])), ...asked })
  if (asked) return solve()
  const known = moments(site)
  const key = `${stand} ${taps.join(' ')}`
  const moment = known.get(key) ?? solve()
  known.set(key, moment)
  return moment
}
const moments = remembered(FLOWS_OF, (_site: Site) => new Map<string, Steady>())

/** Load units of all taps of a site together. */
export const loadUnitsOf = (site: Site): number =>
  tapsOf(site).reduce((sum, tap) => sum + FIXTURES[tap.fixture].loadUnits, 0)

/** Below the air’s pressure by more than this, air comes out of the water or is drawn in. */
const SUCKS_KPA = 1

/** A place at which the pressure has fallen below the air’s: a joint, or a height along a run. */
export interface Air {
  id: string
  /** What it is called where it is no joint: the run it lies on, and its height. */
  on?: { run: Run; heightM: number }
  pressureKPa: number
}

/** Places at which the pressure has fallen below the air’s, while water stands or runs there. */
export function airAt(site: Site, { nodes, runs }: Steady): Air[] {
  const joints = site.nodes.flatMap(({ kind, id }): Air[] => {
    const pressureKPa = nodes[id]?.pressureKPa ?? 0
    return kind === 'joint' && pressureKPa < -SUCKS_KPA ? [{ id, pressureKPa }] : []
  })
  const places = site.runs.flatMap(run => {
    const state = runs[run.id]
    const lengthM = pipeLengthM(run)
    if (!run.profile || !state || !lengthM || run.parts.some(({ kind }) => kind === 'pump')) return []
    const [fromM, toM] = [nodes[run.from.node]!.headM, nodes[run.to.node]!.headM]
    return run.profile.flatMap(({ id, alongM, heightM }): Air[] => {
      const headM = fromM + (toM - fromM) * Math.min(1, alongM / lengthM)
      const pressureKPa = headM < heightM ? -staticPressure({ headM: heightM - headM }).pressureKPa : 0
      return pressureKPa < -SUCKS_KPA ? [{ id, on: { run, heightM }, pressureKPa }] : []
    })
  })
  return [...joints, ...places]
}

/** A stretch of the way that water comes to a tap: its run, how it stands there, and whether it is gone along forward. */
export interface WayStretch {
  run: Run
  state: RunState
  forward: boolean
}

/** The way most of a tap's water comes, from where it stands or enters, in the order in which it flows. */
export function wayOfWater(site: Site, { runs }: Steady, tapId: string): WayStretch[] {
  const graph = graphOf(site)
  const way: WayStretch[] = []
  for (let at = tapId, times = 0; times < site.runs.length; times++) {
    const coming = graph.at(at).flatMap((run): WayStretch[] => {
      const state = runs[run.id]
      if (!state || state.flowLps === 0) return []
      const forward = run.to.node === at
      return state.flowLps > 0 === forward ? [{ run, state, forward }] : []
    })
    const most = coming.sort((a, b) => Math.abs(b.state.flowLps) - Math.abs(a.state.flowLps))[0]
    if (!most) break
    way.unshift(most)
    at = most.forward ? most.run.from.node : most.run.to.node
    if (!['joint', 'tap'].includes(graph.node(at)!.kind)) break
  }
  return way
}

/** Litres a tank takes from nearly empty to full, for how long it takes to fill. */
export function fillL(site: Site, tankId: string): number {
  const tank = graphOf(site).node(tankId)
  if (tank?.kind !== 'tank') return 0
  const [full, low] = [levelsAt(site, 'full')[tankId]!, levelsAt(site, 'low')[tankId]!]
  const heldL = (levelM: number) => tankVolume({ ...tank.shape, levelM }).volumeL
  return heldL(full) - heldL(low)
}
