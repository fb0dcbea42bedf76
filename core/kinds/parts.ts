import { z } from 'zod'
import { bore, choice, flag, heightM, id, kept, number, price, share, size } from './limits'
import { row, type Values } from './partRow'
import { boreText as boreText, flow, length, pipeSize, say } from '../words'
import { PIPE_SERIES_IDS, PUMP_IDS, PUMP_SWITCHES, SCREEN_IDS } from '../catalog'

/** Velocity heads that a fitting costs, where its maker says so: they go before its kind’s. */
const ownK = { k: number(0, 1e6).optional() }
/** What a maker says of a cartridge or a lamp: the flow it is made for, and what it takes there, clean and due. */
const rated = {
  lossKPaAtRated: number(0, 1000).optional(),
  dirtyKPaAtRated: number(0, 1000).optional(),
}

const curvePoint = kept({ flowLps: number(0, 1000), headM: number(0, 1000) })
type CurvePoint = z.infer<typeof curvePoint>
const each = (points: CurvePoint[], holds: (before: CurvePoint, after: CurvePoint) => boolean) =>
  points.every((point, at) => at === 0 || holds(points[at - 1]!, point))
/** A pump’s curve as it is on its plate: head falls as flow grows. */
const curveSchema = z
  .array(curvePoint)
  .min(2, 'must hold at least two points')
  .max(50, 'must hold at most 50 points')
  .refine(points => each(points, (before, after) => after.flowLps > before.flowLps), {
    message: 'must have more flow from each point to the next',
  })
  .refine(points => each(points, (before, after) => after.headM < before.headM), {
    message: 'must fall: a pump gives less head the more it passes',
  })

