import { z } from 'zod'
import { deviceSchema, flag, id, kept, readingSchema, share, text } from '../kinds'

/** Twenty years of a few readings a day. */
export const MOST_READINGS = 60_000
const day = () => z.iso.date('must be a date, such as 2027-04-18')

/** What a site has because it is lived with. */
export const lifeFields = {
  /** What was read, done and noted while it runs; in no order. */
  log: z.array(readingSchema).max(MOST_READINGS).optional(),
  /** What tells readings by itself. */
  devices: z.array(deviceSchema).max(50).optional(),
  /** Drought stages: from one day to another uses are held to a share of what they ask. */
  restrictions: z
    .array(
      kept({
        id: id(),
        name: text(),
        from: day(),
        until: day().optional(),
        uses: z.array(kept({ id: id(), share: share() })).max(300),
      }),
    )
    .max(100)
    .optional(),
  /** Chores that are put off until a day, or never come here. */
  chores: z
    .array(
      kept({
        id: text(),
        until: day().optional(),
        never: flag().optional(),
      }),
    )
    .max(2000)
    .optional(),
}
