import { group } from 'd3-array'
import type { Finding } from './finding'

/**
 * What is found, each root with all that follows from it, in the order of the worst of them; what follows from several
 * roots is told at the first.
 */
export function byRoot<Found extends Finding & { follows?: readonly string[] }>(
  findings: readonly Found[],
): { root: Found; followers: Found[] }[] {
  const known = new Map(findings.map(each => [each.id, each]))
  const rootOf = (finding: Found): Found => {
    const cause = finding.follows?.map(id => known.get(id)).find(each => each !== undefined)
    return cause ? rootOf(cause) : finding
  }
  return [...group(findings, rootOf)].map(([root, all]) => ({ root, followers: all.filter(each => each !== root) }))
}
