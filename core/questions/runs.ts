import type { Answering } from './question'
import type { ArgsOf, QuestionName } from './rows'
import { yearsPacked } from './yearsPacked'
import { todayOf } from './todayOf'
import {
  compiledOf,
  coverCurve,
  coversOf,
  daysOf,
  flushTrade,
  ifBurst,
  ifShut,
  poolFigures,
  runMembers,
  sizeCurve,
  spellsFrom,
} from '../balance'
import { built, byLine, moveTask, planOf, substitutesOf, tellStages } from '../build'
import { weatherSeries } from '../climate'
import { dueChores, glance, learnedFrom, lived } from '../keep'
import { waysFor } from '../moves'
import { dutyOfPump, modesFor, momentWith, servedInMode, weakestSingleTap, wrongWaysOf } from '../network'
import { weigh, weighOption, weighStages } from '../options'
import { breakLoss, commissionCard } from '../plant'
import { proveMends, review } from '../review'
import type { Site } from '../site'

const poolAt = (site: Site, id: string): number => compiledOf(site).pools.findIndex(pool => pool.id === id)

/** A document without its log: what is tried by a move looks the whole document over. */
const planOnly = ({ log: _log, ...site }: Site): Site => site

/** How each question is answered. */
export const RUNS = {
  outline: site => poolFigures(compiledOf(site)),
  years: yearsPacked,
  review: site => review(planOnly(site)),
  proof: (site, { findings }) => proveMends(planOnly(site), findings),
  sizes(site, { pool }) {
    const at = poolAt(site, pool)
    return at < 0 ? undefined : sizeCurve(compiledOf(site), at, weatherSeries(site))
  },
  weighings(open) {
    const site = planOnly(open)
    const series = weatherSeries(site)
    return {
      now: weigh(site, series),
      options: site.options.map(({ id, moves }) => ({ id, ...weighOption(site, moves, series) })),
    }
  },
  stages: site => weighStages(planOnly(site), weatherSeries(site)),
  ways: site => waysFor(planOnly(site)),
  members: (site, { from, to, years }) => runMembers(site, compiledOf(site), weatherSeries(site), from, to, years),
  shut: (site, { part }) => ifShut(site, part, weatherSeries(site)),
  burst: (site, { pool }) => ifBurst(site, pool, weatherSeries(site)),
  covers: site => coversOf(compiledOf(site), weatherSeries(site), daysOf(site)),
  coverSizes(site, { outage, pool }) {
    const at = poolAt(site, pool)
    return at < 0 ? [] : coverCurve(compiledOf(site), outage, at, weatherSeries(site))
  },
  flush: (site, { chamber }) => flushTrade(site, compiledOf(site), chamber, weatherSeries(site)),
  spells: (site, { startDay, shares }) => spellsFrom(site, startDay, shares),
  moment: (site, { taps, stand }) => momentWith(site, taps, stand),
  duty: (site, { pump, taps, stand }) => dutyOfPump(site, pump, taps, stand),
  weakest: (site, { stand }) => weakestSingleTap(site, stand),
  modes: modesFor,
  served: (site, { mode }) => servedInMode(site, mode),
  wrongWays: wrongWaysOf,
  built: (site, { month, today }) => built(site, month, today),
  byLine,
  order: (site, { crew, month }) => planOf(site, crew, month),
  taskMoved: (site, { task, before }) => moveTask(site, task, before),
  substitutes: substitutesOf,
  stageTales: tellStages,
  card: commissionCard,
  loss: (site, { at, hours }) => breakLoss(site, at, hours),
  glance: (site, { on }) => glance(site, site.log ?? [], on),
  lived: (site, { on }) => lived(site, learnedFrom(site, site.log ?? [], on)),
  today: todayOf,
  due: (site, { on }) => dueChores(site, site.log ?? [], on),
} satisfies { [Name in QuestionName]: Answering<ArgsOf<Name>> }

/** What a question is answered with. */
export type AnswerOf<Name extends QuestionName> = Awaited<ReturnType<(typeof RUNS)[Name]>>
