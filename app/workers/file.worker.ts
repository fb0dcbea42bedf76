import { expose } from 'comlink'
import { z } from 'zod'
import { readSites } from '#core/exchange'
import type { Problem } from '#core/answers'
import { readSite, type Site } from '#core/site'

z.config({ jitless: true })

/** Files of sites are read and checked here, so that a large one does not hold the page. */
const face = {
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

export type FileWorker = typeof face
expose(face)
