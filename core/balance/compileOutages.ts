import { NEVER_FAILS, type Outage } from './compiled'
import type { Site } from '../site'

export const POWER = 'power'

/** What can fail, and for what hangs on it its column among the sets of them. */
export interface Hanging {
  outages: Outage[]
  hangsOn: number[][]
  /** The column of what hangs on all of these, by their ids; those that never fail do not count. */
  on: (...ids: string[]) => number
  /** The column of what hangs on all that two columns hang on. */
  both: (one: number, other: number) => number
}

export function hangingOf(site: Pick<Site, 'nodes' | 'power'>): Hanging {
  const outages: Outage[] = site.nodes.flatMap(node =>
    (node.kind === 'well' || node.kind === 'main') && node.outage
      ? [{ id: node.id, kind: node.kind, name: node.name, rule: node.outage }]
      : [],
  )
  if (site.power?.outage) outages.push({ id: POWER, kind: POWER, name: 'The power', rule: site.power.outage })
  const hangsOn: number[][] = []
  function columnOf(needs: number[]): number {
    if (!needs.length) return NEVER_FAILS
    const known = hangsOn.findIndex(set => set.join() === needs.join())
    return known < 0 ? hangsOn.push(needs) - 1 : known
  }
  return {
    outages,
    hangsOn,
    on: (...ids) => columnOf(outages.flatMap(({ id }, index) => (ids.includes(id) ? [index] : []))),
    both: (one, other) =>
      columnOf(outages.flatMap((_, index) => ([one, other].some(on => hangsOn[on]?.includes(index)) ? [index] : []))),
  }
}
