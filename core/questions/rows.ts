import { z } from 'zod'
import type { QuestionRow } from './question'
import type { Mode, SitePart } from '../site'
import { BALANCE_OF } from '../balance'
import { FLOWS_OF } from '../network'
import { TAKEN_OFF_OF } from '../build'

const id = () => z.string('must be an id').max(200)
const day = () => z.iso.date('must be a date, such as 2027-04-18')
const month = () =>
  z.number('must be a month').int('must be a month').min(1, 'must be a month').max(12, 'must be a month')
const count = (most: number) => z.number('must be a count').int('must be whole').min(0).max(most)
const nothing = z.strictObject({})
const stand = () => z.enum(['full', 'low'], 'must be full or low')
const taps = () => z.array(id()).max(5000)
const mode = () => z.looseObject({ id: id(), positions: z.array(z.looseObject({ part: id(), open: z.boolean() })) })

/** What checks look at, and what a move that they try may touch: all but the log, which no figure of a plan asks for. */
const PLANNED_OF = [
  ...BALANCE_OF,
  'format',
  'version',
  'id',
  'name',
  'note',
  'build',
  'prices',
  'modes',
  'options',
  'chores',
  'pins',
  'accepted',
  'found',
  'devices',
  'restrictions',
] as const satisfies SitePart[]
/** What the order of work is made of. */
const BUILT_OF = [...TAKEN_OFF_OF, 'roofs', 'place', 'power'] as const satisfies SitePart[]
/** What a plant is played of. */
const PLAYED_OF = [...BALANCE_OF, 'pins'] as const satisfies SitePart[]
/** What a log is read against. */
const KEPT_OF = [...BALANCE_OF, 'id', 'log', 'restrictions', 'chores', 'devices'] as const satisfies SitePart[]

