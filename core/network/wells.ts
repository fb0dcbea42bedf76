import { linearRegression } from 'simple-statistics'
import { circleArea, risingTo } from '../sums'
import type { NodeOf } from '../kinds'
import type { PumpId } from '../catalog'

type Well = NodeOf<'well'>

/** What a pumping test tells of a well. */
export interface WellTest {
  /** How far it was drawn down at the end, and what it gives a metre of that. */
  drawdownM: number
  specificCapacityLpsPerM: number | undefined
  /** The share of what is missing that comes back each hour, fitted; and how well that fits (r²). */
  recoveryPerH: number | undefined
  fit: number | undefined
  /** Minutes until nine tenths are back. */
  ninetyMinutes: number | undefined
  /** True while the water still fell at the end: a longer test would tell less. */
  stillFalling: boolean
}

const STEADY_M_PER_10_MIN = 0.05

/**
 * Specific capacity from the last reading of a pumping test, and recovery as a share that comes back each hour: what is
 * missing falls as e^(−kt) (fitted by least squares on its logarithm, through what was missing when the pump stopped).
 */
export function readTest({ stillWaterDepthM, pumpingTest }: Well): WellTest | undefined {
  if (!pumpingTest?.drawn.length) return undefined
  const drawn = pumpingTest.drawn.toSorted((a, b) => a.minutes - b.minutes)
  const last = drawn.at(-1)!
  const drawdownM = last.depthM - stillWaterDepthM
  const before = drawn.filter(({ minutes }) => minutes <= last.minutes - 10).at(-1)
  const back = pumpingTest.recovered.filter(
    ({ depthM }) => depthM - stillWaterDepthM > 0.01 * Math.max(drawdownM, 0.01),
  )
  const points = back.map(
    ({ minutes, depthM }) => [minutes / 60, Math.log(depthM - stillWaterDepthM)] as [number, number],
  )
  const line = drawdownM > 0 && points.length >= 2 ? linearRegression(points) : undefined
  const recoveryPerH = line && line.m < 0 ? -line.m : undefined
  return {
    drawdownM,
    specificCapacityLpsPerM: drawdownM > 0 ? pumpingTest.flowLps / drawdownM : undefined,
    recoveryPerH,
    fit: line && fitOf(points, line),
    ninetyMinutes: recoveryPerH && (60 * Math.LN10) / recoveryPerH,
    stillFalling: before !== undefined && last.depthM - before.depthM > STEADY_M_PER_10_MIN,
  }
}

/** The share of the spread of points that a line tells (r²). */
function fitOf(points: [number, number][], { m, b }: { m: number; b: number }): number {
  const mean = points.reduce((sum, [, y]) => sum + y, 0) / points.length
  const off = points.reduce((sum, [x, y]) => sum + (y - (m * x + b)) ** 2, 0)
  const all = points.reduce((sum, [, y]) => sum + (y - mean) ** 2, 0)
  return all === 0 ? 1 : 1 - off / all
}

/**
 * Metres of a well, from its floor up, that a kind of pump leaves: a submersible hangs clear of the mud with water over
 * it; the foot valve of one that sucks reaches deeper. Practice of the trade.
 */
const [HANGS_M, SUCKS_M] = [3, 1]
export const leftInWellM = (pump: PumpId | undefined): number => (pump === 'jet' ? SUCKS_M : HANGS_M)
const USUAL_CASING_MM = 125

/**
 * What stands in a well's casing above its pump, and what comes in while the water is kept down near it: the least of
 * what the well's yield a day says and what its drawdown to there gives.
 */
export interface Casing {
  storedL: number
  comesLps: number
  /** Depth to the water at the end of a dry season, and to where the pump draws air, m below the ground. */
  dryM: number
  lowestDepthM: number
}
export function casingOf(well: Well, leftM = HANGS_M): Casing {
  const { groundM, baseM, depthM, stillWaterDepthM, dryFallM = 0, specificCapacityLpsPerM, yieldLPerDay } = well
  const floorM = Math.min(depthM, groundM - baseM)
  const dryM = stillWaterDepthM + dryFallM
  const lowestDepthM = Math.max(dryM, floorM - leftM)
  const roomM = lowestDepthM - dryM
  return {
    storedL: circleArea((well.casingMm ?? USUAL_CASING_MM) / 1000) * roomM * 1000,
    comesLps: Math.min(
      yieldLPerDay / 86400,
      specificCapacityLpsPerM === undefined ? Infinity : specificCapacityLpsPerM * roomM,
    ),
    dryM,
    lowestDepthM,
  }
}

/** What a well gives through a night, and how its water stands meanwhile. */
export interface Night {
  hours: number
  litres: number
  /** The flow that it keeps up all night. */
  steadyLps: number
  /** What stands in its casing above the pump at the start. */
  storedL: number
  lowestDepthM: number
  /** The pump must rest in between: it lifts more than comes in. */
  rests: boolean
}

/** A night of filling: what stands in the casing, and what comes in meanwhile. */
export function nightOf(well: Well, pumpLps: number, hours: number, leftM = HANGS_M): Night {
  const { specificCapacityLpsPerM } = well
  const { storedL, comesLps, dryM, lowestDepthM } = casingOf(well, leftM)
  const steadyLps = Math.min(pumpLps, comesLps)
  const litres = Math.min(pumpLps * hours * 3600, storedL + comesLps * hours * 3600)
  const drawnM = specificCapacityLpsPerM ? steadyLps / specificCapacityLpsPerM : lowestDepthM - dryM
  return {
    hours,
    litres,
    steadyLps,
    storedL,
    lowestDepthM: Math.min(lowestDepthM, dryM + drawnM),
    rests: pumpLps > comesLps,
  }
}

/** Hours in which a well fills so many litres; undefined where two weeks are not enough. */
export function hoursToFill(well: Well, pumpLps: number, litres: number, leftM = HANGS_M): number | undefined {
  const most = 14 * 24
  if (nightOf(well, pumpLps, most, leftM).litres < litres) return undefined
  return risingTo(litres, hours => nightOf(well, pumpLps, hours, leftM).litres, 1, most)
}
