import { redo, undo, type Made } from './apply'
import type { Site } from '../site'

/**
 * An open document and the steps that led to it: those before `cursor` are made, the others can be made again. Nothing
 * of it is ever changed in place, so that one history can be told from another by what it holds.
 */
export interface History {
  site: Site
  steps: readonly Made[]
  cursor: number
  /** Place of the first of the steps among all that were ever made; the oldest are let go. */
  first: number
}

/** So many steps can be taken back. */
export const STEPS_KEPT = 300

export const beginHistory = (site: Site): History => ({ site, steps: [], cursor: 0, first: 0 })

/** What was made comes after what is made; what was taken back is gone. */
export function withStep({ steps, cursor, first }: History, site: Site, made: Made): History {
  const all = [...steps.slice(0, cursor), made]
  const gone = Math.max(0, all.length - STEPS_KEPT)
  return { site, steps: all.slice(gone), cursor: all.length - gone, first: first + gone }
}

/** What was made belongs to the last step: one stroke of a drag, or one press of an arrow of many. */
export function withinStep(history: History, site: Site, made: Made): History {
  const { steps, cursor } = history
  const last = steps[cursor - 1]
  if (!last || cursor < steps.length) return withStep(history, site, made)
  const merged: Made = {
    label: last.label,
    patches: [...last.patches, ...made.patches],
    inverse: [...made.inverse, ...last.inverse],
    moves: [...(last.moves ?? []), ...(made.moves ?? [])],
  }
  return { ...history, site, steps: [...steps.slice(0, -1), merged] }
}

/** A step back; the same history where there is none. */
export function takenBack(history: History): History {
  const made = history.steps[history.cursor - 1]
  return made ? { ...history, site: undo(history.site, made), cursor: history.cursor - 1 } : history
}

/** A step that was taken back, made again; the same history where there is none. */
export function madeAgain(history: History): History {
  const made = history.steps[history.cursor]
  return made ? { ...history, site: redo(history.site, made), cursor: history.cursor + 1 } : history
}
