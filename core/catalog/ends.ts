import { INCH_MM } from '../units'
/** How two ends are joined, and how it is told of a joint. */
export const JOIN_WORDS = {
  threaded: 'threaded',
  washer: 'threaded on a washer',
  glued: 'glued',
  pushed: 'pushed into a ring',
  clamped: 'clamped',
  gripped: 'gripped by a nut',
  coupled: 'coupled',
  soldered: 'soldered or gripped',
  bolted: 'through the wall',
} as const
export type JoinId = keyof typeof JOIN_WORDS

/** A size of a family: what it measures outside (of what goes in), its pitch, and turns in sight on a fitting. */
export interface EndSize {
  size: string
  outerMm: number
  pitchMm?: number
  turns?: [least: number, most: number]
}

/** A family of ends that mate with their like. */
export interface EndFamily {
  name: string
  /** What each side of a pair is called. */
  male: string
  female: string
  join: JoinId
  /** Tapered by a finger's feel: further on it binds. */
  tapered?: boolean
  /** What makes it tight, and which way round. */
  tight: string
  /** What is seen at once. */
  seen: string
  /** True where a cap of it turns freely to its seat; with levers or ears; glued for good. */
  freely?: boolean
  ears?: boolean
  sizes: EndSize[]
}

const threads = (...rows: [size: string, outerMm: number, perInch: number][]): EndSize[] =>
  rows.map(([size, outerMm, perInch]) => ({ size, outerMm, pitchMm: INCH_MM / perInch, turns: [5, 9] }))
const plain = (...rows: [size: string, outerMm: number][]): EndSize[] =>
  rows.map(([size, outerMm]) => ({ size, outerMm }))
const metric = (...sizes: number[]): EndSize[] => sizes.map(outerMm => ({ size: String(outerMm), outerMm }))

const INCH_OUTSIDE: [size: string, outerMm: number][] = [
  ['1/2', 21.3],
  ['3/4', 26.7],
  ['1', 33.4],
  ['1 1/4', 42.2],
  ['1 1/2', 48.3],
  ['2', 60.3],
  ['3', 88.9],
  ['4', 114.3],
]

