import { SIGN_IDS, SIGNS, type SignRow, type SignId } from './rows'
import { choresOf } from '../chores/chores'
import type { Chore } from '../chores/chore'
import type { Site } from '../../site'

/** A cause that may stand behind a sign: how it is tried, what it means if so, and what mends it. */
export interface SignBranch {
  id: string
  /** A question that is answered by looking or by a small test. */
  test: string
  /** What a yes means, and what is done then. */
  means: string
  mend: string
  /** Where in this system, by name; nothing where it may be anywhere. */
  at: string[]
  /** The chore that sees to it, where this system has one. */
  chore?: Chore
}

/** What one sees or hears, with what may be behind it in this system, the likeliest and easiest to try first. */
export interface Sign {
  id: SignId
  words: string
  branches: SignBranch[]
}

/** Every sign with the causes that this system can have: a tree cut to its own parts. */
export function signsOf(site: Site): Sign[] {
  const chores = choresOf(site)
  return SIGN_IDS.flatMap((id): Sign[] => {
    const rows: readonly SignRow[] = SIGNS[id].rows
    const branches = rows.flatMap(({ test, means, mend, where, chore: begins }, at): SignBranch[] => {
      const places = where?.(site) ?? []
      if (where && !places.length) return []
      const chore = begins === undefined ? undefined : chores.find(each => each.id.startsWith(begins))
      return [{ id: `${id}-${at}`, test, means, mend, at: places, ...(chore ? { chore } : {}) }]
    })
    return branches.length ? [{ id, words: SIGNS[id].words, branches }] : []
  })
}
