/**
 * Kinds of pump. `shutOff` is the head at no flow over the head of its duty point, from which its curve falls with the
 * square of the flow; a diaphragm’s flow falls evenly instead, and it stops at its stall. `efficiency` is a
 * small pump’s with its motor, where nothing better is known.
 */
export const PUMPS = {
  'on-demand': { name: 'on-demand pump', shutOff: undefined, efficiency: 0.35 },
  jet: { name: 'jet pump', shutOff: 1.25, efficiency: 0.3 },
  submersible: { name: 'submersible pump', shutOff: 1.25, efficiency: 0.45 },
  'variable-speed': { name: 'variable-speed set', shutOff: 1.25, efficiency: 0.5 },
  solar: { name: 'solar pump', shutOff: 2, efficiency: 0.4 },
} as const satisfies Record<string, { name: string; shutOff: number | undefined; efficiency: number }>
export type PumpId = keyof typeof PUMPS
export const PUMP_IDS = Object.keys(PUMPS) as [PumpId, ...PumpId[]]

/** What starts and stops a pump. */
export const PUMP_SWITCH_WORDS = {
  'pressure-switch': { name: 'a pressure switch' },
  'level-switch': { name: 'a level switch' },
  'flow-switch': { name: 'a flow switch of its own' },
  hand: { name: 'hand' },
} as const satisfies Record<string, { name: string }>
export const PUMP_SWITCHES = Object.keys(PUMP_SWITCH_WORDS) as [PumpSwitchId, ...PumpSwitchId[]]
export type PumpSwitchId = keyof typeof PUMP_SWITCH_WORDS

/** A diaphragm pump by its duty point: its flow at no head and at its stall, and the head of its stall. */
export const DIAPHRAGM = { openFlow: 1.3, stallFlow: 0.5, stallHead: 1.3 }
/** Velocity heads that a stopped pump costs what runs through it. */
export const STOPPED_PUMP_K = 10

/** What cartridges and lamps take at the flow they are made for, clean and due for a change, unless their maker says. */
export const TREATMENT = {
  sediment: { ratedLps: 0.3, lossKPaAtRated: 15, dirtyKPaAtRated: 70 },
  carbon: { ratedLps: 0.2, lossKPaAtRated: 30, dirtyKPaAtRated: 100 },
  lamp: { lossKPaAtRated: 7, dirtyKPaAtRated: 7 },
}
