import { walk } from './graph'
import type { Amount, Run, Site } from './schema'
import type { Part } from '../kinds'
import { dripZone, type DripZoneInput } from '../sums'

export type Drip = NonNullable<Extract<Amount, { by: 'bed' }>['drip']>

/** The fewest equal zones of which each draws no more than a flow. */
export function zonesWithin(emitters: Drip['emitters'], mostLph: number): number {
  return Math.min(
    100,
    Math.max(1, Math.ceil(dripZone({ emitters, minutesPerRun: 60, runsPerWeek: 1 }).flowLph / mostLph)),
  )
}

/** The input of `drip-zone` for a bed's drip, all its zones together. */
export const dripInput = ({ emitters, minutesPerRun, runsPerWeek }: Drip): DripZoneInput => ({
  emitters: emitters.map(({ count, litresPerHour }) => ({ count, litresPerHour })),
  minutesPerRun,
  runsPerWeek,
})

/**
 * What a bed's drip comes to: the flow of one zone, litres a day, and hours on a day of watering when one zone runs
 * after the other.
 */
export function dripPlan(drip: Drip): { zoneLph: number; litresPerDay: number; hoursPerRun: number } {
  const { flowLph, litresPerWeek } = dripZone(drip)
  return {
    zoneLph: flowLph / drip.zones,
    litresPerDay: litresPerWeek / 7,
    hoursPerRun: (drip.minutesPerRun / 60) * drip.zones,
  }
}

/** What drippers bear: a mesh or a cartridge of so much, or finer. */
export const FINE_ENOUGH_UM = 200

/** The last lines before a tap that bring a tank's or a well's water unstrained. */
export function unstrained(site: Site, tapId: string): Run[] {
  const bare = [...walk(site, tapId, { along: 'up' })]
    .filter(({ node }) => node.kind === 'tank' || node.kind === 'well')
    .filter(({ steps }) => !steps.some(({ run }) => run.parts.some(isFineEnough)))
  return [...new Set(bare.map(({ steps }) => steps[0]!.run))]
}
const isFineEnough = (part: Part): boolean =>
  (part.kind === 'filter' && part.ratingUm <= FINE_ENOUGH_UM) ||
  (part.kind === 'screen' && part.meshMm * 1000 <= FINE_ENOUGH_UM)
