import { wrap, type Remote } from 'comlink'
import { watched } from '~/workers/missingPiece'
import type { Climate, Site } from '#core/site'
import type { YearWorker } from '~/workers/year.worker'

/**
 * One worker for questions about the year, started when it is first asked. It is given the record once; a site goes
 * to it without.
 */
export function yearFace() {
  let worker: Worker | undefined
  let remote: Remote<YearWorker> | undefined
  let sentRecord: Climate['daily']

  const without = ({ climate: { daily: _daily, ...climate }, log: _log, ...site }: Site): Site => ({ ...site, climate })

  return {
    /**
     * The worker at once, where it is started and knows the record: so that it is asked before the page is drawn
     * anew.
     */
    now: (site: Site): { face: Remote<YearWorker>; light: Site } | undefined =>
      remote && site.climate.daily === sentRecord ? { face: remote, light: without(site) } : undefined,
    async ready(site: Site): Promise<{ face: Remote<YearWorker>; light: Site }> {
      if (!remote) {
        worker = watched(new Worker(new URL('./year.worker.ts', import.meta.url), { type: 'module' }))
        remote = wrap<YearWorker>(worker)
        sentRecord = undefined
      }
      const face = remote
      const { daily } = site.climate
      if (daily !== sentRecord) {
        await face.setRecord(daily ? toRaw(daily) : undefined)
        sentRecord = daily
      }
      return { face, light: without(site) }
    },
    stop(): void {
      worker?.terminate()
      worker = undefined
      remote = undefined
    },
  }
}
