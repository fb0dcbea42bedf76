import { z } from 'zod'
import { kept, number, size, whole } from './limits'

/** How a main, a well or the power fails: by chance, so often for so long, or by a rota of days on and days off. */
export const outageSchema = z.discriminatedUnion(
  'by',
  [
    kept({
      by: z.literal('chance'),
      timesPerYear: number(0, 1000),
      meanHours: size(8000),
      /** The longest there is; without it, lengths have no end but chance. */
      mostHours: size(8000).optional(),
    }),
    kept({ by: z.literal('rota'), daysOn: whole(1, 365), daysOff: whole(1, 365) }),
  ],
  { error: 'must be by chance or by rota' },
)
export type OutageRule = z.infer<typeof outageSchema>
