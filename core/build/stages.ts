import { sum } from 'd3-array'
import { takeOff } from './takeoff/takeoff'
import type { Item } from './takeoff/items'
import { nameOf, tankNominalL, tanksOf, type Site, type Stage } from '../site'

/** The stages of a plan in order; without any, all of it is one. */
export function stagesOf(site: Site): Stage[] {
  const said = site.build?.stages ?? []
  return said.length ? said : [{ id: 'all', name: 'All of it', holds: [] }]
}

/** The stage in which a thing comes: the one that holds it, else the first. */
function stageAt(site: Site): (id: string) => number {
  const by = new Map(stagesOf(site).flatMap(({ holds }, at) => holds.map(id => [id, at] as const)))
  return id => by.get(id) ?? 0
}

/**
 * A plan as it stands once its first stages are built: things of later ones are not there, nor lines to them, nor what
 * is used there.
 */
export function siteAt(site: Site, upTo: number): Site {
  const at = stageAt(site)
  const nodes = site.nodes.filter(({ id }) => at(id) <= upTo)
  const there = new Set(nodes.map(({ id }) => id))
  const runs = site.runs.filter(({ id, from, to }) => at(id) <= upTo && there.has(from.node) && there.has(to.node))
  const parts = new Set(runs.flatMap(run => run.parts.map(({ id }) => id)))
  return {
    ...site,
    nodes,
    runs,
    roofs: site.roofs
      .map(roof => ({ ...roof, spouts: roof.spouts.filter(({ nodeId }) => there.has(nodeId)) }))
      .filter(({ id }) => at(id) <= upTo),
    uses: site.uses.filter(use => at(use.id) <= upTo && there.has(use.at)),
    modes: site.modes.map(mode => ({ ...mode, positions: mode.positions.filter(({ part }) => parts.has(part)) })),
    options: [],
  }
}

/** What is bought for a stage: what stands after it, less what stood before. */
export function partsOfStage(site: Site, at: number): Item[] {
  const before = new Map(at ? takeOff(siteAt(site, at - 1)).map(item => [item.id, item.count]) : [])
  return takeOff(siteAt(site, at)).flatMap(item => {
    const count = Math.round((item.count - (before.get(item.id) ?? 0)) * 10) / 10
    return count > 0 ? [{ ...item, count }] : []
  })
}

/** Something of a later stage that wants a fitting in this one, or what stands must be emptied for it. */
export interface FitNow {
  /** The node of this stage, and its port; the later run, and its stage. */
  nodeId: string
  port: string
  runId: string
  stage: number
  words: string
  /** True where what stands in this stage lets it come without emptying: a shut valve or a cap at its port. */
  ready: boolean
}

/** What the next stages will join on to, and whether that stays shut until then. */
export function fitNow(site: Site, at: number): FitNow[] {
  const stage = stageAt(site)
  const now = siteAt(site, at)
  const there = new Set(now.runs.map(({ id }) => id))
  return site.runs.flatMap(run => {
    if (there.has(run.id)) return []
    return [run.from, run.to].flatMap((end): FitNow[] => {
      const node = now.nodes.find(({ id }) => id === end.node)
      if (!node) return []
      const later = Math.max(stage(run.id), stage(run.from.node), stage(run.to.node))
      const other = run.from === end ? run.to.node : run.from.node
      const words = `${nameOf(site, node.id)}, for ${nameOf(site, other)}`
      // A tee is capped until then, a ditch waits; what stands full is what matters.
      if (node.kind === 'joint')
        return [{ nodeId: node.id, port: end.port, runId: run.id, stage: later, words, ready: true }]
      if (node.kind !== 'tank') return []
      const port = node.ports.find(({ name }) => name === end.port)
      const valve = (run.from === end ? run.parts : run.parts.toReversed()).find(({ kind }) => kind !== 'union')
      const ready =
        port?.spare !== undefined || port?.role === 'inlet' || port?.role === 'overflow' || valve?.kind === 'valve'
      return [{ nodeId: node.id, port: end.port, runId: run.id, stage: later, words, ready }]
    })
  })
}

/** What a stage comes to: what is bought for it and what that costs, what the tanks hold after it, what is fitted now. */
export interface StageTold {
  things: number
  cost: number
  holdsL: number
  fits: FitNow[]
}
export const tellStages = (site: Site): StageTold[] =>
  stagesOf(site).map((_, at, all) => {
    const items = partsOfStage(site, at)
    return {
      things: items.length,
      cost: sum(items, ({ count, price = 0 }) => count * price),
      holdsL: sum(tanksOf(siteAt(site, at)), tankNominalL),
      fits: at < all.length - 1 ? fitNow(site, at) : [],
    }
  })
