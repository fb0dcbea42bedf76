import { tankHeight } from '../sums'
import type { Port, Run, Site, SiteNode, Tank } from './schema'

export interface PortPlace { name: string, heightM: number, boreMm?: number }

/** Where lines can end at a node: each port's name and its height above the datum. */
export function portsOf(node: SiteNode): PortPlace[] {
  switch (node.kind) {
    case 'tank': return node.ports.map(port => ({ name: port.name, heightM: node.baseM + port.heightM, boreMm: port.boreMm }))
    case 'chamber': return [
      { name: 'in', heightM: node.baseM + node.heightM }, { name: 'out', heightM: node.baseM + node.heightM },
      { name: 'drain', heightM: node.baseM, boreMm: node.orificeMm ?? undefined },
    ]
    case 'spout': return [{ name: 'out', heightM: node.baseM, boreMm: node.boreMm }]
    case 'well': return [{ name: 'out', heightM: node.baseM + node.depthM }]
    case 'main': return [{ name: 'out', heightM: node.baseM }]
    case 'tap': case 'outfall': return [{ name: 'in', heightM: node.baseM }]
    case 'joint': case 'pressureTank': return [{ name: 'in', heightM: node.baseM }, { name: 'out', heightM: node.baseM }]
  }
}

/** Height of a run's end above the datum. */
export function portHeightM(site: Site, end: Run['from']): number {
  const node = nodeById(site, end.node)
  return portsOf(node).find(port => port.name === end.port)!.heightM
}

/** A node that the document is known to hold. */
export function nodeById(site: Site, id: string): SiteNode {
  const node = site.nodes.find(candidate => candidate.id === id)
  if (!node) throw new Error(`no node ${id}`)
  return node
}

export function tanksOf(site: Site): Tank[] {
  return site.nodes.filter(node => node.kind === 'tank')
}

export function portsByRole(tank: Tank, role: Port['role']): Port[] {
  return tank.ports.filter(port => port.role === role)
}

export function runsFrom(site: Site, node: string, port?: string): Run[] {
  return site.runs.filter(run => run.from.node === node && (!port || run.from.port === port))
}

export function runsTo(site: Site, node: string, port?: string): Run[] {
  return site.runs.filter(run => run.to.node === node && (!port || run.to.port === port))
}

/** Height of a tank's rim above the datum. */
export function rimM(tank: Tank): number {
  return tank.baseM + tankHeight(tank.shape)
}

/** Where a tank spills: its lowest overflow that leads somewhere, else its rim. Above the datum. */
export function spillM(site: Site, tank: Tank): number {
  const overflows = portsByRole(tank, 'overflow').filter(port => runsFrom(site, tank.id, port.name).length)
  return Math.min(rimM(tank), ...overflows.map(port => tank.baseM + port.heightM))
}
