import { defineMove, required } from './move'
import { nameOf } from '../site'
import { NEAR_IDS, OUTFALL_IDS, SOIL_IDS } from '../catalog'
import { z } from 'zod'

/**
 * Says where an outfall's water goes: into what, through which soil, towards what. A soakaway gets a pit to begin
 * with.
 */
export const leadTo = defineMove({
  args: z.object({
    outfall: z.string(),
    to: z.enum(OUTFALL_IDS).optional(),
    soil: z.enum(SOIL_IDS).optional(),
    near: z.enum(NEAR_IDS).optional(),
    pit: z.object({ lengthM: z.number(), widthM: z.number(), depthM: z.number(), voidShare: z.number() }).optional(),
  }),
  label: ({ outfall }, site) => `Say where ${nameOf(site, outfall, 'the outfall')} leads`,
  apply(site, { outfall: id, to, soil, near, pit }) {
    const outfall = required(site, id, 'outfall')
    if (to) outfall.to = to
    if (soil) outfall.soil = soil
    if (near) outfall.near = near
    if (pit) outfall.pit = pit
    if (outfall.to === 'soakaway') {
      outfall.pit ??= { lengthM: 2, widthM: 1, depthM: 1, voidShare: 0.4 }
      outfall.soil ??= 'loam'
    }
  },
})
