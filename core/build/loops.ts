import { MATERIALS } from './materials'
import { mainPipe } from './takeoff/lines'
import type { Run, Site } from '../site'

/** What lets the last joint of a ring be made, or a line be taken out again. */
const LETS_GO = new Set(['union', 'flexible'])

/** True where a run is glued from end to end, with nothing in it that comes apart. */
function isRigid(site: Site, run: Run): boolean {
  const { joint } = MATERIALS[mainPipe(site, run).material]
  return (joint === 'cement' || joint === 'solder') && !run.parts.some(({ kind }) => LETS_GO.has(kind))
}

/** Joins nodes by lines, one after another; tells whether a line closed a ring. */
function rings(): (run: Run) => boolean {
  const root = new Map<string, string>()
  const find = (id: string): string => {
    const up = root.get(id)
    return up === undefined ? id : find(up)
  }
  return run => {
    const [one, two] = [find(run.from.node), find(run.to.node)]
    if (one === two) return true
    root.set(one, two)
    return false
  }
}

/** Runs whose last joint cannot be made: both their ends are joined already by rigid lines, in the order of the plan. */
export function closedLoops(site: Site): Run[] {
  const closes = rings()
  return site.runs.filter(run => isRigid(site, run) && closes(run))
}

/**
 * Runs that close a ring by what lets go, each with the rigid lines at its ends: those are glued before it, since its
 * union can still be drawn together once all else is fast.
 */
export function madeLast(site: Site): Map<string, string[]> {
  const closes = rings()
  const rigid = site.runs.filter(run => isRigid(site, run))
  for (const run of rigid) closes(run)
  const loose = site.runs.filter(run => !rigid.includes(run) && run.parts.some(({ kind }) => LETS_GO.has(kind)))
  const touches = (run: Run, id: string) => run.from.node === id || run.to.node === id
  return new Map(
    loose.filter(closes).map(run => {
      const beside = rigid.filter(other => touches(other, run.from.node) || touches(other, run.to.node))
      return [run.id, beside.map(({ id }) => id)]
    }),
  )
}
