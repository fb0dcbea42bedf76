import { mean } from 'd3-array'
import type { PlantStart } from './world'
import { peakSunHours } from '../network'
import { remembered, type Site } from '../site'
import { monthDaylightH } from '../sums'

/** Sun is taken in steps. */
const SUN_STEP = 0.05

/** A day of sun: how long it is light, and how bright at noon, as a share of full sun. */
interface SunDay {
  lightH: number
  noonShare: number
}

/** The days of a site's months: half sines whose sums are the months' hours of full sun. */
const sunDays = remembered(['climate', 'place'], (site: Site): SunDay[] =>
  peakSunHours(site).map((fullH, month) => {
    const lightH = monthDaylightH(site.place.latitudeDeg, month)
    return { lightH, noonShare: lightH > 0 ? (fullH * Math.PI) / (2 * lightH) : 0 }
  }),
)

/** A day of the month, or a middling one of the year where no month is said. */
function sunDay(site: Site, month: number | undefined): SunDay {
  const days = sunDays(site)
  if (month !== undefined) return days[month - 1]!
  return { lightH: mean(days, day => day.lightH)!, noonShare: mean(days, day => day.noonShare)! }
}

/** The sun on the panels by the clock, as a share of full sun; undefined where there is no clock. */
export function sunOnPanels(site: Site, { clockS, month }: PlantStart, atS: number): number | undefined {
  if (clockS === undefined) return undefined
  const { lightH, noonShare } = sunDay(site, month)
  const sinceRiseH = (((clockS + atS) / 3600) % 24) - (12 - lightH / 2)
  const isLight = sinceRiseH > 0 && sinceRiseH < lightH
  const share = isLight ? noonShare * Math.sin((Math.PI * sinceRiseH) / lightH) : 0
  return Math.round(share / SUN_STEP) * SUN_STEP
}
