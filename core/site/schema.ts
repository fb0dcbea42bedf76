import { z } from 'zod'
import {
  choice,
  flag,
  heightM,
  id,
  kept,
  nodeSchema,
  number,
  outageSchema,
  partSchema,
  price,
  share,
  size,
  text,
  twelve,
  whole,
  type Part,
  type SiteNode,
} from '../kinds'
import {
  CLIMATE_IDS,
  CROSSING_IDS,
  DIRTINESS_IDS,
  FROST_PROOF_LINES,
  GUARD_IDS,
  GUTTER_PROFILES,
  LOSS_SCHOOL_IDS,
  ROOF_EXTRA_IDS,
  ROOFING_IDS,
} from '../catalog'
import { buildSchema } from './buildSchema'
import { lifeFields } from './lifeSchema'
import { useSchema, type amountSchema } from './useSchema'

/** The document's version; older ones are brought up step by step. */
export const VERSION = 2

export const monthSchema = kept({
  rainMm: number(0, 3000),
  wetDays: number(0, 31),
  tMinC: number(-70, 60),
  tMaxC: number(-70, 70),
})
const byDay = (least: number, most: number) =>
  z
    .array(
      z
        .number({ error: 'must be a number' })
        .min(least, `must be ${least} or more`)
        .max(most, `must be at most ${most}`),
    )
    .min(28, 'must hold at least 28 days')
    .max(80000, 'must hold at most 80000 days')
const dailySchema = kept({
  start: z.iso.date('must be a date, such as 1991-01-01'),
  rainMm: byDay(0, 2000),
  /** Where the record has them, one a day of rain; beds and snow follow them instead of the months' means. */
  tMinC: byDay(-70, 60).optional(),
  tMaxC: byDay(-70, 70).optional(),
}).refine(({ rainMm, tMinC, tMaxC }) => [tMinC, tMaxC].every(column => !column || column.length === rainMm.length), {
  path: ['tMinC'],
  message: 'must hold one figure for each day of rain, as must tMaxC',
})

export const climateSchema = kept({
  months: twelve(monthSchema),
  daily: dailySchema.optional(),
  /** How much one year's rain differs from another's: its standard deviation as a share of the mean. */
  annualSpreadShare: share().optional(),
  /** The design storm: an intensity that was typed, or how rare it may be by the `burst`; with neither it is not known. */
  storm: kept({
    intensityMmPerH: number(0, 600).optional(),
    returnYears: number(0.5, 1000).optional(),
    minutes: size(1440),
  }),
  burst: kept({ fiveYearMmPerH: number(0, 600), returnExponent: share() }).optional(),
  /** A drier or a changing climate, laid over the source, which stays as it is. */
  shift: kept({ rainShare: number(0.1, 3), summerShare: number(0, 3), fewerDaysShare: number(0, 0.8) }).optional(),
  /** With a record: run on the record itself, or on years made from it. */
  runOn: choice(['record', 'made']).optional(),
  /** The stand-in it is; what `source` says is for people alone. */
  standIn: choice(CLIMATE_IDS).optional(),
  source: text(),
  /** What nobody has told and was guessed. */
  assumed: z
    .array(choice(['temperatures', 'wetDays']))
    .max(2)
    .optional(),
})

/** Longitude and latitude of each corner, as GeoJSON has them: parts, each an outer ring and its holes. */
export const outlineSchema = z
  .array(
    z
      .array(
        z
          .array(z.tuple([number(-180, 180), number(-90, 90)]))
          .min(4)
          .max(2000),
      )
      .min(1)
      .max(50),
  )
  .min(1)
  .max(50)

/** The gutter that leads to one spout. */
export const gutterSchema = kept({
  profile: choice(GUTTER_PROFILES),
  widthMm: size(2000),
  depthMm: size(2000),
  slope: number(0, 1),
  outletAt: choice(['end', 'middle']),
  guard: choice(GUARD_IDS),
  below: choice(['unknown', 'harmless', 'door']),
})

/** A rectangle seen from above, with its place on the plan; a cut takes away. */
export const pieceSchema = kept({
  id: id(),
  lengthM: size(1000),
  widthM: size(1000),
  count: whole(1, 500),
  cut: flag().optional(),
  xM: number(-1000, 1000).optional(),
  yM: number(-1000, 1000).optional(),
})
/** A stretch of a roof's gutter: the spout it leads to, and the share of the roof that drains to it. */
export const stretchSchema = kept({ id: id(), nodeId: id(), share: share(), gutter: gutterSchema.optional() })

export const roofSchema = kept({
  id: id(),
  name: text(),
  material: choice(ROOFING_IDS),
  pieces: z.array(pieceSchema).max(100),
  outline: outlineSchema.optional(),
  areaM2: number(0, 1e6).optional(),
  /** Which of the three counts; the others are kept. */
  measuredBy: choice(['pieces', 'outline', 'area']).optional(),
  pitchDeg: number(0, 75),
  dirtiness: choice(DIRTINESS_IDS).optional(),
  extras: z.array(choice(ROOF_EXTRA_IDS)).max(10).optional(),
  /** Measured figures, which replace the catalog's. */
  runoffCoefficient: share().optional(),
  wettingLossMm: number(0, 50).optional(),
  spouts: z.array(stretchSchema).max(50),
})

