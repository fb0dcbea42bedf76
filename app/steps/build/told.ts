import { priced } from './usePriceBook'
import { dayToday } from '~/fields/days'
import { sum } from 'd3-array'
import type { StepContext, StepFigure, Subject } from '~/steps/step'
import { tanksOf, type Site } from '#core/site'
import { cutSheets, gateOf, holesOf, planOf, portChains, stagesOf, toBuy, totalOf } from '#core/build'

/** The month that it is: what rain would fill again, and how cement hardens, hang on the season. */
export const monthNow = (): number => new Date().getMonth() + 1

/** What is asked of a plan by every part of this step, once a document. */
const known = new WeakMap<Site, ReturnType<typeof workedOut>>()
function workedOut(site: Site) {
  const of = priced(site)
  const items = toBuy(of)
  return {
    items,
    bought: new Set(site.build?.bought),
    total: totalOf(items),
    sheets: cutSheets(of),
    plan: planOf(of, undefined, monthNow()),
    gate: gateOf(of, monthNow(), dayToday()),
    holes: holesOf(of),
    chains: portChains(of),
  }
}
export function buildFor(site: Site): ReturnType<typeof workedOut> {
  const raw = toRaw(priced(site))
  let made = known.get(raw)
  if (!made) known.set(raw, (made = workedOut(site)))
  return made
}

export function subjects({ site }: StepContext): Subject[] {
  if (!site.nodes.length) return []
  const { items, bought, sheets, plan, gate, holes } = buildFor(site)
  const left = items.filter(({ id, toBuy: count }) => count > 0 && !bought.has(id))
  const done = plan.filter(task => task.done).length
  const open = gate.filter(item => item.open).length
  const lengths = sum(sheets, ({ stocks }) => stocks.length)
  return [
    { id: 'gate', name: 'The gate', figure: open ? String(open) : 'shut', holds: [] },
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
export function figures({ site, show }: StepContext): StepFigure[] {
  const early = true
  const { items, bought, sheets, plan, gate } = buildFor(site)
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
      note: `${left.length} things; guessed where nobody has said`,
    },
    {
      name: 'Pipe',
      early,
      value: show(
        sum(stocks, ({ stockM }) => stockM),
        'length',
      ),
      note: `in ${stocks.length} lengths; ${show(
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
