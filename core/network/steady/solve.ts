import { eliminate } from './factor'
import { WALL, type Law, type Loss } from './laws'
import type { Lines, Link } from './layout'

/** How a link stands while a network is solved. */
export interface LinkStates {
  /** Nothing goes through it, and it joins nothing. */
  closed: boolean
  noForward: boolean
  noBackward: boolean
  /**
   * What its pumps do: run, stand, hold the head behind them, or idle since it is held without them. A regulator runs
   * where it is wide open, and holds where it throttles.
   */
  pump: 'runs' | 'stands' | 'holds' | 'idles'
  /** What a tap takes as it stands open. */
  mouth?: Law
}

/** A network at a moment: the fixed heads, how its links stand, and where the search begins and ends. */
export interface Moment {
  fixedM: Float64Array
  standing: LinkStates[]
  headM: Float64Array
  flowLps: Float64Array
}
export interface Solution {
  converged: boolean
  steps: number
  /** The link that is furthest from its law, and by how much. */
  worst?: Link
  energyM: number
}

const MOST_STEPS = 200
/** So many steps are taken whole: that finds in a few which walls are met. Where they swing, steps are cut from then on. */
const BOLD_STEPS = 12
const [ENERGY_M, FLOW_LPS, DRAWN_LPS] = [1e-6, 1e-7, 5e-8]
/** Where a law is flat at no flow, as a bare fitting's, flows only halve from step to step: heads alone are enough then. */
const [MANY_STEPS, EXACT_M] = [20, 1e-9]
/** The least slope there is: where a law is flat, heads on both sides are still told apart. */
const LEAST_SLOPE = 1e-7

/** What a link takes at a flow, less what its pumps give. */
export function lossAt(link: Link, standing: LinkStates, flowLps: number, loss: Loss): void {
  loss.headM = 0
  loss.slope = LEAST_SLOPE
  const walled = (flowLps < 0 && standing.noBackward) || (flowLps > 0 && standing.noForward)
  const at = walled ? 0 : flowLps
  if (standing.pump === 'holds') for (const law of link.holder!.after) law(at, loss)
  else {
    for (const law of link.laws) law(at, loss)
    for (const pump of link.pumps) (standing.pump === 'runs' ? pump.running : pump.stopped)(at, loss)
  }
  standing.mouth?.(at, loss)
  loss.headM += link.opensAtM
  if (!walled) return
  loss.headM += WALL * flowLps
  loss.slope = WALL
}

/**
 * Heads and flows at which every joint passes on what it gets and every link takes what its law says: Newton on both at
 * once (the global gradient method, Todini and Pilati 1988). A step that overshoots is cut to where the energy that the
 * flows take is least along it, which always ends, since no law falls. A pump or a regulator that holds a pressure stands for a
 * fixed head behind it; what it draws before it follows from the last solution.
 */
