import { BASE_IDS, BED_SOIL_IDS, BYPASS_IDS, COVER_IDS, DIRTINESS_IDS, GAUGE_IDS, GUARD_IDS, GUTTER_PROFILES, LOSS_SCHOOL_IDS, LID_IDS, MULCH_IDS, NEAR_IDS, OVERFLOW_ENDINGS, QUALITIES, ROOF_EXTRA_IDS, ROOFING_IDS, SCREEN_IDS, SOIL_IDS, TANK_KIND_IDS, TEES } from '../catalog'
import { z } from 'zod'

/** Every message is the rest of a sentence that begins with the name of the field. */
const number = (least: number, most: number) => z.number({ error: 'must be a number' })
  .min(least, `must be at least ${least}`).max(most, `must be at most ${most}`)
const size = (most: number) => z.number({ error: 'must be a number' }).positive('must be more than 0').max(most, `must be at most ${most}`)
const share = () => number(0, 1)
const whole = (least: number, most: number) => number(least, most).int('must be a whole number')
const text = (most = 200) => z.string({ error: 'must be text' }).max(most, `must be at most ${most} characters`)
const id = () => text(60).regex(/^[A-Za-z0-9][\w-]*$/, 'must be letters, digits and dashes')
const choice = <const Words extends readonly [string, ...string[]]>(words: Words) => z.enum(words, { error: `must be one of ${words.join(', ')}` })
const twelve = <Item extends z.ZodType>(item: Item) => z.array(item, { error: 'must be a list of 12' }).length(12, 'must have 12 entries, January to December')

/** Fields we do not know are kept as they are, so that a newer program's notes survive a visit; the type knows only ours. */
function kept<Shape extends z.ZodRawShape>(shape: Shape): z.ZodObject<Shape> {
  return z.looseObject(shape, { error: 'must be an object' }) as unknown as z.ZodObject<Shape>
}

const heightM = () => number(-500, 5000)
const bore = () => size(5000)

const monthSchema = kept({ rainMm: number(0, 3000), wetDays: number(0, 31), tMinC: number(-70, 60), tMaxC: number(-70, 70) })
const dailySchema = kept({
  start: z.iso.date('must be a date, such as 1991-01-01'),
  rainMm: z.array(z.number({ error: 'must be a number' }).min(0, 'must be 0 or more').max(2000, 'must be at most 2000')).min(28, 'must hold at least 28 days').max(80000, 'must hold at most 80000 days'),
})

export const climateSchema = kept({
  months: twelve(monthSchema),
  daily: dailySchema.optional(),
  /** The design storm: an intensity that was typed, or how rare it may be by the climate's own `burst`; with neither it is not known. */
  storm: kept({ intensityMmPerH: number(0, 600).optional(), returnYears: number(0.5, 1000).optional(), minutes: size(1440) }),
  burst: kept({ fiveYearMmPerH: number(0, 600), returnExponent: share() }).optional(),
  /** A drier or a changing climate, laid over the source, which stays as it is. */
  shift: kept({ rainShare: number(0.1, 3), summerShare: number(0, 3), fewerDaysShare: number(0, 0.8) }).optional(),
  /** With a record: run on the record itself, or on years made from it. */
  runOn: choice(['record', 'made']).optional(),
  source: text(),
})

/** Longitude and latitude of each corner, as GeoJSON has them: parts, each an outer ring and its holes. */
export const outlineSchema = z.array(z.array(z.array(z.tuple([number(-180, 180), number(-90, 90)])).min(4).max(2000)).min(1).max(50)).min(1).max(50)

/** The stretch of gutter that leads to one spout. */
export const gutterSchema = kept({
  profile: choice(GUTTER_PROFILES), widthMm: size(2000), depthMm: size(2000), slope: number(0, 1),
  outletAt: choice(['end', 'middle']), guard: choice(GUARD_IDS), below: choice(['unknown', 'harmless', 'door']),
})

