import type { Run, Site } from './schema'
import { roleOf } from './names'
import { isPumped, isShut, nodeById, walk, type Hop } from './graph'
import { does, runsThrough, type SiteNode } from '../kinds'

/** Where a line leads, and what the water meets on the way. */
export interface Path {
  end: SiteNode
  /** The run's end there, with its port. */
  at: Run['to']
  /** The runs in order, and how each is gone along. */
  runs: Run[]
  steps: Hop[]
  pumpLps: number | undefined
  hasFloat: boolean
  /** The chambers that it comes past, in order. */
  chambers: string[]
}

const hasFloat = (run: Run) => run.parts.some(part => does(part, 'stops when full'))

/**
 * Follows every line from a node (or one of its ports) downstream, through joints, chambers and pressure tanks, to where
 * water stands or leaves. Shut valves end a line; a chamber's drain is no way on.
 */
export function pathsFrom(site: Site, nodeId: string, wanted: (port: string) => boolean = () => true): Path[] {
  const ways = walk(site, nodeId, {
    along: 'down',
    takes: ({ run, from }, before) =>
      !isShut(run) && (before.length ? roleOf(site, from) !== 'drain' : wanted(from.port)),
    // Of two ways to one place, one by a pump and one by a fall are told apart, and so are those with a float.
    apart: steps => `${steps.some(({ run }) => isPumped(run))} ${steps.some(({ run }) => hasFloat(run))}`,
  })
  const found: Path[] = []
  for (const { node, steps } of ways) {
    if (runsThrough(node)) continue
    const runs = steps.map(step => step.run)
    const pumps = runs.flatMap(run => run.parts.flatMap(part => (part.kind === 'pump' ? [part.flowLps] : [])))
    found.push({
      end: node,
      at: steps.at(-1)!.to,
      runs,
      steps,
      pumpLps: pumps.length ? Math.min(...pumps) : undefined,
      hasFloat: runs.some(hasFloat),
      chambers: steps.map(step => step.to.node).filter(id => isChamber(site, id)),
    })
  }
  return found
}

const isChamber = (site: Site, id: string) => nodeById(site, id).kind === 'chamber'
