import { monthRadiationMJ, pumpPower, solarLift, voltageDrop, type CurvePoint } from '../sums'
import { weatherMonths, type Site } from '../site'
import type { PartOf } from '../kinds'
import { PUMPS } from '../catalog'

/** A small motor draws more current than its power alone asks for. */
const POWER_FACTOR = 0.8
/** Share of a battery that may be drawn, and of Ra that reaches the ground a root of the day's warmth (Hargreaves). */
export const USABLE_SHARE = 0.8
const SUN_COEFFICIENT = 0.16
const MJ_PER_KWH = 3.6

/** What a pump takes from its cable at a duty. */
export interface Drawn {
  inputW: number
  efficiency: number
  volts: number
  currentA: number
  startW: number
  /** Over its cable, where that is known. */
  drop?: { dropV: number; dropShare: number }
  /** Watt hours that a cubic metre costs. */
  whPerM3: number
}

export function drawnBy(site: Pick<Site, 'standards'>, pump: PartOf<'pump'>, at: CurvePoint): Drawn {
  const efficiency = pump.efficiency || PUMPS[pump.pump].efficiency
  const { inputW } = pumpPower({ ...at, efficiency })
  const volts = pump.volts ?? (pump.pump === 'solar' ? 48 : site.standards.volts)
  const isDirect = pump.pump === 'solar' || volts <= 60
  const currentA = inputW / volts / (isDirect ? 1 : POWER_FACTOR)
  return {
    inputW,
    efficiency,
    volts,
    currentA,
    startW: inputW * PUMPS[pump.pump].surge,
    drop: pump.cable && voltageDrop({ currentA, volts, ...pump.cable }),
    whPerM3: inputW / (at.flowLps * 3.6),
  }
}

/** Watt hours that a day's litres cost at a duty. */
export const dailyWh = ({ whPerM3 }: Pick<Drawn, 'whPerM3'>, litres: number): number => (whPerM3 * litres) / 1000

/** Copper sizes that are sold, mm². */
export const CONDUCTORS_MM2 = [1, 1.5, 2.5, 4, 6, 10, 16, 25, 35]
/** The gauge by which copper goes where inches are spoken (ASTM B258): the nearest, thinner for higher numbers. */
export function wireGauge(conductorMm2: number): string {
  const diameterMm = Math.sqrt((4 * conductorMm2) / Math.PI)
  const gauge = Math.round(36 - 39 * (Math.log(diameterMm / 0.127) / Math.log(92)))
  return gauge > 0 ? `${gauge} AWG` : `${1 - gauge}/0 AWG`
}

/** A cable may cost a pump so much of its voltage. */
export const MOST_DROP_SHARE = 0.05

/** The thinnest copper that keeps the drop within its limit; undefined where none that is sold does. */
export const conductorFor = (currentA: number, lengthM: number, volts: number): number | undefined =>
  CONDUCTORS_MM2.find(
    conductorMm2 => voltageDrop({ currentA, lengthM, conductorMm2, volts }).dropShare <= MOST_DROP_SHARE,
  )

/** Hours of full sun a day in each month, on the flat: from the site's latitude and its days' warmth (Hargreaves). */
export function peakSunHours(site: Site): number[] {
  return weatherMonths(site).map(
    ({ tMinC, tMaxC }, month) =>
      (SUN_COEFFICIENT * Math.sqrt(Math.max(0, tMaxC - tMinC)) * monthRadiationMJ(site.place.latitudeDeg, month)) /
      MJ_PER_KWH,
  )
}

/** Litres a day that a panel lifts in each month. */
export const solarMonths = (site: Site, panelW: number, efficiency: number, headM: number): number[] =>
  peakSunHours(site).map(hours => solarLift({ panelW, peakSunHours: hours, efficiency, headM }).litresPerDay)

/** Days that a battery carries what is asked of it a day. */
export const batteryDays = (batteryWh: number, whPerDay: number): number =>
  whPerDay > 0 ? (USABLE_SHARE * batteryWh) / whPerDay : Infinity
