import { addRun, defineMove, freshId, guessedLengthM, required, pipe, Impossible, toThousandth } from './move'
import {
  downpipeFor,
  gutterFlowLps,
  gutterFor,
  spoutStormLps,
  stormLps,
  roofAreaM2,
  outlineSchema,
  type Roof,
  type Site,
  portsByRole,
  thingName,
  nameOf,
} from '../site'
import type { NodeOf } from '../kinds'
import { LINE_BORES_MM, ROOFING_IDS, SCREENS } from '../catalog'
import { z } from 'zod'

export const LINE_MM = 104

function needRoof(site: Site, id: string): Roof {
  const roof = site.roofs.find(candidate => candidate.id === id)
  if (!roof) throw new Impossible('That roof is no longer in this site.')
  return roof
}
const roofName = (site: Site, id: string) => thingName(site, id, 'the roof')
const spoutName = (site: Site, id: string) => nameOf(site, id, 'the spout')

/** One more roof of one rectangle, with a gutter and a spout that carry its storm and feed a tank. */
export const addRoof = defineMove({
  args: z.object({
    name: z.string(),
    lengthM: z.number().positive().max(1000),
    widthM: z.number().positive().max(1000),
    material: z.enum(ROOFING_IDS),
    eavesM: z.number().min(-50).max(200).default(2.6),
    tank: z.string().optional(),
  }),
  label: ({ name }) => `Add the roof “${name}”`,
  apply(site, { name, lengthM, widthM, material, eavesM, tank }) {
    const id = freshId(site, 'roof')
    const roof: Roof = {
      id,
      name,
      material,
      pieces: [{ id: `${id}-piece-1`, lengthM, widthM, count: 1 }],
      pitchDeg: 25,
      spouts: [],
    }
    site.roofs.push(roof)
    fitSpout(site, roof, tank ?? site.nodes.find(node => node.kind === 'tank')?.id, eavesM)
  },
})

function fitSpout(site: Site, roof: Roof, tankId: string | undefined, eavesM: number): void {
  const spout: NodeOf<'spout'> = {
    kind: 'spout',
    id: freshId(site, 'spout'),
    name: `${roof.name} spout${roof.spouts.length ? ` ${roof.spouts.length + 1}` : ''}`,
    baseM: eavesM,
    groundM: 0,
    boreMm: 68,
  }
  site.nodes.push(spout)
  const taken = roof.spouts.reduce((sum, other) => sum + other.share, 0)
  // A new spout takes what no other spout has; where all is taken, the gutter is split evenly.
  const count = roof.spouts.length + 1
  if (taken > 1 - 1e-9) for (const other of roof.spouts) other.share = toThousandth((other.share * (count - 1)) / count)
  const share = toThousandth(1 - roof.spouts.reduce((sum, other) => sum + other.share, 0))
  const flowLps = stormLps(site, roofAreaM2(roof) * share)
  // The house has one kind of gutter: a second spout's is like the first's, unless its storm wants a larger.
  const like = roof.spouts.find(other => other.gutter)?.gutter
  const gutter = like && gutterFlowLps(like) >= flowLps ? { ...like } : gutterFor(flowLps, like)
  roof.spouts.push({ id: freshId(site, `${roof.id}-gutter`), nodeId: spout.id, share, gutter })
  spout.boreMm = downpipeFor(flowLps)
  if (!tankId) return
  const tank = required(site, tankId, 'tank')
  const inlet = portsByRole(tank, 'inlet')[0]
  if (!inlet) throw new Impossible(`${tank.name} has no inlet; give it one first.`)
  const [from, to] = [
    { node: spout.id, port: 'out' },
    { node: tank.id, port: inlet.name },
  ]
  const boreMm = Math.max(LINE_MM, LINE_BORES_MM.find(bore => bore >= spout.boreMm) ?? spout.boreMm)
  addRun(site, from, to, [
    pipe(guessedLengthM(site, from, to, 4), boreMm),
    { kind: 'screen', meshMm: SCREENS.inlet.meshMm, type: 'inlet' },
  ])
}

/** Gives a roof a spout, led to a tank. */
export const addSpout = defineMove({
  args: z.object({ roof: z.string(), tank: z.string().optional(), eavesM: z.number().min(-50).max(200).optional() }),
  label: ({ roof }, site) => `Add a spout to ${roofName(site, roof)}`,
  apply(site, { roof: id, tank, eavesM }) {
    const roof = needRoof(site, id)
    const sibling = site.nodes.find(node => node.id === roof.spouts[0]?.nodeId)
    fitSpout(site, roof, tank ?? site.nodes.find(node => node.kind === 'tank')?.id, eavesM ?? sibling?.baseM ?? 2.6)
  },
})

