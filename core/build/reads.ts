import type { SitePart } from '../site'

/** What parts, pieces and cuts are counted off. */
export const TAKEN_OFF_OF = [
  'runs',
  'nodes',
  'uses',
  'build',
  'prices',
  'standards',
  'climate',
] as const satisfies SitePart[]
