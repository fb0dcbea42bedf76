import type { Run, Site } from './schema'
import { graphOf } from './graph'
import { usesAt } from './uses'
import { listed } from '../words'
import { does, kindName, portsOf, type PortRole, type SiteNode } from '../kinds'
import { FIXTURES, OUTFALLS } from '../catalog'

const capital = (words: string) => words.charAt(0).toUpperCase() + words.slice(1)

/** What a port of a node is for; undefined where the node has no such port. */
export function roleOf(site: Site, end: Run['from']): PortRole | undefined {
  const node = graphOf(site).node(end.node)
  return node && portsOf(node).find(port => port.name === end.port)?.role
}

/**
 * What a node is called: the name somebody typed, else what a tap serves or what an outfall takes. In general words
 * where there is no such node.
 */
export function nameOf(site: Site, id: string, otherwise = 'something'): string {
  const node = graphOf(site).node(id)
  if (!node) return otherwise
  return node.name || derivedName(site, node)
}

function derivedName(site: Site, node: SiteNode): string {
  if (node.kind === 'tap') {
    const served = usesAt(site, node.id).map(use => use.name)
    return served.length ? listed(served) : capital(FIXTURES[node.fixture].name)
  }
  if (node.kind === 'outfall') {
    const [feeder] = graphOf(site).into(node.id)
    const from = feeder && graphOf(site).node(feeder.from.node)
    // Outfalls that feed each other are refused; until they are, they are called by no other.
    return capital(OUTFALLS[node.to].name) + (from && from.kind !== 'outfall' ? ` of ${nameOf(site, from.id)}` : '')
  }
  return capital(kindName(node))
}

/** What a run is called: the name somebody typed, else what it joins. */
export function runName(site: Site, run: Run): string {
  if (run.name) return run.name
  const [a, b] = [nameOf(site, run.from.node), nameOf(site, run.to.node)]
  const [fromRole, toRole] = [roleOf(site, run.from), roleOf(site, run.to)]
  const to = graphOf(site).node(run.to.node)
  if (fromRole === 'link' && toRole === 'link') return `${a} to ${b}, at the bottom`
  if (fromRole === 'overflow') return to?.kind === 'tank' ? `${a} spills into ${b}` : `${a} overflow`
  if (to?.kind === 'tank' && run.parts.some(part => does(part, 'stops when full'))) return `${a} fills ${b}`
  if (to?.kind === 'chamber') return `${a} to its first flush`
  if (to?.kind === 'outfall') return `Drain of ${a}`
  return `${a} to ${b}`
}

/** What a roof, node, run or use is called, by its id. */
export function thingName(site: Site, id: string, otherwise = 'a part'): string {
  if (graphOf(site).node(id)) return nameOf(site, id)
  const run = graphOf(site).run(id)
  if (run) return runName(site, run)
  return [...site.roofs, ...site.uses, ...site.options, ...site.modes].find(each => each.id === id)?.name ?? otherwise
}
