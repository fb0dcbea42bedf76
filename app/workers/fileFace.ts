import { releaseProxy, wrap, type Remote } from 'comlink'
import { watched } from '~/workers/missingPiece'
import type { FileWorker } from './file.worker'
import type { SitesRead } from '#core/exchange'
import type { Problem } from '#core/answers'
import type { Site } from '#core/site'

/** Asks a thread of its own, which ends with its answer. */
async function asked<Answer>(question: (face: Remote<FileWorker>) => Promise<Answer>): Promise<Answer> {
  const worker = watched(new Worker(new URL('./file.worker.ts', import.meta.url), { type: 'module' }))
  const face = wrap<FileWorker>(worker)
  try {
    return await question(face)
  } finally {
    face[releaseProxy]()
    worker.terminate()
  }
}

/** Reads a file of one site or of a whole Yard. */
export async function readFile(file: File): Promise<SitesRead> {
  const text = await file.text()
  return asked(face => face.read(text))
}

/** What is wrong with a document; nothing where it reads. */
export const problemsBeside = (document: unknown): Promise<Problem[]> => asked(face => face.problems(document))

/** Reads sites that came as JSON; those that do not read are left out. */
export const readDocuments = (documents: unknown[]): Promise<Site[]> => asked(face => face.sites(documents))
