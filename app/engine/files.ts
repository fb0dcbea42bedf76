import { inOwnThread } from './thread'
import type { SitesRead } from '#core/exchange'
import type { Problem } from '#core/answers'
import type { Site } from '#core/site'

/** Reads a file of one site or of a whole Yard. */
export async function readFile(file: File): Promise<SitesRead> {
  const text = await file.text()
  return inOwnThread(face => face.files.read(text))
}

/** What is wrong with a document; nothing where it reads. */
export const problemsOf = (document: unknown): Promise<Problem[]> => inOwnThread(face => face.files.problems(document))

/** Reads sites that came as JSON; those that do not read are left out. */
export const readDocuments = (documents: unknown[]): Promise<Site[]> => inOwnThread(face => face.files.sites(documents))
