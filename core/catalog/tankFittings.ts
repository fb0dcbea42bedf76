/** What keeps light from the water, what shuts the top, and how the level is read. */
export const COVERS = {
  black: { name: 'is black or dark', lightTight: true },
  painted: { name: 'is painted dark', lightTight: true },
  clad: { name: 'is clad or wrapped', lightTight: true },
  roofed: { name: 'stands inside or below ground', lightTight: true },
  white: { name: 'is white and lets light through', lightTight: false },
  clear: { name: 'is clear', lightTight: false },
} as const
export type CoverId = keyof typeof COVERS
export const COVER_IDS = Object.keys(COVERS) as [CoverId, ...CoverId[]]

export const LIDS = {
  domed: { name: 'a domed lid', note: '' },
  lipped: { name: 'a lipped lid', note: '' },
  screwed: { name: 'a screwed lid', note: '' },
  flat: { name: 'a flat lid', note: 'A flat lid warps, pools water and lets insects in under its edge.' },
} as const
export type LidId = keyof typeof LIDS
export const LID_IDS = Object.keys(LIDS) as [LidId, ...LidId[]]

export const GAUGES = {
  none: { name: 'by knocking on the wall', note: '' },
  dipstick: { name: 'with a dipstick', note: '' },
  'sight-tube': {
    name: 'in a sight tube',
    note: 'A sight tube grows algae and freezes: shut and drain it after reading.',
  },
  float: { name: 'on a float gauge', note: '' },
  sensor: { name: 'by a sensor', note: '' },
} as const
export type GaugeId = keyof typeof GAUGES
export const GAUGE_IDS = Object.keys(GAUGES) as [GaugeId, ...GaugeId[]]

/**
 * How an overflow begins. Plain is open to whatever creeps and flies; screened and trapped are not; skimming takes
 * the scum off the top, and needs an air hole.
 */
export const OVERFLOW_ENDINGS = ['plain', 'screened', 'trapped', 'skimming'] as const
export type OverflowEnding = (typeof OVERFLOW_ENDINGS)[number]

/** What an overflow or a drain runs towards. */
export const NEAR = {
  nothing: { name: 'nothing it can harm', harm: '' },
  footing: { name: 'a footing', harm: 'softens the ground under it' },
  pen: { name: 'a pen or a coop', harm: 'carries dung with it and stands in mud' },
  neighbour: { name: 'a neighbour', harm: 'is theirs to complain of' },
} as const
export type NearId = keyof typeof NEAR
export const NEAR_IDS = Object.keys(NEAR) as [NearId, ...NearId[]]

/** What keeps standing water from freezing, besides the depth of the ground. */
export const FROST_PROOF_TANKS = ['indoors', 'insulated', 'heated'] as const
export const FROST_PROOF_LINES = ['indoors', 'buried', 'insulated', 'heated', 'drained'] as const

/** What a buried line crosses, and what it wants there. */
export const CROSSINGS = {
  drive: { name: 'a drive', wants: 'under a drive it wants a sleeve, and sand round it' },
  drain: { name: 'a drain', wants: 'it runs above a drain, with a sleeve where it is drunk from' },
  cable: { name: 'a cable', wants: 'beside a cable a warning tape lies above it' },
} as const satisfies Record<string, { name: string; wants: string }>
export type CrossingId = keyof typeof CROSSINGS
export const CROSSING_IDS = Object.keys(CROSSINGS) as [CrossingId, ...CrossingId[]]

/** Water that must stand between what is kept back and where a tank spills, so that something is left to use. */
export const SPILL_MARGIN_M = 0.02
