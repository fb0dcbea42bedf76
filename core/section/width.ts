/** From this share of the width it wants on a drawing is read well enough to be shown whole. */
const NEARLY = 0.85

/** How wide a drawing is laid out in a frame. */
export interface Opened {
  /** Its width at a widening of 1, and the widening at which the whole of it is in the frame. */
  usualPx: number
  least: number
  /** How much wider than usual it is, and how wide that makes it. */
  widen: number
  widthPx: number
}

/**
 * At 1 a drawing is as wide as it must be to be read, `readablePx`, and so it opens, unless the whole of it is nearly
 * as well read in the frame. `asked` is what somebody made of it.
 */
export function openedAt(framePx: number, readablePx: number, asked?: number): Opened {
  const usualPx = Math.max(framePx, readablePx)
  const least = usualPx ? framePx / usualPx : 1
  const widen = Math.max(least, asked ?? (least >= NEARLY ? least : 1))
  return { usualPx, least, widen, widthPx: usualPx * widen }
}
