import { snowShare } from './snow'
import { AWAY, type Caught, type Chamber, monthMask } from './compiled'
import { chamberDrainTime } from '../sums'
import {
  captureShare,
  chamberDrainInput,
  chamberVolumeL,
  highestM,
  lineFrom,
  lossSchool,
  nodeById,
  openAtM,
  pathsFrom,
  roofAreaM2,
  roofLosses,
  type Site,
} from '../site'
import { catchLimits } from '../network'
import type { NodeOf } from '../kinds'

/** As near as makes no difference between two heights. */
const SAME_HEIGHT_M = 1e-6

/** What each spout catches, and where it goes: into a chamber, into a pool, or away. */
export function catchesOf(site: Site, chambers: NodeOf<'chamber'>[], poolOf: Map<string, number>): Caught[] {
  const limits = catchLimits(site)
  return site.roofs.flatMap(roof =>
    roof.spouts.map(({ nodeId, share, gutter }): Caught => {
      const spout = nodeById(site, nodeId) as NodeOf<'spout'>
      const path = pathsFrom(site, nodeId).find(candidate => poolOf.has(candidate.end.id))
      // Water does not climb: what a line that rises above where it is open to the air cannot take spills there.
      const pool =
        path && highestM(site, path) <= openAtM(spout, path.runs) + SAME_HEIGHT_M ? poolOf.get(path.end.id)! : AWAY
      return {
        roofId: roof.id,
        spoutId: nodeId,
        areaM2: roofAreaM2(roof) * share,
        ...roofLosses(roof, lossSchool(site)),
        captureShare: captureShare(
          gutter,
          lineFrom(site, nodeId).flatMap(run => run.parts),
        ),
        snowShare: snowShare(roof.pitchDeg),
        spillsAtMmPerH: limits.find(limit => limit.roof === roof && limit.spout === spout)!.spillsAtMmPerH,
        chambers: path?.chambers.map(id => chambers.findIndex(chamber => chamber.id === id)) ?? [],
        pool,
        bypassMonths: monthMask(spout.bypassMonths ?? []),
      }
    }),
  )
}

/** First-flush chambers: what they hold, and how they are emptied. */
export const chambersOf = (chambers: NodeOf<'chamber'>[]): Chamber[] =>
  chambers.map(chamber => ({
    id: chamber.id,
    name: chamber.name,
    capL: chamberVolumeL(chamber),
    emptiedEveryDays: chamber.emptiedEveryDays ?? 0,
    drainHours: chamber.orificeMm ? chamberDrainTime(chamberDrainInput(chamber, chamber.orificeMm)).hours : Infinity,
  }))
