import { drawdownInput } from './cycling'
import { dutyOf } from './duty'
import { heightsAlong } from './steady/heights'
import { runLossM } from './loss'
import { momentWith } from './taps'
import { shutOffM } from './steady/pumps'
import { pressure, say, volume, type Phrase } from '../words'
import { pressureTankDrawdown, staticPressure } from '../sums'
import { graphOf, portHeightM, type Run, type Site } from '../site'
import type { NodeOf, PartOf } from '../kinds'
import { FITTING_K, PRECHARGE_UNDER_KPA } from '../catalog'

/** What a reading on a card means: as it should be, or what to look at. */
export interface Meaning {
  good: boolean
  words: Phrase
}

/** Pressure behind a pump while it runs so, and with nothing drawn; kPa at its own height. */
export interface PumpPressures {
  runningKPa: number
  shutOffKPa: number
}

export function pressuresOf(
  site: Site,
  { run, pump }: { run: Run; pump: PartOf<'pump'> },
  taps: readonly string[],
): PumpPressures | undefined {
  const duty = dutyOf(site, { run, pump }, taps, 'low')
  if (!duty) return undefined
  const at = run.parts.indexOf(pump)
  const source = graphOf(site).node(run.from.node)!
  const pumpM = source.kind === 'well' ? portHeightM(site, run.from) : heightsAlong(site, run)(at)
  const waterM = momentWith(site, taps, 'low').nodes[run.from.node]!.headM
  const beforeM = runLossM(
    { ...run, parts: run.parts.slice(0, at) },
    duty.at.flowLps,
    site.place.waterTemperatureC,
    FITTING_K.entry,
  )
  const kPa = (headM: number) => staticPressure({ headM: Math.max(0, headM) }).pressureKPa
  return {
    runningKPa: kPa(waterM - beforeM + duty.at.headM - pumpM),
    shutOffKPa: kPa(waterM + shutOffM(pump) - pumpM),
  }
}

/** A switch trips a little above the running pressure; how near, and how far above that is too far. */
const [NEAR_KPA, FAR_KPA] = [5, 70]
/** More than this share above what is reckoned, something chokes. */
const CHOKED_SHARE = 1.25
/** A fall an hour, with all shut, that is more than the gauge's own. */
const LEAK_KPA_PER_H = 5
const SLOW_STOP_S = 30

/** What the readings of a switch mean, against what is reckoned for its pump. */
export function readSwitch(
  readings: NonNullable<PartOf<'pump'>['switchReadings']>,
  reckoned: PumpPressures | undefined,
  vessel?: NodeOf<'pressureTank'>,
): Meaning[] {
  const { sun, runningKPa, tripsKPa, stopsAfterS, fallsKPaPerH } = readings
  const found: Meaning[] = []
  const told = (good: boolean, words: Phrase) => found.push({ good, words })
  if (sun === 'weak')
    told(
      false,
      say`Set in weak sun, the point is too low: in full sun the pump runs harder and trips at work. Set it again.`,
    )
  if (runningKPa !== undefined && reckoned) {
    if (runningKPa > CHOKED_SHARE * reckoned.runningKPa)
      told(
        false,
        say`It runs at ${pressure(runningKPa)} where ${pressure(reckoned.runningKPa)} are reckoned: something chokes the
          line, often the float valve, else a filter or a valve half shut.`,
      )
    else if (runningKPa < reckoned.runningKPa / CHOKED_SHARE)
      told(
        false,
        say`It runs at ${pressure(runningKPa)} where ${pressure(reckoned.runningKPa)} are reckoned: a worn pump, air in
          its suction, or a burst.`,
      )
    else told(true, say`It runs at ${pressure(runningKPa)}, as reckoned.`)
  }
  if (tripsKPa !== undefined) {
    const runs = runningKPa ?? reckoned?.runningKPa
    if (reckoned && tripsKPa >= reckoned.shutOffKPa)
      told(
        false,
        say`It trips at ${pressure(tripsKPa)}, and the pump gives ${pressure(reckoned.shutOffKPa)} at most: it never
          stops.`,
      )
    else if (runs !== undefined && !vessel && tripsKPa < runs + NEAR_KPA)
      told(
        false,
        say`It trips at ${pressure(tripsKPa)}, no higher than it runs: it stops at work. Back it off a little.`,
      )
    else if (runs !== undefined && !vessel && tripsKPa > runs + FAR_KPA)
      told(
        false,
        say`It trips ${pressure(tripsKPa - runs)} above where it runs: with the float shut it works long against it.
          Bring it down until it trips, then back just far enough.`,
      )
    else told(true, say`It trips at ${pressure(tripsKPa)}, above where it runs and under what the pump can.`)
  }
  if (stopsAfterS !== undefined)
    told(
      stopsAfterS <= SLOW_STOP_S,
      stopsAfterS <= SLOW_STOP_S
        ? say`It stops ${stopsAfterS} s after the float is shut.`
        : say`It runs ${stopsAfterS} s against a shut float: the point is too high, or water gets past somewhere.`,
    )
  if (fallsKPaPerH !== undefined)
    told(
      fallsKPaPerH <= LEAK_KPA_PER_H,
      fallsKPaPerH <= LEAK_KPA_PER_H
        ? say`With all shut the pressure holds.`
        : say`With all shut it loses ${pressure(fallsKPaPerH)} an hour: a leak, or a check valve that passes.`,
    )
  return found
}

const GAS_NEAR_KPA = 10
const [LOST_SHARE, GONE_SHARE] = [0.75, 0.35]

/** What the readings of a pressure tank's gas mean. */
export function readGas(vessel: NodeOf<'pressureTank'>): Meaning[] {
  const { emptyKPa, drawnL } = vessel.gasReadings ?? {}
  const found: Meaning[] = []
  const wantedKPa = Math.max(0, vessel.cutInKPa - PRECHARGE_UNDER_KPA)
  if (emptyKPa !== undefined)
    found.push(
      Math.abs(emptyKPa - wantedKPa) <= GAS_NEAR_KPA
        ? { good: true, words: say`The gas stands at ${pressure(emptyKPa)}, a little under the cut-in.` }
        : {
            good: false,
            words:
              emptyKPa < wantedKPa
                ? say`The gas stands at ${pressure(emptyKPa)}: pump it up to ${pressure(wantedKPa)}. What it lost in a
                    year goes through the skin; what it loses in a week is a valve.`
                : say`The gas stands at ${pressure(emptyKPa)}, above ${pressure(wantedKPa)}: let some out, or the taps fall
                    silent before the pump starts.`,
          },
    )
  const sound = vessel.prechargeKPa <= vessel.cutInKPa
  if (drawnL !== undefined && sound) {
    const { drawdownL } = pressureTankDrawdown(drawdownInput(vessel, vessel.volumeL))
    const share = drawnL / drawdownL
    found.push(
      share >= LOST_SHARE
        ? {
            good: true,
            words: say`It gives ${volume(drawnL)} from stop to start, near the ${volume(drawdownL)} reckoned.`,
          }
        : {
            good: false,
            words:
              share < GONE_SHARE
                ? say`It gives ${volume(drawnL)} from stop to start where ${volume(drawdownL)} are reckoned: it is full of
                    water. Its gas is gone or its skin is torn.`
                : say`It gives ${volume(drawnL)} from stop to start where ${volume(drawdownL)} are reckoned: gas is missing.`,
          },
    )
  }
  return found
}
