/** When a chore comes round: after so many months, on days of the year, or once a reading asks for it. */
export type Comes =
  | { by: 'months'; months: number }
  | { by: 'season'; days: { month: number; day: number }[] }
  | { by: 'reading'; months: number; words: string; when: Trigger }
  | { by: 'storm'; months: number; words: string }

/** What in a log asks for a chore before its months are over. */
export type Trigger = 'drop' | 'starts' | 'standing'

/** Something that is to be done again and again, as this system's own part brings it. */
export interface Chore {
  id: string
  /** The node, run or roof that it is at. */
  subject: string
  what: string
  why: string
  tools: string[]
  minutes: [least: number, most: number]
  caution?: string
  /** How one knows that it is done; and what comes of leaving it. */
  done: string
  skipping: string
  comes: Comes
}

/** Cautions that chores share. */
export const LADDER = 'Foot the ladder, tie it, and have somebody hold it.'
export const ENTER = 'Nobody climbs into a tank; work from the lid, with somebody beside you.'
export const ELECTRIC = 'Switch it off at the breaker first; what is inside is for an electrician.'
/** Above the ground so high that one falls badly, m. */
export const HIGH_M = 2

export const months = (count: number): Comes => ({ by: 'months', months: count })
