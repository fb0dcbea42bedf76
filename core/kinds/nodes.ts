import { z } from 'zod'
import { portSchema, type PortPlace } from './ports'
import { outageSchema } from './outage'
import { bore, choice, flag, heightM, id, kept, monthList, number, price, share, size, text, whole } from './limits'
import {
  BACKFLOW_IDS,
  BASE_IDS,
  BYPASS_IDS,
  COVER_IDS,
  FIXTURE_IDS,
  FROST_PROOF_TANKS,
  GAUGE_IDS,
  LID_IDS,
  NEAR_IDS,
  OUTFALL_IDS,
  SOIL_IDS,
  TANK_KIND_IDS,
  TAP_LABELS,
  TEES,
} from '../catalog'

/** What water does at a node: it comes onto the site, stands there, runs on through, or leaves. */
export type NodeWater = 'enters' | 'stands' | 'passes' | 'leaves'

/** All that a kind of node is. A new kind is a row of NODE_KINDS; the compiler then names every reader that it needs. */
export interface NodeRow<Fields extends z.ZodRawShape = z.ZodRawShape> {
  /** What a person calls it. */
  name: string
  fields: Fields
  water: NodeWater
  /** Its lines belong to the storm, and stand under no pressure. */
  ofStorm?: true
  /** What a pinned reading can be of. */
  reads?: 'level' | 'gauge'
  /** Where lines can end at it. */
  ports: (node: Values<Fields> & { baseM: number }) => PortPlace[]
}
type Values<Fields extends z.ZodRawShape> = keyof Fields extends never ? unknown : z.infer<z.ZodObject<Fields>>
const row = <const Fields extends z.ZodRawShape>(of: NodeRow<Fields>): NodeRow<Fields> => of

/**
 * When a well or a main tops its tank up: from which share of what it holds, to which, in which months, and how much
 * at most a day (a trickle, or a timed batch).
 */
const supplyRule = () =>
  kept({ startShare: share(), stopShare: share(), months: monthList(), mostLPerDay: size(1e7).optional() })

/** A reading of a pumping test: minutes since it began, or since the pump stopped, and how deep the water stood. */
const testReading = kept({ minutes: number(0, 100000), depthM: number(0, 400) })
export type PumpingReading = z.infer<typeof testReading>

export const tankShapeSchema = z.discriminatedUnion(
  'shape',
  [
    kept({ shape: z.literal('upright-cylinder'), diameterM: size(50), heightM: size(30) }),
    kept({ shape: z.literal('lying-cylinder'), diameterM: size(20), lengthM: size(100) }),
    kept({ shape: z.literal('box'), lengthM: size(100), widthM: size(100), heightM: size(30) }),
  ],
  { error: 'must be upright-cylinder, lying-cylinder or box' },
)

const through = ({ baseM }: { baseM: number }): PortPlace[] => [
  { name: 'in', role: 'inlet', heightM: baseM },
  { name: 'out', role: 'outlet', heightM: baseM },
]
const outOnly = ({ baseM }: { baseM: number }): PortPlace[] => [{ name: 'out', role: 'outlet', heightM: baseM }]
const inOnly = ({ baseM }: { baseM: number }): PortPlace[] => [{ name: 'in', role: 'inlet', heightM: baseM }]

