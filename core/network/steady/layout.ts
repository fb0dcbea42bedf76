import type { Elimination } from './factor'
import type { Law } from './laws'
import type { Site } from '../../site'
import type { NodeOf, PartOf, Tank } from '../../kinds'

/** Where water stands at a height of its own: a tank at one of its ports, a pressure tank, or any other known head. */
export type Fixed =
  | { kind: 'tank'; tank: Tank; portM: number }
  | { kind: 'pressureTank'; node: NodeOf<'pressureTank'> }
  | { kind: 'main'; node: NodeOf<'main'> }
  /** `gives`: water comes from there; from the open air none does. */
  | { kind: 'head'; headM: number; gives: boolean }

/** What stands in a tank or a pressure tank where time goes by: its head gives way as it is drawn on or filled. */
export interface Store {
  node: Tank | NodeOf<'pressureTank'>
  /** The link from its head at the beginning to what it becomes, and that first head’s place among the fixed ones. */
  link: number
  fixed: number
  /** How far its head falls, m, for each L/s drawn from it over the time; set before each search. */
  gives: { slope: number }
}

/** A hole in a tank's wall where time goes by: under water it is at the tank's head, above it open to the air. */
export interface Opening {
  tankId: string
  port: string
  heightM: number
  /** The links that join it to the tank's water, and to the air. */
  wet: number
  dry: number
}

/** A way out over a tank's weir where time goes by: so much at the water's height, and so much more as it rises. */
export interface Weir {
  tankId: string
  /** The overflow's port; over the rim, none. */
  port?: string
  link: number
  fixed: number
  compliance: { slope: number }
}

/** A pump in a link. */
export interface PumpIn {
  part: PartOf<'pump'>
  running: Law
  stopped: Law
  shutOffM: number
  diaphragm: boolean
}

/**
 * What holds a pressure behind it in a link: a variable-speed set, or a regulator. What its line takes before and after
 * it stands apart, so that behind it the search may go on from the head that is held.
 */
export interface Holder {
  /** What is held, above the datum. */
  headM: number
  before: Law[]
  after: Law[]
  /** What it takes where it holds nothing: a set that stands still, a regulator that is wide open. */
  idle: Law
  /** What a set takes at full speed, less than nothing; a regulator adds nothing. */
  full?: Law
}

/**
 * What has one flow from a place to another: a run, the rest of a run behind a relief valve or from a regulator on, a
 * tap’s mouth, or what a source gives way. `from` and `to` count unknown heads first, then the fixed ones.
 */
export interface Link {
  runId?: string
  tap?: NodeOf<'tap'>
  from: number
  to: number
  /** The entry of the elimination between them, where both are unknown. */
  entry: number
  laws: Law[]
  pumps: PumpIn[]
  holder?: Holder
  /** Where its pump sucks: the head before it below which it draws air, m, and what its water comes through. */
  sucks?: { leastM: number; before: Law[] }
  /** Water goes through it forward alone. */
  check: boolean
  shut: boolean
  /** The height of a tank’s water above the datum at which its float shuts this. */
  float?: { tank: Tank; shutsAtM: number }
  /** The holes that it leaves a tank by and comes into one by, where time goes by. */
  leavesBy?: string
  arrivesBy?: string
  /** Head that must be overcome before anything flows: a relief valve’s setting above its place. */
  opensAtM: number
  /** The bore in which its water goes fastest. */
  narrowestMm: number
  beginsAs: number
}

/** A site’s lines under pressure, in the shape in which they are solved. */
export interface Lines {
  site: Site
  unknowns: number
  fixed: Fixed[]
  /** Each unknown’s own height, for where no water reaches it. */
  heightM: number[]
  /** The place of each node of the document: an unknown, or a fixed head. */
  placeOf: Map<string, number>
  links: Link[]
  elimination: Elimination
  /** Where time goes by; else none. */
  stores: Store[]
  openings: Map<string, Opening>
  weirs: Weir[]
}
