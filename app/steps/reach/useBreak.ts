import { asRun } from './useMode'
import { plantFace } from '~/workers/plantFace'
import type { BreakLoss } from '#core/plant'
import type { Site } from '#core/site'

/** Hours until somebody comes, as it was last said. */
export const hours = ref(12)

/** What breaks lose, each asked once for a document as it is run. */
const known = shallowReactive(new Map<string, BreakLoss & { hours: number }>())
let of: Site | undefined
const face = plantFace()
const asked = new Set<string>()

/** What a break of a run or a tank loses until somebody comes; undefined while it is worked out. */
export function lossOf(site: Site, at: string): (BreakLoss & { hours: number }) | undefined {
  const now = asRun(site)
  if (of !== now) {
    of = now
    asked.clear()
    // What was worked out of another document is no answer any more; told in a task of its own, since this is a reading.
    queueMicrotask(() => of === now && known.clear())
  }
  const key = `${at} ${hours.value}`
  if (!asked.has(key)) {
    asked.add(key)
    const { value } = hours
    void face
      .ask()
      .breakLoss(face.light(now), at, value)
      .then(loss => {
        if (of === now) known.set(key, { ...loss, hours: value })
      })
  }
  return known.get(key)
}
