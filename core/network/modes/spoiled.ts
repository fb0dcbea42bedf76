import { FLOWS_LPS, handValves, servedInMode } from './served'
import { steady } from '../steady/steady'
import { levelsAt } from '../taps'
import { fillingsOf, graphOf, inMode, walk, type Mode, type Run, type Site } from '../../site'
import { runsThrough, type PartOf } from '../../kinds'
import { usualSwitch } from '../../catalog'

/** Two ways of running it of which one does not say how a valve stands that the other turns, and fails after it. */
export interface Leaning {
  /** The one that fails, and the one after which it does. */
  mode: Mode
  after: Mode
  valve: string
  /** As the first needs it. */
  open: boolean
  /** Taps and tanks that it no longer serves. */
  lost: string[]
}

export function leaningModes(site: Site): Leaning[] {
  const standing = new Map(handValves(site).map(({ valve: { id, open } }) => [id, open]))
  const serves = (mode: Mode): string[] => {
    const { taps, tanks } = servedInMode(site, mode)
    return [...taps, ...tanks.map(({ id }) => id)]
  }
  return site.modes.flatMap(mode => {
    const asMeant = serves(mode)
    return site.modes.flatMap(after =>
      after.positions.flatMap(({ part, open }): Leaning[] => {
        const stands = standing.get(part)
        if (stands === undefined || stands === open || mode.positions.some(each => each.part === part)) return []
        const left = serves({ ...mode, positions: [...mode.positions, { part, open }] })
        const lost = asMeant.filter(id => !left.includes(id))
        return lost.length ? [{ mode, after, valve: part, open: stands, lost }] : []
      }),
    )
  })
}

/** A valve that, forgotten as it was before a mode, lets a tank run out or leaves a pump against a wall. */
export interface Forgotten {
  mode: Mode
  valve: string
  /** As it would be found. */
  open: boolean
  what: 'empties' | 'stalls'
  id: string
  flowLps: number
}

/** Valves of which one, left the other way, spoils a mode: each by itself. */
export function forgottenValves(site: Site): Forgotten[] {
  const graph = graphOf(site)
  const turned = turnedBetween(site)
  return site.modes.flatMap(mode => {
    const right = inMode(site, mode)
    const asMeant = still(right)
    return mode.positions.flatMap(({ part, open }): Forgotten[] => {
      const positions = mode.positions.map(each => (each.part === part ? { part, open: !open } : each))
      const wrong = still(inMode(site, { ...mode, positions }))
      const found = site.runs.flatMap((run): Forgotten[] => {
        const [now, meant] = [wrong.runs[run.id], asMeant.runs[run.id]]
        const flowLps = now?.flowLps ?? 0
        const common = { mode, valve: part, open: !open }
        const [from, to] = [graph.node(run.from.node), graph.node(run.to.node)]
        if (
          from?.kind === 'tank' &&
          to?.kind === 'outfall' &&
          flowLps > FLOWS_LPS &&
          !(meant && meant.flowLps > FLOWS_LPS)
        )
          return [{ ...common, what: 'empties', id: from.id, flowLps }]
        const pumps = run.parts.some(({ kind }) => kind === 'pump')
        const stopsByItself = run.parts.some(each => each.kind === 'pump' && feelsIt(each))
        if (
          pumps &&
          !stopsByItself &&
          turned.has(part) &&
          meant &&
          meant.flowLps > FLOWS_LPS &&
          Math.abs(flowLps) < FLOWS_LPS
        )
          return [{ ...common, what: 'stalls', id: run.id, flowLps: meant.flowLps }]
        return []
      })
      return found.slice(0, 1)
    })
  })
}
/** A pump that starts by a level and finds every way out shut, as a mode names the valves. */
export interface Stalled {
  mode: Mode
  run: Run
  pump: PartOf<'pump'>
}

/** Pumps that a mode leaves against a wall: they fill a tank by a level switch, and feel no pressure. */
export function stalledPumps(site: Site): Stalled[] {
  return site.modes.flatMap(mode =>
    fillingsOf(site).flatMap(({ runs, pump }): Stalled[] => {
      const run = runs.find(({ parts }) => parts.includes(pump))
      // An on-demand pump feels the flow unless another switch was told; any other that fills a tank goes by its level.
      const by = pump.switchedBy ?? (pump.pump === 'on-demand' ? 'flow-switch' : 'level-switch')
      if (!run || by !== 'level-switch') return []
      const shuts = (each: Run) => each.parts.some(part => part.kind === 'valve' && !part.open)
      return waysOutShut(inMode(site, mode), run, shuts) ? [{ mode, run, pump }] : []
    }),
  )
}

/** True where nothing that is pumped into a run can leave it by any line that stands open. */
function waysOutShut(site: Site, run: Run, shuts: (run: Run) => boolean): boolean {
  const here = graphOf(site).run(run.id)!
  if (shuts(here)) return true
  if (!runsThrough(graphOf(site).node(here.to.node)!)) return false
  const ways = [...walk(site, here.to.node, { along: 'down', takes: step => !shuts(step.run) })]
  return ways.every(({ node }) => runsThrough(node))
}

/** Valves that some mode turns: they do not stand alike in all of them and in the plan. */
function turnedBetween(site: Site): Set<string> {
  const now = new Map(handValves(site).map(({ valve: { id, open } }) => [id, open]))
  const named = site.modes.flatMap(({ positions }) => positions)
  const other = (part: string, open: boolean) =>
    now.get(part) !== open || named.some(each => each.part === part && each.open !== open)
  return new Set(named.filter(({ part, open }) => other(part, open)).map(({ part }) => part))
}

/** True where a pump's switch feels that nothing flows, and stops it. */
const feelsIt = ({ pump, switchedBy }: PartOf<'pump'>): boolean => {
  const by = switchedBy ?? usualSwitch(pump, false)
  return by === 'flow-switch' || by === 'pressure-switch'
}

/** With pumps running, tanks low and all taps shut: what then flows fills something, or is lost. */
const still = (site: Site) => steady(site, { levels: levelsAt(site, 'low') })