/** Every question that may be asked of a document, by its name. A row here, and how it is answered in `runs.ts`. */
export const QUESTION_ROWS = {
  outline: {
    says: 'What each tank or group of joined tanks holds.',
    of: BALANCE_OF,
    args: nothing,
    rank: 'figures',
    costMs: places => 5 + 0.3 * places,
  },
  years: {
    says: 'The plan’s years by the daily balance, day by day, with what each use had.',
    of: BALANCE_OF,
    args: nothing,
    rank: 'years',
    costMs: places => 25 + places,
    handsOver: true,
  },
  review: {
    says: 'What is wrong with the plan or wants another look, and what was found sound.',
    of: PLANNED_OF,
    args: nothing,
    rank: 'years',
    costMs: places => 180 + 4 * places,
  },
  proof: {
    says: 'What comes of the moves of some findings, by their ids: whether they mend it, and what else follows.',
    of: PLANNED_OF,
    args: z.strictObject({ findings: z.array(z.string('must be an id').max(1000)).min(1).max(500) }),
    rank: 'aside',
    costMs: places => 360 + 8 * places,
  },
  sizes: {
    says: 'Days short against the size of a pool.',
    of: BALANCE_OF,
    args: z.strictObject({ pool: id() }),
    rank: 'aside',
    costMs: places => 60 + 7 * places,
  },
  weighings: {
    says: 'The plan and each of its options, weighed over the same weather.',
    of: PLANNED_OF,
    args: nothing,
    rank: 'aside',
    costMs: places => 150 + 8 * places,
  },
  stages: {
    says: 'Each stage of the plan as if it were the whole of it.',
    of: PLANNED_OF,
    args: nothing,
    rank: 'aside',
    costMs: places => 200 + 5 * places,
  },
  ways: {
    says: 'Ways of doing it that are not the plan’s already.',
    of: PLANNED_OF,
    args: nothing,
    rank: 'aside',
    costMs: places => 30 + 3 * places,
  },
  members: {
    says: 'A tally of made-up runs of years, from one member up to the one before another.',
    of: BALANCE_OF,
    args: z.strictObject({ from: count(1e4), to: count(1e4), years: count(200) }),
    rank: 'aside',
    costMs: places => 25 + 0.8 * places,
  },
  shut: {
    says: 'What follows from shutting a valve.',
    of: BALANCE_OF,
    args: z.strictObject({ part: id() }),
    rank: 'aside',
    costMs: places => 60 + 2.3 * places,
  },
  burst: {
    says: 'Short days as they are, and in a year in which a pool holds nothing.',
    of: BALANCE_OF,
    args: z.strictObject({ pool: id() }),
    rank: 'aside',
    costMs: places => 60 + 1.2 * places,
  },
  covers: {
    says: 'How long the plan lasts without each thing that fails.',
    of: BALANCE_OF,
    args: nothing,
    rank: 'aside',
    costMs: places => 10 + 0.8 * places,
  },
  coverSizes: {
    says: 'The share of outages that other sizes of a pool would bridge.',
    of: BALANCE_OF,
    args: z.strictObject({ outage: id(), pool: id() }),
    rank: 'aside',
    costMs: places => 15 + 0.2 * places,
  },
  flush: {
    says: 'What a first-flush chamber keeps out and costs, as it is and as it might be.',
    of: BALANCE_OF,
    args: z.strictObject({ chamber: id() }),
    rank: 'aside',
    costMs: places => 25 + 0.1 * places,
  },
  spells: {
    says: 'How long the water lasts from some shares of what the tanks hold, if it stops raining on a day.',
    of: BALANCE_OF,
    args: z.strictObject({ startDay: z.number(), shares: z.array(z.number().min(0).max(1)).max(20) }),
    rank: 'years',
    costMs: places => 8 + 0.25 * places,
  },
  moment: {
    says: 'Flows and pressures with some taps open and the tanks at a stand.',
    of: FLOWS_OF,
    args: z.strictObject({ taps: taps(), stand: stand() }),
    rank: 'years',
    costMs: places => 0.25 * places,
  },
  duty: {
    says: 'Where a pump runs with some taps open.',
    of: FLOWS_OF,
    args: z.strictObject({ pump: id(), taps: taps(), stand: stand() }),
    rank: 'years',
    costMs: places => 1.2 * places,
  },
  weakest: {
    says: 'The tap that has least pressure when each is open by itself.',
    of: FLOWS_OF,
    args: z.strictObject({ stand: stand() }),
    rank: 'years',
    costMs: places => 0.25 * places,
  },
  modes: {
    says: 'Ways of running it that its lines allow.',
    of: [...FLOWS_OF, 'modes', 'climate'],
    args: nothing,
    rank: 'years',
    costMs: places => 0.1 * places,
  },
  served: {
    says: 'What a way of running it serves.',
    of: FLOWS_OF,
    args: z.strictObject({ mode: mode() as unknown as z.ZodType<Mode> }),
    rank: 'years',
    costMs: places => 0.2 * places,
  },
  wrongWays: {
    says: 'Where water can go that it should not.',
    of: [...FLOWS_OF, 'modes'],
    args: nothing,
    rank: 'years',
    costMs: places => 0.9 * places,
  },
  built: {
    says: 'The parts, cuts, holes, order of work, gate and cost of a plan that is to be built.',
    of: BUILT_OF,
    args: z.strictObject({ month: month(), today: day() }),
    rank: 'years',
    costMs: places => 1.4 * places,
    inParts: true,
  },
  byLine: {
    says: 'The parts of each line.',
    of: BUILT_OF,
    args: nothing,
    rank: 'years',
    costMs: places => 1.4 * places,
  },
  order: {
    says: 'The order of work, by who works and in which month it begins.',
    of: BUILT_OF,
    args: z.strictObject({
      crew: z.strictObject({ people: z.number().min(1).max(50), hoursADay: z.number().min(0.5).max(24) }).optional(),
      month: month().optional(),
    }),
    rank: 'years',
    costMs: places => 0.5 * places,
  },
  taskMoved: {
    says: 'The order of work with a task put before another; why not, where that cannot be.',
    of: BUILT_OF,
    args: z.strictObject({ task: id(), before: id().optional() }),
    rank: 'figures',
    costMs: places => 0.5 * places,
  },
  substitutes: {
    says: 'Parts that another one in hand could stand for.',
    of: BUILT_OF,
    args: nothing,
    rank: 'years',
    costMs: places => 4 * places,
  },
  stageTales: {
    says: 'What each stage of the plan brings and asks.',
    of: [...BUILT_OF, 'modes'],
    args: nothing,
    rank: 'years',
    costMs: places => 1.4 * places,
  },
  card: {
    says: 'The card by which it is first filled and tried.',
    of: PLAYED_OF,
    args: nothing,
    rank: 'years',
    costMs: places => 0.4 * places,
  },
  loss: {
    says: 'What a break of a line or a tank loses until somebody comes.',
    of: PLAYED_OF,
    args: z.strictObject({ at: id(), hours: z.number().positive().max(8760) }),
    rank: 'aside',
    costMs: places => 80 + 4 * places,
  },
  glance: {
    says: 'What the log says in one line: what is held, how long it lasts, what is due.',
    of: KEPT_OF,
    args: z.strictObject({ on: day() }),
    rank: 'aside',
    costMs: places => 100 + 3.5 * places,
  },
  lived: {
    says: 'The plan against life: month by month, what came, was used and spilled.',
    of: KEPT_OF,
    args: z.strictObject({ on: day() }),
    rank: 'years',
    costMs: places => 40 + 1.5 * places,
  },
  today: {
    says: 'What stands in the tanks today, what is to come, and what looks odd.',
    of: KEPT_OF,
    args: z.strictObject({ on: day(), promised: z.array(z.number().min(0)).max(60).optional() }),
    rank: 'years',
    costMs: places => 170 + 5 * places,
  },
  due: {
    says: 'What is due, and when.',
    of: [...BALANCE_OF, 'log', 'chores', 'devices'],
    args: z.strictObject({ on: day() }),
    rank: 'years',
    costMs: places => 0.05 * places,
  },
} as const satisfies Record<string, QuestionRow>

export type QuestionName = keyof typeof QUESTION_ROWS
export const QUESTION_NAMES = Object.keys(QUESTION_ROWS) as QuestionName[]
/** What a question takes beside the document. */
export type ArgsOf<Name extends QuestionName> = z.infer<(typeof QUESTION_ROWS)[Name]['args']>
