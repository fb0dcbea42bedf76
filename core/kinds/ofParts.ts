import type { Deed, OfferedIn, PartRow, Passage } from './partRow'
import { PART_KIND_IDS, PART_KINDS, type NewPart, type Part, type PartOf } from './parts'
import type { Phrase } from '../words'

/** What the rows of the kinds say of a part, asked by whoever meets one. */

/** What a part's kind says of it. */
export const rowOf = (part: Pick<Part, 'kind'>): PartRow => PART_KINDS[part.kind] as unknown as PartRow

export const does = (part: Pick<Part, 'kind'>, deed: Deed): boolean => rowOf(part).does === deed

export function passageOf(part: Part): Passage {
  const { passes } = rowOf(part)
  return typeof passes === 'string' ? passes : passes(part)
}

/** True where water at rest stands equally high before and behind a part, as it is set. */
export const levelsOut = (part: Part): boolean => rowOf(part).levels && passageOf(part) === 'both ways'

/** A part's own bore, mm; undefined where it is as wide as its run's pipe. */
export function boreOfPart(part: Part): number | undefined {
  const { bore: field } = rowOf(part)
  return field === undefined ? undefined : (part as unknown as Record<string, number>)[field]
}

/** Gives a part another bore where it has one of its own and hangs in the line by it; checks and meters are bought as they are. */
export function layIn(part: Part, boreMm: number): void {
  const { bore: field, does: deed } = rowOf(part)
  if (field && ['carries', 'shuts', 'joins'].includes(deed)) Object.assign(part, { [field]: boreMm })
}

/** Velocity heads that a part costs in its bore: as its document says, else as its kind does. */
export const kOf = (part: Part): number => ('k' in part ? part.k : undefined) ?? rowOf(part).k

/** Length of line that a part makes, m. */
export const lengthOfPart = (part: Part): number => (rowOf(part).long ? (part as PartOf<'pipe'>).lengthM : 0)

/** A part in words, with its figures. */
export function partWords(part: Part): Phrase {
  const { name, tells } = rowOf(part)
  return tells ? tells(part) : [name]
}

/** A part's fields as a sentence asks for them. */
export const asksOf = (part: Pick<Part, 'kind'>): PartRow['asks'] => rowOf(part).asks

/** The parts that may be offered in a line of a bore, each with the lines in which it makes sense. */
export const offeredParts = (boreMm: number): { in: OfferedIn; part: NewPart }[] =>
  PART_KIND_IDS.flatMap(kind =>
    rowOf({ kind }).offered.map(({ in: where, of }) => ({ in: where, part: { kind, ...of(boreMm) } as NewPart })),
  )
