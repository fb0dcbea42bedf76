import type { PumpId } from './pumps'

/** Where water stands before it is lifted. */
export type LiftedFrom = 'tank' | 'well' | 'main'

interface Lift {
  /** What it is called, by where the water stands; what it cannot be lifted by from there is left out. */
  name: Partial<Record<LiftedFrom, string>>
  pump?: PumpId
  /** Where its pump stands to the water: beside it, above it (it sucks), or in it. */
  stands?: 'beside' | 'above' | 'within'
}

/** Ways in which water is lifted from where it stands to the taps. */
export const LIFTS = {
  gravity: { name: { tank: 'its own fall', main: 'its own pressure' } },
  'on-demand': { name: { tank: 'an on-demand pump beside it' }, pump: 'on-demand', stands: 'beside' },
  'on-demand-above': { name: { tank: 'an on-demand pump above it' }, pump: 'on-demand', stands: 'above' },
  jet: { name: { tank: 'a jet pump beside it', well: 'a suction pump on top of it' }, pump: 'jet', stands: 'beside' },
  submersible: {
    name: { tank: 'a pump in it', well: 'a submersible pump in it' },
    pump: 'submersible',
    stands: 'within',
  },
  'variable-speed': {
    name: { tank: 'a variable-speed set', well: 'a variable-speed pump in it', main: 'a variable-speed set' },
    pump: 'variable-speed',
    stands: 'beside',
  },
  solar: { name: { tank: 'a solar pump', well: 'a solar pump in it' }, pump: 'solar', stands: 'within' },
} as const satisfies Record<string, Lift>
export type LiftId = keyof typeof LIFTS
export const LIFT_IDS = Object.keys(LIFTS) as [LiftId, ...LiftId[]]
export const liftRow = (id: LiftId): Lift => LIFTS[id]

/** What keeps the pressure between the pump and the taps. */
export const HOLDS = {
  straight: { name: 'straight to the taps' },
  'pressure-tank': { name: 'through a pressure tank' },
} as const satisfies Record<string, { name: string }>
export type HoldId = keyof typeof HOLDS
export const HOLD_IDS = Object.keys(HOLDS) as [HoldId, ...HoldId[]]

/** How a line goes up to a tank on a hill: over its rim, or into its draw-off, so that one line fills and feeds. */
export const FILL_LINES = {
  over: { name: 'its own line over the top' },
  'fills-and-feeds': { name: 'one line that fills and feeds' },
} as const satisfies Record<string, { name: string }>
export type FillLineId = keyof typeof FILL_LINES
export const FILL_LINE_IDS = Object.keys(FILL_LINES) as [FillLineId, ...FillLineId[]]

/** How several taps hang on one line. */
export const BRANCHINGS = {
  manifold: { name: 'from a manifold' },
  tees: { name: 'one after another by tees' },
} as const satisfies Record<string, { name: string }>
export type BranchingId = keyof typeof BRANCHINGS
export const BRANCHING_IDS = Object.keys(BRANCHINGS) as [BranchingId, ...BranchingId[]]

/** Pressure that a house is made for at its taps, and what friction may take of it on the way. */
export const COMFORT_KPA = 200
export const FRICTION_SHARE = 0.15
/** A usual pressure tank, sold everywhere in these sizes, and its switch by the head the pump can give. */
export const PRESSURE_TANKS_L = [20, 60, 100, 165, 325, 450] as const
/** The gas of a pressure tank stands this far under its switch’s cut-in. */
export const PRECHARGE_UNDER_KPA = 14
/** What a switch is usually set to between on and off. */
export const SWITCH_GAP_KPA = 138
/** A relief valve opens this far above what switches the pump off, and no higher than the tank may bear. */
export const RELIEF_OVER_KPA = 150
