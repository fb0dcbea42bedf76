import type { Content, TDocumentDefinitions } from 'pdfmake/interfaces'
import { figuresChapter, findings } from './found'
import { sums } from './sums'
import { firstPage } from './first'
import type { ReportFacts } from './reportFacts'
import { lines, power, treatment } from './water'
import { card, chores, cuts, gate, holes, order, parts } from './work'
import { paperOf } from '~/print/paper'

/** What a report may hold behind its first page, in its order. */
export const CHAPTERS = {
  findings: { name: 'What was found', content: findings },
  figures: { name: 'Figures', content: figuresChapter },
  sums: { name: 'Sums', content: sums },
  lines: { name: 'Lines and their pressures', content: lines },
  power: { name: 'Power', content: power },
  treatment: { name: 'Treatment', content: treatment },
  card: { name: 'The card for the wall', content: card },
  parts: { name: 'Parts and trips', content: parts },
  cuts: { name: 'Cuts', content: cuts },
  holes: { name: 'Holes', content: holes },
  order: { name: 'The order of work', content: order },
  gate: { name: 'The gate', content: gate },
  chores: { name: 'Chores', content: chores },
} satisfies Record<string, { name: string; content: (told: ReportFacts) => Content[] }>
export type ChapterId = keyof typeof CHAPTERS
export const CHAPTER_IDS = Object.keys(CHAPTERS) as ChapterId[]

/** The report as a document: page one, then the chapters that are wanted. */
export const reportOf = (told: ReportFacts, chapters: readonly ChapterId[]): TDocumentDefinitions =>
  paperOf(
    firstPage('Report', told),
    chapters.map(id => ({ name: CHAPTERS[id].name, content: CHAPTERS[id].content(told), ownPage: id === 'card' })),
  )
