import { runLossM, runVolumeL } from '../loss'
import { flowAtHead } from '../../sums'
import {
  hungHead,
  lineFrom,
  nodeById,
  openAtM,
  portHeightM,
  remembered,
  runsFrom,
  runsTo,
  spoutAreaM2,
  spoutsAbove,
  type HungHead,
  type Run,
  type Site,
} from '../../site'
import type { NodeOf, Part } from '../../kinds'
import { FITTING_K } from '../../catalog'

/**
 * One run of a line as a storm sees it: the roof area whose water it carries, and what stands at its ends in velocity
 * heads.
 */
interface Stretch {
  run: Run
  areaM2: number
  endsK: number
  fromM: number
  toM: number
}

/** A spout's way to its tank. */
export interface RoofLine {
  spout: NodeOf<'spout'>
  stretches: Stretch[]
  tankId: string
  inletM: number
  areaM2: number
  /** The lowest place on the way. Below the inlet the line is wet: it stays full up to the inlet. */
  low: { heightM: number; nodeId: string }
  /** The screen head that hangs below the spout, and where the line is open to the air: there, or at the spout. */
  head: HungHead | undefined
  topM: number
  /** The highest place after the spout; above where it is open to the air the line climbs. */
  high: { heightM: number; nodeId: string }
  wet: boolean
  /** Litres that stand in a wet line between rains. */
  standingL: number
  /** Runs that lead from a wet line's low point to the ground, and whether a chamber there empties it by its outlet. */
  drainRunIds: string[]
  drainedByChamber: boolean
  /** Rain that the line passes before water stands where it is open to the air, mm/h, with every roof on the line under that rain. */
  readonly passesMmPerH: number
  waterTemperatureC: number
}

/** A place in a line that lies lower than its end by more than this holds water. */
const DIP_M = 0.02
const LPS_PER_MM_H_M2 = 1 / 3600

/** Every spout that leads to a tank, with its line: dry or wet, what stands in it, and the rain it can pass. */
export const roofLines = remembered(['nodes', 'runs', 'roofs', 'place'], (site: Site): RoofLine[] =>
  site.nodes.filter(node => node.kind === 'spout').flatMap(spout => lineOf(site, spout)),
)

function lineOf(site: Site, spout: NodeOf<'spout'>): RoofLine[] {
  const runs = lineFrom(site, spout.id)
  const last = runs.at(-1)
  if (!last || nodeById(site, last.to.node).kind !== 'tank') return []
  const stretches = runs.map((run, index): Stretch => ({
    run,
    endsK: (index === 0 ? FITTING_K.entry : 0) + endK(site, run),
    fromM: portHeightM(site, run.from),
    toM: portHeightM(site, run.to),
    areaM2: [...spoutsAbove(site, run.from.node)].reduce((sum, above) => sum + spoutAreaM2(site, above.id), 0),
  }))
  const places = stretches.map(({ run, toM }) => ({ heightM: toM, nodeId: run.to.node }))
  const low = places.reduce((lowest, place) => (place.heightM <= lowest.heightM ? place : lowest))
  const inletM = stretches.at(-1)!.toM
  const wet = low.heightM < inletM - DIP_M
  const lowNode = nodeById(site, low.nodeId)
  let passes: number | undefined
  const line: RoofLine = {
    spout,
    stretches,
    tankId: last.to.node,
    inletM,
    areaM2: spoutAreaM2(site, spout.id),
    head: hungHead(runs[0]),
    topM: openAtM(spout, runs),
    low,
    wet,
    waterTemperatureC: site.place.waterTemperatureC,
    high: places.reduce((highest, place) => (place.heightM > highest.heightM ? place : highest)),
    standingL: wet
      ? stretches.reduce((sum, { run, fromM, toM }) => sum + runVolumeL(run) * shareBelow(fromM, toM, inletM), 0)
      : 0,
    drainRunIds: wet
      ? runsFrom(site, low.nodeId)
          .filter(run => nodeById(site, run.to.node).kind === 'outfall')
          .map(run => run.id)
      : [],
    drainedByChamber: wet && lowNode.kind === 'chamber' && lowNode.orificeMm !== null,
    // Found by trying, so only for who asks.
    get passesMmPerH() {
      return (passes ??= passesMmPerH(line))
    },
  }
  return [line]
}

/** Rain at which a line's water reaches the place where it is open to the air, mm/h; infinite without a roof. */
export const passesMmPerH = (line: RoofLine): number =>
  line.areaM2 > 0
    ? flowAtHead(line.topM - line.inletM, mmPerH => waterLine(line, mmPerH).atTopM - line.inletM)
    : Infinity

