import { weatherMonths, type Site } from '../site'

/** A month whose mean night is colder than this freezes standing water above ground. */
const FROST_C = -1

/** Months of frost, 1 for January. */
export function frostMonths(site: Site): number[] {
  return weatherMonths(site).flatMap((month, index) => month.tMinC < FROST_C ? [index + 1] : [])
}
