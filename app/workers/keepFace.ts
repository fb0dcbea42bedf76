import { wrap, type Remote } from 'comlink'
import type { KeepWorker } from './keep.worker'

let remote: Remote<KeepWorker> | undefined
/** The thread that learns from logs, started when it is first asked. */
export function keepFace(): Remote<KeepWorker> {
  remote ??= wrap<KeepWorker>(new Worker(new URL('./keep.worker.ts', import.meta.url), { type: 'module' }))
  return remote
}
