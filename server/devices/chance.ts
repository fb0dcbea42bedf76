import { z } from 'zod'
import { defineDevice } from './device'

const settings = z.object({
  seed: z
    .int({ error: 'must be a whole number' })
    .min(0, 'must be at least 0')
    .max(2 ** 31, 'must be at most 2³¹')
    .default(0),
})

/** What falls out by chance in the outside world: another seed makes another world. */
export const chanceDevice = defineDevice('chance', 'chance', settings)

/** A number in [0, 1) that is always the same for the same seed and words. */
export function chance(seed: number, ...words: (string | number)[]): number {
  let hash = 2166136261 ^ seed
  for (const letter of words.join('/')) hash = Math.imul(hash ^ letter.charCodeAt(0), 16777619)
  hash = Math.imul(hash ^ (hash >>> 15), 2246822507)
  return ((hash ^ (hash >>> 13)) >>> 0) / 4294967296
}
