/** What can happen in a plant, each as it is told in its book. */
export const EVENT_KINDS = [
  'pump-starts',
  'pump-stops',
  'runs-dry',
  'trips',
  'battery-empty',
  'well-dry',
  'well-back',
  'float-shuts',
  'float-opens',
  'spills',
  'spill-ends',
  'mouth-dry',
  'chamber-full',
  'chamber-empty',
  'tap-opens',
  'tap-shuts',
  'draw-done',
  'draw-given-up',
  'valve-opens',
  'valve-shuts',
  'power-off',
  'power-on',
  'main-off',
  'main-on',
  'rain-begins',
  'rain-ends',
  'sun',
  'breaks',
  'vessel-empty',
  'unsettled',
] as const
export type EventKind = (typeof EVENT_KINDS)[number]

/** Something that happened: when, in seconds from the start, what, and to what; and its figure, where it has one. */
export interface PlantEvent {
  atS: number
  what: EventKind
  id: string
  value?: number
}
