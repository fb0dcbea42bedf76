import { addUpAsked, startLanes } from './lanes'
import { poolColumns } from './columns'
import { refill, stepDay } from './stepDay'
import type { Compiled } from './compiled'

/**
 * Runs of one site side by side that differ in what comes and what is asked: stepped day by day from outside, which may
 * read and set what the pools hold. Rows hold a figure a lane, at `row * lanes + lane`. Nothing fails in them.
 */
export interface SideBySide {
  lanes: number
  pools: number
  uses: number
  capL: Float64Array
  /** What the pools hold: to be read, and to be set, between days. */
  poolL: Float64Array
  /** What was asked of all uses, and not met, on the day that was stepped last. */
  askedL: Float64Array
  shortL: Float64Array
  spilledL: Float64Array
  /** What wells, the main and carts brought. */
  broughtL: readonly Float64Array[]
  /**
   * One day and the night after it: what arrives in each pool, and what each use asks, litres, a row a pool and a use.
   */
  step: (month: number, inflowL: Float64Array, askedL: Float64Array) => void
}

/** Runs of a site that stand at nothing, to be set. */
export function sideBySide(site: Compiled, lanes: number): SideBySide {
  const columns = poolColumns(Array.from({ length: lanes }, () => site))
  const state = startLanes(columns, 0, lanes)
  const { pool } = state
  let arriving = new Float64Array()
  const arrive = () => {
    for (let at = 0; at < pool.length; at++) pool[at]! += arriving[at]!
  }
  return {
    lanes,
    pools: columns.pools,
    uses: columns.uses,
    capL: columns.capL,
    poolL: pool,
    askedL: state.allAskedL,
    shortL: state.shortL,
    spilledL: state.spilledL,
    broughtL: [state.wellL, state.mainL, state.cartL],
    step(month, inflowL, askedL) {
      arriving = inflowL as Float64Array<ArrayBuffer>
      state.askedL.set(askedL)
      addUpAsked(columns, state)
      stepDay(columns, state, month, arrive, false)
      refill(columns, state)
    },
  }
}
