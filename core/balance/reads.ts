import type { SitePart } from '../site'

/** What the daily balance is worked out of. */
export const BALANCE_OF = [
  'nodes',
  'runs',
  'uses',
  'roofs',
  'climate',
  'place',
  'standards',
  'power',
] as const satisfies SitePart[]
