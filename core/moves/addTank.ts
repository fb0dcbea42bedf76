import { z } from 'zod'
import { defineMove, freshId, Impossible, required, toThousandth } from './move'
import { feedFrom, joinAtBottom, leaveSpare } from './joins'
import { leadOverflowAway, overflowPort, spillFrom } from './spills'
import { nameOf, portsByRole, rimM, spillM, type Site } from '../site'
import { tankHeight } from '../sums'
import type { Tank } from '../kinds'
import { BASES, TANK_KIND_IDS, TANK_KINDS, type TankKindId } from '../catalog'

/**
 * A tank of a catalog kind as it is usually fitted, standing on its usual base; `like` copies another's measures and
 * footing.
 */
export function makeTank(site: Site, kind: TankKindId, name?: string, like?: Tank): Tank {
  const entry = TANK_KINDS[kind]
  const shape = like?.tankKind === kind ? { ...like.shape } : { ...entry.shape }
  const heightM = tankHeight(shape)
  const groundM = like?.groundM ?? 0
  const count = site.nodes.filter(node => node.kind === 'tank').length
  return {
    kind: 'tank',
    id: freshId(site, 'tank'),
    name: name ?? `Tank ${String.fromCharCode(65 + (count % 26))}`,
    baseM: groundM + BASES[entry.base].heightM,
    groundM,
    tankKind: kind,
    shape,
    emptyMassKg: entry.emptyMassKg,
    lid: entry.lid,
    lightTight: entry.lightTight,
    sunlit: entry.base !== 'buried',
    ...(entry.base === 'buried' ? { cover: 'roofed' as const } : {}),
    // What lets light through comes with its wrap, and with a lid.
    ...(entry.base !== 'buried' && !entry.lightTight ? { cover: 'painted' as const, lid: true } : {}),
    ventMm: entry.inletMm,
    base: entry.base,
    inletStyle: 'top',
    ports: [
      { name: 'inlet', role: 'inlet', heightM: toThousandth(heightM - 0.06), boreMm: entry.inletMm },
      {
        name: 'overflow',
        role: 'overflow',
        heightM: toThousandth(heightM - Math.min(0.2, heightM * 0.15)),
        boreMm: entry.inletMm,
        ending: 'screened',
      },
      { name: 'outlet', role: 'outlet', heightM: toThousandth(Math.min(0.1, heightM * 0.08)), boreMm: entry.outletMm },
      {
        name: 'link',
        role: 'link',
        heightM: toThousandth(Math.min(0.1, heightM * 0.08)),
        boreMm: entry.outletMm,
        spare: 'valve',
      },
    ],
  }
}

export const HOW_IDS = ['alone', 'joined', 'spill', 'stepped', 'pump'] as const
const HOW_WORDS: Record<(typeof HOW_IDS)[number], (of: string) => string> = {
  alone: () => '',
  joined: of => ` joined to ${of} at the bottom`,
  spill: of => ` fed by ${of}’s spill`,
  stepped: of => ` below ${of}, filled through a float valve`,
  pump: of => ` for the pump, filled from ${of} through a float valve`,
}

/**
 * One more tank: on its own; joined at the bottom of another; fed by another's spill; a step down the slope; or a
 * small one that the pump draws from.
 */
export const addTank = defineMove({
  args: z.object({
    kind: z.enum(TANK_KIND_IDS),
    how: z.enum(HOW_IDS),
    to: z.string().optional(),
    name: z.string().optional(),
  }),
  label: ({ kind, how, to }, site) => `Add a ${TANK_KINDS[kind].name}${HOW_WORDS[how](nameOf(site, to ?? ''))}`,
  apply(site, { kind, how, to, name }) {
    const like = to ? required(site, to, 'tank') : undefined
    const tank = makeTank(site, kind, name, like)
    if (how !== 'alone' && !like) throw new Impossible('Say which tank the new one is joined to.')
    if (like && like.base === tank.base) tank.baseM = like.baseM
    site.nodes.push(tank)
    if (!like || how === 'alone') leadOverflowAway(site, tank)
    else if (how === 'joined') {
      // Level tops let one overflow serve both; a taller or lower tank gets a base to match.
      standLevel(tank, rimM(like))
      joinAtBottom(
        site,
        like,
        tank,
        Math.min(portsByRole(like, 'link')[0]?.boreMm ?? 50, portsByRole(tank, 'link')[0]!.boreMm),
      )
      leaveSpare(site, tank)
    } else if (how === 'spill') {
      tank.baseM = toThousandth(
        Math.min(tank.baseM, spillM(site, like) - 0.03 - portsByRole(tank, 'inlet')[0]!.heightM),
      )
      spillFrom(site, like, tank)
    } else if (how === 'stepped') stepDown(site, like, tank)
    else pumpFrom(site, like, tank)
  },
})

/** So much a base of blocks or gravel may be higher or lower than it usually is. */
const BUILT_UP_M = 0.3

/** Stands a tank so that its rim is at a height: on its own base, on posts where that is too low, dug in where too high. */
function standLevel(tank: Tank, rimAtM: number): void {
  tank.baseM = toThousandth(rimAtM - tankHeight(tank.shape))
  const usualM = tank.groundM + (tank.base === 'buried' ? tank.baseM - tank.groundM : BASES[tank.base].heightM)
  if (tank.baseM > usualM + BUILT_UP_M) {
    tank.base = 'stand'
    tank.stand = { posts: 4, footingAreaM2: 0.16, braced: true }
  } else if (tank.baseM < usualM - BUILT_UP_M) tank.groundM = toThousandth(tank.baseM - (usualM - tank.groundM))
}

/** The whole of the upper tank runs down into the lower: its float valve lies below the upper one's outlet. */
function stepDown(site: Site, upper: Tank, lower: Tank): void {
  const outletM = upper.baseM + (portsByRole(upper, 'outlet')[0]?.heightM ?? 0)
  const stepM = lower.baseM - lower.groundM
  lower.baseM = toThousandth(outletM - 0.05 - (overflowPort(lower).heightM - 0.05))
  lower.groundM = toThousandth(Math.min(upper.groundM, lower.baseM - stepM))
  feedFrom(site, upper, lower)
}

/**
 * A small tank beside a big one: its float valve sits low, so that little of the big one stays out of reach, and the
 * pump draws from it.
 */
function pumpFrom(site: Site, big: Tank, small: Tank): void {
  const heightM = tankHeight(small.shape)
  small.baseM = toThousandth(Math.min(big.baseM, big.groundM + BASES[small.base].heightM))
  const pumped = site.runs.filter(run => run.from.node === big.id && run.parts.some(part => part.kind === 'pump'))
  feedFrom(site, big, small, heightM * 0.5)
  const outlet = portsByRole(small, 'outlet')[0]!
  for (const run of pumped) {
    run.from = { node: small.id, port: outlet.name }
    outlet.boreMm = Math.max(outlet.boreMm, run.parts.find(part => part.kind === 'pipe')?.innerDiameterMm ?? 0)
  }
}