export function solve({ unknowns, links, elimination, heightM }: Lines, moment: Moment): Solution {
  const { fixedM, standing, headM, flowLps } = moment
  const count = links.length
  const numbers = (size: number) => new Float64Array(size)
  /** What each link takes at its flow, and how fast that grows; and the same at the flow that is tried. */
  let [lost, slope, triedLost, triedSlope] = [count, count, count, count].map(numbers) as Float64Array[] as Four
  const [change, dropM] = [numbers(count), numbers(count)]
  /** What pumps that hold a pressure are taken to draw before them. */
  const drawn = Float64Array.from(flowLps)
  const [toGround, between] = [numbers(unknowns), numbers(elimination.other.length)]
  const loss: Loss = { headM: 0, slope: 0 }
  const headOf = (place: number) => (place < unknowns ? headM[place]! : fixedM[place - unknowns]!)
  const fromHead = (link: Link, at: number) => (standing[at]!.pump === 'holds' ? link.holder!.headM : headOf(link.from))

  /** Heads of a step, and the change of each flow that goes with them. */
  function step(): void {
    toGround.fill(0)
    between.fill(0)
    headM.fill(0)
    for (let at = 0; at < count; at++) {
      const link = links[at]!
      if (standing[at]!.closed) continue
      const ease = 1 / slope[at]!
      const through = flowLps[at]! - ease * lost[at]!
      const holds = standing[at]!.pump === 'holds'
      const [fromOpen, toOpen] = [link.from < unknowns && !holds, link.to < unknowns]
      if (link.from < unknowns && holds) headM[link.from]! -= drawn[at]!
      if (fromOpen) {
        if (!toOpen) toGround[link.from]! += ease
        headM[link.from]! -= through - (toOpen ? 0 : ease * fixedM[link.to - unknowns]!)
      }
      if (toOpen) {
        if (!fromOpen) toGround[link.to]! += ease
        headM[link.to]! += through + (fromOpen ? 0 : ease * fromHead(link, at))
      }
      if (fromOpen && toOpen) between[link.entry]! += ease
    }
    eliminate(elimination, toGround, between, headM)
    for (let at = 0; at < count; at++) {
      if (standing[at]!.closed) continue
      dropM[at] = fromHead(links[at]!, at) - headOf(links[at]!.to)
      change[at] = (dropM[at]! - lost[at]!) / slope[at]!
    }
  }

  /** Tries a share of a step; how the energy that all flows take still changes along it there. */
  function tried(share: number): number {
    let sum = 0
    for (let at = 0; at < count; at++) {
      if (standing[at]!.closed) continue
      lossAt(links[at]!, standing[at]!, flowLps[at]! + share * change[at]!, loss)
      triedLost[at] = loss.headM
      triedSlope[at] = loss.slope
      sum += (loss.headM - dropM[at]!) * change[at]!
    }
    return sum
  }

  /** The share of a step that is taken, the last that was tried: all of it, unless it goes far beyond the least. */
  function shareOf(): number {
    let [low, lowSlope] = [0, 0]
    for (let at = 0; at < count; at++) lowSlope -= slope[at]! * change[at]! ** 2
    let [high, highSlope] = [1, tried(1)]
    const enough = 0.5 * Math.abs(lowSlope)
    if (highSlope <= enough) return 1
    let share = 1
    for (let times = 0; times < 40 && high - low > 1e-13; times++) {
      share = times % 2 ? (low + high) / 2 : low + ((high - low) * -lowSlope) / (highSlope - lowSlope)
      const found = tried(share)
      if (Math.abs(found) <= enough / 5) return share
      if (found < 0) [low, lowSlope] = [share, found]
      else [high, highSlope] = [share, found]
    }
    return share
  }

  /** How far the link that is furthest from its law is from it. */
  function unrest(): { energyM: number; worst?: Link } {
    let [energyM, worst]: [number, Link | undefined] = [0, undefined]
    for (let at = 0; at < count; at++) {
      // Against a wall next to nothing flows, and what it takes there is no loss.
      if (standing[at]!.closed || slope[at] === WALL) continue
      const off = Math.abs(dropM[at]! - lost[at]!)
      if (off > energyM) [energyM, worst] = [off, links[at]]
    }
    return { energyM, worst }
  }

  tried(0)
  ;[lost, slope, triedLost, triedSlope] = [triedLost, triedSlope, lost, slope]
  let left = unrest()
  for (let steps = 1; steps <= MOST_STEPS; steps++) {
    step()
    const share = steps > BOLD_STEPS ? shareOf() : (tried(1), 1)
    // Where that leads back to itself it may swing about the answer, and is followed by halves.
    const follows = steps > MANY_STEPS ? 0.5 : 1
    let [most, behind] = [0, 0]
    for (let at = 0; at < count; at++) {
      if (standing[at]!.closed) continue
      flowLps[at]! += share * change[at]!
      most = Math.max(most, Math.abs(change[at]!))
      if (standing[at]!.pump !== 'holds') continue
      behind = Math.max(behind, Math.abs(flowLps[at]! - drawn[at]!))
      drawn[at]! += follows * (flowLps[at]! - drawn[at]!)
    }
    if (!Number.isFinite(most)) {
      // No answer, but figures all the same.
      flowLps.fill(0)
      headM.set(heightM)
      break
    }
    ;[lost, slope, triedLost, triedSlope] = [triedLost, triedSlope, lost, slope]
    left = unrest()
    const settled = behind < DRAWN_LPS && (most < FLOW_LPS || (steps > MANY_STEPS && left.energyM < EXACT_M))
    if (share === 1 && settled && left.energyM < ENERGY_M) return { converged: true, steps, ...left }
  }
  return { converged: false, steps: MOST_STEPS, ...left }
}
type Four = [Float64Array, Float64Array, Float64Array, Float64Array]