/** Hangs a spout that no roof leads to under a roof's gutter. */
export const giveShare = defineMove({
  args: z.object({ spout: z.string(), roof: z.string() }),
  label: ({ spout, roof }, site) => `Lead ${roofName(site, roof)} to ${spoutName(site, spout)}`,
  apply(site, { spout: id, roof: roofId }) {
    const [roof, spout] = [needRoof(site, roofId), required(site, id, 'spout')]
    const count = roof.spouts.length + 1
    const open = 1 - roof.spouts.reduce((sum, other) => sum + other.share, 0)
    if (open < 0.01) for (const other of roof.spouts) other.share = toThousandth((other.share * (count - 1)) / count)
    const share = toThousandth(1 - roof.spouts.reduce((sum, other) => sum + other.share, 0))
    const existing = roof.spouts.find(entry => entry.nodeId === id)
    if (existing) existing.share = toThousandth(existing.share + share)
    else
      roof.spouts.push({
        id: freshId(site, `${roof.id}-gutter`),
        nodeId: spout.id,
        share,
        gutter: gutterFor(stormLps(site, roofAreaM2(roof) * share)),
      })
  },
})

/** Brings the shares of a roof's spouts to one, in the proportion they have. */
export const evenShares = defineMove({
  args: z.object({ roof: z.string() }),
  label: () => 'Make the spouts’ shares add up',
  apply(site, { roof: id }) {
    const roof = site.roofs.find(candidate => candidate.id === id)
    if (!roof?.spouts.length) throw new Impossible('That roof has no spouts to share between.')
    const sum = roof.spouts.reduce((total, spout) => total + spout.share, 0)
    for (const spout of roof.spouts) spout.share = sum > 0 ? spout.share / sum : 1 / roof.spouts.length
  },
})

/** Hangs the smallest gutter on the shelf that carries the design storm to a spout. */
export const fitGutter = defineMove({
  args: z.object({ roof: z.string(), spout: z.string() }),
  label: ({ roof }, site) => `Fit a gutter to ${roofName(site, roof)} that carries the storm`,
  apply(site, { roof: id, spout }) {
    const roof = needRoof(site, id)
    const entry = roof.spouts.find(candidate => candidate.nodeId === spout)
    if (!entry) throw new Impossible(`${spoutName(site, spout)} takes no share of ${roof.name}.`)
    entry.gutter = gutterFor(stormLps(site, roofAreaM2(roof) * entry.share), entry.gutter)
  },
})

/** Fits the smallest downpipe on the shelf that passes the design storm. */
export const fitDownpipe = defineMove({
  args: z.object({ spout: z.string() }),
  label: ({ spout }, site) => `Fit a downpipe to ${spoutName(site, spout)} that passes the storm`,
  apply(site, { spout: id }) {
    required(site, id, 'spout').boreMm = downpipeFor(spoutStormLps(site, id))
  },
})

/** One more rectangle on a roof, or one cut out of it. */
export const addRoofPiece = defineMove({
  args: z.object({
    roof: z.string(),
    lengthM: z.number().positive().max(1000),
    widthM: z.number().positive().max(1000),
    count: z.number().int().min(1).max(500).default(1),
    cut: z.boolean().optional(),
    xM: z.number().min(-1000).max(1000).optional(),
    yM: z.number().min(-1000).max(1000).optional(),
  }),
  label: ({ roof, cut }, site) => `${cut ? 'Cut a piece out of' : 'Add a piece to'} ${roofName(site, roof)}`,
  apply(site, { roof: id, ...piece }) {
    needRoof(site, id).pieces.push({
      id: freshId(site, `${id}-piece`),
      ...(Object.fromEntries(Object.entries(piece).filter(([, value]) => value !== undefined)) as typeof piece),
    })
  },
})

/** Measures a roof by an outline in longitude and latitude; its rectangles are kept, and count no more. */
export const setOutline = defineMove({
  args: z.object({ roof: z.string(), outline: outlineSchema }),
  label: ({ roof }, site) => `Take the outline of ${roofName(site, roof)} from a file`,
  apply(site, { roof: id, outline }) {
    Object.assign(needRoof(site, id), { outline, measuredBy: 'outline' })
  },
})

/** Says which of a roof's measures counts; an area that was never typed starts as what the roof has now. */
export const measureRoof = defineMove({
  args: z.object({ roof: z.string(), by: z.enum(['pieces', 'outline', 'area']) }),
  label: ({ roof, by }, site) => `Measure ${roofName(site, roof)} by its ${by === 'pieces' ? 'rectangles' : by}`,
  apply(site, { roof: id, by }) {
    const roof = needRoof(site, id)
    if (by === 'outline' && !roof.outline)
      throw new Impossible(`${roof.name} has no outline yet; read one from a file.`)
    if (by === 'area') roof.areaM2 ??= Math.round(roofAreaM2(roof) * 10) / 10
    if (by === 'pieces' && !roof.pieces.length)
      roof.pieces.push({
        id: freshId(site, `${id}-piece`),
        lengthM: toThousandth(Math.sqrt(roofAreaM2(roof))),
        widthM: toThousandth(Math.sqrt(roofAreaM2(roof))),
        count: 1,
      })
    roof.measuredBy = by
  },
})