export const roofSchema = kept({
  id: id(), name: text(), material: choice(ROOFING_IDS),
  /** Rectangles seen from above, each with its place on the plan; a cut takes away. */
  pieces: z.array(kept({ lengthM: size(1000), widthM: size(1000), count: whole(1, 500), cut: z.boolean().optional(), xM: number(-1000, 1000).optional(), yM: number(-1000, 1000).optional() })).max(100),
  outline: outlineSchema.optional(), areaM2: number(0, 1e6).optional(),
  /** Which of the three counts; the others are kept. */
  measuredBy: choice(['pieces', 'outline', 'area']).optional(),
  pitchDeg: number(0, 75),
  dirtiness: choice(DIRTINESS_IDS).optional(), extras: z.array(choice(ROOF_EXTRA_IDS)).max(10).optional(),
  /** Measured figures, which replace the catalog's. */
  runoffCoefficient: share().optional(), wettingLossMm: number(0, 50).optional(),
  spouts: z.array(kept({ nodeId: id(), share: share(), gutter: gutterSchema.optional() })).max(50),
})

const standing = { id: id(), name: text(), baseM: heightM(), groundM: heightM(), note: text(5000).optional() }
const monthList = () => z.array(whole(1, 12)).max(12)
/** When a well or a main tops its tank up: from which share of what it holds, to which, in which months, and how much at most a day (a trickle, or a timed batch). */
const supplyRule = () => kept({ startShare: share(), stopShare: share(), months: monthList(), mostLPerDay: size(1e7).optional() })
const price = () => number(0, 1e7).optional()

export const portSchema = kept({ name: id(), role: choice(['inlet', 'overflow', 'outlet', 'link', 'drain']), heightM: number(0, 50), boreMm: bore(),
  /** A small hole at the top of a pipe that ends under water or skims, so that it cannot siphon. */
  airHole: z.boolean().optional(),
  /** How an overflow begins: a plain pipe, one behind a screen, a water trap, or a mouth that skims the surface. */
  ending: choice(OVERFLOW_ENDINGS).optional(),
  /** What shuts a fitting that no line ends at yet, kept for the next tank. */
  spare: choice(['cap', 'valve']).optional(),
  /** A draw-off that hangs from a float: its hose, and how far above the floor its stop holds it. */
  floating: kept({ hoseM: size(30), stopM: number(0, 10) }).optional() })
export const tankShapeSchema = z.discriminatedUnion('shape', [
  kept({ shape: z.literal('upright-cylinder'), diameterM: size(50), heightM: size(30) }),
  kept({ shape: z.literal('lying-cylinder'), diameterM: size(20), lengthM: size(100) }),
  kept({ shape: z.literal('box'), lengthM: size(100), widthM: size(100), heightM: size(30) }),
], { error: 'must be upright-cylinder, lying-cylinder or box' })

