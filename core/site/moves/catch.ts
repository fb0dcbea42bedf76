import { FLUSH_SCHOOLS, ROOFING_IDS } from '../../catalog'
import { chamberDrainTime, chamberLength, firstFlushVolume } from '../../sums'
import { z } from 'zod'
import { roofAreaM2, spoutAreaM2 } from '../quantities'
import { portsByRole, runsFrom, runsTo } from '../ports'
import type { NodeOf, Roof, Site } from '../schema'
import { addRun, defineMove, freshId, guessedLengthM, heightOf, need, pipe, Refusal } from './move'

const LINE_MM = 104
const STANDPIPE_MOST_M = 2
const DRAIN_HOURS = 20
const round = (value: number) => Math.round(value * 1000) / 1000

/** One more roof of one rectangle, with a spout that feeds a tank. */
export const addRoof = defineMove({
  args: z.object({
    name: z.string(), lengthM: z.number().positive().max(1000), widthM: z.number().positive().max(1000),
    material: z.enum(ROOFING_IDS), eavesM: z.number().min(-50).max(200).default(2.6), tank: z.string().optional(),
  }),
  label: ({ name }) => `Add the roof “${name}”`,
  apply(site, { name, lengthM, widthM, material, eavesM, tank }) {
    const roof: Roof = { id: freshId(site, 'roof'), name, material, pieces: [{ lengthM, widthM, count: 1 }], pitchDeg: 25, spouts: [] }
    site.roofs.push(roof)
    fitSpout(site, roof, tank ?? site.nodes.find(node => node.kind === 'tank')?.id, eavesM)
  },
})

function fitSpout(site: Site, roof: Roof, tankId: string | undefined, eavesM: number): void {
  const spout: NodeOf<'spout'> = { kind: 'spout', id: freshId(site, 'spout'), name: `${roof.name} spout`, baseM: eavesM, groundM: 0, boreMm: 68 }
  site.nodes.push(spout)
  const taken = roof.spouts.reduce((sum, other) => sum + other.share, 0)
  // A new spout takes what no other spout has; where all is taken, the gutter is split evenly.
  const count = roof.spouts.length + 1
  if (taken > 1 - 1e-9) for (const other of roof.spouts) other.share = round(other.share * (count - 1) / count)
  roof.spouts.push({ nodeId: spout.id, share: round(1 - roof.spouts.reduce((sum, other) => sum + other.share, 0)) })
  if (!tankId) return
  const tank = need(site, tankId, 'tank')
  const inlet = portsByRole(tank, 'inlet')[0]
  if (!inlet) throw new Refusal(`${tank.name} has no inlet; give it one first.`)
  const [from, to] = [{ node: spout.id, port: 'out' }, { node: tank.id, port: inlet.name }]
  addRun(site, `${roof.name} to ${tank.name}`, from, to, [{ kind: 'screen', meshMm: 1 }, pipe(guessedLengthM(site, from, to, 4), LINE_MM)])
}

/** Gives a roof a spout, led to a tank. */
export const addSpout = defineMove({
  args: z.object({ roof: z.string(), tank: z.string().optional(), eavesM: z.number().min(-50).max(200).optional() }),
  label: ({ roof }, site) => `Add a spout to ${site.roofs.find(candidate => candidate.id === roof)?.name ?? 'the roof'}`,
  apply(site, { roof: id, tank, eavesM }) {
    const roof = site.roofs.find(candidate => candidate.id === id)
    if (!roof) throw new Refusal('That roof is no longer in this site.')
    const sibling = site.nodes.find(node => node.id === roof.spouts[0]?.nodeId)
    fitSpout(site, roof, tank ?? site.nodes.find(node => node.kind === 'tank')?.id, eavesM ?? sibling?.baseM ?? 2.6)
  },
})

/** Brings the shares of a roof's spouts to one, in the proportion they have. */
export const evenShares = defineMove({
  args: z.object({ roof: z.string() }),
  label: () => 'Make the spouts’ shares add up',
  apply(site, { roof: id }) {
    const roof = site.roofs.find(candidate => candidate.id === id)
    if (!roof?.spouts.length) throw new Refusal('That roof has no spouts to share between.')
    const sum = roof.spouts.reduce((total, spout) => total + spout.share, 0)
    for (const spout of roof.spouts) spout.share = sum > 0 ? spout.share / sum : 1 / roof.spouts.length
  },
})

/** The size and form a chamber takes for a volume: a standpipe while one length of pipe is enough, else a drum. */
export function chamberFor(volumeL: number, spaceM: number): Pick<NodeOf<'chamber'>, 'form' | 'innerDiameterMm' | 'heightM'> {
  const heightM = Math.max(0.5, Math.min(STANDPIPE_MOST_M, spaceM))
  for (const innerDiameterMm of [104, 154, 193]) {
    const { lengthM } = chamberLength({ volumeL, innerDiameterMm })
    if (lengthM <= heightM) return { form: 'standpipe', innerDiameterMm, heightM: Math.max(0.2, round(lengthM)) }
  }
  const drumM = Math.min(0.9, heightM)
  return { form: 'drum', innerDiameterMm: Math.ceil(Math.sqrt(volumeL / 1000 / drumM * 4 / Math.PI) * 1000), heightM: round(drumM) }
}