function shareBelow(oneM: number, otherM: number, levelM: number): number {
  const [low, high] = [Math.min(oneM, otherM), Math.max(oneM, otherM)]
  if (high <= levelM) return 1
  return low >= levelM ? 0 : (levelM - low) / (high - low)
}

/** Where spouts come together, the first line to arrive goes straight past and the others turn in. */
function endK(site: Site, run: Run): number {
  const to = nodeById(site, run.to.node)
  if (to.kind === 'chamber') return (to.tee === 'straight' ? FITTING_K.straightTee : FITTING_K.sweptTee).past
  if (to.kind !== 'joint') return FITTING_K.exit
  const arriving = runsTo(site, to.id)
  if (arriving.length < 2) return FITTING_K.elbow
  return arriving[0] === run ? FITTING_K.sweptTee.past : FITTING_K.sweptTee.turn
}

export interface WaterPlace {
  nodeId: string
  port: string
  heightM: number
  waterM: number
}
/**
 * The height to which water stands along a line while it rains so hard, from the spout to the tank, and what each run
 * costs.
 */
export interface WaterLine {
  spoutId: string
  places: WaterPlace[]
  runs: { run: Run; flowLps: number; lossM: number }[]
  /** Where it is open to the air: at the spout, or at the screen head below it. */
  atTopM: number
  spills: boolean
}

/**
 * From the tank's inlet up, each run's loss is added; where the pipe itself lies higher, water falls freely and
 * stands no lower than the
 * pipe. Above the spout's outlet it fills the gutter and spills; above a screen head that hangs lower it spills there.
 */
export function waterLine(line: RoofLine, mmPerH: number): WaterLine {
  let waterM = line.inletM
  const end = line.stretches.at(-1)!.run.to
  const places: WaterPlace[] = [{ nodeId: end.node, port: end.port, heightM: line.inletM, waterM }]
  const runs: WaterLine['runs'] = []
  for (let index = line.stretches.length - 1; index >= 0; index--) {
    const { run, areaM2, endsK, fromM } = line.stretches[index]!
    const flowLps = areaM2 * mmPerH * LPS_PER_MM_H_M2
    const pushed = index === 0 && line.head ? belowHead(run, line.head, fromM) : run
    const lossM = runLossM(pushed, flowLps, line.waterTemperatureC, endsK)
    runs.unshift({ run, flowLps, lossM })
    waterM += lossM
    // The top is open to the air: water that stands above it is told as it is, water below it stands in the pipe.
    if (index > 0) waterM = Math.max(fromM, waterM)
    places.unshift({ nodeId: run.from.node, port: run.from.port, heightM: fromM, waterM: Math.max(fromM, waterM) })
  }
  return { spoutId: line.spout.id, places, runs, atTopM: waterM, spills: waterM > line.topM + 1e-6 }
}

/** What of a run stands full below its screen head: down to there water falls freely through as much of the pipe. */
function belowHead(run: Run, head: HungHead, spoutM: number): Run {
  let freeM = Math.max(0, spoutM - head.hangsAtM)
  const parts = run.parts.flatMap((part): Part[] => {
    if (part.id === head.id) return []
    if (part.kind !== 'pipe') return [part]
    const lengthM = Math.max(0, part.lengthM - freeM)
    freeM = Math.max(0, freeM - part.lengthM)
    return [{ ...part, lengthM }]
  })
  return { ...run, parts }
}

/**
 * One side of a place where spouts come together: its own runs up to there, what they cost a storm, and the height it
 * has left at its spout.
 */
export interface JoinSide {
  line: RoofLine
  ownRuns: Run[]
  lossM: number
  spareM: number
}
export interface Join {
  jointId: string
  sides: JoinSide[]
}

/**
 * Places where spouts come together before a tank, with what each side costs while it rains so hard. The side with
 * the least height left spills first.
 */
export function joinsOf(site: Site, mmPerH: number): Join[] {
  return site.nodes
    .filter(node => node.kind === 'joint')
    .flatMap((joint): Join[] => {
      const sides = roofLines(site).flatMap((line): JoinSide[] => {
        const at = line.stretches.findIndex(({ run }) => run.to.node === joint.id)
        if (at < 0) return []
        const water = waterLine(line, mmPerH)
        return [
          {
            line,
            ownRuns: line.stretches.slice(0, at + 1).map(({ run }) => run),
            lossM: water.runs.slice(0, at + 1).reduce((sum, { lossM }) => sum + lossM, 0),
            spareM: line.topM - water.atTopM,
          },
        ]
      })
      return new Set(sides.map(side => side.ownRuns.at(-1)!.id)).size > 1
        ? [{ jointId: joint.id, sides: sides.sort((a, b) => a.spareM - b.spareM) }]
        : []
    })
}
