import { transfer } from 'comlink'
import { pictureOf, scaleOf, sent } from '#core/section'
import type { Frame, HeldPicture, ScaleBands, SentPicture } from '#core/section'
import type { Site } from '#core/site'

/** The picture that was last sent, and its number among all. */
let last: { number: number; picture: HeldPicture } | undefined

/** The Section: of a picture that the page holds only what has changed is sent. */
export const section = {
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
