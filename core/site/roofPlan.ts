import type { Roof } from './schema'

/** A rectangle of a roof where it lies on the plan, metres east and north; copies of a piece lie beside each other. */
export interface PlanRectangle {
  piece: string
  copy: number
  xM: number
  yM: number
  lengthM: number
  widthM: number
  cut: boolean
}

/** Air between pieces that were never placed, and between the copies of one. */
export const PLAN_GAP_M = 0.5

/** Every rectangle of a roof on its plan. Those that were never placed lie in a row to the right of the others. */
export function planRectangles(roof: Roof): PlanRectangle[] {
  const laid: PlanRectangle[] = []
  const right = () =>
    laid.length ? Math.max(...laid.map(rectangle => rectangle.xM + rectangle.lengthM)) + PLAN_GAP_M : 0
  const order = [...roof.pieces].sort((a, b) => Number(a.xM === undefined) - Number(b.xM === undefined))
  for (const { id, lengthM, widthM, count, cut = false, xM, yM } of order) {
    const start = xM ?? right()
    for (let copy = 0; copy < count; copy++)
      laid.push({ piece: id, copy, xM: start + copy * (lengthM + PLAN_GAP_M), yM: yM ?? 0, lengthM, widthM, cut })
  }
  return laid
}

function sharedM2(a: PlanRectangle, b: PlanRectangle): number {
  const along = Math.min(a.xM + a.lengthM, b.xM + b.lengthM) - Math.max(a.xM, b.xM)
  const across = Math.min(a.yM + a.widthM, b.yM + b.widthM) - Math.max(a.yM, b.yM)
  return Math.max(0, along) * Math.max(0, across)
}

/**
 * What a plan counts wrongly: where rectangles lie over each other and are counted twice, and where a cut takes away
 * what is not there.
 */
export function planSlips(roof: Roof): { twiceM2: number; strayCutM2: number } {
  const laid = planRectangles(roof)
  const [covers, cuts] = [laid.filter(rectangle => !rectangle.cut), laid.filter(rectangle => rectangle.cut)]
  const twiceM2 = covers.reduce(
    (sum, one, index) => sum + covers.slice(index + 1).reduce((part, other) => part + sharedM2(one, other), 0),
    0,
  )
  const strayCutM2 = cuts.reduce(
    (sum, cut) =>
      sum + Math.max(0, cut.lengthM * cut.widthM - covers.reduce((part, cover) => part + sharedM2(cut, cover), 0)),
    0,
  )
  return { twiceM2, strayCutM2 }
}
