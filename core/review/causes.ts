import type { Finding } from './finding'
import { joinedTanks, reached, type Site } from '../site'

/** Why no water, or less, comes to a tank. */
export const NONE_COMES = [
  'roof-without-spout',
  'spout-without-share',
  'shares-off',
  'fed-from-below',
  'line-climbs',
  'bypass-in-filling',
  'feeder-too-low',
  'float-missing',
  'arrow-against-flow',
  'overflow-siphons',
  'inlet-siphons',
  'outlet-wasteful',
  'water-goes-wrong',
] as const

/** Why what a tank holds does not come to where it is wanted. */
export const NONE_IS_LIFTED = ['suction-too-high', 'pump-off-its-curve', 'air-in-line', 'panel-too-small'] as const

/** Why a use goes short: nothing comes, nothing is kept, or nothing is lifted. */
export const WHY_SHORT = [
  ...NONE_COMES,
  ...NONE_IS_LIFTED,
  'never-fills',
  'joins-nothing',
  'rims-differ',
  'dead-water',
] as const

type Subject = Finding['subject']

/** The nodes that a subject is about; a tank with those that stand at one level with it. */
function nodesOf(site: Site, { kind, id }: Subject): string[] {
  if (kind === 'node') {
    const node = site.nodes.find(each => each.id === id)
    return node?.kind === 'tank' ? joinedTanks(site, node).map(tank => tank.id) : [id]
  }
  if (kind === 'run') {
    const run = site.runs.find(each => each.id === id)
    return run ? [run.from.node, run.to.node] : []
  }
  if (kind === 'roof') return site.roofs.find(each => each.id === id)?.spouts.map(({ nodeId }) => nodeId) ?? []
  return kind === 'use' ? site.uses.filter(each => each.id === id).map(({ at }) => at) : []
}

/** Tells of two subjects whether water goes from one to the other; asked of each subject once. */
function onOneWater(site: Site): (one: Subject, other: Subject) => boolean {
  const below = new Map<string, { nodes: string[]; reached: Set<string> }>()
  const from = (subject: Subject) => {
    const key = `${subject.kind} ${subject.id}`
    let found = below.get(key)
    if (!found) {
      const nodes = nodesOf(site, subject)
      const ways = nodes.map(id => reached(site, id, { along: 'down', goesOn: () => true }))
      below.set(key, (found = { nodes, reached: new Set(ways.flatMap(way => [...way])) }))
    }
    return found
  }
  // What leads nowhere would have gone anywhere, and uses draw on the same water.
  const isEverywhere = (subject: Subject) =>
    subject.kind === 'site' || (subject.kind === 'roof' && from(subject).reached.size <= from(subject).nodes.length)
  return (one, other) =>
    isEverywhere(one) ||
    isEverywhere(other) ||
    (one.kind === 'use' && other.kind === 'use') ||
    from(other).nodes.some(id => from(one).reached.has(id)) ||
    from(one).nodes.some(id => from(other).reached.has(id))
}

/**
 * What each finding follows from: the findings of checks that bring its own about, on the same water.
 * @param causesOf the checks that bring about what a check finds; they form no ring
 * @returns by a finding's id the ids of those that it follows from; findings that follow from none are left out
 */
export function causesAmong(
  site: Site,
  findings: readonly Finding[],
  causesOf: (check: string) => readonly string[],
): Map<string, string[]> {
  const isOnOneWater = onOneWater(site)
  return new Map(
    findings.flatMap(finding => {
      const checks = causesOf(finding.check)
      const causes = checks.length
        ? findings.filter(each => checks.includes(each.check) && isOnOneWater(each.subject, finding.subject))
        : []
      return causes.length ? [[finding.id, causes.map(({ id }) => id)] as const] : []
    }),
  )
}
