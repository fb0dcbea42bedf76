import { z } from 'zod'
import { defineMove, Impossible, required, toThousandth } from './move'
import { withWhatHangs } from './follow'
import { leadOverflowAway } from './spills'
import { listed } from '../words'
import { showQuantity } from '../units'
import { tankHeight, tankVolume } from '../sums'
import { joinedTanks, nameOf, portsByRole, runsFrom, type Site } from '../site'
import { type Tank, does, layIn } from '../kinds'
import { BASE_IDS, BASES, TANK_KIND_IDS, TANK_KINDS, type BaseId } from '../catalog'

/** Gives a tank an overflow and leads it to a swale. */
export const fitOverflow = defineMove({
  args: z.object({ tank: z.string() }),
  label: ({ tank }, site) => `Fit an overflow to ${nameOf(site, tank)}`,
  apply: (site, { tank }) => leadOverflowAway(site, required(site, tank, 'tank')),
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
    const tank = required(site, id, 'tank')
    const port = tank.ports.find(candidate => candidate.name === name)
    if (!port) throw new Impossible(`${tank.name} has no fitting “${name}” any more.`)
    const metres = (heightM: number) => showQuantity(heightM, 'length', site.standards.units).text
    if (heightM !== undefined) {
      if (heightM > tankHeight(tank.shape))
        throw new Impossible(
          `${tank.name} is only ${metres(tankHeight(tank.shape))} tall; its ${name} cannot sit at ` +
            `${metres(heightM)} above the floor.`,
        )
      withWhatHangs(site, tank, () => (port.heightM = toThousandth(heightM)))
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
    const tank = required(site, id, 'tank')
    withWhatHangs(site, tank, () => takeShape(tank, { ...tank.shape, ...shape } as Tank['shape']))
  },
})

function takeShape(tank: Tank, shape: Tank['shape']): void {
  const before = tankHeight(tank.shape)
  withItsMass(tank, () => (tank.shape = shape))
  const after = tankHeight(shape)
  if (!(after > 0)) return
  // Fittings near the top keep their distance from the rim, those near the floor theirs from the floor.
  for (const port of tank.ports) {
    if (port.heightM > before / 2) port.heightM = toThousandth(Math.max(after * 0.5, port.heightM + after - before))
    else port.heightM = toThousandth(Math.min(port.heightM, after * 0.4))
  }
}

/** What an empty tank of its kind weighs in a size: walls grow slower than what they hold. */
function usualMassKg({ tankKind, shape }: Pick<Tank, 'tankKind' | 'shape'>): number {
  const entry = TANK_KINDS[tankKind]
  const holdsL = (of: Tank['shape']) => tankVolume({ ...of, levelM: tankHeight(of) }).volumeL
  return Math.round(entry.emptyMassKg * (holdsL(shape) / holdsL(entry.shape)) ** 0.75)
}

/** Changes a tank's measures; a weight that nobody weighed changes with them. */
function withItsMass(tank: Tank, change: () => void): void {
  const guessed = Math.abs(tank.emptyMassKg - usualMassKg(tank)) <= 1
  change()
  if (guessed) tank.emptyMassKg = usualMassKg(tank)
}

/** A tank of another shape that is as tall and holds about as much. */
export const reshapeTank = defineMove({
  args: z.object({ tank: z.string(), shape: z.enum(['upright-cylinder', 'lying-cylinder', 'box']) }),
  label: ({ tank }, site) => `Give ${nameOf(site, tank)} another shape`,
  apply(site, { tank: id, shape }) {
    const tank = required(site, id, 'tank')
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
    const tank = required(site, id, 'tank')
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
    withWhatHangs(site, tank, () => {
      takeShape(tank, sized)
      if (tank.base === 'buried') tank.baseM = toThousandth(tank.baseM + level - tankHeight(sized))
      // Another size of the same kind is covered as the one before it was.
      if (tank.tankKind !== kind) {
        Object.assign(tank, { lightTight: entry.lightTight, lid: entry.lid })
        delete tank.cover
      }
      Object.assign(tank, { tankKind: kind, emptyMassKg: usualMassKg({ tankKind: kind, shape: sized }) })
      delete tank.price
      if ((kind === 'buried') !== (tank.base === 'buried')) putOn(tank, entry.base)
    })
  },
})

/** Puts a tank on another base, at the height that base usually has above the ground. */
export const standOn = defineMove({
  args: z.object({ tank: z.string(), base: z.enum(BASE_IDS), heightM: z.number().min(-20).max(50).optional() }),
  label({ tank: id, base, heightM }, site) {
    const tank = site.nodes.find(node => node.id === id)
    const all = tank?.kind === 'tank' && heightM === undefined ? besideIt(site, tank).map(({ name }) => name) : []
    return `Stand ${all.length ? listed(all) : nameOf(site, id)} on ${BASES[base].name}`
  },
  apply(site, { tank: id, base, heightM }) {
    const tank = required(site, id, 'tank')
    for (const each of heightM === undefined ? besideIt(site, tank) : [tank])
      withWhatHangs(site, each, () => putOn(each, base, heightM))
  },
})

/** Tanks that stand joined side by side on one base, the tank itself among them: they stay level. */
const besideIt = (site: Site, tank: Tank): Tank[] =>
  joinedTanks(site, tank).filter(each => each.base === tank.base && each.baseM === tank.baseM)

/** Sets a tank on a base: its floor as high as that lifts it; a stand has posts; in the ground there is no sun. */
function putOn(tank: Tank, base: BaseId, heightM = usualHeightM(tank, base)): void {
  const wasBuried = tank.base === 'buried'
  tank.base = base
  tank.baseM = toThousandth(tank.groundM + heightM)
  if (base === 'stand') tank.stand ??= { posts: 4, footingAreaM2: 0.16, braced: true }
  else delete tank.stand
  if (base === 'buried') Object.assign(tank, { sunlit: false, cover: 'roofed' })
  else if (wasBuried) {
    tank.sunlit = true
    if (tank.cover === 'roofed') delete tank.cover
  }
}

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
    const tank = required(site, id, 'tank')
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
      const tank = required(site, id, 'tank')
      withItsMass(tank, () => widen(tank.shape, across, share))
    }
  },
})

function widen(shape: Tank['shape'], across: number, share: number): void {
  if (shape.shape === 'upright-cylinder') shape.diameterM = toThousandth(shape.diameterM * across)
  else if (shape.shape === 'box')
    [shape.lengthM, shape.widthM] = [toThousandth(shape.lengthM * across), toThousandth(shape.widthM * across)]
  else shape.lengthM = toThousandth(shape.lengthM * share)
}
