/** What a line may end at where somebody draws: what a person calls it, and whether it stands indoors. */
export const FIXTURES = {
  tap: { name: 'tap', indoors: true },
  kitchen: { name: 'kitchen tap', indoors: true },
  basin: { name: 'basin', indoors: true },
  shower: { name: 'shower', indoors: true },
  cistern: { name: 'cistern', indoors: true },
  'washing-machine': { name: 'washing machine', indoors: true },
  hose: { name: 'hose tap', indoors: true },
  trough: { name: 'trough', indoors: true },
  hydrant: { name: 'fire hydrant', indoors: true },
  drip: { name: 'drip', indoors: false },
} as const satisfies Record<string, { name: string; indoors: boolean }>
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
