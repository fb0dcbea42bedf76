import type { Content, TDocumentDefinitions } from 'pdfmake/interfaces'
import { countWords } from './sold'
import { buildFor } from './told'
import { paperOf, small, table } from '~/print/paper'
import { group } from 'd3-array'
import { counted, phraseText } from '#core/words'
import type { Site } from '#core/site'
import { byTrip, cutWords, sizeOf, totalOf, TRIPS } from '#core/build'
import { valveCard } from '#core/exchange'
import type { Review } from '#core/review'
import { findSum, solveSum } from '#core/sums'

/** What a report may hold. */
export const CHAPTERS = {
  section: 'The Section',
  figures: 'Figures',
  findings: 'Findings left open',
  sums: 'Their sums',
  card: 'The card for the wall',
  parts: 'Parts and trips',
  cuts: 'Cuts',
  holes: 'Holes',
  order: 'The order of work',
  gate: 'The gate',
} as const
export type ChapterId = keyof typeof CHAPTERS
export const CHAPTER_IDS = Object.keys(CHAPTERS) as ChapterId[]

/** What a report is made from, besides the document. */
export interface Told {
  site: Site
  section: string | undefined
  figures: { name: string; value: string; note: string }[]
  review: Review | undefined
  show: (value: number, kind: import('#core/units').Kind) => string
  money: (amount: number) => string
}

const CHAPTER: Record<ChapterId, (told: Told) => Content[]> = {
  section: ({ section }) =>
    section ? [{ svg: section, fit: [515, 300], font: 'Text' }] : [small('It was not drawn.')],
  figures: ({ figures }) => [
    table(
      ['*', 'auto', '*'],
      figures.map(({ name, value, note }) => [name, { text: value, bold: true }, small(note)]),
    ),
  ],
  findings: ({ review, site }) => {
    const findings = review?.findings ?? []
    if (!findings.length) return ['Nothing was found that is wrong, or wants a second look.']
    return [
      table(
        ['auto', '*'],
        findings.map(({ severity, sentence, why }) => [
          severity === 'wrong' ? { text: 'wrong', bold: true, color: '#a83a2a' } : 'look again',
          [
            { text: phraseText(sentence, site.standards.units), bold: true },
            small(phraseText(why, site.standards.units)),
          ],
        ]),
      ),
    ]
  },
  sums: ({ review }) =>
    (review?.findings ?? []).flatMap(({ sum }): Content[] => {
      const known = sum && findSum(sum.name)
      const told = sum && solveSum(sum.name, sum.input)
      if (!told?.ok) return []
      const rows = told.working.map(({ symbol, expression, value, unit }): Content[] => [
        symbol,
        expression,
        `${Number(value.toPrecision(4))} ${unit}`,
      ])
      return [{ text: known!.purpose, bold: true }, table(['auto', '*', 'auto'], rows), small(told.source)]
    }),
  card: ({ site }) => [{ svg: valveCard(site), fit: [515, 640], font: 'Text' }],
  parts: ({ site, show, money }) =>
    byTrip(buildFor(site)!.items).flatMap(({ trip, items }): Content[] => [
      { text: `${TRIPS[trip]}, ${money(totalOf(items))}`, bold: true },
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
  cuts: ({ site }) =>
    buildFor(site)!.sheets.flatMap(({ bought, pieces, stocks }): Content[] => [
      { text: `${sizeOf(bought)}: ${counted(stocks.length, 'length')}`, bold: true },
      table(
        ['auto', '*', 'auto'],
        pieces.map(({ label, ends, cutM }) => [
          { text: label, bold: true },
          `${ends[0].words} – ${ends[1].words}`,
          cutWords(cutM, site.standards.units),
        ]),
      ),
    ]),
  holes: ({ site, show }) => [
    table(
      ['*', 'auto', 'auto', 'auto'],
      buildFor(site)!.holes.map(hole => [
        `${site.nodes.find(({ id }) => id === hole.tankId)?.name}: ${hole.words}`,
        `${show(hole.heightM, 'length')} up`,
        `faces ${Math.round(hole.bearingDeg)}°`,
        `saw ${show(hole.sawMm, 'bore')}, ${hole.from}`,
      ]),
    ),
  ],
  order: ({ site }) =>
    [...group(buildFor(site)!.plan, ({ day }) => day)].flatMap(([day, tasks]): Content[] => [
      { text: day ? `Day ${day}` : 'Done', bold: true },
      table(
        [14, '*', 'auto'],
        tasks.map(({ done, what, cautions, minutes }) => [
          done ? '☑' : '☐',
          [what, ...cautions.map(small)],
          done ? done.on : `${minutes[0]} to ${minutes[1]} min`,
        ]),
      ),
    ]),
  gate: ({ site }) => [
    table(
      ['auto', '*', '*'],
      buildFor(site)!.gate.map(({ open, what }) => [open ? 'open' : 'shut', what, small(open ?? '')]),
    ),
  ],
}

/** The report as a document: its head, the chapters that are wanted, and the cautions. */
export const reportOf = (told: Told, chapters: readonly ChapterId[], caution: string): TDocumentDefinitions =>
  paperOf(
    told.site,
    told,
    chapters.map(id => ({ name: CHAPTERS[id], content: CHAPTER[id](told) })),
    caution,
  )