export const PART_KINDS = {
  pipe: row({
    name: 'pipe',
    tells: ({ lengthM, innerDiameterMm }) => say`${length(lengthM)} of ${pipeSize(innerDiameterMm)} pipe`,
    fields: {
      lengthM: size(100000),
      innerDiameterMm: bore(),
      roughnessMm: number(0, 10),
      /** What it is sold as. */
      series: choice(PIPE_SERIES_IDS).optional(),
      /** Nobody has measured it: it follows the heights of its ends. */
      guessed: flag().optional(),
    },
    stays: false,
    wears: false,
    arrow: false,
    asks: [
      ['lengthM', 'long'],
      ['innerDiameterMm', 'inside'],
    ],
    offered: [
      { in: 'any line', of: boreMm => ({ lengthM: 1, innerDiameterMm: boreMm, roughnessMm: 0.0015, guessed: true }) },
    ],
    does: 'carries',
    passes: 'both ways',
    levels: true,
    k: 0,
    bore: 'innerDiameterMm',
    long: true,
  }),
  valve: row({
    name: 'valve',
    tells: ({ open }) => say`valve, ${open ? 'open' : 'shut'}`,
    fields: { boreMm: bore(), open: flag(), ...ownK },
    stays: false,
    wears: false,
    arrow: false,
    asks: [['boreMm', 'bore']],
    offered: [{ in: 'any line', of: boreMm => ({ boreMm, open: true }) }],
    does: 'shuts',
    passes: ({ open }) => (open ? 'both ways' : 'shut'),
    levels: true,
    k: 0.2,
    bore: 'boreMm',
  }),
  check: row({
    name: 'check valve',
    fields: {
      boreMm: bore(),
      ...ownK,
      /** Worn or dirty: the share of its bore that it leaves open to what comes back. */
      passesShare: share().optional(),
    },
    stays: false,
    wears: false,
    arrow: true,
    asks: [['boreMm', 'bore']],
    offered: [{ in: 'any line', of: boreMm => ({ boreMm }) }],
    does: 'checks',
    passes: 'forward',
    levels: false,
    k: 2.5,
    bore: 'boreMm',
  }),
  float: row({
    name: 'float valve',
    fields: {
      boreMm: bore(),
      ...ownK,
      /** How far below its own height its float shuts it; at its height, unless said. */
      dropM: number(0, 5).optional(),
    },
    stays: false,
    wears: false,
    arrow: true,
    asks: [
      ['boreMm', 'bore'],
      ['dropM', 'below the valve its float shuts it'],
    ],
    offered: [{ in: 'a line into a tank', of: boreMm => ({ boreMm }) }],
    does: 'stops when full',
    passes: 'forward',
    levels: false,
    k: 6,
    bore: 'boreMm',
  }),
  screen: row({
    name: 'screen',
    tells: ({ meshMm }) => say`screen of ${boreText(meshMm)}`,
    fields: {
      meshMm: size(100),
      type: choice(SCREEN_IDS).optional(),
      /** A screen head below its spout: the height above the datum where its line is open to the air. */
      hangsAtM: heightM().optional(),
      ...ownK,
    },
    stays: false,
    wears: false,
    arrow: false,
    asks: [['meshMm', 'mesh']],
    offered: [{ in: 'any line', of: () => ({ meshMm: 1, type: 'line' }) }],
    does: 'meshes',
    passes: 'both ways',
    levels: true,
    k: 1.5,
  }),
  filter: row({
    name: 'filter',
    tells: ({ medium, ratingUm }) => (medium === 'carbon' ? say`carbon filter` : say`filter of ${ratingUm} µm`),
    fields: {
      ratingUm: size(5000),
      medium: choice(['sediment', 'carbon']),
      ratedLps: size(1000).optional(),
      ...rated,
    },
    stays: true,
    wears: true,
    arrow: true,
    asks: [['ratedLps', 'is what it is made for']],
    offered: [
      { in: 'a line to taps', of: () => ({ ratingUm: 20, medium: 'sediment' }) },
      { in: 'a line to taps', of: () => ({ ratingUm: 5, medium: 'carbon' }) },
    ],
    does: 'treats',
    passes: 'forward',
    levels: false,
    k: 0,
  }),
  lamp: row({
    name: 'ultraviolet lamp',
    tells: ({ sensor }) => say`ultraviolet lamp${sensor ? ' with sensor' : ''}`,
    fields: { ratedLps: size(1000), sensor: flag(), ...rated },
    stays: true,
    wears: true,
    arrow: true,
    asks: [['ratedLps', 'is what it is made for']],
    offered: [{ in: 'a line to taps', of: () => ({ ratedLps: 0.3, sensor: true }) }],
    does: 'treats',
    passes: 'forward',
    levels: false,
    k: 0,
  }),
  pump: row({
    name: 'pump',
    tells: ({ pump, flowLps }) => say`${pump} pump, ${flow(flowLps)}`,
    fields: {
      pump: choice(PUMP_IDS),
      flowLps: size(1000),
      headM: size(1000),
      /** As its plate tells it; without one, the curve of its kind through its flow and head. */
      curve: curveSchema.optional(),
      /** The pressure that a variable-speed set holds at its outlet. */
      setKPa: size(5000).optional(),
      /** What starts and stops it; and what stops it before it runs dry. */
      switchedBy: choice(PUMP_SWITCHES).optional(),
      /** As its maker says: what must be left at its mouth, what of its power reaches the water, starts an hour. */
      npshRequiredM: number(0, 20).optional(),
      efficiency: share().optional(),
      mostStartsPerHour: size(1000).optional(),
      price: price(),
      /** What it hangs on: its voltage, and its cable one way. */
      volts: size(1000).optional(),
      cable: kept({ lengthM: size(2000), conductorMm2: size(500) }).optional(),
      dryGuard: flag().optional(),
      /** What was read when its switch was set. */
      switchReadings: kept({
        sun: choice(['full', 'weak']).optional(),
        runningKPa: number(0, 2000).optional(),
        tripsKPa: number(0, 2000).optional(),
        stopsAfterS: number(0, 3600).optional(),
        fallsKPaPerH: number(0, 2000).optional(),
      }).optional(),
      ...ownK,
    },
    stays: false,
    wears: true,
    arrow: true,
    asks: [
      ['flowLps', 'against'],
      ['headM', 'of height'],
    ],
    offered: [],
    does: 'lifts',
    passes: 'forward',
    levels: false,
    k: 0,
  }),
  union: row({
    name: 'union',
    fields: { boreMm: bore(), ...ownK },
    stays: false,
    wears: false,
    arrow: false,
    asks: [['boreMm', 'bore']],
    offered: [{ in: 'any line', of: boreMm => ({ boreMm }) }],
    does: 'joins',
    passes: 'both ways',
    levels: true,
    k: 0.05,
    bore: 'boreMm',
  }),
  reducer: row({
    name: 'reducer',
    fields: { fromMm: bore(), toMm: bore(), ...ownK },
    stays: false,
    wears: false,
    arrow: false,
    asks: [
      ['fromMm', 'to'],
      ['toMm', ''],
    ],
    offered: [],
    does: 'joins',
    passes: 'both ways',
    levels: true,
    k: 0.3,
  }),
  flexible: row({
    name: 'flexible coupling',
    fields: { lengthM: size(1000), innerDiameterMm: bore(), ...ownK },
    stays: false,
    wears: false,
    arrow: false,
    asks: [
      ['lengthM', 'long'],
      ['innerDiameterMm', 'inside'],
    ],
    offered: [{ in: 'any line', of: boreMm => ({ lengthM: 0.5, innerDiameterMm: boreMm }) }],
    does: 'carries',
    passes: 'both ways',
    levels: true,
    k: 0.3,
    bore: 'innerDiameterMm',
    long: true,
  }),
  meter: row({
    name: 'meter',
    fields: { boreMm: bore(), ...ownK },
    stays: true,
    wears: true,
    arrow: true,
    asks: [['boreMm', 'bore']],
    offered: [{ in: 'any line', of: boreMm => ({ boreMm }) }],
    does: 'measures',
    passes: 'both ways',
    levels: true,
    k: 7,
    bore: 'boreMm',
  }),
  regulator: row({
    name: 'pressure regulator',
    fields: {
      boreMm: bore(),
      /** The pressure that it lets stand behind it. */
      setKPa: size(5000),
      ...ownK,
    },
    stays: true,
    wears: true,
    arrow: true,
    asks: [
      ['setKPa', 'is what it lets through'],
      ['boreMm', 'bore'],
    ],
    offered: [{ in: 'a line to taps', of: boreMm => ({ boreMm, setKPa: 300 }) }],
    does: 'regulates',
    passes: 'forward',
    levels: false,
    k: 10,
    bore: 'boreMm',
  }),
  relief: row({
    name: 'relief valve',
    fields: { setKPa: size(5000) },
    stays: false,
    wears: true,
    arrow: false,
    asks: [['setKPa', 'is where it opens']],
    offered: [{ in: 'a line with a pump', of: () => ({ setKPa: 600 }) }],
    does: 'relieves',
    passes: 'forward',
    levels: false,
    k: 0,
  }),
}

type Rows = typeof PART_KINDS
export type PartKind = keyof Rows
export type Part = { [Kind in PartKind]: { id: string; kind: Kind } & Values<Rows[Kind]['fields']> }[PartKind]
export type PartOf<Kind extends PartKind> = Extract<Part, { kind: Kind }>
/** A part that is yet to be fitted, and gets its id where it is. */
export type NewPart = { [Kind in PartKind]: { id?: string; kind: Kind } & Values<Rows[Kind]['fields']> }[PartKind]

export const PART_KIND_IDS = Object.keys(PART_KINDS) as PartKind[]

const schemas = PART_KIND_IDS.map(kind => kept({ id: id(), kind: z.literal(kind), ...PART_KINDS[kind].fields }))
export const partSchema = z.discriminatedUnion('kind', schemas as [(typeof schemas)[0], ...typeof schemas], {
  error: 'must be a kind of part that this version knows',
}) as unknown as z.ZodType<Part, Part>

/** The schema of one kind of part: the fields that may be set on it. */
export const partSchemaOf = (kind: PartKind): z.ZodObject => schemas[PART_KIND_IDS.indexOf(kind)]!
