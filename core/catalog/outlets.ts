interface Fixture {
  name: string
  indoors: boolean
  outside: boolean
  /** What it passes, fully open, at a pressure. */
  ratedLps: number
  ratedKPa: number
  /** What it weighs in a house’s demand (Hunter’s units, cold and warm together); none where it runs by the clock. */
  loadUnits: number
}

/** What a line may end at where somebody draws; its flow grows with the root of its pressure. */
export const FIXTURES = {
  tap: { name: 'tap', indoors: true, outside: false, ratedLps: 0.15, ratedKPa: 50, loadUnits: 1.5 },
  kitchen: { name: 'kitchen tap', indoors: true, outside: false, ratedLps: 0.15, ratedKPa: 50, loadUnits: 1.5 },
  basin: { name: 'basin', indoors: true, outside: false, ratedLps: 0.1, ratedKPa: 50, loadUnits: 1 },
  shower: { name: 'shower', indoors: true, outside: false, ratedLps: 0.15, ratedKPa: 100, loadUnits: 2 },
  cistern: { name: 'cistern', indoors: true, outside: false, ratedLps: 0.1, ratedKPa: 30, loadUnits: 2.5 },
  'washing-machine': {
    name: 'washing machine',
    indoors: true,
    outside: false,
    ratedLps: 0.15,
    ratedKPa: 100,
    loadUnits: 4,
  },
  hose: { name: 'hose tap', indoors: true, outside: true, ratedLps: 0.3, ratedKPa: 100, loadUnits: 2.5 },
  trough: { name: 'trough', indoors: true, outside: true, ratedLps: 0.2, ratedKPa: 20, loadUnits: 1 },
  hydrant: { name: 'fire hydrant', indoors: true, outside: true, ratedLps: 4, ratedKPa: 100, loadUnits: 0 },
  drip: { name: 'drip', indoors: false, outside: true, ratedLps: 0.05, ratedKPa: 50, loadUnits: 0 },
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
