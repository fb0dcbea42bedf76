import { expose } from 'comlink'
import { z } from 'zod'
import { pictureOf, scaleOf, sent, type Frame, type ScaleBands, type SentPicture } from '#core/section'
import type { Site } from '#core/site'

z.config({ jitless: true })

/** A large site is laid out here, so that the page does not stand still. */
const face = {
  picture(site: Site, frame: Frame, held?: { scale: ScaleBands; readablePx: number }): SentPicture {
    return sent(pictureOf(site, frame, held && { ...held, scale: scaleOf(held.scale) }))
  },
}

export type SectionWorker = typeof face
expose(face)
