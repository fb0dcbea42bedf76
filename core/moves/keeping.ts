import type { History } from './history'
import type { Made } from './apply'
import type { LogReading } from '../kinds'

/** What is to be written, in one go, for a store to hold a history. */
export interface Writing {
  history: History
  steps: { index: number; made: Made }[]
  /** Steps from here up to there stay in the store; all others go. */
  from: number
  to: number
  /** True where the store holds another rain record, or may; it is long, and is written apart from the rest. */
  recordToo: boolean
  /** Lines of the log by their places where the store holds others; from `to` on there are none. */
  readings: { put: { place: number; reading: LogReading }[]; to: number } | undefined
}

/**
 * What a store lacks of a history, given the history that it is known to hold; undefined where it lacks nothing. A
 * step is written wherever the store holds another one at its place, whenever it was changed.
 */
export function writingOf(held: History | undefined, now: History): Writing | undefined {
  if (held && held.site === now.site && held.steps === now.steps && held.cursor === now.cursor) return undefined
  const { first, steps } = now
  const there = (index: number) => held?.steps[index - held.first]
  return {
    history: now,
    steps: steps.flatMap((made, at) => (there(first + at) === made ? [] : [{ index: first + at, made }])),
    from: first,
    to: first + steps.length,
    readings: logChange(held?.site.log, now.site.log, !held),
    recordToo: !held || held.site.climate.daily !== now.site.climate.daily,
  }
}

const NONE: readonly LogReading[] = []
/** What a log holds at places where another holds something else; a line is never changed in place. */
function logChange(
  held: readonly LogReading[] = NONE,
  now: readonly LogReading[] = NONE,
  unknown: boolean,
): Writing['readings'] {
  if (held === now && !unknown) return undefined
  return {
    put: now.flatMap((reading, place) => (!unknown && held[place] === reading ? [] : [{ place, reading }])),
    to: now.length,
  }
}
