import { isDraft } from 'immer'
import type { Site } from './schema'

/** A part of a document: its nodes, its climate, its name. */
export type SitePart = keyof Site

/** What was worked out of some parts, which were these very ones. */
interface Known<Answer> {
  parts: unknown[]
  answer: Answer
}

/** So many documents that share their first part are remembered: somebody goes back and forth between two or three. */
const MOST_ALIKE = 4

/** Something that is worked out of a document, and remembered. */
export interface Remembering<Document, Answer> {
  (site: Document): Answer
  /** All that it reads of a document. */
  of: readonly SitePart[]
  /** Has it remember an answer that somebody knows already. */
  given: (site: Document, answer: Answer) => void
}

/**
 * Something that is worked out of some parts of a document, once for as long as they are the very same: a part never
 * changes once it is made, and every reader asks again. A draft that a move is changing is read as it stands.
 * @param of all that it reads of the document, what changes most often first; a test holds it to that
 */
export function remembered<Document extends Partial<Site>, Answer>(
  of: readonly (keyof Document & SitePart)[],
  workOut: (site: Document) => Answer,
): Remembering<Document, Answer> {
  const known = new WeakMap<object, Known<Answer>[]>()
  const anchorOf = (site: Document) => site[of[0]!] as object | undefined
  const isMade = (site: Document) => !isDraft(site) && anchorOf(site) !== undefined && !isDraft(anchorOf(site))

  function given(site: Document, answer: Answer): void {
    const alike = known.get(anchorOf(site)!) ?? []
    alike.unshift({ parts: of.map(part => site[part]), answer })
    alike.length = Math.min(alike.length, MOST_ALIKE)
    known.set(anchorOf(site)!, alike)
  }
  function read(site: Document): Answer {
    if (!isMade(site)) return workOut(site)
    const found = known.get(anchorOf(site)!)?.find(({ parts }) => parts.every((part, at) => part === site[of[at]!]))
    if (found) return found.answer
    const answer = workOut(site)
    given(site, answer)
    return answer
  }
  return Object.assign(read, { of, given })
}

/** Worked out of what stands and how it is joined. */
export const onceLaid = <Document extends Pick<Site, 'nodes' | 'runs'>, Answer>(workOut: (site: Document) => Answer) =>
  remembered<Document, Answer>(['nodes', 'runs'], workOut)

/** The same of one thing of the document, a tank or a spout by its id: once for each. */
export function onceEach<Thing, Answer>(
  workOut: (site: Site, thing: Thing) => Answer,
): (site: Site, thing: Thing) => Answer {
  const answers = onceLaid((_site: Site) => new Map<Thing, Answer>())
  return (site, thing) => {
    const known = answers(site)
    const answer = known.get(thing) ?? workOut(site, thing)
    known.set(thing, answer)
    return answer
  }
}
