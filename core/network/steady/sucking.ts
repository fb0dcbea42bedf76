import { heightsAlong } from './heights'
import { suctionLift } from '../../sums'
import { graphOf, portHeightM, type Run, type Site } from '../../site'
import type { Part, PartOf } from '../../kinds'
import { PUMPS } from '../../catalog'

/** A pump that stands outside its water and sucks it in. */
export interface Sucking {
  pump: PartOf<'pump'>
  /** Where the pump stands, above the datum. */
  pumpM: number
  npshRequiredM: number
  /** How far above its water it may stand with nothing flowing, m (`suction-lift` without friction). */
  limitM: number
  /** What its water comes through before it. */
  before: Part[]
}

/** The first pump of a run that draws from a tank or a well; none where it stands in its water or behind a main. */
export function suckingOf(site: Site, run: Run, wanted?: PartOf<'pump'>): Sucking | undefined {
  const at = run.parts.findIndex(part => part.kind === 'pump' && (!wanted || part === wanted))
  const source = graphOf(site).node(run.from.node)
  if (at <= 0 || (source?.kind !== 'tank' && source?.kind !== 'well')) return undefined
  const pump = run.parts[at] as PartOf<'pump'>
  const port = source.kind === 'tank' ? source.ports.find(each => each.name === run.from.port) : undefined
  const standsAtEnd = source.kind === 'well' || port?.intakeM !== undefined
  const npshRequiredM = pump.npshRequiredM ?? PUMPS[pump.pump].npshRequiredM
  const { altitudeM, waterTemperatureC } = site.place
  return {
    pump,
    pumpM: standsAtEnd ? portHeightM(site, run.from) : heightsAlong(site, run)(at),
    npshRequiredM,
    limitM: suctionLift(suctionInput(altitudeM, waterTemperatureC, npshRequiredM, 0)).maxLiftM,
    before: run.parts.slice(0, at),
  }
}

/** The input of `suction-lift`, in figures a person would type. */
export const suctionInput = (
  altitudeM: number,
  waterTemperatureC: number,
  npshRequiredM: number,
  frictionM: number,
) => ({
  altitudeM,
  waterTemperatureC: Math.max(0.01, waterTemperatureC),
  npshRequiredM,
  frictionM: Math.round(frictionM * 1000) / 1000,
})
