import { max, sum } from 'd3-array'
import { momentWith } from './taps'
import { drawdownShare, pressureTankDrawdown, pumpCycle, type SwitchPressures } from '../sums'
import { litresPerDay, usesAt, type Feed, type Site } from '../site'
import type { NodeOf } from '../kinds'
import { FIXTURES, PUMPS } from '../catalog'

const LEAST_LPS = 0.01

/** How a pump behind which a pressure tank stands starts and rests on a day of a busy month. */
export interface Cycling {
  vessel: NodeOf<'pressureTank'>
  litresPerDay: number
  drawdownL: number
  /** What the pump lifts into the tank midway between its switch's two pressures. */
  pumpLps: number
  /** What is drawn while somebody draws. */
  demandLps: number
  startsPerDay: number
  worstPerHour: number
  bearsPerHour: number
  /** How long it runs at a start with nothing drawn: its shortest comes with its tank filling alone. */
  runS: number
  /** Hours that what the tank holds midway lasts without power, at the day's mean; and what it holds then. */
  heldL: number
  hoursWithoutPower: number
  /** True where it delivers less than is drawn, so that it does not stop while somebody draws. */
  keepsRunning: boolean
}

/** Litres a day that the uses at a feed's taps ask for, in the month that asks most. */
export function busiestDayL(site: Site, { taps }: Pick<Feed, 'taps'>): number {
  const ids = new Set(taps.map(({ id }) => id))
  const months = site.uses.filter(({ at }) => ids.has(at)).map(use => litresPerDay(site, use))
  return max(Array.from({ length: 12 }, (_, month) => sum(months, month12 => month12[month]!))) ?? 0
}

/** What a pressure tank holds at a pressure above its gas's, L (Boyle). */
export function heldAtL(
  { volumeL, prechargeKPa }: Pick<NodeOf<'pressureTank'>, 'volumeL' | 'prechargeKPa'>,
  kPa: number,
) {
  return kPa <= prechargeKPa ? 0 : volumeL * drawdownShare({ prechargeKPa, cutInKPa: prechargeKPa, cutOutKPa: kPa })
}

/** The starts of a feed's pump with its pressure tank; undefined where none stands there, or its switch cannot work. */
export function cyclingOf(site: Site, feed: Feed, volumeL = feed.vessel?.volumeL): Cycling | undefined {
  const { vessel, pump, taps, trunk } = feed
  if (!vessel || !pump || !volumeL) return undefined
  if (vessel.prechargeKPa > vessel.cutInKPa) return undefined
  const drawdownL = pressureTankDrawdown(drawdownInput(vessel, volumeL)).drawdownL
  const pumpLps = momentWith(site, [], 'low').runs[trunk[0]!.id]?.flowLps ?? 0
  if (pumpLps < LEAST_LPS || drawdownL <= 0) return undefined
  const dayL = busiestDayL(site, feed)
  const demandLps = Math.max(LEAST_LPS, sum(taps, tap => tap.ratedLps ?? FIXTURES[tap.fixture].ratedLps) / taps.length)
  const keepsRunning = demandLps >= pumpLps
  const cycle = pumpCycle({ drawdownL, pumpFlowLps: pumpLps, demandLps: Math.min(demandLps, 0.99 * pumpLps) })
  // Of a cycle, the tank gives its drawdown and the pump what is drawn while it runs.
  const litresPerCycle = keepsRunning ? drawdownL + averageDrawL(taps) : demandLps * (cycle.onS + cycle.offS)
  const midKPa = (vessel.cutInKPa + vessel.cutOutKPa) / 2
  const heldL = heldAtL({ ...vessel, volumeL }, midKPa)
  return {
    vessel,
    litresPerDay: dayL,
    drawdownL,
    pumpLps,
    demandLps,
    startsPerDay: dayL / litresPerCycle,
    worstPerHour: cycle.worstStartsPerHour,
    bearsPerHour: pump.mostStartsPerHour ?? PUMPS[pump.pump].startsPerHour,
    runS: drawdownL / pumpLps,
    heldL,
    hoursWithoutPower: dayL > 0 ? (24 * heldL) / dayL : Infinity,
    keepsRunning,
  }
}
const averageDrawL = (taps: Feed['taps']) => sum(taps, tap => FIXTURES[tap.fixture].drawL) / taps.length

/** The input of `pressure-tank-drawdown` for a pressure tank. */
export const drawdownInput = (
  { prechargeKPa, cutInKPa, cutOutKPa }: NodeOf<'pressureTank'>,
  volumeL: number,
): SwitchPressures & { volumeL: number } => ({ volumeL, prechargeKPa, cutInKPa, cutOutKPa })

/** Starts a day of a pump without a pressure tank: one for each time that somebody draws. */
export function drawsPerDay(site: Site, { taps }: Pick<Feed, 'taps'>): number {
  return sum(taps, tap => {
    const dayL = max(litresOfTap(site, tap.id)) ?? 0
    return dayL / FIXTURES[tap.fixture].drawL
  })
}
const litresOfTap = (site: Site, tap: string): number[] => {
  const months = usesAt(site, tap).map(use => litresPerDay(site, use))
  return Array.from({ length: 12 }, (_, month) => sum(months, month12 => month12[month]!))
}
