import { narrowPx, portX, slotsByNode, type Slot } from './slots'
import { drawnParts, partsRoomPx, type Lane } from './parts'
import type { VerticalScale } from './scale'
import { portHeightM, type Site } from '../site'

/** Closer than this two lines are one to the eye; closer than this the parts of one would lie on those of the other. */
const [SAME_PX, PARTS_PX] = [4, 16]

interface End {
  node: string
  y: number
  parts: number
}

/** Where each run stands among those that leave and arrive where it does, by its id. */
export function lanesOf(site: Site, scale: VerticalScale): Map<string, Lane> {
  const leaving: End[] = []
  const arriving: End[] = []
  const near = (ends: End[], end: End, withinPx: number) =>
    ends.filter(each => each.node === end.node && Math.abs(each.y - end.y) < withinPx)
  const parts = (ends: End[]) => ends.reduce((sum, end) => sum + end.parts, 0)
  return new Map(
    site.runs.map(run => {
      const { early, late } = drawnParts(run)
      const from = { node: run.from.node, y: scale.y(portHeightM(site, run.from)), parts: early.length }
      const to = { node: run.to.node, y: scale.y(portHeightM(site, run.to)), parts: late.length }
      const lane = {
        leaving: near(leaving, from, SAME_PX).length,
        partsBefore: parts(near(leaving, from, PARTS_PX)),
        partsAfter: parts(near(arriving, to, PARTS_PX)),
      }
      leaving.push(from)
      arriving.push(to)
      return [run.id, lane]
    }),
  )
}

/**
 * What the parts of the lines need of the gap before each thing, in pixels: a line that would be drawn too short for
 * its parts gets what it lacks next to the end where most of them stand.
 */
export function gapsForParts(
  site: Site,
  slots: Slot[],
  lanes: ReadonlyMap<string, Lane>,
  scale: VerticalScale,
): number[] {
  const gapPx = slots.map(() => 0)
  const places = slotsByNode(slots)
  const at = new Map(slots.map((slot, order) => [slot, order]))
  for (const run of site.runs) {
    const needPx = partsRoomPx(run, lanes.get(run.id)!)
    const [from, to] = [places.get(run.from.node)!, places.get(run.to.node)!]
    if (!needPx || from === to) continue
    const rightward = at.get(to)! > at.get(from)!
    const [left, right] = rightward ? [from, to] : [to, from]
    const [first, last] = [at.get(left)!, at.get(right)!]
    const [leftEnd, rightEnd] = rightward ? [run.from, run.to] : [run.to, run.from]
    const [narrowLeft, narrowRight] = [left, right].map(slot => ({ ...slot, x: 0, width: narrowPx(slot) }))
    const within =
      narrowLeft!.width - portX(site, narrowLeft!, leftEnd, Infinity) + portX(site, narrowRight!, rightEnd, -1)
    const between = slots.slice(first + 1, last).reduce((sum, slot) => sum + narrowPx(slot), 0)
    const gaps = gapPx.slice(first + 1, last + 1).reduce((sum, px) => sum + px, 0)
    const upright = Math.abs(scale.y(portHeightM(site, run.from)) - scale.y(portHeightM(site, run.to)))
    const lacksPx = needPx - (within + between + gaps + upright)
    if (lacksPx <= 0) continue
    const { early, late } = drawnParts(run)
    const nearStart = early.length >= late.length
    gapPx[nearStart === rightward ? first + 1 : last]! += lacksPx
  }
  return gapPx
}
