import type { Amount } from './schema'
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
