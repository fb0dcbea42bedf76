import type { Planned } from './order'

/** Days on which nothing can be done, and what is waited for meanwhile. */
export interface Idle {
  from: number
  to: number
  waitsFor: Planned[]
}

/** The days between others on which nobody works, each with what must cure or dry before the next day's work goes on. */
export function idleDays(plan: readonly Planned[]): Idle[] {
  const by = new Map(plan.map(task => [task.id, task]))
  const days = [...new Set(plan.filter(({ done }) => !done).map(({ day }) => day))].sort((a, b) => a - b)
  return days.slice(1).flatMap((next, at): Idle[] => {
    const [from, to] = [days[at]! + 1, next - 1]
    if (to < from) return []
    const waited = plan
      .filter(({ day, done }) => day === next && !done)
      .flatMap(({ after }) => after.flatMap(id => by.get(id) ?? []))
      .filter(({ curesH }) => curesH !== undefined)
    // What cures longest is what keeps the rest waiting.
    const longest = Math.max(0, ...waited.map(({ curesH }) => curesH!))
    const waitsFor = [...new Set(waited.filter(({ curesH }) => curesH === longest))]
    return [{ from, to, waitsFor }]
  })
}