export const nodeSchema = z.discriminatedUnion('kind', [
  kept({ kind: z.literal('spout'), ...standing, boreMm: bore(), bypassMonths: monthList().optional(), bypassBy: choice(BYPASS_IDS).optional(), bypassWhenFull: z.boolean().optional() }),
  kept({ kind: z.literal('chamber'), ...standing, form: choice(['standpipe', 'drum']), innerDiameterMm: bore(), heightM: size(20), orificeMm: bore().nullable(), emptiedEveryDays: whole(1, 365).nullable(), cleanable: z.boolean(),
    /** The depth of rain it is meant to keep, the tee above it, and whether a ball shuts it once it is full. */
    wantedMm: number(0.05, 20).optional(), tee: choice(TEES).optional(), ball: z.boolean().optional() }),
  kept({
    kind: z.literal('tank'), ...standing, tankKind: choice(TANK_KIND_IDS), shape: tankShapeSchema, emptyMassKg: number(0, 1e6),
    ports: z.array(portSchema).max(40), lid: z.boolean(), lightTight: z.boolean(), sunlit: z.boolean(), ventMm: number(0, 2000),
    base: choice(BASE_IDS), inletStyle: choice(['top', 'calmed']),
    /** What keeps the light out; it takes the place of `lightTight` once it is said. */
    cover: choice(COVER_IDS).optional(), lidForm: choice(LID_IDS).optional(), gauge: choice(GAUGE_IDS).optional(), soil: choice(SOIL_IDS).optional(),
    /** A timber stand: its posts, the ground each footing covers, whether it is braced, and how wide it is where that is more than the tank. */
    stand: kept({ posts: whole(1, 100), footingAreaM2: size(100), braced: z.boolean(), widthM: size(50).optional() }).optional(),
    /** Litres kept back for fire; what the tank cost, or would; and water brought by lorry once it stands low. */
    reserveL: number(0, 1e7).optional(), price: price(),
    carted: kept({ loadL: size(1e6), startShare: share(), pricePerLoad: price() }).optional(),
  }),
  kept({ kind: z.literal('pressureTank'), ...standing, volumeL: size(100000), prechargeKPa: number(0, 2000), cutInKPa: number(0, 2000), cutOutKPa: number(0, 2000) }),
  kept({ kind: z.literal('well'), ...standing, depthM: size(400), stillWaterDepthM: number(0, 400), yieldLPerDay: number(0, 1e7), rule: supplyRule(), pricePerM3: price() }),
  kept({ kind: z.literal('main'), ...standing, pressureKPa: number(0, 2000), rule: supplyRule(), pricePerM3: price() }),
  kept({ kind: z.literal('joint'), ...standing }),
  kept({ kind: z.literal('tap'), ...standing, fixture: text() }),
  kept({ kind: z.literal('outfall'), ...standing, to: choice(['ground', 'ditch', 'swale', 'soakaway', 'rain-garden', 'drain']),
    /** What the water runs towards, the ground it soaks into, and a soakaway's pit. */
    near: choice(NEAR_IDS).optional(), soil: choice(SOIL_IDS).optional(),
    pit: kept({ lengthM: size(100), widthM: size(100), depthM: size(20), voidShare: share() }).optional() }),
], { error: 'must be a kind of node that this version knows' })

export const partSchema = z.discriminatedUnion('kind', [
  kept({ kind: z.literal('pipe'), lengthM: size(100000), innerDiameterMm: bore(), roughnessMm: number(0, 10) }),
  kept({ kind: z.literal('valve'), boreMm: bore(), open: z.boolean() }),
  kept({ kind: z.literal('check'), boreMm: bore() }),
  kept({ kind: z.literal('float'), boreMm: bore() }),
  kept({ kind: z.literal('screen'), meshMm: size(100), type: choice(SCREEN_IDS).optional() }),
  kept({ kind: z.literal('filter'), ratingUm: size(5000), medium: choice(['sediment', 'carbon']) }),
  kept({ kind: z.literal('lamp'), ratedLps: size(1000), sensor: z.boolean() }),
  kept({ kind: z.literal('pump'), pump: choice(['on-demand', 'jet', 'submersible', 'variable-speed', 'solar']), flowLps: size(1000), headM: size(1000) }),
  kept({ kind: z.literal('union'), boreMm: bore() }),
  kept({ kind: z.literal('reducer'), fromMm: bore(), toMm: bore() }),
  kept({ kind: z.literal('flexible'), lengthM: size(1000), innerDiameterMm: bore() }),
  kept({ kind: z.literal('meter'), boreMm: bore() }),
  kept({ kind: z.literal('relief'), setKPa: size(5000) }),
], { error: 'must be a kind of part that this version knows' })

const endSchema = kept({ node: id(), port: id() })
export const runSchema = kept({ id: id(), name: text(), from: endSchema, to: endSchema, parts: z.array(partSchema).max(200) })

