import { z } from 'zod'
import { defineMove, Impossible } from './move'
import { climateSchema, type Climate } from '../site'

/** Half a year on: what is July on one side of the equator is January on the other. */
const HALF_YEAR = 6

/** A climate's months as they are on the other side of the equator. */
export const monthsAcross = (months: Climate['months']): Climate['months'] =>
  months.map((_, month) => months[(month + HALF_YEAR) % months.length]!)

/** The same climate on the other side of the equator: its months shifted by six, its latitude turned. */
export const turnHemisphere = defineMove({
  args: z.object({}),
  label: (_, site) => `Climate ${site.place.latitudeDeg < 0 ? 'north' : 'south'} of the equator`,
  apply(site) {
    if (site.climate.daily)
      throw new Impossible(
        'A record of days is of the place where it was read; drop it first, and use its months only.',
      )
    site.climate.months = monthsAcross(site.climate.months)
    site.place.latitudeDeg = -site.place.latitudeDeg
  },
})

/** Replaces the whole climate: a stand-in, typed months, or a record that was read. */
export const setClimate = defineMove({
  args: z.object({
    climate: climateSchema,
    place: z.object({ latitudeDeg: z.number(), altitudeM: z.number(), frostDepthM: z.number().optional() }).optional(),
  }),
  label: ({ climate }) => `Climate: ${climate.source}`,
  apply(site, { climate, place }) {
    site.climate = climate
    if (place) Object.assign(site.place, place)
  },
})
