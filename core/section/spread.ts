import { narrowPx, STAFF_PX, type Slot } from './slots'

/** How close things come where it is crowded, and how far they stand apart where there is room. */
const [LEAST_GAP_PX, MOST_GAP_PX] = [9, 64]
const EDGE_PX = 20

export interface Spread {
  slots: Slot[]
  widthPx: number
}

/** Room for the slope between two things whose ground differs: a hill is a slope, not a pillar. */
function slopePx(before: Slot | undefined, slot: Slot): number {
  const riseM = before ? Math.abs(slot.groundM - before.groundM) : 0
  return riseM < 1 ? 0 : Math.min(GENTLEST_PX, 6 + riseM * 4)
}
const [STEEPEST_PX, GENTLEST_PX] = [18, 40]

const sum = (values: number[]) => values.reduce((total, value) => total + value, 0)

/**
 * Shares a width out. With room to spare things stand equally far apart, but no closer than the parts between them
 * need; where it is crowded things grow narrower first, then come closer, and only then does the drawing grow wider.
 *
 * @param partsPx what the lines' parts need of the gap before each thing
 * @param widen how far apart things may stand, as a multiple of what is usual
 */
export function spread(slots: Slot[], partsPx: number[], widthPx: number, widen = 1): Spread {
  const { least, tight, roomy } = gapsOf(slots, partsPx)
  const [yielding, firm] = [slots.filter(slot => slot.yields), slots.filter(slot => !slot.yields)]
  const room = widthPx - STAFF_PX - EDGE_PX
  const spare = room - sum(slots.map(slot => slot.width)) - sum(roomy)
  const taken = narrowing(yielding, -spare)
  const takenFirm = narrowing(firm, -spare - taken.px)
  const forGaps = room - sum(slots.map(slot => slot.width)) + taken.px + takenFirm.px
  const gaps =
    spare >= 0
      ? levelled(roomy, spare, MOST_GAP_PX * widen)
      : forGaps > sum(tight)
        ? closer(roomy, tight, forGaps)
        : closer(tight, least, forGaps)
  let x = STAFF_PX
  const laid = slots.map((slot, at) => {
    x += gaps[at]! * (at ? 1 : 0.5)
    const place = { ...slot, x, width: (slot.yields ? taken : takenFirm).width(slot) }
    x += place.width
    return place
  })
  return { slots: laid, widthPx: Math.max(widthPx, x + EDGE_PX - LEAST_GAP_PX / 2) }
}

/** What is taken off the widths of some things where so many pixels are wanting, in equal shares of what they can give. */
function narrowing(slots: Slot[], wantingPx: number): { px: number; width: (slot: Slot) => number } {
  const most = sum(slots.map(slot => slot.width - narrowPx(slot)))
  const px = Math.max(0, Math.min(most, wantingPx))
  return { px, width: slot => slot.width - (most ? (px / most) * (slot.width - narrowPx(slot)) : 0) }
}

/** The least width at which the parts of the lines still have their room; the things stand narrow and close. */
export const closestPx = (slots: Slot[], partsPx: number[]): number =>
  STAFF_PX + EDGE_PX + sum(slots.map(narrowPx)) + sum(gapsOf(slots, partsPx).tight)

/** The gap before each thing: at the least, with room for the parts of its lines, and with gentle slopes as well. */
function gapsOf(slots: Slot[], partsPx: number[]): { least: number[]; tight: number[]; roomy: number[] } {
  const slopes = slots.map((slot, at) => slopePx(slots[at - 1], slot))
  const least = slopes.map(px => LEAST_GAP_PX + Math.min(STEEPEST_PX, px))
  return {
    least,
    tight: least.map((px, at) => Math.max(px, partsPx[at]!)),
    roomy: slopes.map((px, at) => Math.max(LEAST_GAP_PX + px, partsPx[at]!)),
  }
}

/** Room to spare goes to the narrowest gaps first, until all are alike; none grows past the most. */
function levelled(gaps: number[], spare: number, most: number): number[] {
  let level = 0
  const rising = [...gaps].sort((a, b) => a - b)
  for (let count = 1; count <= rising.length; count++) {
    level = (spare + sum(rising.slice(0, count))) / count
    if (count === rising.length || level <= rising[count]!) break
  }
  return gaps.map(px => Math.max(px, Math.min(most, level)))
}

/** All give the same share of what they have over the least. */
function closer(gaps: number[], least: number[], room: number): number[] {
  const over = sum(gaps) - sum(least)
  const share = over > 0 ? Math.max(0, Math.min(1, (room - sum(least)) / over)) : 1
  return gaps.map((px, at) => least[at]! + (px - least[at]!) * share)
}
