import { graphOf, portHeightM, type Run, type Site } from '../site'
import { circleArea } from '../sums'
import type { Part, SiteNode } from '../kinds'

/** A hole in a run, halfway along it: what it loses is as a tap of that hole. */
export function holed(site: Site, runId: string, holeMm: number): Site {
  const run = graphOf(site).run(runId)
  if (!run) return site
  const [fromM, toM] = [portHeightM(site, run.from), portHeightM(site, run.to)]
  const wellEnd = graphOf(site).node(run.from.node)?.kind === 'well'
  const heightM = wellEnd ? toM : Math.min(fromM, toM)
  const [joint, mouth] = [holeJointId(runId), holeId(runId)]
  const pipeAt = run.parts.findLastIndex(part => part.kind === 'pipe')
  // A line without a pipe leaks behind its pump.
  const cut = pipeAt < 0 ? run.parts.findLastIndex(part => part.kind === 'pump') + 1 : pipeAt
  const half = (part: Part): Part => (part.kind === 'pipe' ? { ...part, lengthM: part.lengthM / 2 } : part)
  const before = pipeAt < 0 ? run.parts.slice(0, cut) : [...run.parts.slice(0, cut), half(run.parts[cut]!)]
  const after =
    pipeAt < 0
      ? run.parts.slice(cut)
      : [{ ...half(run.parts[cut]!), id: `${run.parts[cut]!.id}-behind` }, ...run.parts.slice(cut + 1)]
  const at = { baseM: heightM, groundM: heightM }
  const nodes: SiteNode[] = [
    ...site.nodes,
    { ...at, id: joint, kind: 'joint', name: 'a hole' },
    { ...at, id: mouth, kind: 'tap', fixture: 'tap', ...leaks(holeMm) },
  ]
  const runs = site.runs.flatMap((each): Run[] =>
    each.id === runId
      ? [
          { ...each, to: { node: joint, port: 'in' }, parts: before, profile: undefined },
          { ...each, id: behindId(runId), from: { node: joint, port: 'out' }, parts: after, profile: undefined },
          { id: `${runId}-out`, from: { node: joint, port: 'out' }, to: { node: mouth, port: 'in' }, parts: [] },
        ]
      : [each],
  )
  return { ...site, nodes, runs }
}
/** What is left of a run behind a hole in it, and the run that such a rest is of. */
const behindId = (runId: string): string => `${runId}-behind`
export const wholeRunId = (id: string): string => id.replace(/-behind$/, '')
/** The joint of a hole. */
export const holeJointId = (runId: string): string => `hole-${runId}`
/** The tap that stands for a hole in a run or a tank. */
export const holeId = (of: string): string => `hole-of-${of}`
export const isHole = (id: string): boolean => id.startsWith('hole-of-')

const RATED_KPA = 100
const HOLE_CD = 0.62
/** A hole as what a tap of its size passes at 100 kPa: an orifice. */
const leaks = (holeMm: number) => ({
  ratedLps: HOLE_CD * circleArea(holeMm / 1000) * Math.sqrt((2 * RATED_KPA * 1000) / 1000) * 1000,
  ratedKPa: RATED_KPA,
})

/** A hole in a tank's wall, low down. */
export function holedTank(site: Site, id: string, holeMm: number): Site {
  const tank = graphOf(site).node(id)
  if (tank?.kind !== 'tank') return site
  const [port, mouth] = [`hole-${id}`, holeId(id)]
  const heightM = 0.05
  const out: SiteNode = {
    id: mouth,
    kind: 'tap',
    fixture: 'tap',
    baseM: tank.baseM + heightM,
    groundM: tank.groundM,
    ...leaks(holeMm),
  }
  const holed = { ...tank, ports: [...tank.ports, { name: port, role: 'drain' as const, heightM, boreMm: holeMm }] }
  const run: Run = {
    id: `${mouth}-run`,
    from: { node: id, port },
    to: { node: mouth, port: 'in' },
    parts: [],
  }
  return {
    ...site,
    nodes: [...site.nodes.map(node => (node.id === id ? holed : node)), out],
    runs: [...site.runs, run],
  }
}
