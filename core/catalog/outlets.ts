interface Fixture {
  name: string
  indoors: boolean
  outside: boolean
  /** What it passes, fully open, at a pressure. */
  ratedLps: number
  ratedKPa: number
}

/** What a line may end at where somebody draws; its flow grows with the root of its pressure. */
export const FIXTURES = {
  tap: { name: 'tap', indoors: true, outside: false, ratedLps: 0.15, ratedKPa: 50 },
  kitchen: { name: 'kitchen tap', indoors: true, outside: false, ratedLps: 0.15, ratedKPa: 50 },
  basin: { name: 'basin', indoors: true, outside: false, ratedLps: 0.1, ratedKPa: 50 },
  shower: { name: 'shower', indoors: true, outside: false, ratedLps: 0.15, ratedKPa: 100 },
  cistern: { name: 'cistern', indoors: true, outside: false, ratedLps: 0.1, ratedKPa: 30 },
  'washing-machine': { name: 'washing machine', indoors: true, outside: false, ratedLps: 0.15, ratedKPa: 100 },
  hose: { name: 'hose tap', indoors: true, outside: true, ratedLps: 0.3, ratedKPa: 100 },
  trough: { name: 'trough', indoors: true, outside: true, ratedLps: 0.2, ratedKPa: 20 },
  hydrant: { name: 'fire hydrant', indoors: true, outside: true, ratedLps: 4, ratedKPa: 100 },
  drip: { name: 'drip', indoors: false, outside: true, ratedLps: 0.05, ratedKPa: 50 },
} as const satisfies Record<string, Fixture>
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
