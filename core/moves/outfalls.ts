import { defineMove, required } from './move'
import { sum } from 'd3-array'
import { nameOf, roofAreaM2 } from '../site'
import type { NodeOf } from '../kinds'
import { NEAR_IDS, OUTFALL_IDS, SOIL_IDS } from '../catalog'
import { z } from 'zod'

/** So much rain on all roofs is to find room between the stones of a narrow pit, whose walls soak it away. */
const [PIT_RAIN_MM, PIT_WIDE_M, PIT_DEEP_M, VOID_SHARE, LONGEST_M] = [20, 0.6, 1, 0.4, 30]
function usualPit(areaM2: number): NonNullable<NodeOf<'outfall'>['pit']> {
  const lengthM = Math.ceil((areaM2 * PIT_RAIN_MM) / 1000 / VOID_SHARE / PIT_WIDE_M / PIT_DEEP_M)
  return {
    lengthM: Math.min(LONGEST_M, Math.max(2, lengthM)),
    widthM: PIT_WIDE_M,
    depthM: PIT_DEEP_M,
    voidShare: VOID_SHARE,
  }
}

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
      outfall.pit ??= usualPit(sum(site.roofs, roofAreaM2))
      outfall.soil ??= 'loam'
    }
  },
})
