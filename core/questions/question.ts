import type { z } from 'zod'
import type { Site, SitePart } from '../site'

/** How soon a question is answered where several wait: what is aside keeps none of the others waiting. */
export const RANKS = ['figures', 'drawing', 'years', 'aside'] as const
export type Rank = (typeof RANKS)[number]

/** What may be asked of a document, told without how it is worked out: whoever asks need not hold what answers. */
export interface QuestionRow {
  /** What it answers, in one sentence. */
  says: string
  /** All that it reads of a document: while these parts are the very same, so is the answer. A test holds it to that. */
  of: readonly SitePart[]
  /** What it takes beside the document. */
  args: z.ZodType
  rank: Rank
  /** What it takes on a middling machine, ms, of a document with so many tanks, taps and other places. */
  costMs: (places: number) => number
  /** Its long columns are handed to whoever asks, and so it is not remembered. */
  handsOver?: true
  /** It is told part by part, each in a message of its own: to take it apart at once would hold the page. */
  inParts?: true
}

/** Tells how far the work is, from 0 to 1. */
export type Tell = (share: number) => void

/** What answers a question. */
export type Answering<Args> = (site: Site, args: Args, tell: Tell) => unknown
