import { headOfPressureM, peakFlow, pressureTankSize, staticPressure } from '../../sums'
import { dripPlan, rimM, type Feed, type FeedSource, type Site } from '../../site'
import type { NewPart, NodeOf, PartOf } from '../../kinds'
import {
  COMFORT_KPA,
  FIXTURES,
  FRICTION_SHARE,
  liftRow,
  PRECHARGE_UNDER_KPA,
  PRESSURE_TANKS_L,
  PUMPS,
  RELIEF_OVER_KPA,
  SWITCH_GAP_KPA,
  type LiftId,
} from '../../catalog'

/** Fewest and most load units of Hunter's curve. */
const [LEAST_UNITS, MOST_UNITS] = [1, 100]
/** A pump is to run so long at a time. */
const LEAST_RUN_S = 60
const MOST_KPA = 700
const roundUp = (value: number, step: number) => Math.round(Math.ceil(value / step - 1e-9) * step * 1000) / 1000

/** What one tap asks for, fully open: as somebody measured it, as its drip's zone runs, else as its fixture is made. */
function askedLps(site: Site, tap: NodeOf<'tap'>): number {
  const drips = site.uses.flatMap(({ at, amount }) =>
    at === tap.id && amount.by === 'bed' && amount.drip ? [dripPlan(amount.drip).zoneLph / 3600] : [],
  )
  return tap.ratedLps ?? (drips.length ? Math.max(...drips) : FIXTURES[tap.fixture].ratedLps)
}

/** What taps ask for at their busiest: by load units, never more than all of them open; a hydrant or a drip by itself. */
export function busiestLps(site: Site, taps: readonly NodeOf<'tap'>[]): number {
  const units = taps.reduce((sum, tap) => sum + FIXTURES[tap.fixture].loadUnits, 0)
  const weighed = taps.filter(tap => FIXTURES[tap.fixture].loadUnits > 0)
  const all = weighed.reduce((sum, tap) => sum + askedLps(site, tap), 0)
  const together =
    weighed.length && units >= LEAST_UNITS
      ? Math.min(all, peakFlow({ loadUnits: Math.min(MOST_UNITS, units) }).flowLps)
      : all
  const alone = taps.filter(tap => FIXTURES[tap.fixture].loadUnits === 0).map(tap => askedLps(site, tap))
  return Math.max(0.05, together, ...alone)
}

/** How low the water stands that is to be lifted, above the datum. */
export function lowWaterM(source: FeedSource, port: string): number {
  if (source.kind === 'well') return source.groundM - source.stillWaterDepthM
  if (source.kind === 'main') return source.baseM
  const end = source.ports.find(each => each.name === port)
  return source.baseM + Math.min(end?.heightM ?? 0, end?.intakeM ?? Infinity)
}

/** Head of a pump that lifts so high to a pressure, with what friction takes on the way. */
const headForM = (liftM: number, pressureKPa: number) =>
  (Math.max(1, liftM) + headOfPressureM(pressureKPa)) * (1 + FRICTION_SHARE)

/** A pump for a flow to a height at a pressure; of round figures, a little large. */
export function pumpFor(lift: LiftId, flowLps: number, liftM: number, pressureKPa: number): PartWithoutId<'pump'> {
  const { pump } = liftRow(lift)
  if (!pump) throw new Error(`${lift} has no pump`)
  return {
    kind: 'pump',
    pump,
    flowLps: roundUp(flowLps, 0.05),
    headM: roundUp(headForM(liftM, pressureKPa), 1),
    // A diaphragm bears running dry for a while; any other seal burns within minutes.
    ...(pump === 'on-demand' ? {} : { dryGuard: true }),
  }
}
type PartWithoutId<Kind extends PartOf<'pump'>['kind']> = Omit<PartOf<Kind>, 'id'>

const highestTapM = (taps: readonly NodeOf<'tap'>[]) => Math.max(...taps.map(tap => tap.baseM))

/** The pump of a feed, made for what its taps ask at their busiest; one that holds a pressure is set to what they want. */
export function pumpOfFeed(site: Site, { source, port, taps }: Feed, lift: LiftId): NewPart {
  const liftM = highestTapM(taps) - lowWaterM(source, port)
  const pump = pumpFor(lift, busiestLps(site, taps), liftM, COMFORT_KPA)
  if (pump.pump !== 'variable-speed') return pump
  const heldKPa = staticPressure({ headM: headForM(highestTapM(taps) - source.groundM, COMFORT_KPA) }).pressureKPa
  return { ...pump, setKPa: roundUp(heldKPa, 10) }
}

/** A pressure tank and its switch for a pump: on while the highest tap still has what it wants, off well under what the pump can. */
export function vesselFor(
  { source, port, taps }: Feed,
  pump: Pick<PartOf<'pump'>, 'pump' | 'flowLps' | 'headM'>,
  atM: number,
): Omit<NodeOf<'pressureTank'>, 'id' | 'name' | 'baseM' | 'groundM' | 'kind'> {
  const topM = highestTapM(taps)
  const shutOffM = (PUMPS[pump.pump].shutOff ?? 1.3) * pump.headM - (atM - lowWaterM(source, port))
  const mostKPa = 0.9 * staticPressure({ headM: Math.max(15, shutOffM) }).pressureKPa
  const wantedKPa = COMFORT_KPA - SWITCH_GAP_KPA / 2 + staticPressure({ headM: Math.max(0, topM - atM) }).pressureKPa
  const cutInKPa = Math.max(100, Math.round(Math.min(wantedKPa, mostKPa - SWITCH_GAP_KPA, MOST_KPA - 300) / 10) * 10)
  const cutOutKPa = cutInKPa + SWITCH_GAP_KPA + 2
  const prechargeKPa = cutInKPa - PRECHARGE_UNDER_KPA
  const { volumeL } = pressureTankSize({
    pumpFlowLps: pump.flowLps,
    minRunS: LEAST_RUN_S,
    prechargeKPa,
    cutInKPa,
    cutOutKPa,
  })
  return {
    volumeL: PRESSURE_TANKS_L.find(size => size >= volumeL) ?? PRESSURE_TANKS_L.at(-1)!,
    prechargeKPa,
    cutInKPa,
    cutOutKPa,
    mostKPa: MOST_KPA,
    gauge: true,
    drain: true,
  }
}

/** Where a relief valve beside a pressure tank is set. */
export const reliefFor = ({ cutOutKPa, mostKPa = MOST_KPA }: Pick<NodeOf<'pressureTank'>, 'cutOutKPa' | 'mostKPa'>) =>
  Math.max(1, Math.min(cutOutKPa + RELIEF_OVER_KPA, mostKPa))

/** The bore of a line that carries a flow at no more than a quiet speed. */
const QUIET_MPS = 1.5
const SUPPLY_BORES_MM = [20.93, 26.64, 35.05, 40.89, 52.5, 62.71, 77.93, 102.26]
export const quietBoreMm = (flowLps: number): number => {
  const leastMm = Math.sqrt((4 * flowLps) / 1000 / (Math.PI * QUIET_MPS)) * 1000
  return SUPPLY_BORES_MM.find(bore => bore >= leastMm) ?? SUPPLY_BORES_MM.at(-1)!
}

/** The hole of a pump's line in a tank: above all water that can stand in it, below its rim. */
export const highHoleM = (tank: FeedSource & { kind: 'tank' }, spillAtM: number): number =>
  Math.round(
    Math.min(rimM(tank) - tank.baseM - 0.02, Math.max(spillAtM + 0.05, rimM(tank) - tank.baseM - 0.1)) * 1000,
  ) / 1000
