import { firstChange } from './changes'
import { weirKey, headM, metresOf, runs, vesselAt, type Draw, type World } from './world'
import { wellChangesAfter } from './wells'
import { flowsOver, type Flowing } from '../network'
import { min } from 'd3-array'

/** Levels move no further in one step than this; pressures no further than this share of their switch's range. */
const [STEP_M, STEP_SHARE] = [0.005, 0.1]
/** Steps are no shorter than this, s. */
export const LEAST_S = 0.01
/** What is looked for within a step is found to this, s. */
export const FOUND_S = 0.02
/** Two stages of one step, of second order and calm however stiff (Alexander 1977). */
const GAMMA = 1 - Math.SQRT1_2
/** A mouth whose flow grows no more with depth passes all that its line does. */
const FLAT = 1e-6

/** Flows where the search of each stage begins, and what fell freely into each store. */
export interface Warm {
  first: Float64Array
  second: Float64Array
  falling: Float64Array
}

/** What a step would bring: litres of each store at its end, and the mean flows of it, L/s. */
export interface Trial {
  seconds: number
  litres: Float64Array<ArrayBufferLike>
  flowLps: Float64Array
  overLps: Float64Array
  warm: Warm
  /** Flows of its second stage, which are those of its end. */
  last: Flowing
  trouble?: string
}

/** Flows with stores that give way for some seconds, from litres as they are at the beginning of those. */
function flowing(
  world: World,
  of: World['litres'],
  extLps: ArrayLike<number>,
  seconds: number,
  from: Float64Array | undefined,
): Flowing {
  const { standing, open, mainsOff, dry, wellsDry, floatsShut, empty } = world
  const stores = standing.held.map((held, at) => {
    const slope = held.risePerL(of[at]!) * seconds
    return { headM: held.headM(of[at]!) + slope * extLps[at]!, slope, empty: empty[at] === 1 }
  })
  const weirs = standing.weirs.map((weir, at) => {
    if (!world.spilling.has(weirKey(weir))) return undefined
    const depthM = headM(world, standing.weirOf[at]!) - weir.beginsM
    const { flowLps, slope } = weir.at(Math.max(0, depthM))
    return slope > FLAT ? { headM: weir.beginsM + depthM - flowLps / slope, slope: 1 / slope } : undefined
  })
  const running = Object.fromEntries(standing.controls.map(each => [each.run.id, runs(world, each)]))
  const over = { open: Object.fromEntries(open), mains: Object.fromEntries(mainsOff), running }
  return flowsOver(standing.lines, { ...over, stores, weirs, dry, wellsDry, floatsShut }, from)
}

/** Flows as they are now, with nothing giving way. */
export const instant = (world: World): Flowing =>
  flowing(world, world.litres, new Float64Array(world.litres.length), 0, undefined)

/** What a step of so many seconds would bring, with so much of the roofs' water into each store. */
export function tried(world: World, seconds: number, rainLps: Float64Array, warm: Warm | undefined): Trial {
  const { standing, litres } = world
  const ext = Float64Array.from(rainLps)
  // A mouth that passes all its line lets through, however deep it stands, is drawn from its tank as it is.
  const evenLps = standing.weirs.map((weir, at) => {
    if (!world.spilling.has(weirKey(weir))) return 0
    const { flowLps, slope } = weir.at(Math.max(0, headM(world, standing.weirOf[at]!) - weir.beginsM))
    return slope > FLAT ? 0 : flowLps
  })
  evenLps.forEach((lps, at) => (ext[standing.weirOf[at]!]! -= lps))
  const before = warm?.falling ?? new Float64Array(litres.length)
  const withFall = (fall: Float64Array) => ext.map((lps, at) => lps + fall[at]!)
  const drawn = (flowLps: Float64Array, store: number) => flowLps[standing.lines.stores[store]!.link]!

  const first = flowing(world, litres, withFall(before), GAMMA * seconds, warm?.first)
  const fall = fallOf(world, first.flowLps)
  const middle = litres.map(
    (each, at) => each + (1 - GAMMA) * seconds * (ext[at]! + fall[at]! - drawn(first.flowLps, at)),
  )
  const second = flowing(world, middle, withFall(fall), GAMMA * seconds, warm?.second ?? first.flowLps)
  const flowLps = first.flowLps.map((flow, at) => (1 - GAMMA) * flow + GAMMA * second.flowLps[at]!)
  const falls = fallOf(world, flowLps)
  const end = litres.map((each, at) => each + seconds * (ext[at]! + falls[at]! - drawn(flowLps, at)))
  const overLps = Float64Array.from(standing.lines.weirs, ({ link }, at) => flowLps[link]! + evenLps[at]!)
  overLps.forEach((lps, at) => {
    const into = standing.weirInto[at]
    if (into !== undefined) end[into]! += seconds * lps
  })
  const next = { first: first.flowLps, second: second.flowLps, falling: fallOf(world, second.flowLps) }
  return {
    seconds,
    litres: end,
    flowLps,
    overLps,
    warm: next,
    last: second,
    trouble: second.trouble ?? first.trouble,
  }
}

/** What falls into each store freely, L/s. */
function fallOf({ standing, litres }: World, flowLps: Float64Array): Float64Array {
  const into = new Float64Array(litres.length)
  standing.ends.forEach(({ to }, at) => {
    if (typeof to === 'object') into[to.store]! += flowLps[at]!
  })
  return into
}

/** How many times as far as a step may, one moves what it moves most. */
export function tooFar(world: World, trial: Trial): number {
  let most = 0
  world.litres.forEach((_, at) => {
    const movedM = Math.abs(headM(world, at, trial.litres) - headM(world, at))
    most = Math.max(most, movedM / mayMoveM(world, at))
  })
  return most
}
function mayMoveM(world: World, store: number): number {
  if (world.standing.isTank[store]) return STEP_M
  const { cutInKPa, cutOutKPa } = vesselAt(world, store)
  return STEP_SHARE * metresOf(Math.max(10, cutOutKPa - cutInKPa))
}

/** The draws in hand: one a tap, the first that came. */
export const drawsInHand = ({ draws }: World): Draw[] =>
  draws.filter((draw, at) => draws.findIndex(({ tap }) => tap === draw.tap) === at)

/** The share of a step after which something first changes; nothing where nothing does. */
export function changesAfter(world: World, trial: Trial): number | undefined {
  const shares = [firstChange(world, trial.litres), wellChangesAfter(world, trial.flowLps, trial.seconds)]
  let share = min(shares.filter(each => each !== undefined))
  for (const { tap, leftL } of drawsInHand(world)) {
    const gives = trial.flowLps[world.standing.linkOfTap.get(tap)!]! * trial.seconds
    if (gives >= leftL) share = Math.min(share ?? 1, leftL / gives)
  }
  return share
}
