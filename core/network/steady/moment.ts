import { squareLaw, WALL, type Law } from './laws'
import type { Fixed, Lines, Link } from './layout'
import type { Moment, LinkStates } from './solve'
import { headOfPressureM } from '../../sums'
import { FIXTURES } from '../../catalog'
import { dripPlan, spillM, type Site } from '../../site'
import type { NodeOf, Tank } from '../../kinds'

/** What is open, how high tanks stand, what pressure tanks are at and which pumps run; what is left out is as it is. */
export interface MomentSetting {
  /** Share to which taps are open; those that are not named are shut. */
  open?: Record<string, number>
  /** Metres of water above a tank's floor; a tank that is not named stands where it spills. */
  levels?: Record<string, number>
  /** Pressures of pressure tanks, kPa; one that is not named is midway between its switch's two. */
  pressures?: Record<string, number>
  /** Whether a run's pumps run; those that are not named do. */
  running?: Record<string, boolean>
  /** Pressures of mains at rest, kPa, where they are not as the document has them; one at 0 is off. */
  mains?: Record<string, number>
}

/** A valve that opens no further than this is shut. */
const LEAST_OPEN = 1e-4

/** How water stands in tanks and pressure tanks, as far as lines ask. */
export interface Stands {
  /** True where a link begins, or ends, in a tank above its water. */
  leavesAir: (link: Link) => boolean
  arrivesInAir: (link: Link) => boolean
  floatShuts: (link: Link) => boolean
  fixedM: (known: Fixed) => number
}

/** How it stands at the levels and pressures that are asked about. */
export function standsAt(
  { site, fixed, unknowns }: Lines,
  { levels = {}, pressures = {}, mains = {} }: MomentSetting,
): Stands {
  const waterM = (tank: Tank) => (tank.id in levels ? tank.baseM + levels[tank.id]! : spillM(site, tank))
  const isAir = (place: number) => {
    const known = fixed[place - unknowns]
    return known?.kind === 'tank' && waterM(known.tank) <= known.portM
  }
  return {
    leavesAir: link => isAir(link.from),
    arrivesInAir: link => isAir(link.to),
    floatShuts: ({ float }) => float !== undefined && waterM(float.tank) >= float.shutsAtM,
    fixedM(known) {
      if (known.kind === 'tank') return Math.max(known.portM, waterM(known.tank))
      if (known.kind === 'head') return known.headM
      if (known.kind === 'main') return mainM(known.node, mains)
      const { id, baseM, cutInKPa, cutOutKPa } = known.node
      return baseM + headOfPressureM(pressures[id] ?? (cutInKPa + cutOutKPa) / 2)
    },
  }
}
/** The head at which a main stands at rest, above the datum. */
export const mainM = ({ id, baseM, pressureKPa }: NodeOf<'main'>, mains: Record<string, number>): number =>
  baseM + headOfPressureM(mains[id] ?? pressureKPa)

/** Taps, mains and pumps as they are asked about, by how water stands; flows where the search begins. */
export function momentOf(
  lines: Lines,
  { open = {}, running = {}, mains = {} }: MomentSetting,
  { leavesAir, arrivesInAir, floatShuts, fixedM }: Stands,
): Moment {
  const { site, fixed, links, unknowns } = lines
  const gives = (place: number) => {
    const known = fixed[place - unknowns]
    if (known?.kind === 'main') return mains[known.node.id] !== 0
    return known?.kind !== 'head' || known.gives
  }
  const standing = links.map((link): LinkStates => {
    const { tap, runId } = link
    const runs = running[runId ?? ''] ?? true
    const [fromAir, toAir] = [leavesAir(link), arrivesInAir(link)]
    const share = tap ? (open[tap.id] ?? 0) : 1
    return {
      closed:
        link.shut ||
        share < LEAST_OPEN ||
        floatShuts(link) ||
        (!runs && link.pumps.some(pump => pump.diaphragm)) ||
        // A pump that finds air gives nothing, and its line stands.
        (fromAir && runs && link.pumps.length > 0),
      noForward: fromAir || !gives(link.from),
      noBackward: link.check || toAir || !gives(link.to),
      pump: runs || !link.pumps.length ? 'runs' : 'stands',
      mouth: tap && openingOf(site, tap, share),
    }
  })
  return {
    fixedM: Float64Array.from(fixed, fixedM),
    standing,
    headM: new Float64Array(unknowns),
    flowLps: Float64Array.from(links, (link, at) => (standing[at]!.closed ? 0 : link.beginsAs)),
  }
}

/** What a tap takes at a share open: by the root of its pressure; drip with a steady flow no more than that. */
function openingOf(site: Site, tap: NodeOf<'tap'>, share: number): Law {
  const usual = FIXTURES[tap.fixture]
  const drips = tap.fixture === 'drip' ? dripLps(site, tap.id) : 0
  const ratedLps = share * (tap.ratedLps ?? (drips || usual.ratedLps))
  const ratedM = headOfPressureM(tap.ratedKPa ?? usual.ratedKPa)
  const root = squareLaw(ratedM / ratedLps ** 2)
  if (tap.fixture !== 'drip') return root
  return (flowLps, loss) => {
    root(Math.min(flowLps, ratedLps), loss)
    if (flowLps <= ratedLps) return
    loss.headM += WALL * (flowLps - ratedLps)
    loss.slope = WALL
  }
}

/** Flow of the widest zone that a drip tap serves, by its own emitters. */
const dripLps = (site: Site, tapId: string): number =>
  Math.max(
    0,
    ...site.uses.flatMap(({ at, amount }) =>
      at === tapId && amount.by === 'bed' && amount.drip ? [dripPlan(amount.drip).zoneLph / 3600] : [],
    ),
  )
