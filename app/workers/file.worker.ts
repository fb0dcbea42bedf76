import { expose } from 'comlink'
import { z } from 'zod'
import { readSites } from '#core/exchange'

z.config({ jitless: true })

/** Files of sites are read and checked here, so that a large one does not hold the page. */
const face = {
  read: (text: string) => readSites(text),
}

export type FileWorker = typeof face
expose(face)
