/** The schools of first flush: millimetres of rain kept back from the tank. */
export const FLUSH_SCHOOLS = {
  light: { name: 'light', depthMm: 0.4, when: 'a clean, open roof' },
  middle: { name: 'middle', depthMm: 0.8, when: 'most roofs' },
  heavy: { name: 'heavy', depthMm: 2, when: 'birds, trees, long dry spells' },
} as const
export type FlushSchoolId = keyof typeof FLUSH_SCHOOLS

/** How dirty a roof gets, by what hangs over it and sits on it. */
export const DIRTINESS = {
  open: { name: 'stands in the open', level: 0 },
  some: { name: 'gets some leaves and dust', level: 1 },
  birds: { name: 'has trees over it or birds on it', level: 2 },
} as const
export type DirtinessId = keyof typeof DIRTINESS
export const DIRTINESS_IDS = Object.keys(DIRTINESS) as [DirtinessId, ...DirtinessId[]]
/** A dry spell this long dirties a roof as much as one step of the table above. */
export const LONG_DRY_DAYS = 30
/**
 * Days in which a clean roof gathers two thirds of all the dirt it will hold (Sartor & Boyd 1972, exponential
 * build-up).
 */
export const BUILD_UP_DAYS = 6

/**
 * Hours in which a chamber should empty between rains; a half more is let pass, since outlets come in tenths of a
 * millimetre.
 */
export const EMPTY_WITHIN_HOURS = 24
export const EMPTIES_SLOWLY_HOURS = EMPTY_WITHIN_HOURS + 0.5

/** A day with rain rains this long unless hourly data say otherwise. */
export const WET_DAY_HOURS = 6
export const DRY_HOURS_OF_WET_DAY = 24 - WET_DAY_HOURS

/** One length of pipe: past it a standpipe needs joints and support. */
export const STANDPIPE_MOST_M = 2

export const BYPASSES = { flap: 'a flap at the spout', gate: 'a gate in the line' } as const
export type BypassId = keyof typeof BYPASSES
export const BYPASS_IDS = Object.keys(BYPASSES) as [BypassId, ...BypassId[]]
