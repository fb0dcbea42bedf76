/** What a line may end at where somebody draws: what a person calls it, and whether it stands indoors. */
export const FIXTURES = {
  tap: { name: 'tap', indoors: true, outside: false },
  kitchen: { name: 'kitchen tap', indoors: true, outside: false },
  basin: { name: 'basin', indoors: true, outside: false },
  shower: { name: 'shower', indoors: true, outside: false },
  cistern: { name: 'cistern', indoors: true, outside: false },
  'washing-machine': { name: 'washing machine', indoors: true, outside: false },
  hose: { name: 'hose tap', indoors: true, outside: true },
  trough: { name: 'trough', indoors: true, outside: true },
  hydrant: { name: 'fire hydrant', indoors: true, outside: true },
  drip: { name: 'drip', indoors: false, outside: true },
} as const satisfies Record<string, { name: string; indoors: boolean; outside: boolean }>
export type FixtureId = keyof typeof FIXTURES
export const FIXTURE_IDS = Object.keys(FIXTURES) as [FixtureId, ...FixtureId[]]

/** Where water that is not kept goes. */
export const OUTFALLS = {
  ground: { name: 'ground' },
  ditch: { name: 'ditch' },
  swale: { name: 'swale' },
  soakaway: { name: 'soakaway' },
  'rain-garden': { name: 'rain garden' },
  drain: { name: 'drain' },
} as const satisfies Record<string, { name: string }>
export type OutfallId = keyof typeof OUTFALLS
export const OUTFALL_IDS = Object.keys(OUTFALLS) as [OutfallId, ...OutfallId[]]
