import type { Content } from 'pdfmake/interfaces'
import { group } from 'd3-array'
import { laidOut, type Laid } from '../laid'
import { countWords } from '../sold'
import { buildFor } from '../describe'
import { drawing, small, subheading, table } from '~/print/paper'
import { byTrip, cutWords, idleDays, sizeOf, totalOf, TRIPS, type Idle } from '#core/build'
import { valveCard } from '#core/exchange'
import { choresOf } from '#core/keep'
import { MONTH_NAMES } from '#core/units'
import { counted, phraseText } from '#core/words'
import type { ReportFacts } from './reportFacts'

const NOTHING: Content = small('Nothing is to be built yet.')

export const card = ({ site }: ReportFacts): Content[] => [drawing(valveCard(site), [515, 610])]

export const parts = ({ site, show, money }: Pick<ReportFacts, 'site' | 'show' | 'money'>): Content[] => {
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

/** A length of pipe as it is cut, drawn along: what lies where, and what is left. */
const BAR: [widthPt: number, heightPt: number] = [515, 20]
function bar({ stockM, pieces, wasteM }: Laid, cut: (metres: number) => string): string {
  const [width, height] = BAR
  const perM = width / stockM
  let at = 0
  const escaped = (text: string) => text.replaceAll('&', '&amp;').replaceAll('<', '&lt;')
  const part = (lengthM: number, words: string, fill: string) => {
    const [x, wide] = [at, lengthM * perM]
    at += wide
    // A name that would not fit stands in the table alone.
    const fits = words.length * 4.6 < wide - 4
    return (
      `<rect x="${x}" y="1" width="${wide}" height="${height - 2}" fill="${fill}" stroke="#21302f" stroke-width="0.6"/>` +
      (fits ? `<text x="${x + wide / 2}" y="13" font-size="8" text-anchor="middle">${escaped(words)}</text>` : '')
    )
  }
  const drawn = pieces.map(({ label, cutM }) => part(cutM, `${label} ${cut(cutM)}`, '#cfe0e4'))
  const left = wasteM > 0 ? part(wasteM, `${cut(wasteM)} left`, '#ffffff') : ''
  return `<svg viewBox="0 0 ${width} ${height}" width="${width}" height="${height}">${drawn.join('')}${left}</svg>`
}

export const cuts = ({ site }: Pick<ReportFacts, 'site'>): Content[] => {
  const { units } = site.standards
  const cut = (metres: number) => cutWords(metres, units)
  const { sheets } = buildFor(site)!
  if (!sheets.length) return [small('No line has a pipe yet.')]
  return sheets.flatMap((sheet): Content[] => [
    subheading(`${sizeOf(sheet.bought)}: ${counted(sheet.stocks.length, 'length')}`),
    table(
      ['*'],
      laidOut(sheet).map(laid => [
        [small(`${cut(laid.stockM)}${laid.own ? ' of your own' : ''}`), drawing(bar(laid, cut), BAR)],
      ]),
    ),
    table(
      [14, 'auto', '*', 'auto', 60],
      sheet.pieces.map(({ label, ends, cutM }) => [
        '☐',
        { text: label, bold: true },
        `${ends[0].words} – ${ends[1].words}`,
        { text: cut(cutM), noWrap: true },
        '',
      ]),
      ['', 'piece', 'from – to', 'cut', 'measured'],
    ),
  ])
}

export const holes = ({ site, show }: Pick<ReportFacts, 'site' | 'show'>): Content[] => [
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

export function order({ site }: Pick<ReportFacts, 'site'>, plan = buildFor(site)!.plan): Content[] {
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

export const gate = ({ site }: ReportFacts): Content[] => [
  table(
    [34, '*', '*'],
    buildFor(site)!.gate.map(({ open, what }) => [open ? 'open' : 'shut', what, small(open ?? '')]),
    ['', 'before water comes', 'why it is open'],
  ),
]

const every = (months: number): string =>
  months === 1 ? 'every month' : months === 12 ? 'every year' : `every ${months} months`

/** Every chore that the parts bring, with why, when, and how one knows that it is done. */
export const chores = ({ site }: Pick<ReportFacts, 'site'>): Content[] => [
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
