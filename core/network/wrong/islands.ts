import { onceLaid, roleOf, walk, type Site } from '../../site'
import { isUnderPressure } from '../steady/lines'

/** Lines under pressure that hang together, whatever stands shut in them. */
export interface Island {
  tanks: string[]
  wells: string[]
  mains: string[]
  taps: string[]
  /** Runs with a pump, and runs that end in a float valve. */
  pumps: string[]
  floats: string[]
  runs: string[]
  /** How many things there are that water can come from. */
  sources: number
}

/**
 * Where water could go a wrong way at all: lines that hang together with more than one source, or a pump. Tanks part
 * them no more than joints do; overflows and what belongs to the storm are left out.
 */
export const islandsOf = onceLaid((site: Site): Island[] => {
  const seen = new Set<string>()
  const islands: Island[] = []
  for (const node of site.nodes) {
    if (seen.has(node.id) || !isUnderPressure(site, node.id)) continue
    const island: Island = { tanks: [], wells: [], mains: [], taps: [], pumps: [], floats: [], runs: [], sources: 0 }
    const members = new Set([node.id])
    const ways = walk(site, node.id, {
      along: 'both',
      goesOn: () => true,
      takes: ({ run, from, to }) =>
        isUnderPressure(site, from.node) && isUnderPressure(site, to.node) && roleOf(site, run.from) !== 'overflow',
    })
    for (const { node: met, steps } of ways) {
      members.add(met.id)
      const { run } = steps.at(-1)!
      if (island.runs.includes(run.id)) continue
      island.runs.push(run.id)
      if (run.parts.some(({ kind }) => kind === 'pump')) island.pumps.push(run.id)
      if (run.parts.some(({ kind }) => kind === 'float')) island.floats.push(run.id)
    }
    for (const each of site.nodes) {
      if (!members.has(each.id)) continue
      seen.add(each.id)
      if (each.kind === 'tank') island.tanks.push(each.id)
      if (each.kind === 'well') island.wells.push(each.id)
      if (each.kind === 'main') island.mains.push(each.id)
      if (each.kind === 'tap') island.taps.push(each.id)
    }
    island.sources = island.tanks.length + island.wells.length + island.mains.length
    if (island.runs.length && (island.sources > 1 || island.pumps.length)) islands.push(island)
  }
  return islands
})
