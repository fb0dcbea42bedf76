import { wrap, type Remote } from 'comlink'
import { watched } from '~/workers/missingPiece'
import { turns } from '~/workers/pageTurns'
import type { SectionWorker } from '~/workers/section.worker'
import { bandsOf, pictureOf, received, type Frame, type Held, type HeldPicture, type Picture } from '#core/section'
import type { Site } from '#core/site'

/** One worker for all, started when it is first asked. */
let face: Remote<SectionWorker> | undefined
/** The picture that last came from it: only what is not as there is sent again. */
let last: { number: number; picture: HeldPicture } | undefined

/**
 * The site cut through, laid out in a worker, so that the page does not stand still; where none can be had, the page
 * does.
 */
export const pictureBeside = (site: Site, frame: Frame, held?: Held): Promise<Picture> =>
  laidOut(site, frame, held).catch(() => pictureOf(site, frame, held))

async function laidOut(site: Site, frame: Frame, held?: Held): Promise<Picture> {
  face ??= wrap<SectionWorker>(
    watched(new Worker(new URL('../workers/section.worker.ts', import.meta.url), { type: 'module' })),
  )
  const { daily: _daily, ...climate } = site.climate
  const kept = held && { ...held, scale: bandsOf(held.scale) }
  const bare = { ...site, climate, options: [] }
  const drawing = face
  const { number, picture } = await turns.inTurn('drawing', () => drawing.picture(bare, frame, kept, last?.number))
  const [made, now] = received(picture, site, last?.picture)
  last = { number, picture: now }
  return made
}