/** An outlet that empties a chamber within a day: any faster and it wastes water all through the rain. Finer than half a millimetre clogs. */
export function orificeFor(chamber: Pick<NodeOf<'chamber'>, 'innerDiameterMm' | 'heightM'>): number {
  const fullBoreHours = chamberDrainTime({ ...chamber, orificeMm: chamber.innerDiameterMm }).hours
  return Math.max(0.5, Math.round(chamber.innerDiameterMm * Math.sqrt(fullBoreHours / DRAIN_HOURS) * 10) / 10)
}

/** Fits a first-flush chamber with a ball, an outlet and a clean-out into a spout's line, sized by a school. */
export const fitFirstFlush = defineMove({
  args: z.object({ spout: z.string(), depthMm: z.number().positive().max(20).default(FLUSH_SCHOOLS.middle.depthMm) }),
  label: ({ spout }, site) => `Fit a first-flush chamber at ${site.nodes.find(node => node.id === spout)?.name ?? 'the spout'}`,
  apply(site, { spout: id, depthMm }) {
    const spout = need(site, id, 'spout')
    const run = runsFrom(site, id)[0]
    if (!run) throw new Refusal(`${spout.name} leads nowhere yet; lead it to a tank first.`)
    if (site.nodes.find(node => node.id === run.to.node)?.kind === 'chamber') throw new Refusal(`${spout.name} has a chamber already.`)
    const volumeL = firstFlushVolume({ planAreaM2: Math.max(1, spoutAreaM2(site, id)), depthMm }).volumeL
    const topM = Math.min(spout.baseM - 0.3, Math.max(heightOf(site, run.to) + 0.05, spout.groundM + 0.6))
    const size = chamberFor(volumeL, topM - spout.groundM - 0.15)
    const chamber: NodeOf<'chamber'> = {
      kind: 'chamber', id: freshId(site, 'chamber'), name: `${spout.name.replace(/ spout$/, '')} first flush`,
      baseM: round(topM - size.heightM), groundM: spout.groundM, ...size, orificeMm: orificeFor(size), emptiedEveryDays: null, cleanable: true,
    }
    site.nodes.push(chamber)
    const onward = run.to
    run.to = { node: chamber.id, port: 'in' }
    const screens = run.parts.filter(part => part.kind === 'screen')
    const rest = run.parts.filter(part => part.kind !== 'screen')
    run.parts = [...screens, pipe(guessedLengthM(site, run.from, run.to, 0.5), LINE_MM)]
    const leadsOn = addRun(site, run.name, { node: chamber.id, port: 'out' }, onward, rest)
    run.name = `${spout.name} to its first flush`
    leadsOn.name = `${chamber.name} to ${site.nodes.find(node => node.id === onward.node)!.name}`
  },
})

/** Takes a chamber out and leads its line straight through. */
export const takeOutChamber = defineMove({
  args: z.object({ chamber: z.string() }),
  label: () => 'Take out the first-flush chamber',
  apply(site, { chamber: id }) {
    const chamber = need(site, id, 'chamber')
    const onward = runsFrom(site, id, 'out')[0]
    for (const run of runsTo(site, id)) {
      if (!onward) continue
      run.to = onward.to
      run.parts = [...run.parts, ...onward.parts]
    }
    site.runs = site.runs.filter(run => run.from.node !== chamber.id && run.to.node !== chamber.id)
    site.nodes = site.nodes.filter(node => node.id !== chamber.id)
  },
})

/** Sizes a chamber anew for a depth of rain, at the height where its top stands. */
export const sizeChamber = defineMove({
  args: z.object({ chamber: z.string(), depthMm: z.number().positive().max(20) }),
  label: ({ depthMm }) => `Size the first flush for ${depthMm} mm`,
  apply(site, { chamber: id, depthMm }) {
    const chamber = need(site, id, 'chamber')
    const areaM2 = runsTo(site, id).reduce((sum, run) => sum + spoutAreaM2(site, run.from.node), 0)
    if (!(areaM2 > 0)) throw new Refusal(`No roof drains to ${chamber.name}, so it cannot be sized by rain.`)
    const topM = chamber.baseM + chamber.heightM
    Object.assign(chamber, chamberFor(firstFlushVolume({ planAreaM2: areaM2, depthMm }).volumeL, topM - chamber.groundM - 0.15))
    chamber.baseM = round(topM - chamber.heightM)
    if (chamber.orificeMm !== null) chamber.orificeMm = orificeFor(chamber)
  },
})

/** Fits an outlet that empties the chamber within a day. */
export const fitChamberOutlet = defineMove({
  args: z.object({ chamber: z.string() }),
  label: () => 'Fit an outlet to the first-flush chamber',
  apply(site, { chamber: id }) {
    const chamber = need(site, id, 'chamber')
    chamber.orificeMm = orificeFor(chamber)
  },
})

/** One more rectangle on a roof. */
export const addRoofPiece = defineMove({
  args: z.object({ roof: z.string(), lengthM: z.number().positive().max(1000), widthM: z.number().positive().max(1000), count: z.number().int().min(1).max(500).default(1) }),
  label: ({ roof }, site) => `Add a piece to ${site.roofs.find(candidate => candidate.id === roof)?.name ?? 'the roof'}`,
  apply(site, { roof: id, ...piece }) {
    const roof = site.roofs.find(candidate => candidate.id === id)
    if (!roof) throw new Refusal('That roof is no longer in this site.')
    roof.pieces.push(piece)
    if (roofAreaM2(roof) > 1e6) throw new Refusal('A roof of more than a square kilometre is not a roof; check the units.')
  },
})
