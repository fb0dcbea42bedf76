import { wrap, type Remote } from 'comlink'
import { watched } from '~/workers/missingPiece'
import type { PlantWorker } from './plant.worker'
import type { Site } from '#core/site'

/** One thread in which plants are played, started when it is first asked. */
export function plantFace() {
  let worker: Worker | undefined
  let remote: Remote<PlantWorker> | undefined
  return {
    ask(): Remote<PlantWorker> {
      if (!remote) {
        worker = watched(new Worker(new URL('./plant.worker.ts', import.meta.url), { type: 'module' }))
        remote = wrap<PlantWorker>(worker)
      }
      return remote
    },
    /** A site as it goes to the thread: without its rain record and its log, which a plant does not read. */
    light: ({ climate: { daily: _daily, ...climate }, log: _log, ...site }: Site): Site =>
      ({ ...toRaw(site), climate }) as Site,
    stop(): void {
      worker?.terminate()
      worker = remote = undefined
    },
  }
}
