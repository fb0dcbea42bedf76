import { releaseProxy, wrap } from 'comlink'
import type { FileWorker } from './file.worker'
import type { SitesRead } from '#core/exchange'

/** Reads a file of one site or of a whole Yard, in a thread of its own. */
export async function readFile(file: File): Promise<SitesRead> {
  const worker = new Worker(new URL('./file.worker.ts', import.meta.url), { type: 'module' })
  const face = wrap<FileWorker>(worker)
  try {
    return await face.read(await file.text())
  } finally {
    face[releaseProxy]()
    worker.terminate()
  }
}
