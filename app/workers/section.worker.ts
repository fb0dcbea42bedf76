import { expose, transfer } from 'comlink'
import { z } from 'zod'
import { pictureOf, scaleOf, sent } from '#core/section'
import type { Frame, HeldPicture, ScaleBands, SentPicture } from '#core/section'
import type { Site } from '#core/site'

z.config({ jitless: true })

/** The picture that was last sent, and its number among all. */
let last: { number: number; picture: HeldPicture } | undefined

/** A large site is laid out here, so that the page does not stand still. */
const face = {
  /** What has changed since the picture of the number that the page holds; all of it where it holds none. */
  picture(
    site: Site,
    frame: Frame,
    still?: { scale: ScaleBands; readablePx: number },
    holds?: number,
  ): { number: number; picture: SentPicture } {
    const made = pictureOf(site, frame, still && { ...still, scale: scaleOf(still.scale) })
    const [picture, held] = sent(made, last?.number === holds ? last?.picture : undefined)
    last = { number: (last?.number ?? 0) + 1, picture: held }
    return transfer({ number: last.number, picture }, [picture.xy.buffer])
  },
}

export type SectionWorker = typeof face
expose(face)
