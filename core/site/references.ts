import type { Problem } from '../sums'
import { portsOf } from './ports'
import type { Site } from './schema'

/** References that lead nowhere, ids used twice, ports that a node does not have: each as a problem with its remedy. */
export function strayReferences(site: Site): Problem[] {
  const problems: Problem[] = []
  const say = (path: string, sentence: string) => problems.push({ path, sentence })
  const nodes = new Map(site.nodes.map(node => [node.id, node]))

  const seen = new Map<string, string>()
  for (const list of ['nodes', 'roofs', 'runs', 'uses'] as const) {
    site[list].forEach((item, index) => {
      const earlier = seen.get(item.id)
      if (earlier) say(`${list}[${index}].id`, `“${item.name}” has the id “${item.id}”, which ${earlier} has too. Give it one of its own.`)
      seen.set(item.id, `“${item.name}”`)
    })
  }
  site.runs.forEach((run, index) => {
    for (const end of ['from', 'to'] as const) {
      const node = nodes.get(run[end].node)
      if (!node) say(`runs[${index}].${end}`, `The run “${run.name}” goes ${end} “${run[end].node}”, which is not in this site.`)
      else if (!portsOf(node).some(port => port.name === run[end].port)) say(`runs[${index}].${end}.port`, `The run “${run.name}” ends at “${run[end].port}” of “${node.name}”, which has no such port.`)
    }
  })
  site.roofs.forEach((roof, index) => roof.spouts.forEach((spout, at) => {
    if (nodes.get(spout.nodeId)?.kind !== 'spout') say(`roofs[${index}].spouts[${at}].nodeId`, `“${roof.name}” drains to “${spout.nodeId}”, which is not a spout of this site.`)
  }))
  site.uses.forEach((use, index) => {
    if (nodes.get(use.at)?.kind !== 'tap') say(`uses[${index}].at`, `“${use.name}” is used at “${use.at}”, which is not a tap of this site.`)
  })
  return problems
}
