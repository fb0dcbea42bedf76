import { spillM } from './spills'
import { tanksOf } from './tanks'
import type { Run, Site } from './schema'
import { roleOf } from './names'
import { onceEach, onceLaid } from './remembered'
import { graphOf, isPumped, nodeById, portHeightM, reached } from './graph'
import { tankHeight, tankVolume } from '../sums'
import { levelsOut, PORT_ROLES, type Tank } from '../kinds'

/** True where a run lets water stand equally high at both its ends: no pump, no check, no float, every valve open. */
export const isOpenBothWays = (run: Run): boolean => run.parts.every(levelsOut)

/** A fitting low in a tank, where its level is felt; inlets and overflows are above the water. */
function feelsLevel(site: Site, end: Run['from']): boolean {
  const { kind } = nodeById(site, end.node)
  if (kind === 'joint') return true
  const role = kind === 'tank' ? roleOf(site, end) : undefined
  return role !== undefined && PORT_ROLES[role].feelsLevel
}

/** An open connection between tanks (and the joints between them), with the height of its higher end. */
export interface LevelLink {
  run: Run
  a: string
  b: string
  invertM: number
}

/** The connections through which tanks come to stand at one level, as the valves stand. */
export const levelLinks = onceLaid((site: Site): LevelLink[] =>
  site.runs
    .filter(run => isOpenBothWays(run) && feelsLevel(site, run.from) && feelsLevel(site, run.to))
    .map(run => {
      const heights = [run.from, run.to]
        .filter(end => nodeById(site, end.node).kind === 'tank')
        .map(end => portHeightM(site, end))
      const invertM = heights.length ? Math.max(...heights) : -Infinity
      return { run, a: run.from.node, b: run.to.node, invertM }
    })
    .filter(({ a, b, invertM }) =>
      [a, b].every(id => {
        const node = nodeById(site, id)
        return node.kind !== 'tank' || spillM(site, node) > invertM
      }),
    ),
)
const levelRuns = onceLaid((site: Site) => new Set(levelLinks(site).map(link => link.run)))

/** The nodes between which water stands at one level with a tank, itself first; a run may be left out, as if shut. */
export function atOneLevel(site: Site, tankId: string, without?: Run): Set<string> {
  const links = levelRuns(site)
  return reached(site, tankId, {
    along: 'both',
    takes: ({ run }) => run !== without && links.has(run),
    goesOn: ({ kind }) => kind === 'tank' || kind === 'joint',
  })
}

/** Tanks that stand at one level with one, itself first: joined low down, with every valve between them open. */
export const joinedTanks = onceEach((site: Site, tank: Tank): readonly Tank[] =>
  [...atOneLevel(site, tank.id)].map(id => nodeById(site, id)).filter(node => node.kind === 'tank'),
)

/** Where tanks that stand at one level with one spill, above the datum. */
export const groupSpillM = (site: Site, tank: Tank): number =>
  Math.min(...joinedTanks(site, tank).map(each => spillM(site, each)))

/** Tanks that water runs between without a pump: joined at the bottom, by the spill or through a float; itself first. */
export function fedTogether(site: Site, tank: Tank): Tank[] {
  const found = reached(site, tank.id, {
    along: 'both',
    takes: ({ run, to }) => !isPumped(run) && graphOf(site).node(to.node)?.kind === 'tank',
    goesOn: ({ kind }) => kind === 'tank',
  })
  return [...found].map(id => nodeById(site, id)).filter(node => node.kind === 'tank')
}

/** Height above the datum at which tanks that stand at one level together hold so many litres. */
export function heightHoldingM(tanks: readonly Tank[], litres: number): number {
  const heldIn = (tank: Tank, heightM: number) =>
    tankVolume({ ...tank.shape, levelM: Math.max(0, Math.min(heightM - tank.baseM, tankHeight(tank.shape))) }).volumeL
  let low = Math.min(...tanks.map(tank => tank.baseM))
  let high = Math.max(...tanks.map(tank => tank.baseM + tankHeight(tank.shape)))
  for (let step = 0; step < 60; step++) {
    const middle = (low + high) / 2
    if (tanks.reduce((sum, tank) => sum + heldIn(tank, middle), 0) < litres) low = middle
    else high = middle
  }
  return high
}

/** Tanks in the order in which water comes to them: those that roofs, wells and mains feed first, longest way last. */
export function tanksInOrder(site: Site): Tank[] {
  const graph = graphOf(site)
  const state = new Map<string, 'open' | 'done'>()
  const order: string[] = []
  // Where lines make a ring, the one that closes it is left out.
  const closing = new Set<Run>()
  const visit = (id: string) => {
    state.set(id, 'open')
    for (const run of graph.outOf(id)) {
      const next = state.get(run.to.node)
      if (next === 'open') closing.add(run)
      else if (!next && graph.node(run.to.node)) visit(run.to.node)
    }
    state.set(id, 'done')
    order.unshift(id)
  }
  const starts = site.nodes.filter(node => ['spout', 'well', 'main'].includes(node.kind))
  for (const { id } of starts) if (!state.has(id)) visit(id)
  const depth = new Map<string, number>(starts.map(({ id }) => [id, 0]))
  for (const id of order) {
    const here = (depth.get(id) ?? 0) + (graph.node(id)?.kind === 'tank' ? 1 : 0)
    for (const run of graph.outOf(id))
      if (!closing.has(run)) depth.set(run.to.node, Math.max(depth.get(run.to.node) ?? 0, here))
  }
  return tanksOf(site)
    .map((tank, index) => ({ tank, index, depth: depth.get(tank.id) ?? Infinity }))
    .sort((a, b) => (a.depth === b.depth ? a.index - b.index : a.depth - b.depth))
    .map(({ tank }) => tank)
}
