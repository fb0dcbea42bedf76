import { z } from 'zod'
import { id, kept, number, size, text, whole } from '../kinds'

/** What was bought, measured, done and put off while it is built; stages, and which things come with each. */
export const buildSchema = kept({
  /** Own stock: things by their id on the list, and lengths left over. */
  owned: z
    .array(kept({ id: id(), count: number(0, 1e6) }))
    .max(1000)
    .optional(),
  bought: z.array(id()).max(2000).optional(),
  /** Pieces that were measured in their place. */
  measured: z
    .array(kept({ piece: text(), lengthM: size(1000) }))
    .max(2000)
    .optional(),
  /** Pieces that are cut already; lengths of a pipe that are there, left over or one's own. */
  cut: z.array(text()).max(5000).optional(),
  lengths: z
    .array(kept({ id: id(), lengthM: size(1000), count: whole(1, 1000) }))
    .max(1000)
    .optional(),
  /** Things on the list that something else stands in for: two halves of a corner for a whole one. */
  swaps: z.array(id()).max(500).optional(),
  done: z
    .array(kept({ task: text(), on: z.iso.date('must be a date, such as 2027-04-18'), note: text(1000).optional() }))
    .max(5000)
    .optional(),
  /** Tasks in the order in which somebody wants them, as far as it may be. */
  order: z.array(text()).max(5000).optional(),
  stages: z
    .array(kept({ id: id(), name: text(), holds: z.array(id()).max(3000) }))
    .max(20)
    .optional(),
})
