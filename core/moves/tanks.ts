import { defineMove, freshId, need, Impossible, toThousandth } from './move'
import { feedFrom, joinAtBottom, leadOverflowAway, leaveSpare, overflowPort, spillFrom } from './joins'
import { showQuantity } from '../units'
import { tankHeight, tankVolume } from '../sums'
import { nameOf, portsByRole, rimM, runsFrom, spillM, type Site } from '../site'
import { type Tank, does, layIn } from '../kinds'
import { BASE_IDS, BASES, TANK_KIND_IDS, TANK_KINDS, type BaseId, type TankKindId } from '../catalog'
import { z } from 'zod'

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
    sunlit: true,
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
    const like = to ? need(site, to, 'tank') : undefined
    const tank = makeTank(site, kind, name, like)
    if (how !== 'alone' && !like) throw new Impossible('Say which tank the new one is joined to.')
    if (like && like.base === tank.base) tank.baseM = like.baseM
    site.nodes.push(tank)
    if (!like || how === 'alone') leadOverflowAway(site, tank)
    else if (how === 'joined') {
      // Level tops let one overflow serve both; a taller or lower tank gets a base to match.
      tank.baseM = toThousandth(rimM(like) - tankHeight(tank.shape))
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

/** Gives a tank an overflow and leads it to a swale. */
export const fitOverflow = defineMove({
  args: z.object({ tank: z.string() }),
  label: ({ tank }, site) => `Fit an overflow to ${nameOf(site, tank)}`,
  apply: (site, { tank }) => leadOverflowAway(site, need(site, tank, 'tank')),
})

/** Sets height and bore of a fitting in a tank's wall; the pipe of its overflow line follows. */
export const setPort = defineMove({
  args: z.object({
    tank: z.string(),
    port: z.string(),
    heightM: z.number().min(0).max(50).optional(),
    boreMm: z.number().positive().max(5000).optional(),
  }),
  label: ({ tank, port }, site) => `${nameOf(site, tank)}: ${port}`,
  apply(site, { tank: id, port: name, heightM, boreMm }) {
    const tank = need(site, id, 'tank')
    const port = tank.ports.find(candidate => candidate.name === name)
    if (!port) throw new Impossible(`${tank.name} has no fitting “${name}” any more.`)
    const metres = (heightM: number) => showQuantity(heightM, 'length', site.standards.units).text
    if (heightM !== undefined) {
      if (heightM > tankHeight(tank.shape))
        throw new Impossible(
          `${tank.name} is only ${metres(tankHeight(tank.shape))} tall; its ${name} cannot sit at ` +
            `${metres(heightM)} above the floor.`,
        )
      port.heightM = toThousandth(heightM)
    }
    if (boreMm !== undefined) {
      port.boreMm = boreMm
      for (const run of runsFrom(site, id, name))
        for (const part of run.parts) if (does(part, 'carries')) layIn(part, boreMm)
    }
  },
})

/** Gives a tank other measures; fittings that would stand above the new rim come down with it. */
export const resizeTank = defineMove({
  args: z.object({ tank: z.string(), shape: z.record(z.string(), z.unknown()) }),
  label: ({ tank }, site) => `Resize ${nameOf(site, tank)}`,
  apply(site, { tank: id, shape }) {
    const tank = need(site, id, 'tank')
    takeShape(tank, { ...tank.shape, ...shape } as Tank['shape'])
  },
})

function takeShape(tank: Tank, shape: Tank['shape']): void {
  const before = tankHeight(tank.shape)
  tank.shape = shape
  const after = tankHeight(shape)
  if (!(after > 0)) return
  // Fittings near the top keep their distance from the rim, those near the floor theirs from the floor.
  for (const port of tank.ports) {
    if (port.heightM > before / 2) port.heightM = toThousandth(Math.max(after * 0.5, port.heightM + after - before))
    else port.heightM = toThousandth(Math.min(port.heightM, after * 0.4))
  }
}

/** A tank of another shape that is as tall and holds about as much. */
export const reshapeTank = defineMove({
  args: z.object({ tank: z.string(), shape: z.enum(['upright-cylinder', 'lying-cylinder', 'box']) }),
  label: ({ tank }, site) => `Give ${nameOf(site, tank)} another shape`,
  apply(site, { tank: id, shape }) {
    const tank = need(site, id, 'tank')
    if (tank.shape.shape === shape) return
    const heightM = tankHeight(tank.shape)
    const planM2 =
      tank.shape.shape === 'box'
        ? tank.shape.lengthM * tank.shape.widthM
        : tank.shape.shape === 'upright-cylinder'
          ? (Math.PI * tank.shape.diameterM ** 2) / 4
          : ((Math.PI * tank.shape.diameterM) / 4) * tank.shape.lengthM
    if (shape === 'upright-cylinder')
      tank.shape = { shape, diameterM: toThousandth(Math.sqrt((planM2 * 4) / Math.PI)), heightM }
    else if (shape === 'box')
      tank.shape = { shape, lengthM: toThousandth(Math.sqrt(planM2)), widthM: toThousandth(Math.sqrt(planM2)), heightM }
    else tank.shape = { shape, diameterM: heightM, lengthM: toThousandth((planM2 * 4) / (Math.PI * heightM)) }
  },
})

/**
 * Swaps a tank's kind for another from the catalog, with its usual measures and fittings; its place and its lines
 * stay.
 */
export const setKind = defineMove({
  args: z.object({ tank: z.string(), kind: z.enum(TANK_KIND_IDS), volumeL: z.number().positive().max(1e7).optional() }),
  label: ({ tank, kind }, site) => `Make ${nameOf(site, tank)} a ${TANK_KINDS[kind].name}`,
  apply(site, { tank: id, kind, volumeL }) {
    const tank = need(site, id, 'tank')
    const entry = TANK_KINDS[kind]
    const share = volumeL ? volumeL / tankVolume({ ...entry.shape, levelM: tankHeight(entry.shape) }).volumeL : 1
    const { shape } = entry
    // A larger one of its kind is wider, not taller; a smaller one keeps its proportions; a lying one differs in
    // length.
    const tall = Math.min(1, Math.cbrt(share))
    const spread = Math.sqrt(share / tall)
    const sized =
      shape.shape === 'upright-cylinder'
        ? { ...shape, diameterM: toThousandth(shape.diameterM * spread), heightM: toThousandth(shape.heightM * tall) }
        : shape.shape === 'box'
          ? {
              ...shape,
              lengthM: toThousandth(shape.lengthM * spread),
              widthM: toThousandth(shape.widthM * spread),
              heightM: toThousandth(shape.heightM * tall),
            }
          : { ...shape, lengthM: toThousandth(shape.lengthM * share) }
    const level = tankHeight(tank.shape)
    takeShape(tank, sized)
    tank.baseM = toThousandth(tank.base === 'buried' ? tank.baseM + level - tankHeight(sized) : tank.baseM)
    Object.assign(tank, {
      tankKind: kind,
      emptyMassKg: Math.round(entry.emptyMassKg * share ** 0.75),
      lightTight: entry.lightTight,
      lid: entry.lid,
    })
    delete tank.cover
    delete tank.price
  },
})

/** Puts a tank on another base, at the height that base usually has above the ground. */
export const standOn = defineMove({
  args: z.object({ tank: z.string(), base: z.enum(BASE_IDS), heightM: z.number().min(-20).max(50).optional() }),
  label: ({ tank, base }, site) => `Stand ${nameOf(site, tank)} on ${BASES[base].name}`,
  apply(site, { tank: id, base, heightM }) {
    const tank = need(site, id, 'tank')
    tank.base = base
    tank.baseM = toThousandth(tank.groundM + (heightM ?? usualHeightM(tank, base)))
    if (base === 'stand') tank.stand ??= { posts: 4, footingAreaM2: 0.16, braced: true }
    else delete tank.stand
  },
})

/** Buried, a tank's top lies a hand below the ground; other bases lift the floor by what they usually do. */
function usualHeightM(tank: Tank, base: BaseId): number {
  return base === 'buried' ? -tankHeight(tank.shape) - 0.1 : BASES[base].heightM
}

/** Fills a tank from the top, or calmed at the bottom with the air hole that keeps it from siphoning. */
export const setInlet = defineMove({
  args: z.object({ tank: z.string(), style: z.enum(['top', 'calmed']), airHole: z.boolean().optional() }),
  label: ({ tank, style }, site) =>
    `Fill ${nameOf(site, tank)} ${style === 'top' ? 'from the top' : 'calmed, at the bottom'}`,
  apply(site, { tank: id, style, airHole = true }) {
    const tank = need(site, id, 'tank')
    tank.inletStyle = style
    for (const port of portsByRole(tank, 'inlet')) {
      if (style === 'calmed') port.airHole = airHole
      else delete port.airHole
    }
  },
})

/**
 * Makes tanks hold a multiple of what they do, in their width (a lying one in its length); their heights and fittings
 * stay.
 */
export const widenTanks = defineMove({
  args: z.object({ tanks: z.array(z.string()).min(1), share: z.number().min(0.01).max(100) }),
  label: ({ tanks }, site) => `Resize ${tanks.map(id => nameOf(site, id)).join(' and ')}`,
  apply(site, { tanks, share }) {
    const across = Math.sqrt(share)
    for (const id of tanks) {
      const { shape } = need(site, id, 'tank')
      if (shape.shape === 'upright-cylinder') shape.diameterM = toThousandth(shape.diameterM * across)
      else if (shape.shape === 'box')
        [shape.lengthM, shape.widthM] = [toThousandth(shape.lengthM * across), toThousandth(shape.widthM * across)]
      else shape.lengthM = toThousandth(shape.lengthM * share)
    }
  },
})