const months = () => twelve(number(0, 10))
export const amountSchema = z.discriminatedUnion('by', [
  kept({ by: z.literal('people'), people: number(0, 10000), litresPerPersonDay: number(0, 2000), months: months() }),
  kept({ by: z.literal('heads'), heads: number(0, 1e6), litresPerHeadDay: number(0, 1000), hotFactor: number(1, 5).optional(), months: months() }),
  kept({ by: z.literal('day'), litresPerDay: number(0, 1e7), months: months() }),
  kept({ by: z.literal('habit'), people: number(0, 10000), timesPerPersonDay: number(0, 200), litresEach: number(0, 2000), months: months() }),
  kept({ by: z.literal('bed'), areaM2: number(0, 1e6), cropCoefficient: number(0, 2), irrigationEfficiency: number(0.1, 1), soil: choice(BED_SOIL_IDS).optional(), mulch: choice(MULCH_IDS).optional(), months: months(),
    /** What waters it, where that is dripped by the clock. */
    drip: kept({ emitters: z.array(kept({ count: whole(1, 100000), litresPerHour: size(1000) })).min(1).max(20), minutesPerRun: size(1440), runsPerWeek: size(70), mostLph: size(1e6).optional(), zones: whole(1, 100) }).optional() }),
], { error: 'must be counted by people, habit, heads, day or bed' })

export const useSchema = kept({ id: id(), name: text(), at: id(), quality: choice(QUALITIES), priority: whole(1, 99), amount: amountSchema,
  /** Steps of rationing: below which share of what its tanks hold, and the share of the day's amount that is still taken. */
  rations: z.array(kept({ belowShare: share(), share: share() })).max(6).optional(),
  /** Short days a year that the person says they can live with. */
  acceptShortDays: number(0, 366).optional() })

const moveSchema = z.object({ name: text(), args: z.record(z.string(), z.unknown()) })

export const siteSchema = kept({
  format: z.literal('tall-cask/site'),
  version: z.literal(1),
  id: id(), name: text(), note: text(20000),
  standards: kept({
    units: choice(['metric', 'us', 'imperial']), pipes: choice(['inch', 'metric']), threads: choice(['tapered', 'parallel']),
    volts: size(1000), hertz: size(100), currency: text(12), losses: choice(LOSS_SCHOOL_IDS).optional(),
  }),
  place: kept({ latitudeDeg: number(-90, 90), altitudeM: number(-430, 6000), frostDepthM: number(0, 5), waterTemperatureC: number(0, 40) }),
  climate: climateSchema,
  roofs: z.array(roofSchema).max(200),
  nodes: z.array(nodeSchema).max(1000),
  runs: z.array(runSchema).max(1000),
  uses: z.array(useSchema).max(300),
  modes: z.array(kept({ id: id(), name: text(), positions: z.array(kept({ run: id(), part: whole(0, 199), open: z.boolean() })).max(500) })).max(50),
  options: z.array(kept({ id: id(), name: text(), moves: z.array(moveSchema).max(2000) })).max(50),
})

export type Site = z.infer<typeof siteSchema>
export type Climate = z.infer<typeof climateSchema>
export type Roof = z.infer<typeof roofSchema>
export type Outline = z.infer<typeof outlineSchema>
export type Gutter = z.infer<typeof gutterSchema>
export type SiteNode = z.infer<typeof nodeSchema>
export type NodeOf<Kind extends SiteNode['kind']> = Extract<SiteNode, { kind: Kind }>
export type Tank = NodeOf<'tank'>
export type Port = z.infer<typeof portSchema>
export type Part = z.infer<typeof partSchema>
export type PartOf<Kind extends Part['kind']> = Extract<Part, { kind: Kind }>
export type Run = z.infer<typeof runSchema>
export type Use = z.infer<typeof useSchema>
export type Amount = z.infer<typeof amountSchema>
export type Move = z.infer<typeof moveSchema>
