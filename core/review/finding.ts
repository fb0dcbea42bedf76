import { compile, pathsFrom, poolsOf, type Compiled, type Path, type Pool } from '../balance'
import type { Move, NodeOf, Site, Tank } from '../site'
import type { Phrase } from './phrase'

export interface Finding {
  /** Stable while the fault stands: the check and what it is about. */
  id: string
  check: string
  severity: 'wrong' | 'look'
  subject: { kind: 'node' | 'roof' | 'run' | 'use', id: string, name: string }
  /** What follows from it, in one sentence. */
  sentence: Phrase
  why: Phrase
  numbers: Record<string, number>
  /** The worked sum behind the figure, where there is one. */
  sum?: { name: string, input: Record<string, unknown> }
  mend?: { label: string, move: Move }
}

/** One thing to look for. `sound` is what can be said when nothing is found. */
export interface Check { id: string, sound: string, find: (yard: Yard) => Finding[] }

/** What the checks look at: the document, and what is derived from it once for all of them. */
export interface Yard {
  site: Site
  pools: Pool[]
  compiled: Compiled
  /** Each way from a spout to a tank. */
  lines: { spout: NodeOf<'spout'>, path: Path, tank: Tank }[]
}

export function yardOf(site: Site): Yard {
  const spouts = site.nodes.filter(node => node.kind === 'spout')
  return {
    site, pools: poolsOf(site), compiled: compile(site),
    lines: spouts.flatMap(spout => pathsFrom(site, spout.id).flatMap(path => path.end.kind === 'tank' ? [{ spout, path, tank: path.end }] : [])),
  }
}
