import { sum } from 'd3-array'
import { wayOfWater } from './taps'
import { singleTapFlows } from './singleTapFlows'
import { does, type NodeOf, type Part, type PartOf, type SiteNode } from '../kinds'
import { TREATMENT_LOSS } from '../catalog'
import { nodeById, pathsFrom, type Path, type Run, type Site } from '../site'

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
        forDrinking: !drinkingFaults(site, tap.id).length,
        lamp,
      },
    ]
  })
}

/** What is missing first, or stands out of order, on a way whose water is to be drunk. */
export type DrinkingFault =
  | 'no-fine-filter'
  | 'no-lamp'
  | 'no-sensor'
  | 'lamp-first'
  | 'no-carbon'
  | 'carbon-last'
  | 'lamp-too-small'
  | 'behind-lamp'

/** What may stand behind the lamp: what carries and shuts, and brings nothing into the water. */
const CLEAN_BEHIND: readonly Part['kind'][] = ['pipe', 'valve', 'check', 'union', 'flexible']

/**
 * What keeps a way from a source to a tap from being fit to drink from, at the flow that the tap passes: a filter of
 * 5 µm or finer, carbon anywhere before the lamp, a lamp with its sensor and shut-off rated for the flow, and behind it
 * nothing but pipe, valves and checks. A main's water is so already. Nothing where it is.
 */
export function drinkingFault(site: Site, path: Path, flowLps: number): DrinkingFault | undefined {
  const parts = path.runs.flatMap(run => run.parts)
  const fineAt = parts.findIndex(part => part.kind === 'filter' && part.ratingUm <= FINE_UM)
  if (fineAt < 0) return 'no-fine-filter'
  const lamps = parts.flatMap((part, at) => (part.kind === 'lamp' ? [{ part, at }] : []))
  if (!lamps.length) return 'no-lamp'
  const watched = lamps.filter(({ part }) => part.sensor)
  if (!watched.length) return 'no-sensor'
  const lamp = watched.findLast(({ at }) => at > fineAt)
  if (!lamp) return 'lamp-first'
  const carbonAt = parts.findIndex(part => part.kind === 'filter' && part.medium === 'carbon')
  if (carbonAt < 0) return 'no-carbon'
  if (carbonAt > lamp.at) return 'carbon-last'
  if (stageRating(lamp.part).ratedLps < flowLps - 1e-9) return 'lamp-too-small'
  const lampRun = path.runs.findIndex(run => run.parts.includes(lamp.part))
  const stores = path.steps.slice(lampRun, -1).some(({ to }) => STORES.includes(nodeById(site, to.node).kind))
  const isClean = parts.slice(lamp.at + 1).every(part => CLEAN_BEHIND.includes(part.kind))
  return stores || !isClean ? 'behind-lamp' : undefined
}
const STORES: readonly SiteNode['kind'][] = ['tank', 'pressureTank', 'chamber']

/** Every way by which untreated water could come to a tap: from a tank or a well, with what each is wanting. */
export function drinkingFaults(site: Site, tapId: string): { path: Path; fault: DrinkingFault }[] {
  const flowLps = singleTapFlows(site, 'full').get(tapId)?.flowLps ?? 0
  return site.nodes.flatMap(source =>
    source.kind === 'tank' || source.kind === 'well'
      ? pathsFrom(site, source.id).flatMap(path => {
          const fault = path.end.id === tapId ? drinkingFault(site, path, flowLps) : undefined
          return fault ? [{ path, fault }] : []
        })
      : [],
  )
}