const endSchema = kept({ node: id(), port: id() })
export const placeSchema = kept({ id: id(), alongM: number(0, 100000), heightM: heightM() })
export const runSchema = kept({
  id: id(),
  /** Typed by somebody; without it a run is called by what it joins. */
  name: text().optional(),
  from: endSchema,
  to: endSchema,
  frostProof: choice(FROST_PROOF_LINES).optional(),
  /** What it crosses on its way, where it is buried. */
  crosses: z.array(choice(CROSSING_IDS)).max(3).optional(),
  /** Places along its length whose heights are known: humps hold air, dips hold water. */
  profile: z.array(placeSchema).max(200).optional(),
  parts: z.array(partSchema).max(200),
})

/** A move as it is kept: what it was called, what it was given, and the ids of what it put in, in their order. */
const moveSchema = z.object({
  name: text(),
  args: z.record(z.string(), z.unknown()),
  makes: z.array(id()).max(500).optional(),
})
/** A named way of running the site: how each valve named in it is set. */
export const modeSchema = kept({
  id: id(),
  name: text(),
  positions: z.array(kept({ part: id(), open: flag() })).max(500),
})
/** A line of the commissioning card: the figure that was found, in SI, or that it was looked at and is well. */
export const foundSchema = kept({ line: text(), value: number(-1e4, 1e6).optional(), well: flag().optional() })
/** A reading that is pinned where it is taken; in SI what it should show, once that is kept. */
export const pinSchema = kept({
  id: id(),
  reads: choice(['gauge', 'level', 'flow']),
  at: id(),
  shows: number(-1e4, 1e6).optional(),
})
export const optionSchema = kept({ id: id(), name: text(), moves: z.array(moveSchema).max(2000) })

/** What the person pays for a thing that is bought, and the length it comes in; it beats the catalog's guess. */
export const priceSchema = kept({ id: id(), price: price(), soldInM: size(100).optional() })

/** How many of each a document may hold. */
export const MOST = { roofs: 200, nodes: 1000, runs: 1000, uses: 300, modes: 50, options: 50 }

export const acceptedSchema = kept({
  finding: text(1000),
  numbers: z.record(z.string().max(80), z.number()),
  reason: text(500).optional(),
})

export const siteSchema = kept({
  format: z.literal('tall-cask/site'),
  version: z.literal(VERSION),
  id: id(),
  name: text(),
  note: text(20000),
  standards: kept({
    units: choice(['metric', 'us', 'imperial']),
    pipes: choice(['inch', 'metric']),
    threads: choice(['tapered', 'parallel']),
    volts: size(1000),
    hertz: size(100),
    currency: text(12),
    losses: choice(LOSS_SCHOOL_IDS).optional(),
  }),
  place: kept({
    latitudeDeg: number(-90, 90),
    altitudeM: number(-430, 6000),
    /** As somebody knows it; else it is worked out from how cold the months are. */
    frostDepthM: number(0, 5).optional(),
    waterTemperatureC: number(0, 40),
  }),
  /** The power that pumps run on. */
  power: kept({
    outage: outageSchema.optional(),
    /** Off the grid: what the inverter gives for a moment, the panels, and the battery. */
    inverterSurgeW: size(1e6).optional(),
    panelW: size(1e6).optional(),
    batteryWh: size(1e7).optional(),
  }).optional(),
  climate: climateSchema,
  roofs: z.array(roofSchema).max(MOST.roofs),
  nodes: z.array(nodeSchema).max(MOST.nodes),
  runs: z.array(runSchema).max(MOST.runs),
  uses: z.array(useSchema).max(MOST.uses),
  prices: z.array(priceSchema).max(500).optional(),
  modes: z.array(modeSchema).max(MOST.modes),
  /** What was found when it was first filled, by the line of the card it stands on. */
  found: z.array(foundSchema).max(2000).optional(),
  pins: z.array(pinSchema).max(100).optional(),
  /** What was found and is as its owner wants it, with the figures that it had then. */
  accepted: z.array(acceptedSchema).max(300).optional(),
  build: buildSchema.optional(),
  ...lifeFields,
  options: z.array(optionSchema).max(MOST.options),
})

type Read<Schema extends z.ZodType> = z.infer<Schema>
export type Climate = Read<typeof climateSchema>
export type Roof = Read<typeof roofSchema>
export type RoofPiece = Read<typeof pieceSchema>
export type GutterStretch = Read<typeof stretchSchema>
export type Outline = Read<typeof outlineSchema>
export type Gutter = Read<typeof gutterSchema>
export type Run = Omit<Read<typeof runSchema>, 'parts'> & { parts: Part[] }
export type Use = Read<typeof useSchema>
export type Amount = Read<typeof amountSchema>
export type Mode = Read<typeof modeSchema>
export type Pin = Read<typeof pinSchema>
export type Accepted = Read<typeof acceptedSchema>
export type Building = Read<typeof buildSchema>
export type Stage = NonNullable<Building['stages']>[number]
export type PlanOption = Read<typeof optionSchema>
export type Move = Read<typeof moveSchema>
export type Site = Omit<Read<typeof siteSchema>, 'nodes' | 'runs'> & { nodes: SiteNode[]; runs: Run[] }
