import { asRun } from './useMode'
import { ask } from '~/engine/engine'
import type { BreakLoss } from '#core/plant'
import type { Site } from '#core/site'

/** Hours until somebody comes, as it was last said. */
export const breakHours = ref(12)

/** What a break loses, or why that could not be worked out. */
export type LossAnswer = (BreakLoss & { hours: number; failure?: undefined }) | { failure: string }

/** What breaks lose, each asked once for a document as it is run. */
const known = shallowReactive(new Map<string, LossAnswer>())
let of: Site | undefined
let work = new AbortController()
const asked = new Set<string>()

/** Another document: what is still being worked out of the last one is dropped, and what was is no answer any more. */
function turnTo(site: Site): void {
  of = site
  if (asked.size > known.size) {
    work.abort()
    work = new AbortController()
  }
  asked.clear()
  // Told in a task of its own, since this is asked while something is read.
  queueMicrotask(() => of === site && known.clear())
}

/** What a break of a run or a tank loses until somebody comes; undefined while it is worked out. */
export function lossOf(site: Site, at: string): LossAnswer | undefined {
  const now = asRun(site)
  if (of !== now) turnTo(now)
  const { value } = breakHours
  const key = `${at} ${value}`
  if (!asked.has(key)) {
    asked.add(key)
    const hear = (answer: LossAnswer) => of === now && known.set(key, answer)
    ask('loss', now, { at, hours: value }, { signal: work.signal }).then(
      loss => hear({ ...loss, hours: value }),
      (error: unknown) => hear({ failure: error instanceof Error ? error.message : 'it could not be played' }),
    )
  }
  return known.get(key)
}
