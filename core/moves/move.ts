import type { z } from 'zod'
import { type Run, type Site, freeId, idsOf, portHeightM } from '../site'
import type { NodeOf, Part, SiteNode, NewPart } from '../kinds'

/** A kind of move: what it takes, how it reads in the undo list, and what it does to a draft of the site. */
export interface MoveKind<Args, Input = Args> {
  args: z.ZodType<Args, Input>
  label: (args: Args, site: Site) => string
  apply: (site: Site, args: Args) => void
}

export function defineMove<Args, Input>(kind: MoveKind<Args, Input>): MoveKind<Args, Input> {
  return kind
}

/** Thrown inside a move and answered as a sentence: the move cannot be made, and nothing changes. */
export class Impossible extends Error {}

/** A node of a kind, or the refusal that it is gone. */
export function required<Kind extends SiteNode['kind']>(site: Site, id: string, kind: Kind): NodeOf<Kind> {
  const node = site.nodes.find(candidate => candidate.id === id)
  if (node?.kind !== kind) throw new Impossible(`There is no ${kind} “${id}” in this site any more.`)
  return node as NodeOf<Kind>
}

/** Measures are kept to the millimetre, shares to a thousandth. */
export const toThousandth = (metres: number): number => Math.round(metres * 1000) / 1000

/** The next free id of a stem: tank-1, tank-2 … The same site always gives the same id. */
export const freshId = (site: Site, stem: string): string => freeId(idsOf(site), stem)

/** A pipe of a length that somebody has yet to measure. */
export const pipe = (lengthM: number, innerDiameterMm: number): NewPart => ({
  kind: 'pipe',
  lengthM,
  innerDiameterMm,
  roughnessMm: 0.0015,
  guessed: true,
})
export const valve = (boreMm: number, open = true): NewPart => ({ kind: 'valve', boreMm, open })
export const union = (boreMm: number): NewPart => ({ kind: 'union', boreMm })

/** Parts for a run, each with an id of its own; one that has an id keeps it wherever it goes. */
export function named(site: Site, runId: string, parts: NewPart[]): Part[] {
  const taken = idsOf(site)
  for (const { id } of parts) if (id) taken.add(id)
  return parts.map(part => {
    if (part.id) return part as Part
    const id = freeId(taken, `${runId}-${part.kind}`)
    taken.add(id)
    return { id, ...part } as Part
  })
}

export function addRun(site: Site, from: Run['from'], to: Run['to'], parts: NewPart[], id = freshId(site, 'run')): Run {
  const run: Run = { id, from, to, parts: named(site, id, parts) }
  site.runs.push(run)
  return run
}

export function needRun(site: Site, id: string): Run {
  const run = site.runs.find(candidate => candidate.id === id)
  if (!run) throw new Impossible('That line is no longer there.')
  return run
}

/** Takes a node out, with the runs that end at it, its share of a roof and the uses drawn from it. */
export function takeOut(site: Site, id: string): void {
  site.nodes = site.nodes.filter(node => node.id !== id)
  site.runs = site.runs.filter(run => run.from.node !== id && run.to.node !== id)
  site.uses = site.uses.filter(use => use.at !== id)
  for (const roof of site.roofs) roof.spouts = roof.spouts.filter(spout => spout.nodeId !== id)
}

/** A drawn length is a guess until it is measured: the fall plus a stretch of yard. */
export function guessedLengthM(site: Site, from: Run['from'], to: Run['to'], acrossM: number): number {
  return Math.round((Math.abs(portHeightM(site, from) - portHeightM(site, to)) + acrossM) * 10) / 10
}
