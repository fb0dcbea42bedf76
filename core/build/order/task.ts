/** What kind of work a task is, in the order in which it is usually done; a task may wait for others besides. */
export const WORKS = {
  base: { name: 'Bases', who: 'anybody' },
  holes: { name: 'Holes', who: 'anybody' },
  wall: { name: 'Through the wall', who: 'anybody' },
  stand: { name: 'Stand it up', who: 'anybody' },
  inside: { name: 'Inside the tank', who: 'anybody' },
  trench: { name: 'Trenches', who: 'anybody' },
  cut: { name: 'Cut and mark', who: 'anybody' },
  dry: { name: 'Dry fit', who: 'anybody' },
  make: { name: 'Join for good', who: 'anybody' },
  hold: { name: 'Hold and cover', who: 'anybody' },
  roof: { name: 'At the gutter', who: 'anybody' },
  pump: { name: 'Set the pump', who: 'anybody' },
  water: { name: 'Let water in', who: 'anybody' },
  switch: { name: 'Switch on', who: 'an electrician' },
} as const satisfies Record<string, { name: string; who: string }>
export type WorkId = keyof typeof WORKS
export const WORK_IDS = Object.keys(WORKS) as WorkId[]

/** A piece of work: what, at what, what it waits for, how long it takes, with whom and with what. */
export interface Task {
  id: string
  work: WorkId
  what: string
  /** The nodes and runs that it is at. */
  at: string[]
  after: string[]
  minutes: [least: number, most: number]
  people: number
  tools: string[]
  /** What it must not do: rain on it, freeze. */
  weather?: 'dry' | 'frost-free'
  cautions: string[]
  /** Hours that it must be left alone before what waits for it goes on. */
  curesH?: number
}

/** What sort of day cement or concrete hardens in. */
export type Warmth = 'cold' | 'mild' | 'warm'
const [COLD_C, WARM_C] = [10, 25]
export const warmthOf = (meanC: number): Warmth => (meanC < COLD_C ? 'cold' : meanC < WARM_C ? 'mild' : 'warm')

/** Hours until a solvent joint bears pressure, by its width: the makers' tables in the round. */
const CEMENT_H: Record<Warmth, [upTo: number, hours: number][]> = {
  warm: [
    [35, 2],
    [65, 6],
    [Infinity, 16],
  ],
  mild: [
    [35, 6],
    [65, 12],
    [Infinity, 24],
  ],
  cold: [
    [35, 12],
    [65, 24],
    [Infinity, 48],
  ],
}
export const cementH = (outerMm: number, warmth: Warmth): number =>
  CEMENT_H[warmth].find(([upTo]) => outerMm <= upTo)![1]
/** Days until a slab may be loaded. */
export const SLAB_DAYS: Record<Warmth, number> = { warm: 5, mild: 7, cold: 14 }

/** What is said of every trench. */
export const TRENCH =
  'A trench deeper than the hips is shored or sloped; nobody works in one alone. Ask for cables first.'

/** A task of one person, without tools or cautions, that waits for nothing, but for what is told of it. */
export const newTask = (told: Omit<Task, 'tools' | 'cautions' | 'people' | 'after'> & Partial<Task>): Task => ({
  people: 1,
  tools: [],
  cautions: [],
  after: [],
  ...told,
})
