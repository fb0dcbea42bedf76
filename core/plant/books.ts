import type { RoofFlows } from './roofWater'
import type { Trial } from './step'
import { heldL, type World } from './world'

/** Litres that came and went. */
export interface Books {
  /** From wells, mains and roofs; out of taps, holes and chambers and back into sources; over weirs and gutters. */
  in: number
  out: number
  spilled: number
  /** What stands in tanks, pressure tanks and chambers more than at the beginning; and what the books are out by. */
  stored: number
  error: number
}

/** The books of a world from now on. */
export function booksOf(world: World) {
  const beganL = heldL(world)
  const sums = { in: 0, out: 0, spilled: 0 }
  return {
    /** Enters a step, with what came off roofs and what ran out of chambers in it. */
    enter({ seconds, flowLps, overLps }: Trial, { yieldLps, awayLps }: RoofFlows, drainedL: number): void {
      sums.in += seconds * yieldLps
      sums.spilled += seconds * awayLps
      sums.out += drainedL
      world.standing.ends.forEach(({ from, to }, at) => {
        const litres = seconds * flowLps[at]!
        if (from === 'source') enterSource(litres)
        else if (from === 'out') sums.out -= litres
        if (to === 'source') enterSource(-litres)
        else if (to === 'out') sums.out += litres
      })
      overLps.forEach((lps, at) => {
        if (world.standing.weirInto[at] === undefined) sums.spilled += seconds * lps
      })
    },
    told(): Books {
      const stored = heldL(world) - beganL
      return { ...sums, stored, error: sums.in - sums.out - sums.spilled - stored }
    },
  }
  function enterSource(litres: number): void {
    if (litres > 0) sums.in += litres
    else sums.out -= litres
  }
}
