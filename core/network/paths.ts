import { nodeById, portHeightM, runsFrom, type Run, type Site, type SiteNode } from '../site'

/** Where a line leads, and what the water meets on the way. */
export interface Path {
  end: SiteNode
  /** The run's end there, with its port. */
  at: Run['to']
  runs: Run[]
  pumpLps: number | undefined
  hasFloat: boolean
  chamber: string | undefined
}

/** Follows every line from a node (or one of its ports) downstream, through joints and chambers, to where water stands or leaves. Shut valves end a line. */
export function pathsFrom(site: Site, nodeId: string, wanted: (run: Run) => boolean = () => true): Path[] {
  const found: Path[] = []
  const walk = (from: string, runs: Run[], visited: Set<string>, chamber: string | undefined, next: (run: Run) => boolean) => {
    for (const run of runsFrom(site, from).filter(next)) {
      if (visited.has(run.id) || run.parts.some(part => part.kind === 'valve' && !part.open)) continue
      const node = nodeById(site, run.to.node)
      const along = [...runs, run]
      const seen = new Set(visited).add(run.id)
      if (node.kind === 'joint' || node.kind === 'pressureTank') walk(node.id, along, seen, chamber, () => true)
      else if (node.kind === 'chamber') walk(node.id, along, seen, chamber ?? node.id, onward => onward.from.port === 'out')
      else {
        const parts = along.flatMap(each => each.parts)
        const pumps = parts.filter(part => part.kind === 'pump').map(part => part.flowLps)
        found.push({ end: node, at: run.to, runs: along, pumpLps: pumps.length ? Math.min(...pumps) : undefined, hasFloat: parts.some(part => part.kind === 'float'), chamber })
      }
    }
  }
  walk(nodeId, [], new Set(), undefined, wanted)
  return found
}

/** Height at which a path ends. */
export function endHeightM(site: Site, path: Path): number {
  return portHeightM(site, path.at)
}
