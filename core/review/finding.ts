import { catchYear, compile, linksOf, simulate, type CatchYear, type Compiled, type DailyRun, type LinkReading, type Pool } from '../balance'
import { weatherSeries } from '../climate'
import { catchLimits, pathsFrom, roofLines, type CatchLimit, type Path, type RoofLine } from '../network'
import { designStorm, type DesignStorm, type Move, type NodeOf, type Site, type Tank } from '../site'
import type { Phrase } from './phrase'

/** A move that mends it; its label may hold quantities. */
export interface Mend { label: string | Phrase, move: Move }
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
  mend?: Mend
  /** Where only the person can know: answers to choose from. */
  answers?: Mend[]
}

/** A node as the subject of a finding, under its own name or its group's. */
export const nodeSubject = ({ id, name }: { id: string, name: string }, said = name): Finding['subject'] => ({ kind: 'node', id, name: said })

/** One thing to look for. `sound` is what can be said when nothing is found. */
export interface Check { id: string, sound: string, find: (yard: Yard) => Finding[] }

/** What the checks look at: the document, and what is derived from it once for all of them. */
export interface Yard {
  site: Site
  pools: Pool[]
  compiled: Compiled
  /** Each way from a spout to a tank. */
  lines: { spout: NodeOf<'spout'>, path: Path, tank: Tank }[]
  storm: DesignStorm | undefined
  limits: CatchLimit[]
  roofLines: RoofLine[]
  /** What becomes of the roofs' water in a mean year. */
  year: CatchYear
  /** Open links between tanks of a group. */
  links: LinkReading[]
  /** The days of the site's own weather, run once for whoever asks. */
  days: () => DailyRun
}

export function yardOf(site: Site): Yard {
  const compiled = compile(site)
  let days: DailyRun | undefined
  const spouts = site.nodes.filter(node => node.kind === 'spout')
  return {
    site, pools: compiled.pools, compiled, links: linksOf(site, compiled.pools), days: () => days ??= simulate(compiled, weatherSeries(site)), storm: designStorm(site), limits: catchLimits(site), roofLines: roofLines(site), year: catchYear(site),
    lines: spouts.flatMap(spout => pathsFrom(site, spout.id).flatMap(path => path.end.kind === 'tank' ? [{ spout, path, tank: path.end }] : [])),
  }
}
