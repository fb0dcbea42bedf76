import { z } from 'zod'
import { defineMove, Impossible } from '../move'
import { fieldSentence } from '../../site'
import { partSchema } from '../../kinds'

/**
 * Gives a pump the curve of its plate: two or three points will do. What it is made for becomes the middle of it. An
 * empty list goes back to the curve of its kind.
 */
export const giveCurve = defineMove({
  args: z.object({
    part: z.string(),
    points: z.array(z.object({ flowLps: z.number(), headM: z.number() })).max(50),
  }),
  label: ({ points }) => (points.length ? 'Give a pump the curve of its plate' : 'Take a pump’s curve away'),
  apply(site, { part: id, points }) {
    for (const run of site.runs) {
      const at = run.parts.findIndex(part => part.id === id)
      const pump = run.parts[at]
      if (pump?.kind !== 'pump') continue
      if (!points.length) return void delete pump.curve
      const curve = points.toSorted((a, b) => a.flowLps - b.flowLps)
      const read = partSchema.safeParse({ ...pump, curve })
      if (!read.success) {
        const { message } = read.error.issues[0]!
        throw new Impossible(fieldSentence('curve', undefined, message, site.standards.units))
      }
      pump.curve = curve
      const middle = curve[Math.floor(curve.length / 2)]!
      if (middle.flowLps > 0 && middle.headM > 0) Object.assign(pump, middle)
      return
    }
    throw new Impossible('That pump is no longer there.')
  },
})
