import { priced } from './usePriceBook'
import { dayToday } from '~/fields/days'
import { sum } from 'd3-array'
import type { StepContext, StepFigure, Subject } from '~/steps/step'
import { counted } from '#core/words'
import { tanksOf, type Site } from '#core/site'
import { answersOf, askOnce } from '~/engine/answers'
import {
  built,
  byLine,
  moveTask,
  planOf,
  stagesOf,
  substitutesOf,
  tellStages,
  totalOf,
  type Built,
  type Crew,
} from '#core/build'

/** The month that it is: what rain would fill again, and how cement hardens, hang on the season. */
export const monthNow = (): number => new Date().getMonth() + 1

const builtOf = answersOf('built', (site, { month, today }) => built(site, month, today))
/** What is asked of a plan by every part of this step, once a document; nothing until that of a large one is known. */
export const buildFor = (site: Site): Built | undefined =>
  builtOf(priced(site), { month: monthNow(), today: dayToday() })

/** What only some of its notes ask. */
const substitutes = answersOf('substitutes', substitutesOf)
export const substitutesIn = (site: Site) => substitutes(site, {})
const lines = answersOf('byLine', byLine)
export const linesIn = (site: Site) => lines(site, {})
const order = answersOf('order', (site, { crew, month }) => planOf(site, crew, month))
export const planFor = (site: Site, crew: Crew, month: number) => order(site, { crew, month })
/** The order of work with a task put before another. */
export const taskMoved = (site: Site, id: string, before: string | undefined) =>
  askOnce('taskMoved', (of, { task, before: put }) => moveTask(of, task, put), site, { task: id, before })
const stageTales = answersOf('stageTales', tellStages)
export const stagesIn = (site: Site) => stageTales(site, {})

export function subjects({ site }: StepContext): Subject[] {
  if (!site.nodes.length) return []
  const made = buildFor(site)
  if (!made) return []
  const { items, bought, sheets, plan, gate, holes } = made
  const left = items.filter(({ id, toBuy: count }) => count > 0 && !bought.has(id))
  const done = plan.filter(task => task.done).length
  const open = gate.filter(item => item.open).length
  const lengths = sum(sheets, ({ stocks }) => stocks.length)
  return [
    { id: 'gate', name: 'The gate', figure: open ? String(open) : 'shut', holds: [], isOpen: open > 0 },
    { id: 'order', name: 'Order of work', figure: `${done} of ${plan.length}`, holds: [] },
    { id: 'finder', name: 'What do I have here?', holds: [] },
    { id: 'chain', name: 'From this to that', holds: [] },
    { id: 'parts', name: 'Parts and trips', figure: String(left.length), holds: [] },
    { id: 'cuts', name: 'Cuts', figure: lengths ? String(lengths) : '', holds: [] },
    ...(tanksOf(site).length ? [{ id: 'holes', name: 'Holes', figure: String(holes.length), holds: [] }] : []),
    { id: 'stages', name: 'Stages', figure: String(stagesOf(site).length), holds: [] },
    { id: 'report', name: 'The report', holds: [] },
  ]
}

/** What is still to buy, the pipe, the days of work, and what stands open before the first rain. */
export function figures({ site, show }: StepContext): StepFigure[] | undefined {
  const early = true
  const made = buildFor(site)
  if (!made) return undefined
  const { items, bought, sheets, plan, gate } = made
  const left = items.filter(({ id, toBuy: count }) => count > 0 && !bought.has(id))
  const cost = Math.round(totalOf(left)).toLocaleString('en').replaceAll(',', ' ')
  const stocks = sheets.flatMap(sheet => sheet.stocks)
  const open = plan.filter(task => !task.done)
  const days = new Set(open.map(({ day }) => day)).size
  const hours = [0, 1].map(at => Math.round(sum(open, task => task.minutes[at]!) / 60))
  const rain = gate.filter(item => item.before === 'rain' && item.open)
  return [
    {
      name: 'Still to buy',
      early,
      value: `${cost} ${site.standards.currency}`.trim(),
      note: `${counted(left.length, 'thing')}; guessed where nobody has said`,
    },
    {
      name: 'Pipe',
      early,
      value: show(
        sum(stocks, ({ stockM }) => stockM),
        'length',
      ),
      note: `in ${counted(stocks.length, 'length')}; ${show(
        sum(stocks, ({ wasteM }) => wasteM),
        'length',
      )} left over`,
    },
    {
      name: 'Work left',
      early,
      value: days === 1 ? '1 day' : `${days} days`,
      note: `two people, ${hours[0]} to ${hours[1]} hours, and what cures between`,
    },
    {
      name: 'Gate: before the first rain',
      early,
      value: rain.length ? `${rain.length} open` : 'shut',
      note: rain[0]?.what ?? '',
    },
  ]
}
