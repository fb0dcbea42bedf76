import { LINE_MM } from './roofs'
import { addRun, defineMove, freshId, guessedLengthM, required, pipe, Impossible, toThousandth, named } from './move'
import type { System } from '../units'
import { chamberDrainTime, chamberLength, firstFlushVolume } from '../sums'
import {
  chamberAreaM2,
  chamberDrainInput,
  chamberVolumeL,
  lineFrom,
  openAtM,
  spoutsAbove,
  runsFrom,
  runsTo,
  spoutAreaM2,
  usualFlushMm,
  type Run,
  type Site,
  nameOf,
  portHeightM,
} from '../site'
import type { NodeOf, Part } from '../kinds'
import { EMPTY_WITHIN_HOURS, flushDrumsSold, STANDPIPE_MOST_M, standpipesSold } from '../catalog'
import { z } from 'zod'

const depthMm = () => z.number().positive().max(20)

type Size = Pick<NodeOf<'chamber'>, 'form' | 'innerDiameterMm' | 'heightM' | 'lengthM'>

/**
 * The size and form a chamber takes for a volume, of what is sold where the site stands: a standpipe while one length
 * of pipe is enough, else the smallest sealed drum that holds it.
 */
export function chamberFor(volumeL: number, spaceM: number, units: System): Size {
  const heightM = Math.max(0.5, Math.min(STANDPIPE_MOST_M, spaceM))
  for (const { innerDiameterMm } of standpipesSold(units)) {
    const { lengthM } = chamberLength({ volumeL, innerDiameterMm })
    if (lengthM <= heightM)
      return { form: 'standpipe', innerDiameterMm, heightM: Math.max(0.2, Math.ceil(lengthM * 1000) / 1000) }
  }
  // A drum larger than what is wanted takes its water in lower down, and holds no more than that.
  const drum = flushDrumsSold(units)
    .map(({ innerDiameterMm, heightM: tallM }) => ({
      innerDiameterMm,
      tallM,
      ...chamberLength({ volumeL, innerDiameterMm }),
    }))
    .find(({ lengthM, tallM }) => lengthM <= Math.min(tallM, heightM))
  if (drum)
    return { form: 'drum', innerDiameterMm: drum.innerDiameterMm, heightM: Math.ceil(drum.lengthM * 1000) / 1000 }
  const drumM = Math.min(0.9, heightM)
  return {
    form: 'drum',
    innerDiameterMm: Math.ceil(Math.sqrt(((volumeL / 1000 / drumM) * 4) / Math.PI) * 1000),
    heightM: toThousandth(drumM),
  }
}

/**
 * The finest outlet, to a tenth of a millimetre, that empties a chamber within a day: any wider and it wastes water
 * all through the rain. Finer than half a millimetre clogs.
 */
export function orificeFor(chamber: Size): number {
  const { innerDiameterMm } = chamberDrainInput(chamber, chamber.innerDiameterMm)
  const fullBoreHours = chamberDrainTime({
    innerDiameterMm,
    heightM: chamber.heightM,
    orificeMm: innerDiameterMm,
  }).hours
  return Math.max(0.5, Math.ceil(innerDiameterMm * Math.sqrt(fullBoreHours / EMPTY_WITHIN_HOURS) * 10) / 10)
}

/** A pipe laid down is as tall as it is wide, and as long as its volume asks. */
function lyingFor(volumeL: number, innerDiameterMm: number): Size {
  const { lengthM } = chamberLength({ volumeL, innerDiameterMm })
  return {
    form: 'lying',
    innerDiameterMm,
    heightM: toThousandth(innerDiameterMm / 1000),
    lengthM: Math.max(0.2, Math.ceil(lengthM * 1000) / 1000),
  }
}

/**
 * Fits a first-flush chamber with a ball, an outlet and a clean-out, sized by a depth of rain: at a spout, or in the
 * line behind the place
 * where several spouts have come together.
 */
export const fitFirstFlush = defineMove({
  args: z.object({ spout: z.string(), depthMm: depthMm().optional(), at: z.enum(['spout', 'line']).default('spout') }),
  label: ({ spout, at }, site) =>
    at === 'line'
      ? 'Fit one first-flush chamber for the whole line'
      : `Fit a first-flush chamber at ${nameOf(site, spout, 'the spout')}`,
  apply(site, { spout: id, depthMm: asked, at }) {
    const depthMm = asked ?? usualFlushMm(site)
    const spout = required(site, id, 'spout')
    const line = lineFrom(site, id)
    const run = at === 'line' ? line.at(-1) : line[0]
    if (!run) throw new Impossible(`${spout.name} leads nowhere yet; lead it to a tank first.`)
    const spouts = at === 'line' ? [...spoutsAbove(site, run.from.node)] : [spout]
    const served = spouts.find(other =>
      lineFrom(site, other.id).some(each =>
        site.nodes.some(node => node.id === each.to.node && node.kind === 'chamber'),
      ),
    )
    if (served) throw new Impossible(`${served.name} has a chamber already.`)
    const volumeL = firstFlushVolume({
      planAreaM2: Math.max(
        1,
        spouts.reduce((sum, other) => sum + spoutAreaM2(site, other.id), 0),
      ),
      depthMm,
    }).volumeL
    const topM = Math.min(
      Math.min(portHeightM(site, run.from), openAtM(spout, line)) - (at === 'line' ? 0 : 0.3),
      Math.max(portHeightM(site, run.to) + 0.05, spout.groundM + 0.6),
    )
    const size = chamberFor(volumeL, topM - spout.groundM - 0.15, site.standards.units)
    const chamber: NodeOf<'chamber'> = {
      kind: 'chamber',
      id: freshId(site, 'chamber'),
      name: `First flush of ${spout.name}`,
      baseM: toThousandth(topM - size.heightM),
      groundM: spout.groundM,
      ...size,
      orificeMm: orificeFor(size),
      emptiedEveryDays: null,
      cleanable: true,
      tee: 'swept',
      ball: true,
      wantedMm: depthMm,
    }
    site.nodes.push(chamber)
    breakRun(site, run, chamber)
  },
})

