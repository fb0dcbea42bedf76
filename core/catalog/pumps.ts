interface PumpRow {
  name: string
  /** Head at no flow over that of its duty point; none for a diaphragm, whose flow falls evenly to its stall. */
  shutOff: number | undefined
  /** Share of what it takes from its cable that reaches the water: a small pump with its motor. */
  efficiency: number
  /** Head that must be left at its mouth, beyond the pressure at which water boils (NPSHr). */
  npshRequiredM: number
  /** How much more it takes while it starts than while it runs. */
  surge: number
  /** Starts an hour that its motor bears. */
  startsPerHour: number
  /** A guess of its price at 300 W of duty, in whatever is spent. */
  price: number
}

/**
 * Kinds of pump, where nothing better is known of one. A plate, a curve or a quote of one’s own replaces these.
 */
export const PUMPS = {
  'on-demand': {
    name: 'on-demand pump',
    shutOff: undefined,
    efficiency: 0.35,
    npshRequiredM: 6,
    surge: 2,
    startsPerHour: 60,
    price: 140,
  },
  jet: {
    name: 'jet pump',
    shutOff: 1.25,
    efficiency: 0.3,
    npshRequiredM: 2.2,
    surge: 5,
    startsPerHour: 20,
    price: 260,
  },
  submersible: {
    name: 'submersible pump',
    shutOff: 1.25,
    efficiency: 0.45,
    npshRequiredM: 1,
    surge: 5,
    startsPerHour: 20,
    price: 480,
  },
  'variable-speed': {
    name: 'variable-speed set',
    shutOff: 1.25,
    efficiency: 0.5,
    npshRequiredM: 3,
    surge: 1.3,
    startsPerHour: 60,
    price: 650,
  },
  solar: {
    name: 'solar pump',
    shutOff: 2,
    efficiency: 0.4,
    npshRequiredM: 2.5,
    surge: 1.2,
    startsPerHour: 60,
    price: 420,
  },
} as const satisfies Record<string, PumpRow>
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

/** What switches a pump where nobody said: those that feel the flow do it themselves. */
export const usualSwitch = (pump: PumpId, held: boolean): PumpSwitchId =>
  held ? 'pressure-switch' : pump === 'on-demand' || pump === 'variable-speed' ? 'flow-switch' : 'hand'

/** A diaphragm pump by its duty point: its flow at no head and at its stall, and the head of its stall. */
export const DIAPHRAGM = { openFlow: 1.3, stallFlow: 0.5, stallHead: 1.3 }
/** Velocity heads that a stopped pump costs what runs through it. */
export const STOPPED_PUMP_K = 10

/** What cartridges and lamps take at the flow they are made for, clean and due for a change, unless their maker says. */
export const TREATMENT_LOSS = {
  sediment: { ratedLps: 0.3, lossKPaAtRated: 15, dirtyKPaAtRated: 70 },
  carbon: { ratedLps: 0.2, lossKPaAtRated: 30, dirtyKPaAtRated: 100 },
  lamp: { lossKPaAtRated: 7, dirtyKPaAtRated: 7 },
}

/** A starting guess of what a pump costs: prices grow more slowly than power. */
export const guessedPumpPrice = (pump: PumpId, inputW: number): number =>
  Math.round((PUMPS[pump].price * (Math.max(60, inputW) / 300) ** 0.6) / 10) * 10

/** Drop of pressure at which cartridges are due, and how long they and lamps last where nothing shows it. */
export const TREATMENT_MONTHS = { sediment: 4, carbon: 6, lamp: 12 } as const