export const NODE_KINDS = {
  spout: row({
    name: 'spout',
    fields: {
      boreMm: bore(),
      bypassMonths: monthList().optional(),
      bypassBy: choice(BYPASS_IDS).optional(),
      bypassWhenFull: flag().optional(),
    },
    ofStorm: true,
    water: 'enters',
    ports: ({ baseM, boreMm }) => [{ name: 'out', role: 'outlet', heightM: baseM, boreMm }],
  }),
  chamber: row({
    name: 'first-flush chamber',
    fields: {
      /** A pipe that stands, a sealed drum, or a pipe laid along the wall, then as tall as its bore. */
      form: choice(['standpipe', 'drum', 'lying']),
      innerDiameterMm: bore(),
      heightM: size(20),
      lengthM: size(100).optional(),
      /** What lets it run out: a hole, or a valve set to a trickle that a hole of that bore would pass. */
      outletBy: choice(['hole', 'valve']).optional(),
      orificeMm: bore().nullable(),
      emptiedEveryDays: whole(1, 365).nullable(),
      cleanable: flag(),
      /** The depth of rain it is meant to keep, the tee above it, and whether a ball shuts it once it is full. */
      wantedMm: number(0.05, 20).optional(),
      tee: choice(TEES).optional(),
      ball: flag().optional(),
    },
    ofStorm: true,
    water: 'passes',
    ports: ({ baseM, heightM: tallM, orificeMm }) => [
      { name: 'in', role: 'inlet', heightM: baseM + tallM },
      { name: 'out', role: 'outlet', heightM: baseM + tallM },
      { name: 'drain', role: 'drain', heightM: baseM, boreMm: orificeMm ?? undefined },
    ],
  }),
  tank: row({
    name: 'tank',
    fields: {
      tankKind: choice(TANK_KIND_IDS),
      shape: tankShapeSchema,
      emptyMassKg: number(0, 1e6),
      ports: z.array(portSchema).max(40),
      lid: flag(),
      lightTight: flag(),
      sunlit: flag(),
      ventMm: number(0, 2000),
      base: choice(BASE_IDS),
      inletStyle: choice(['top', 'calmed']),
      /** What keeps the light out; it takes the place of `lightTight` once it is said. */
      cover: choice(COVER_IDS).optional(),
      lidForm: choice(LID_IDS).optional(),
      gauge: choice(GAUGE_IDS).optional(),
      soil: choice(SOIL_IDS).optional(),
      /** The ground it truly bears on, where blocks or beams carry it; and whether its base has edges, under a mat. */
      bearsOnM2: size(1000).optional(),
      baseRagged: flag().optional(),
      mat: flag().optional(),
      /** How deep below the ground its water stands when it is wettest; and whether a sunk tank is held down. */
      wetGroundDepthM: number(0, 100).optional(),
      heldDown: flag().optional(),
      /** Months in which it stands empty for the frost, and what keeps it from freezing full. */
      drainedMonths: monthList().optional(),
      frostProof: choice(FROST_PROOF_TANKS).optional(),
      /** A timber stand: its posts, the ground each footing covers, whether it is braced, and its width if wider. */
      stand: kept({
        posts: whole(1, 100),
        footingAreaM2: size(100),
        braced: flag(),
        widthM: size(50).optional(),
      }).optional(),
      /** Where its wall has ribs, above its floor, and seams; and how high its maker lets fittings through it. */
      ribsM: z.array(number(0, 30)).max(60).optional(),
      seamsDeg: z.array(number(0, 360)).max(60).optional(),
      fittingsUpToM: size(30).optional(),
      /** Litres kept back for fire; what the tank cost, or would; and water brought by lorry once it stands low. */
      reserveL: number(0, 1e7).optional(),
      price: price(),
      carted: kept({ loadL: size(1e6), startShare: share(), pricePerLoad: price() }).optional(),
    },
    reads: 'level',
    water: 'stands',
    ports: ({ baseM, ports }) =>
      ports.map(({ name, role, heightM: aboveFloorM, boreMm }) => ({
        name,
        role,
        heightM: baseM + aboveFloorM,
        boreMm,
      })),
  }),
  pressureTank: row({
    name: 'pressure tank',
    fields: {
      volumeL: size(100000),
      prechargeKPa: number(0, 2000),
      cutInKPa: number(0, 2000),
      cutOutKPa: number(0, 2000),
      /** The most its maker lets stand in it, and what hangs on the tee before it. */
      mostKPa: number(0, 5000).optional(),
      gauge: flag().optional(),
      drain: flag().optional(),
      price: price(),
      /** What was read when its gas was set. */
      gasReadings: kept({
        emptyKPa: number(0, 2000).optional(),
        drawnL: number(0, 10000).optional(),
      }).optional(),
    },
    reads: 'gauge',
    water: 'passes',
    ports: through,
  }),
  well: row({
    name: 'well',
    fields: {
      depthM: size(400),
      stillWaterDepthM: number(0, 400),
      /** What it gives for each metre that its water is drawn down. */
      specificCapacityLpsPerM: size(1000).optional(),
      /** Its casing’s bore, how much deeper its water stands at the end of a dry season, and its pumping test. */
      casingMm: bore().optional(),
      dryFallM: number(0, 200).optional(),
      /** Minutes until nine tenths of what was drawn down are back, where nobody has a test. */
      recoveryMinutes: size(100000).optional(),
      pumpingTest: kept({
        flowLps: size(1000),
        /** Depth to the water below the ground while it was pumped, and after the pump stopped. */
        drawn: z.array(testReading).max(500),
        recovered: z.array(testReading).max(500),
      }).optional(),
      yieldLPerDay: number(0, 1e7),
      rule: supplyRule(),
      pricePerM3: price(),
      outage: outageSchema.optional(),
    },
    water: 'enters',
    ports: ({ baseM, depthM }) => [{ name: 'out', role: 'outlet', heightM: baseM + depthM }],
  }),
  main: row({
    name: 'main',
    fields: {
      pressureKPa: number(0, 2000),
      /** What was left of its pressure while so much ran. */
      flowTest: kept({ flowLps: size(1000), pressureKPa: number(0, 2000) }).optional(),
      /** What keeps water out of it: an air gap, or the device that the local code names. */
      backflow: choice(BACKFLOW_IDS).optional(),
      rule: supplyRule(),
      pricePerM3: price(),
      outage: outageSchema.optional(),
    },
    water: 'enters',
    ports: outOnly,
  }),
  joint: row({
    name: 'joint',
    fields: {
      /** A vent pipe that stands up from it, open at the top: that height above the datum. */
      ventTopM: heightM().optional(),
    },
    reads: 'gauge',
    water: 'passes',
    ports: through,
  }),
  tap: row({
    name: 'tap',
    fields: {
      fixture: choice(FIXTURE_IDS),
      /** What it passes at a pressure, where that is known better than its fixture says. */
      ratedLps: size(1000).optional(),
      ratedKPa: size(2000).optional(),
      /** What a plate beside it says of its water. */
      label: choice(TAP_LABELS).optional(),
    },
    reads: 'gauge',
    water: 'leaves',
    ports: inOnly,
  }),
  outfall: row({
    name: 'outfall',
    fields: {
      to: choice(OUTFALL_IDS),
      /** What the water runs towards, the ground it soaks into, and a soakaway's pit. */
      near: choice(NEAR_IDS).optional(),
      soil: choice(SOIL_IDS).optional(),
      pit: kept({ lengthM: size(100), widthM: size(100), depthM: size(20), voidShare: share() }).optional(),
    },
    water: 'leaves',
    ports: inOnly,
  }),
}

