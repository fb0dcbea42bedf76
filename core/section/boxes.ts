/** A rectangle of the drawing. */
export interface Box {
  x: number
  y: number
  width: number
  height: number
}

/** The area two rectangles share; most share none, and that is seen at once. */
export function overlap(a: Box, b: Box): number {
  if (a.x >= b.x + b.width || b.x >= a.x + a.width || a.y >= b.y + b.height || b.y >= a.y + a.height) return 0
  const wide = Math.min(a.x + a.width, b.x + b.width) - Math.max(a.x, b.x)
  return wide * (Math.min(a.y + a.height, b.y + b.height) - Math.max(a.y, b.y))
}

export function overlapAll(box: Box, others: readonly Box[]): number {
  let total = 0
  for (const other of others) total += overlap(box, other)
  return total
}

/** The rectangle that holds all of some. */
export function boundsOf(boxes: readonly Box[]): Box {
  let [left, top, right, foot] = [Infinity, Infinity, -Infinity, -Infinity]
  for (const { x, y, width, height } of boxes) {
    left = Math.min(left, x)
    top = Math.min(top, y)
    right = Math.max(right, x + width)
    foot = Math.max(foot, y + height)
  }
  return { x: left, y: top, width: right - left, height: foot - top }
}

/** The rectangle round a stretch, so much wider on every side. */
export const around = (x1: number, y1: number, x2: number, y2: number, by: number): Box => ({
  x: Math.min(x1, x2) - by,
  y: Math.min(y1, y2) - by,
  width: Math.abs(x2 - x1) + 2 * by,
  height: Math.abs(y2 - y1) + 2 * by,
})

const COLUMN_PX = 48

/**
 * Rectangles in columns of the drawing, so that who asks what lies in a place looks only there: what a label costs does
 * not grow with how many things stand elsewhere.
 */
export function columnsOf<Item extends Box>() {
  const columns = new Map<number, Item[]>()
  const spanOf = ({ x, width }: Box) => [Math.floor(x / COLUMN_PX), Math.floor((x + width) / COLUMN_PX)] as const
  return {
    put(item: Item): void {
      const [first, last] = spanOf(item)
      for (let at = first; at <= last; at++) {
        const there = columns.get(at)
        if (there) there.push(item)
        else columns.set(at, [item])
      }
    },
    /** All that lies over a rectangle, each once. */
    over(field: Box): Item[] {
      const [first, last] = spanOf(field)
      const found: Item[] = []
      for (let at = first; at <= last; at++)
        for (const item of columns.get(at) ?? [])
          if (Math.max(first, spanOf(item)[0]) === at && overlap(item, field) > 0) found.push(item)
      return found
    },
  }
}
