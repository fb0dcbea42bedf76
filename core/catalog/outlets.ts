interface Fixture {
  name: string
  indoors: boolean
  outside: boolean
  /** What it passes, fully open, at a pressure. */
  ratedLps: number
  ratedKPa: number
  /** What it weighs in a house’s demand (Hunter’s units, cold and warm together); none where it runs by the clock. */
  loadUnits: number
  /** What is drawn at a time, litres. */
  drawL: number
}

/** What a line may end at where somebody draws; its flow grows with the root of its pressure. */
export const FIXTURES = {
  tap: { name: 'tap', indoors: true, outside: false, ratedLps: 0.15, ratedKPa: 50, loadUnits: 1.5, drawL: 3 },
  kitchen: {
    name: 'kitchen tap',
    indoors: true,
    outside: false,
    ratedLps: 0.15,
    ratedKPa: 50,
    loadUnits: 1.5,
    drawL: 3,
  },
  basin: { name: 'basin', indoors: true, outside: false, ratedLps: 0.1, ratedKPa: 50, loadUnits: 1, drawL: 2 },
  shower: { name: 'shower', indoors: true, outside: false, ratedLps: 0.15, ratedKPa: 100, loadUnits: 2, drawL: 45 },
  cistern: { name: 'cistern', indoors: true, outside: false, ratedLps: 0.1, ratedKPa: 30, loadUnits: 2.5, drawL: 6 },
  'washing-machine': {
    name: 'washing machine',
    indoors: true,
    outside: false,
    ratedLps: 0.15,
    ratedKPa: 100,
    loadUnits: 4,
    drawL: 50,
  },
  hose: { name: 'hose tap', indoors: true, outside: true, ratedLps: 0.3, ratedKPa: 100, loadUnits: 2.5, drawL: 60 },
  trough: { name: 'trough', indoors: true, outside: true, ratedLps: 0.2, ratedKPa: 20, loadUnits: 1, drawL: 15 },
  hydrant: {
    name: 'fire hydrant',
    indoors: true,
    outside: true,
    ratedLps: 4,
    ratedKPa: 100,
    loadUnits: 0,
    drawL: 2000,
  },
  drip: { name: 'drip', indoors: false, outside: true, ratedLps: 0.05, ratedKPa: 50, loadUnits: 0, drawL: 100 },
} as const satisfies Record<string, Fixture>
/** What keeps water out of a main for good; a valve alone is none of these. */
export const BACKFLOW_WORDS = {
  'air-gap': 'an air gap',
  device: 'the device that the local code names',
} as const
export const BACKFLOW_IDS = Object.keys(BACKFLOW_WORDS) as [BackflowId, ...BackflowId[]]
export type BackflowId = keyof typeof BACKFLOW_WORDS

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

/** What a plate beside a tap says. */
export const TAP_LABEL_WORDS = {
  'not-for-drinking': { name: 'not for drinking' },
  drinking: { name: 'drinking water' },
} as const satisfies Record<string, { name: string }>
export type TapLabelId = keyof typeof TAP_LABEL_WORDS
export const TAP_LABELS = Object.keys(TAP_LABEL_WORDS) as [TapLabelId, ...TapLabelId[]]