type Rows = typeof NODE_KINDS
export type NodeKind = keyof Rows
/** Kinds that are called by what they serve unless somebody typed a name. */
const NAMED_BY_USE = ['tap', 'outfall'] as const satisfies readonly NodeKind[]
type NamedByUse = (typeof NAMED_BY_USE)[number]
export interface Standing {
  id: string
  baseM: number
  groundM: number
  note?: string
}
export type SiteNode = {
  [Kind in NodeKind]: { kind: Kind } & Standing &
    (Kind extends NamedByUse ? { name?: string } : { name: string }) &
    Values<Rows[Kind]['fields']>
}[NodeKind]
export type NodeOf<Kind extends NodeKind> = Extract<SiteNode, { kind: Kind }>
export type Tank = NodeOf<'tank'>

export const NODE_KIND_IDS = Object.keys(NODE_KINDS) as NodeKind[]
const nodeRow = (kind: NodeKind): NodeRow => NODE_KINDS[kind] as unknown as NodeRow

const schemas = NODE_KIND_IDS.map(kind =>
  kept({
    id: id(),
    kind: z.literal(kind),
    name: (NAMED_BY_USE as readonly NodeKind[]).includes(kind) ? text().optional() : text(),
    baseM: heightM(),
    groundM: heightM(),
    note: text(5000).optional(),
    ...nodeRow(kind).fields,
  }),
)
export const nodeSchema = z.discriminatedUnion('kind', schemas as [(typeof schemas)[0], ...typeof schemas], {
  error: 'must be a kind of node that this version knows',
}) as unknown as z.ZodType<SiteNode, SiteNode>

/** Where lines can end at a node: each port's name, what it is for, and its height above the datum. */
export function portsOf(node: SiteNode): PortPlace[] {
  return nodeRow(node.kind).ports(node as never)
}

export const waterAt = (node: SiteNode): NodeWater => NODE_KINDS[node.kind].water
export const isOfStorm = (node: SiteNode): boolean => nodeRow(node.kind).ofStorm ?? false
/** What can be read at a node: the water in it, or a gauge; nothing where it has neither. */
export const readAt = (node: SiteNode): NodeRow['reads'] => nodeRow(node.kind).reads
export const kindName = (node: SiteNode): string => NODE_KINDS[node.kind].name
/** True where a line runs on through a node. */
export const runsThrough = (node: SiteNode): boolean => waterAt(node) === 'passes'

/** The schema of one kind of node: the fields that may be set on it. */
export const nodeSchemaOf = (kind: NodeKind): z.ZodObject => schemas[NODE_KIND_IDS.indexOf(kind)]!
