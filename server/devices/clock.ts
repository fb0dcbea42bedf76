import { z } from 'zod'
import { defineDevice } from './device'

const settings = z.object({
  at: z.iso.datetime('must be a moment in UTC, such as 2024-01-01T00:00:00Z').default(() => new Date().toISOString()),
  rate: z
    .number({ error: 'must be a number' })
    .min(0, 'must be at least 0')
    .max(1e6, 'must be at most 1000000')
    .default(1),
})

/**
 * The clock of the outside world: it runs with ours until somebody turns it; then it stands at a moment, or runs on
 * from there at so many times the usual speed.
 */
export const clock = defineDevice('clock', 'the clock', settings)

/** Milliseconds since 1970 by the clock. */
export function nowMs(): number {
  const { at, rate } = clock.read()
  return Date.parse(at) + (Date.now() - clock.setAtMs()) * rate
}
