/** Something that looks odd: what, where, how likely, by how much, since when. */
export interface Odd {
  kind: 'leak' | 'gains' | 'starts' | 'device' | 'chamber' | 'well' | 'filter'
  subject: string
  what: string
  probability: number
  litresPerDay: number
  since: string
  /** What it comes to as readings of the plant, by their ids, for whoever looks for what is behind it. */
  reads?: Record<string, number>
}
