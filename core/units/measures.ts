/** Measures that are so by definition, in SI, each told once for whoever reckons with it. */

/** The international foot and inch (1959). */
export const FOOT_M = 0.3048
export const INCH_MM = 25.4
/** Gallons: of 231 cubic inches, and the imperial one (1976). */
export const US_GALLON_L = 3.785411784
export const IMPERIAL_GALLON_L = 4.54609

export const MINUTE_MS = 60_000
export const HOUR_S = 3600
export const DAY_S = 24 * HOUR_S
export const DAY_MS = 1000 * DAY_S