/**
 * Leads a run into a chamber and a new one on from it. What keeps leaves out stays before it, what guards the tank
 * goes on to the tank.
 */
function breakRun(site: Site, run: Run, chamber: NodeOf<'chamber'>): void {
  const onward = run.to
  const before = (part: Part) => part.kind === 'screen' && part.type !== 'inlet'
  const boreMm = run.parts.find(part => part.kind === 'pipe')?.innerDiameterMm ?? LINE_MM
  const rest = run.parts.filter(part => !before(part))
  run.to = { node: chamber.id, port: 'in' }
  run.parts = named(site, run.id, [
    ...run.parts.filter(before),
    pipe(guessedLengthM(site, run.from, run.to, 0.5), boreMm),
  ])
  delete run.name
  addRun(site, { node: chamber.id, port: 'out' }, onward, rest)
}

/** Takes a chamber out and leads its line straight through. */
export const takeOutChamber = defineMove({
  args: z.object({ chamber: z.string() }),
  label: () => 'Take out the first-flush chamber',
  apply(site, { chamber: id }) {
    const chamber = required(site, id, 'chamber')
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

/** Gives a chamber other measures at the height where its top stands, and an outlet to match where it has one. */
function reshape(chamber: NodeOf<'chamber'>, size: Size): void {
  const topM = chamber.baseM + chamber.heightM
  delete chamber.lengthM
  Object.assign(chamber, size)
  chamber.baseM = toThousandth(topM - chamber.heightM)
  if (chamber.orificeMm !== null) chamber.orificeMm = orificeFor(chamber)
}

/** Sizes a chamber anew for a depth of rain. */
export const sizeChamber = defineMove({
  args: z.object({ chamber: z.string(), depthMm: depthMm() }),
  label: ({ depthMm }) => `Size the first flush for ${depthMm} mm`,
  apply(site, { chamber: id, depthMm }) {
    const chamber = required(site, id, 'chamber')
    const planAreaM2 = chamberAreaM2(site, id)
    if (!(planAreaM2 > 0)) throw new Impossible(`No roof drains to ${chamber.name}, so it cannot be sized by rain.`)
    const { volumeL } = firstFlushVolume({ planAreaM2, depthMm })
    reshape(
      chamber,
      chamber.form === 'lying'
        ? lyingFor(volumeL, chamber.innerDiameterMm)
        : chamberFor(volumeL, chamber.baseM + chamber.heightM - chamber.groundM - 0.15, site.standards.units),
    )
    chamber.wantedMm = depthMm
  },
})

/**
 * Builds a chamber of a pipe or a drum that was chosen for it; without measures, of the same volume: a pipe laid down
 * in its bore where it is a pipe, else as a new one is built.
 */
export const formChamber = defineMove({
  args: z.object({
    chamber: z.string(),
    form: z.enum(['standpipe', 'drum', 'lying']),
    innerDiameterMm: z.number().positive().max(5000).optional(),
    heightM: z.number().positive().max(20).optional(),
  }),
  label: ({ form }) => `Make the first flush of a ${form === 'lying' ? 'pipe laid down' : form}`,
  apply(site, { chamber: id, form, innerDiameterMm, heightM }) {
    const chamber = required(site, id, 'chamber')
    const volumeL = chamberVolumeL(chamber)
    const pipeMm = chamber.form === 'drum' ? LINE_MM : chamber.innerDiameterMm
    if (form === 'lying') return reshape(chamber, lyingFor(volumeL, innerDiameterMm ?? pipeMm))
    const across =
      innerDiameterMm ?? (form === 'drum' ? flushDrumsSold(site.standards.units).at(-1)!.innerDiameterMm : pipeMm)
    const { lengthM } = chamberLength({ volumeL, innerDiameterMm: across })
    reshape(chamber, {
      form,
      innerDiameterMm: across,
      heightM: heightM ?? Math.max(0.2, Math.ceil(lengthM * 1000) / 1000),
    })
  },
})

/** Fits an outlet that empties the chamber within a day, or one of a bore. */
export const fitChamberOutlet = defineMove({
  args: z.object({ chamber: z.string(), orificeMm: z.number().positive().max(5000).optional() }),
  label: () => 'Fit an outlet to the first-flush chamber',
  apply(site, { chamber: id, orificeMm }) {
    const chamber = required(site, id, 'chamber')
    chamber.orificeMm = orificeMm ?? orificeFor(chamber)
    chamber.emptiedEveryDays = null
  },
})
