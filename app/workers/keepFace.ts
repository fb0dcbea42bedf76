import { wrap, type Remote } from 'comlink'
import { watched } from '~/workers/missingPiece'
import type { KeepWorker } from './keep.worker'

let remote: Remote<KeepWorker> | undefined
/** The thread that learns from logs, started when it is first asked. */
export function keepFace(): Remote<KeepWorker> {
  remote ??= wrap<KeepWorker>(watched(new Worker(new URL('./keep.worker.ts', import.meta.url), { type: 'module' })))
  return remote
}
