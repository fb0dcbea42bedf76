import type { SitePart } from '../site'

/** What lines and the flows in them are worked out of: how cold the water is is the place's, drippers are their bed's. */
export const FLOWS_OF = ['nodes', 'runs', 'uses', 'place'] as const satisfies SitePart[]
