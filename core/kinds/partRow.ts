import type { z } from 'zod'
import type { Phrase } from '../words'

/** What a part is there for. */
export type Deed =
  | 'carries'
  | 'shuts'
  | 'checks'
  | 'stops when full'
  | 'meshes'
  | 'treats'
  | 'lifts'
  | 'joins'
  | 'measures'
  | 'relieves'
  | 'regulates'

/** Which way water goes through a part as it stands; from the beginning of its run towards its end is forward. */
export type Passage = 'both ways' | 'forward' | 'shut'

/** All that a kind of part is. A new kind is a row of PART_KINDS; the compiler then names every reader that it needs. */
export interface PartRow<Fields extends z.ZodRawShape = z.ZodRawShape> {
  /** What a person calls it, and how one of them is told where more is to be said. */
  name: string
  tells?: (part: Values<Fields>) => Phrase
  fields: Fields
  does: Deed
  passes: Passage | ((part: Values<Fields>) => Passage)
  /** True where water at rest comes to stand equally high on both its sides. */
  levels: boolean
  /** Velocity heads it costs in its own bore; 0 where its loss is told otherwise, or none is reckoned. */
  k: number
  /** The field that holds its own bore; without one it is as wide as its run's pipe. */
  bore?: keyof Fields & string
  /** True where it serves the taps wherever their water comes from, and stays when that is lifted another way. */
  stays: boolean
  /** True where it wears, and is taken out sooner or later. */
  wears: boolean
  /** True where its body bears an arrow: it must stand the right way round. */
  arrow: boolean
  /** Its fields as a sentence asks for them: which, and the words behind it. */
  asks: readonly (readonly [field: keyof Fields & string, words: string])[]
  /** As what it is offered in a line of a bore, and in which lines; what is not offered comes by moves of its own. */
  offered: readonly { in: OfferedIn; of: (boreMm: number) => Values<Fields> }[]
  /** True where it is a stretch of line with a length and a bore that water fills. */
  long?: boolean
}
/** Lines in which a part makes sense. */
export type OfferedIn = 'any line' | 'a line into a tank' | 'a line with a pump' | 'a line to taps'
export type Values<Fields extends z.ZodRawShape> = z.infer<z.ZodObject<Fields>>

export const row = <const Fields extends z.ZodRawShape>(of: PartRow<Fields>): PartRow<Fields> => of
