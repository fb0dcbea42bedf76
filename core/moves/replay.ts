import { whyNot } from '../answers'
import { applyMove, labelOf, type Made } from './apply'
import type { Move, Site } from '../site'

/** A kept move that no longer fits the site it was to be made on, and why. */
export interface LeftMove {
  move: Move
  label: string
  problem: string
}

/** What came of making kept moves on a site that has changed since: the site, the step, and what was left. */
export interface Replayed {
  site: Site
  made: Made
  left: LeftMove[]
}

/** The same words with ids that now go by others; what a person typed as a name or a text is no id. */
function withIdsOf(value: unknown, now: ReadonlyMap<string, string>): unknown {
  if (typeof value === 'string') return now.get(value) ?? value
  if (Array.isArray(value)) return value.map(item => withIdsOf(item, now))
  if (typeof value !== 'object' || value === null) return value
  return Object.fromEntries(
    Object.entries(value).map(([key, item]) => [key, key === 'name' ? item : withIdsOf(item, now)]),
  )
}

/** An id up to the number that ends it: what two ids that a move made have in common. */
const stemOf = (id: string) => id.replace(/-\d+$/, '')

/** Pairs what a move made when it was kept with what it makes now, kind by kind and in order. */
function pair(was: string[], is: string[], now: Map<string, string>): void {
  const left = [...is]
  for (const id of was) {
    const at = left.findIndex(other => stemOf(other) === stemOf(id))
    if (at >= 0) now.set(id, left.splice(at, 1)[0]!)
  }
}

/**
 * Makes kept moves on a site, by id. What they put in may get other ids than when they were kept, where the site has
 * grown since; later moves follow. A move that no longer fits is left out, with the reason; the rest are made.
 */
export function replay(site: Site, moves: Move[], label: string): Replayed {
  const now = new Map<string, string>()
  const left: LeftMove[] = []
  const made: Made = { label, patches: [], inverse: [], moves: [] }
  let current = site
  for (const move of moves) {
    const asked: Move = { name: move.name, args: withIdsOf(move.args, now) as Move['args'] }
    const result = applyMove(current, asked)
    if (!result.ok) {
      left.push({ move, label: labelOf(current, asked) ?? move.name, problem: whyNot(result) })
      continue
    }
    const [kept] = result.made.moves ?? []
    pair(move.makes ?? [], kept?.makes ?? [], now)
    current = result.site
    made.patches.push(...result.made.patches)
    made.inverse.unshift(...result.made.inverse)
    made.moves!.push(...(result.made.moves ?? []))
  }
  return { site: current, made, left }
}
