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

/** Runs whose last joint cannot be made: both their ends are joined already by rigid lines, in the order of the plan. */
export function closedLoops(site: Site): Run[] {
  const root = new Map<string, string>()
  const find = (id: string): string => {
    const up = root.get(id)
    return up === undefined ? id : find(up)
  }
  return site.runs.filter(run => {
    if (!isRigid(site, run)) return false
    const [one, two] = [find(run.from.node), find(run.to.node)]
    if (one === two) return true
    root.set(one, two)
    return false
  })
}
