import { readSites } from '#core/exchange'
import type { Problem } from '#core/answers'
import { readSite, type Site } from '#core/site'

/** Files of sites: read and checked where a large one does not hold the page. */
export const files = {
  read: (text: string) => readSites(text),
  /** What is wrong with a document. */
  problems: (document: unknown): Problem[] => {
    const read = readSite(document)
    return read.ok ? [] : read.problems
  },
  /** Sites that came as JSON already; one that does not read is left out. */
  sites: (documents: unknown[]): Site[] =>
    documents.flatMap(document => {
      const read = readSite(document)
      return read.ok ? [read.site] : []
    }),
}
