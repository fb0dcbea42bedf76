import { sum } from 'd3-array'
import { wayOfWater } from './taps'
import { singleTapFlows } from './singleTapFlows'
import { does, type NodeOf, type Part, type PartOf } from '../kinds'
import { TREATMENT_LOSS } from '../catalog'
import type { Run, Site } from '../site'

/** One stage of a train: what it is made for, and what it takes at the flow that comes, clean and when it is due. */
export interface TreatmentStage {
  run: Run
  part: PartOf<'filter'> | PartOf<'lamp'>
  ratedLps: number
  cleanKPa: number
  dueKPa: number
}

/** What treats a tap's water on its way, in order. */
export interface Train {
  tap: NodeOf<'tap'>
  flowLps: number
  stages: TreatmentStage[]
  cleanKPa: number
  dueKPa: number
  /** The stage that is made for least, and whether more comes. */
  narrowest: TreatmentStage | undefined
  overrated: boolean
  /** Enough for drinking: a cartridge of 5 µm or finer, carbon, and a lamp with its sensor behind them. */
  forDrinking: boolean
  lamp: PartOf<'lamp'> | undefined
}

const FINE_UM = 5
const isStage = (part: Part): part is TreatmentStage['part'] => does(part, 'treats')

/** What a stage is made for and takes there, as its document says, else as its kind does. */
export function stageRating(part: TreatmentStage['part']): { ratedLps: number; cleanKPa: number; dirtyKPa: number } {
  const usual = part.kind === 'lamp' ? { ...TREATMENT_LOSS.lamp, ratedLps: part.ratedLps } : TREATMENT_LOSS[part.medium]
  return {
    ratedLps: part.ratedLps ?? usual.ratedLps,
    cleanKPa: part.lossKPaAtRated ?? usual.lossKPaAtRated,
    dirtyKPa: part.dirtyKPaAtRated ?? usual.dirtyKPaAtRated,
  }
}

/** The train before each tap that has one, at the flow that the tap passes when it is open by itself. */
export function trainsOf(site: Site): Train[] {
  const alone = singleTapFlows(site, 'full')
  return site.nodes.flatMap((tap): Train[] => {
    if (tap.kind !== 'tap') return []
    const { moment, flowLps } = alone.get(tap.id)!
    const stages = wayOfWater(site, moment, tap.id).flatMap(({ run, state }) =>
      run.parts.filter(isStage).map((part): TreatmentStage => {
        const { ratedLps, cleanKPa, dirtyKPa } = stageRating(part)
        const share = (Math.abs(state.flowLps) / ratedLps) ** 2
        return { run, part, ratedLps, cleanKPa: cleanKPa * share, dueKPa: dirtyKPa * share }
      }),
    )
    if (!stages.length) return []
    const narrowest = stages.toSorted((a, b) => a.ratedLps - b.ratedLps)[0]
    const lamp = stages.map(({ part }) => part).find(part => part.kind === 'lamp')
    return [
      {
        tap,
        flowLps,
        stages,
        cleanKPa: sum(stages, stage => stage.cleanKPa),
        dueKPa: sum(stages, stage => stage.dueKPa),
        narrowest,
        overrated: narrowest !== undefined && flowLps > narrowest.ratedLps * 1.05,
        forDrinking: isForDrinking(stages.map(({ part }) => part)),
        lamp,
      },
    ]
  })
}

/** Cartridges down to 5 µm, carbon, and last a lamp whose sensor shuts the water off. */
export function isForDrinking(parts: readonly Part[]): boolean {
  const lampAt = parts.findIndex(part => part.kind === 'lamp' && part.sensor)
  const fineAt = parts.findIndex(part => part.kind === 'filter' && part.ratingUm <= FINE_UM)
  const carbon = parts.some(part => part.kind === 'filter' && part.medium === 'carbon')
  return lampAt >= 0 && fineAt >= 0 && fineAt < lampAt && carbon
}
