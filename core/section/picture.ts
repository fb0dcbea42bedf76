import { drawSection, readableWidthPx, type Drawing } from './drawing'
import { labelsOf, type Label } from './labels'
import type { VerticalScale } from './scale'
import { openedAt } from './width'
import type { Site } from '../site'

/** What a picture is made for: the frame it stands in, and how much wider somebody asked it to be. */
export interface Frame {
  framePx: number
  heightPx: number
  asked?: number
}

/** A drawing with its words, and the width it would best be read at. */
export interface Picture {
  readablePx: number
  drawing: Drawing
  labels: Label[]
}

/** What stays as it is while a height is dragged, so that nothing else moves. */
export interface HeldScale {
  scale: VerticalScale
  readablePx: number
}

/** The site cut through, laid out for a frame. */
export function pictureOf(site: Site, { framePx, heightPx, asked }: Frame, held?: HeldScale): Picture {
  const readablePx = held?.readablePx ?? readableWidthPx(site, heightPx)
  const { widthPx, widen } = openedAt(framePx, readablePx, asked)
  const drawing = drawSection(site, widthPx, heightPx, Math.max(1, widen), held?.scale)
  return { readablePx, drawing, labels: labelsOf(site, drawing) }
}
