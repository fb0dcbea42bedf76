import { z } from 'zod'
import { defineMove, Impossible, named, required, union } from './move'
import { nameOf, nodeById, runsTo, type Run, type Site } from '../site'
import type { NewPart, NodeOf, Part } from '../kinds'
import { USUAL_BORE_MM } from '../catalog'

/** What a cartridge is made for where nobody says, L/s. */
const USUAL_TREATED_LPS = 0.3

export const TREATMENT: NewPart[] = [
  { kind: 'filter', ratingUm: 20, medium: 'sediment' },
  { kind: 'filter', ratingUm: 5, medium: 'sediment' },
  { kind: 'filter', ratingUm: 5, medium: 'carbon', ratedLps: 0.3 },
  { kind: 'lamp', ratedLps: 0.3, sensor: true },
]

/** A stage of treatment that stands for another: of its kind, and at least as fine. */
const standsFor = (part: Part, wanted: NewPart): boolean =>
  part.kind === wanted.kind &&
  (part.kind !== 'filter' ||
    (wanted.kind === 'filter' && part.medium === wanted.medium && part.ratingUm <= wanted.ratingUm))

/**
 * Fits filters, carbon and a lamp with its sensor in front of a tap, in this order, each made for a flow at least; what
 * is there already takes its place among them.
 */
export const fitTreatment = defineMove({
  args: z.object({ tap: z.string(), ratedLps: z.number().positive().max(1000).optional() }),
  label: ({ tap }, site) => `Treat the water for ${nameOf(site, tap, 'the tap')}`,
  apply(site, { tap: id, ratedLps = 0 }) {
    const tap = required(site, id, 'tap')
    const runs = runsTo(site, id)
    if (!runs.length) throw new Impossible(`No line leads to ${nameOf(site, tap.id)} yet; lead one there first.`)
    // A main is drinking water already.
    const untreated = runs.filter(run => runs.length === 1 || nodeById(site, run.from.node).kind !== 'main')
    for (const run of untreated) treat(site, run, ratedLps)
  },
})

/** Puts a treatment at the end of a line, in its order; where pipe is glued, a union lets it come out. */
function treat(site: Site, run: Run, ratedLps: number): void {
  const left = [...run.parts]
  const train = TREATMENT.map(wanted => {
    const at = left.findIndex(part => standsFor(part, wanted))
    const part: NewPart = at < 0 ? { ...wanted } : left.splice(at, 1)[0]!
    if (part.kind === 'lamp') part.sensor = true
    if (part.kind === 'lamp' || part.kind === 'filter')
      if ((part.ratedLps ?? USUAL_TREATED_LPS) < ratedLps) part.ratedLps = ratedLps
    return part
  })
  const glued = site.standards.pipes === 'inch' && !left.some(({ kind }) => kind === 'union')
  // What brings something into the water, a filter that is coarser, another lamp, stands before them.
  run.parts = named(site, run.id, [...left, ...(glued ? [union(USUAL_BORE_MM)] : []), ...train])
}

/** Two lines bring a tap more than one: what is drunk there is treated in each, for all that comes. */
export function keepFitToDrink(site: Site, tap: NodeOf<'tap'>): void {
  if (site.uses.some(use => use.at === tap.id && use.quality === 'drinking'))
    fitTreatment.apply(site, { tap: tap.id, ratedLps: BOTH_LPS })
}
const BOTH_LPS = 0.6