/** Families of ends with their true measures: pipe threads after ASME B1.20.1 and ISO 228, pipes after their standards. */
export const END_FAMILIES = {
  tapered: {
    name: 'tapered pipe thread',
    male: 'outside thread',
    female: 'inside thread',
    join: 'threaded',
    tapered: true,
    tight: 'tape or paste, wound the way it is screwed in; snug, and on plastic no more than a turn past hand',
    seen: 'fine thread that grows thicker towards its end, and binds before it is in',
    sizes: threads(
      ['1/2', 21.3, 14],
      ['3/4', 26.7, 14],
      ['1', 33.4, 11.5],
      ['1 1/4', 42.2, 11.5],
      ['1 1/2', 48.3, 11.5],
      ['2', 60.3, 11.5],
      ['3', 88.9, 8],
    ),
  },
  parallel: {
    name: 'parallel pipe thread',
    male: 'outside thread',
    female: 'inside thread',
    join: 'washer',
    freely: true,
    tight: 'a flat washer at its seat; tape does nothing here',
    seen: 'fine thread of one thickness, with a flat seat for a washer',
    sizes: threads(
      ['1/2', 20.955, 14],
      ['3/4', 26.441, 14],
      ['1', 33.249, 11],
      ['1 1/4', 41.91, 11],
      ['1 1/2', 47.803, 11],
      ['2', 59.614, 11],
      ['3', 87.884, 11],
    ),
  },
  'buttress-6': {
    name: 'coarse buttress thread, 6 mm',
    male: 'outside thread',
    female: 'cap with inside thread',
    join: 'washer',
    freely: true,
    tight: 'a flat washer in the cap',
    seen: 'three or four coarse turns, steep on one side, on the valve of a caged tote',
    sizes: [
      { size: '60', outerMm: 59.5, pitchMm: 6, turns: [2, 4] },
      { size: '75', outerMm: 74.5, pitchMm: 6, turns: [2, 4] },
    ],
  },
  'buttress-8': {
    name: 'coarse buttress thread, 8 mm',
    male: 'outside thread',
    female: 'cap with inside thread',
    join: 'washer',
    freely: true,
    tight: 'a flat washer in the cap',
    seen: 'two or three very coarse turns on a wide valve',
    sizes: [{ size: '100', outerMm: 99, pitchMm: 8, turns: [2, 3] }],
  },
  cam: {
    name: 'cam and groove',
    male: 'grooved plug',
    female: 'coupler with two levers',
    join: 'coupled',
    ears: true,
    tight: 'a ring in the coupler; both levers go down together',
    seen: 'no thread: a groove all round, or two levers',
    sizes: plain(['3/4', 32], ['1', 36.7], ['1 1/4', 45.6], ['1 1/2', 53.4], ['2', 63], ['3', 91.5]),
  },
  'bung-fine': {
    name: 'fine bung thread',
    male: 'bung',
    female: 'hole of a drum',
    join: 'washer',
    freely: true,
    tight: 'a ring under the bung',
    seen: 'fine thread in the head of a drum, of one thickness',
    sizes: threads(['3/4', 26.6, 14], ['2', 59.7, 11.5]),
  },
  'bung-coarse': {
    name: 'coarse bung thread',
    male: 'bung',
    female: 'hole of a drum',
    join: 'washer',
    freely: true,
    tight: 'a ring under the bung',
    seen: 'coarse thread, about five turns an inch, in the head of a plastic drum',
    sizes: [
      { size: '56', outerMm: 56, pitchMm: 4, turns: [2, 4] },
      { size: '70', outerMm: 70, pitchMm: 6, turns: [2, 3] },
    ],
  },
  'solvent-inch': {
    name: 'inch solvent joint',
    male: 'pipe end',
    female: 'socket',
    join: 'glued',
    tight: 'primer and cement for these two plastics; a quarter turn as it goes in, and held for half a minute',
    seen: 'a smooth inch pipe, or a smooth socket with a stop',
    sizes: plain(...INCH_OUTSIDE),
  },
  'solvent-metric': {
    name: 'metric solvent joint',
    male: 'pipe end',
    female: 'socket',
    join: 'glued',
    tight: 'cleaner and cement for these two plastics; straight in, and held for half a minute',
    seen: 'a smooth metric pipe, or a smooth socket with a stop',
    sizes: metric(20, 25, 32, 40, 50, 63, 75, 90, 110),
  },
  'push-fit': {
    name: 'push-fit drain joint',
    male: 'pipe end',
    female: 'socket with a ring',
    join: 'pushed',
    tight: 'the ring, with a little soap; drawn back a centimetre for warmth',
    seen: 'a socket with a rubber ring in its groove, on drain and downpipes',
    sizes: metric(50, 75, 90, 110, 160),
  },
  compression: {
    name: 'compression joint on PE pipe',
    male: 'pipe end',
    female: 'nut and ring',
    join: 'gripped',
    tight: 'its ring; the pipe is cut square, its edge taken off, and pushed to the stop',
    seen: 'a large nut that grips black or blue pipe',
    sizes: metric(20, 25, 32, 40, 50, 63),
  },
  copper: {
    name: 'copper tube joint',
    male: 'tube',
    female: 'fitting',
    join: 'soldered',
    tight: 'solder, or the olive under its nut; heat stays away from plastic',
    seen: 'thin bright tube',
    sizes: metric(15, 18, 22, 28, 35, 42, 54),
  },
  barb: {
    name: 'hose tail',
    male: 'barb',
    female: 'hose',
    join: 'clamped',
    tight: 'a clip over the barb, two from 32 mm on',
    seen: 'rings for a hose to slip over',
    sizes: metric(13, 16, 19, 25, 32, 38, 50),
  },
  'hose-thread': {
    name: 'garden hose thread',
    male: 'outside thread',
    female: 'swivel nut',
    join: 'washer',
    freely: true,
    tight: 'a soft washer in the nut',
    seen: 'three blunt turns on a hose tap',
    sizes: [{ size: '3/4', outerMm: 26.9, pitchMm: INCH_MM / 11.5, turns: [2, 4] }],
  },
  quick: {
    name: 'snap-on hose coupling',
    male: 'nipple',
    female: 'snap-on socket',
    join: 'coupled',
    tight: 'a ring in the socket',
    seen: 'a hose end that snaps on',
    sizes: plain(['1/2', 17], ['3/4', 21]),
  },
  flange: {
    name: 'bolted flange',
    male: 'flange',
    female: 'flange',
    join: 'bolted',
    tight: 'a flat ring, bolts drawn crosswise',
    seen: 'a flat ring with bolts through it',
    sizes: plain(['1 1/2', 110], ['2', 125], ['3', 160], ['4', 180]),
  },
  bulkhead: {
    name: 'hole for a bulkhead fitting',
    male: 'bulkhead fitting',
    female: 'hole in a wall',
    join: 'bolted',
    tight: 'its ring on the inside, the nut outside by hand and half a turn',
    seen: 'a round hole in the tank’s wall',
    sizes: metric(32, 38, 44, 57, 64, 76, 102),
  },
  sleeve: {
    name: 'rubber sleeve',
    male: 'any plain end',
    female: 'sleeve with clips',
    join: 'clamped',
    tight: 'a clip over each end; it creeps off under pressure and leaks in time',
    seen: 'a soft sleeve with two clips',
    sizes: metric(22, 27, 33, 42, 48, 60, 75, 90, 110),
  },
} as const satisfies Record<string, EndFamily>
export type EndFamilyId = keyof typeof END_FAMILIES
export const END_FAMILY_IDS = Object.keys(END_FAMILIES) as [EndFamilyId, ...EndFamilyId[]]
export const endFamily = (id: EndFamilyId): EndFamily => END_FAMILIES[id]

