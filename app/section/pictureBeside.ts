import { homeOf, scheduler } from '~/engine/engine'
import { bandsOf, pictureOf, received, type Frame, type HeldScale, type HeldPicture, type Picture } from '#core/section'
import type { Site } from '#core/site'

/**
 * The picture that last came from its thread. The thread holds it too and sends only what is not as there: what it
 * answers hangs on what it said before, and so it is no question of a document.
 */
let last: { number: number; picture: HeldPicture } | undefined

/**
 * The site cut through, laid out in a thread, so that the page does not stand still; where none can be had, the page
 * does.
 */
export const pictureBeside = (site: Site, frame: Frame, held?: HeldScale): Promise<Picture> =>
  laidOut(site, frame, held).catch(() => pictureOf(site, frame, held))

async function laidOut(site: Site, frame: Frame, held?: HeldScale): Promise<Picture> {
  const { daily: _daily, ...climate } = site.climate
  const kept = held && { ...held, scale: bandsOf(held.scale) }
  const bare = { ...site, climate, options: [] }
  const { number, picture } = await scheduler.inTurn('drawing', () =>
    homeOf('picture').use(undefined, [], face => face.section.picture(bare, frame, kept, last?.number)),
  )
  const [made, now] = received(picture, site, last?.picture)
  last = { number, picture: now }
  return made
}
