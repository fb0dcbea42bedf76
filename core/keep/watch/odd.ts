import type { Phrase } from '../../words'

/** Something that looks odd: what, where, how likely, by how much, since when. */
export interface Odd {
  kind: 'leak' | 'gains' | 'starts' | 'device' | 'chamber' | 'well' | 'filter'
  subject: string
  /** In a sentence that has yet to end; its quantities are said in whoever's units. */
  what: string | Phrase
  probability: number
  litresPerDay: number
  since: string
  /** What it comes to as readings of the plant, by their ids, for whoever looks for what is behind it. */
  reads?: Record<string, number>
  /** Readings that have become so many times what they were. */
  times?: Record<string, number>
}