export const SEXES = ['male', 'female'] as const
export type Sex = (typeof SEXES)[number]

/** One side of a joint: its family, its size as it is called, and which side of the pair it is. */
export interface End {
  family: EndFamilyId
  size: string
  sex: Sex
}

export const endSize = ({ family, size }: Pick<End, 'family' | 'size'>): EndSize | undefined =>
  endFamily(family).sizes.find(each => each.size === size)

/** A sleeve stretches over what differs from its own size by so much, mm. */
const STRETCH_MM = 3
/** What a sleeve may be clipped over: smooth ends, and a coarse thread in an emergency. */
const UNDER_SLEEVE: ReadonlySet<EndFamilyId> = new Set([
  'solvent-inch',
  'solvent-metric',
  'push-fit',
  'compression',
  'copper',
  'buttress-6',
  'tapered',
  'parallel',
])

/** True where two ends make a joint. */
export function mates(one: End, two: End): boolean {
  if (one.sex === two.sex) return false
  if (one.family === two.family) return one.size === two.size
  const [sleeve, other] = one.family === 'sleeve' ? [one, two] : [two, one]
  if (sleeve.family !== 'sleeve' || sleeve.sex !== 'female' || !UNDER_SLEEVE.has(other.family)) return false
  return Math.abs(endSize(sleeve)!.outerMm - endSize(other)!.outerMm) <= STRETCH_MM
}

/** How two ends that mate are joined: a sleeve is clamped over whatever it is on. */
export const joinOf = (one: End, two: End): JoinId =>
  one.family === 'sleeve' || two.family === 'sleeve' ? 'clamped' : endFamily(one.family).join

const INCH: ReadonlySet<EndFamilyId> = new Set([
  'tapered',
  'parallel',
  'cam',
  'bung-fine',
  'solvent-inch',
  'hose-thread',
  'quick',
  'flange',
])
export const isInch = (family: EndFamilyId): boolean => INCH.has(family)
/** A size as it is spoken: "2 in", "60 mm". */
export const sizeWords = ({ family, size }: Pick<End, 'family' | 'size'>): string =>
  `${size} ${isInch(family) ? 'in' : 'mm'}`

/** An end in words: "2 in tapered pipe thread, outside thread". */
export const endWords = (end: End): string =>
  `${sizeWords(end)} ${endFamily(end.family).name}, ${endFamily(end.family)[end.sex]}`
