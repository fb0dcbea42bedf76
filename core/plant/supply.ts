import type { PumpControl } from './switches'
import { drawnBy, USABLE_SHARE } from '../network'
import type { Site } from '../site'

/** What a plant's pumps take from their cable, W by run; and those whose start the inverter cannot bear. */
export interface PlantPower {
  inputW: Map<string, number>
  trips: Set<string>
  /** What may be drawn from the battery, where there is one, and what the panels bring in full sun. */
  usableWh: number
  panelW: number
}

/** Pumps on panels of their own hang on neither. */
export function plantPower({ power, ...site }: Site, controls: readonly PumpControl[]): PlantPower {
  const wired = controls.filter(({ pump }) => pump.pump !== 'solar')
  const drawn = wired.map(({ run, pump: { flowLps, headM }, pump }) => ({
    id: run.id,
    ...drawnBy(site, pump, { flowLps, headM }),
  }))
  const surgeW = power?.inverterSurgeW ?? Infinity
  return {
    inputW: new Map(drawn.map(({ id, inputW }) => [id, inputW])),
    trips: new Set(drawn.filter(({ startW }) => startW > surgeW).map(({ id }) => id)),
    usableWh: USABLE_SHARE * (power?.batteryWh ?? 0),
    panelW: power?.panelW ?? 0,
  }
}
