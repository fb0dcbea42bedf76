import { whyNot } from '#core/answers'
import { monthsTold } from '#core/climate'
import { standInClimate } from '#core/moves'
import type { Site } from '#core/site'
import { parseQuantity, type Kind, type System } from '#core/units'

/** Twelve own months and the place, as somebody typed them. */
export interface OwnMonthsTyped {
  rain: string
  wetDays: string
  lows: string
  highs: string
  latitude: string
  altitude: string
}
export const NOTHING_TYPED: OwnMonthsTyped = { rain: '', wetDays: '', lows: '', highs: '', latitude: '', altitude: '' }

type Told = { months: number[] } | { problem: string } | undefined
/** Twelve figures, parted by blanks, semicolons or new lines, in mm or inches by the site's units; none is nothing told. */
function twelve(text: string, kind: Kind, what: string, limits: [number, number], units: System): Told {
  const [least, most] = limits
  const figures = text.split(/[\s;]+|,\s+/).filter(Boolean)
  if (!figures.length) return undefined
  if (figures.length !== 12)
    return {
      problem:
        `${what}: twelve figures are needed, January to December; there ${figures.length === 1 ? 'is' : 'are'} ` +
        `${figures.length}.`,
    }
  const read = figures.map(figure => parseQuantity(figure, kind, units))
  const wrong = read.findIndex(parsed => !parsed.ok || parsed.value < least || parsed.value > most)
  if (wrong >= 0) return { problem: `${what}: the ${wrong + 1}. figure, “${figures[wrong]}”, is no month’s figure.` }
  return { months: read.map(parsed => (parsed.ok ? parsed.value : 0)) }
}

const months = (told: Told) => (told && 'months' in told ? told.months : undefined)

/** Where the place lies, or the sentence that says what is wrong with it. */
function placeOf(own: OwnMonthsTyped, units: System): Site['place'] | string {
  const latitudeDeg = Number(own.latitude.replace(',', '.'))
  if (!own.latitude.trim() || !(Math.abs(latitudeDeg) <= 90))
    return `The latitude, “${own.latitude}”, must be a number from −90 to 90; south of the equator it is negative.`
  const altitude = own.altitude.trim() ? parseQuantity(own.altitude, 'length', units) : { ok: true as const, value: 0 }
  if (!altitude.ok) return `The altitude: ${whyNot(altitude)}`
  return { latitudeDeg, altitudeM: altitude.value, waterTemperatureC: 15 }
}

/** The person's own months; what they leave out is guessed from the place, and said so at Catch. */
export function readOwnMonths(
  own: OwnMonthsTyped,
  units: System,
): { climate: Site['climate']; place: Site['place'] } | string {
  const place = placeOf(own, units)
  if (typeof place === 'string') return place
  const told = {
    rainMm: twelve(own.rain, 'rain', 'Your months’ rain', [0, 3000], units),
    wetDays: twelve(own.wetDays, 'count', 'Your wet days', [0, 31], units),
    tMinC: twelve(own.lows, 'temperature', 'Your mean lows', [-70, 60], units),
    tMaxC: twelve(own.highs, 'temperature', 'Your mean highs', [-70, 70], units),
  }
  for (const each of Object.values(told)) if (each && 'problem' in each) return each.problem
  const rainMm = months(told.rainMm)
  if (!rainMm) return 'Your months’ rain: twelve figures are needed, January to December.'
  if (Boolean(told.tMinC) !== Boolean(told.tMaxC))
    return 'Of the temperatures both are needed, the mean lows and the mean highs; or leave both out.'
  const { burst: _burst, standIn: _standIn, ...rest } = standInClimate('wet-town')
  return {
    place,
    climate: {
      ...rest,
      storm: { minutes: 5 },
      source: 'own months',
      ...monthsTold(
        { rainMm, wetDays: months(told.wetDays), tMinC: months(told.tMinC), tMaxC: months(told.tMaxC) },
        place,
      ),
    },
  }
}
