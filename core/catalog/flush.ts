/** The schools of first flush: millimetres of rain kept back from the tank. */
export const FLUSH_SCHOOLS = {
  light: { name: 'light', depthMm: 0.4, when: 'a clean, open roof' },
  middle: { name: 'middle', depthMm: 0.8, when: 'most roofs' },
  heavy: { name: 'heavy', depthMm: 2, when: 'birds, trees, long dry spells' },
} as const
export type FlushSchoolId = keyof typeof FLUSH_SCHOOLS

/** A day with rain rains this long unless hourly data say otherwise. */
export const WET_DAY_HOURS = 6
