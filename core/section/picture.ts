import { drawSection, readableWidthPx, type Drawing } from './drawing'
import { labelsOf, type Label } from './labels'
import { bandsOf, scaleOf, type ScaleBands, type VerticalScale } from './scale'
import { openedAt } from './width'
import { graphOf, type Site } from '../site'

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
export interface Held {
  scale: VerticalScale
  readablePx: number
}

/** The site cut through, laid out for a frame. */
export function pictureOf(site: Site, { framePx, heightPx, asked }: Frame, held?: Held): Picture {
  const readablePx = held?.readablePx ?? readableWidthPx(site, heightPx)
  const { widthPx, widen } = openedAt(framePx, readablePx, asked)
  const drawing = drawSection(site, widthPx, heightPx, Math.max(1, widen), held?.scale)
  return { readablePx, drawing, labels: labelsOf(site, drawing) }
}

/** A picture as it goes from one thread to another: without its site, which both have, and without functions. */
export interface SentPicture {
  readablePx: number
  drawing: Omit<Drawing, 'site' | 'scale'> & { scale: ScaleBands }
  labels: Label[]
}

export function sent({ readablePx, labels, drawing: { site: _site, scale, ...drawing } }: Picture): SentPicture {
  return { readablePx, labels, drawing: { ...drawing, scale: bandsOf(scale) } }
}

/** A picture that came from another thread, of the site as it stands in this one. */
export function received({ drawing: { scale, slots, ...drawing }, ...rest }: SentPicture, site: Site): Picture {
  const roofs = new Map(site.roofs.map(roof => [roof.id, roof]))
  const { node } = graphOf(site)
  const own = <Node extends { id: string }>(nodes: Node[]) => nodes.map(each => node(each.id) as unknown as Node)
  const standing = slots.map(slot => {
    if (slot.kind === 'roof') return { ...slot, roof: roofs.get(slot.roof.id)!, spouts: own(slot.spouts) }
    return slot.kind === 'taps' ? { ...slot, taps: own(slot.taps) } : slot
  })
  return { ...rest, drawing: { ...drawing, site, slots: standing, scale: scaleOf(scale) } }
}
