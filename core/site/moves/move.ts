import type { z } from 'zod'
import { portsOf } from '../ports'
import type { NodeOf, Part, Run, Site, SiteNode } from '../schema'

/** A kind of move: what it takes, how it reads in the undo list, and what it does to a draft of the site. */
export interface MoveKind<Args> {
  args: z.ZodType<Args>
  label: (args: Args, site: Site) => string
  apply: (site: Site, args: Args) => void
}

export function defineMove<Args>(kind: MoveKind<Args>): MoveKind<Args> {
  return kind
}

/** Thrown inside a move and answered as a sentence: the move cannot be made, and nothing changes. */
export class Refusal extends Error {}

export function need<Kind extends SiteNode['kind']>(site: Site, id: string, kind: Kind): NodeOf<Kind> {
  const node = site.nodes.find(candidate => candidate.id === id)
  if (node?.kind !== kind) throw new Refusal(`There is no ${kind} “${id}” in this site any more.`)
  return node as NodeOf<Kind>
}

/** What a node is called in the label of a move, or in general where it is no longer there. */
export const nameOf = (site: Site, id: string, otherwise = 'the tank'): string => site.nodes.find(node => node.id === id)?.name ?? otherwise
/** Measures are kept to the millimetre, shares to a thousandth. */
export const toThousandth = (metres: number): number => Math.round(metres * 1000) / 1000

/** The next free id of a stem: tank-1, tank-2 … The same site always gives the same id. */
export function freshId(site: Site, stem: string): string {
  const taken = new Set([...site.nodes, ...site.runs, ...site.roofs, ...site.uses].map(item => item.id))
  let number = 1
  while (taken.has(`${stem}-${number}`)) number++
  return `${stem}-${number}`
}

export const pipe = (lengthM: number, innerDiameterMm: number): Part => ({ kind: 'pipe', lengthM, innerDiameterMm, roughnessMm: 0.0015 })
export const valve = (boreMm: number, open = true): Part => ({ kind: 'valve', boreMm, open })

export function addRun(site: Site, name: string, from: Run['from'], to: Run['to'], parts: Part[]): Run {
  const run: Run = { id: freshId(site, 'run'), name, from, to, parts }
  site.runs.push(run)
  return run
}

/** Takes a node out, with the runs that end at it, its share of a roof and the uses drawn from it. */
export function takeOut(site: Site, id: string): void {
  site.nodes = site.nodes.filter(node => node.id !== id)
  site.runs = site.runs.filter(run => run.from.node !== id && run.to.node !== id)
  site.uses = site.uses.filter(use => use.at !== id)
  for (const roof of site.roofs) roof.spouts = roof.spouts.filter(spout => spout.nodeId !== id)
}

export function heightOf(site: Site, end: Run['from']): number {
  const node = site.nodes.find(candidate => candidate.id === end.node)!
  return portsOf(node).find(port => port.name === end.port)!.heightM
}

/** A drawn length is a guess until it is measured: the fall plus a stretch of yard. */
export function guessedLengthM(site: Site, from: Run['from'], to: Run['to'], acrossM: number): number {
  return Math.round((Math.abs(heightOf(site, from) - heightOf(site, to)) + acrossM) * 10) / 10
}
