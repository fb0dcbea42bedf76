import { z } from 'zod'
import { defineMove } from './move'
import { climateSchema } from '../site'

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
