import type { Content } from 'pdfmake/interfaces'
import { group } from 'd3-array'
import { countWords } from '../sold'
import { buildFor } from '../told'
import { drawing, small, subheading, table } from '~/print/paper'
import { byTrip, cutWords, idleDays, sizeOf, totalOf, TRIPS, type Idle } from '#core/build'
import { valveCard } from '#core/exchange'
import { choresOf } from '#core/keep'
import { MONTH_NAMES } from '#core/units'
import { counted, phraseText } from '#core/words'
import type { Told } from './told'

const NOTHING: Content = small('Nothing is to be built yet.')

export const card = ({ site }: Told): Content[] => [drawing(valveCard(site), [515, 610])]

export const parts = ({ site, show, money }: Told): Content[] => {
  const trips = byTrip(buildFor(site)!.items)
  if (!trips.length) return [NOTHING]
  return [
    ...trips.flatMap(({ trip, items }): Content[] => [
      subheading(`${TRIPS[trip]}, ${money(totalOf(items))}`),
      table(
        [14, 'auto', '*', 'auto'],
        items.map(item => [
          '☐',
          countWords(item.toBuy, item.unit, show, site.standards.units),
          `${item.what} ${phraseText(item.size, site.standards.units)}`,
          item.cost === undefined ? 'no price' : money(item.cost),
        ]),
      ),
    ]),
    small(
      `Prices are guesses of their kind where nobody has noted one${
        site.standards.currency ? `, in ${site.standards.currency}` : '; no currency is named'
      }.`,
    ),
  ]
}

export const cuts = ({ site }: Told): Content[] =>
  buildFor(site)!.sheets.flatMap(({ bought, pieces, stocks }): Content[] => [
    subheading(`${sizeOf(bought)}: ${counted(stocks.length, 'length')}`),
    table(
      ['auto', '*', 'auto'],
      pieces.map(({ label, ends, cutM }) => [
        { text: label, bold: true },
        `${ends[0].words} – ${ends[1].words}`,
        cutWords(cutM, site.standards.units),
      ]),
    ),
  ])

export const holes = ({ site, show }: Told): Content[] => [
  table(
    ['*', 'auto', 'auto', 'auto'],
    buildFor(site)!.holes.map(hole => [
      `${site.nodes.find(({ id }) => id === hole.tankId)?.name}: ${hole.words}`,
      `${show(hole.heightM, 'length')} up`,
      `faces ${Math.round(hole.bearingDeg)}°`,
      `saw ${show(hole.sawMm, 'bore')}, ${hole.from}`,
    ]),
    ['hole', 'from the floor', 'round from its front', 'with'],
  ),
]

/** Days on which nobody works, with what is waited for. */
export function idleWords({ from, to, waitsFor: [first] }: Idle): string {
  const days = from === to ? `Day ${from}` : `Days ${from} to ${to}`
  return `${days}: nothing to do${first ? ` until this has cured: ${first.what}` : ''}.`
}

export function order({ site }: Told): Content[] {
  const { plan } = buildFor(site)!
  if (!plan.length) return [NOTHING]
  const idle = idleDays(plan)
  return [...group(plan, ({ day }) => day)].flatMap(([day, tasks]): Content[] => [
    ...idle.filter(({ to }) => to === day - 1).map(each => small(idleWords(each))),
    subheading(day ? `Day ${day}` : 'Done'),
    table(
      [14, '*', 74],
      tasks.map(({ done, what, cautions, minutes }) => [
        done ? '☑' : '☐',
        [what, ...cautions.map(small)],
        done ? done.on : `${minutes[0]} to ${minutes[1]} min`,
      ]),
    ),
  ])
}

export const gate = ({ site }: Told): Content[] => [
  table(
    [34, '*', '*'],
    buildFor(site)!.gate.map(({ open, what }) => [open ? 'open' : 'shut', what, small(open ?? '')]),
    ['', 'before water comes', 'why it is open'],
  ),
]

const every = (months: number): string =>
  months === 1 ? 'every month' : months === 12 ? 'every year' : `every ${months} months`

/** Every chore that the parts bring, with why, when, and how one knows that it is done. */
export const chores = ({ site }: Pick<Told, 'site'>): Content[] => [
  table(
    ['*', 'auto', '*'],
    choresOf(site).map(({ what, why, comes, done, caution }) => [
      [{ text: what, bold: true }, small(why), ...(caution ? [small(caution)] : [])],
      comes.by === 'season'
        ? comes.days.map(({ month, day }) => `${day} ${MONTH_NAMES[month - 1]}`).join(', ')
        : every(comes.months),
      small(done),
    ]),
    ['chore, and why', 'when', 'done when'],
  ),
]
