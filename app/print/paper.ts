import type { Content, TDocumentDefinitions } from 'pdfmake/interfaces'
import { paperSize } from '~/print/size'
import type { Site } from '#core/site'

/** How every document that leaves looks: page one, its chapters, its tables, its foot. */
const [INK, SOFT, HAIR] = ['#21302f', '#53625e', '#b9ad95']

type Cell = Content
/** Rows beneath each other, none parted by a page's end; with a head, that stands again on every page. */
export const table = (widths: (number | string)[], rows: Cell[][], head?: string[]): Content => ({
  table: {
    widths,
    body: [...(head ? [head.map(small)] : []), ...(rows.length ? rows : [widths.map(() => '')])],
    headerRows: head ? 1 : 0,
    ...(head ? { keepWithHeaderRows: 1 } : {}),
    dontBreakRows: true,
  },
  layout: {
    hLineWidth: (line: number, { table: { body, heads = 0 } }: Tabled) =>
      line <= heads || line === body.length ? 0 : 0.5,
    vLineWidth: () => 0,
    hLineColor: () => HAIR,
    paddingLeft: (column: number) => (column ? 5 : 0),
    paddingTop: () => 3,
    paddingBottom: () => 3,
  } as never,
  fontSize: 9.5,
  margin: [0, 2, 0, 8],
})
export const small = (text: string): Content => ({ text, fontSize: 9, color: SOFT })
/** A heading within a chapter; it never stands alone at a page's foot. */
export const subheading = (text: string): Content => ({
  text,
  bold: true,
  margin: [0, 5, 0, 1],
  headlineLevel: 2,
})
const heading = (text: string): Content => ({
  text,
  font: 'Heading',
  fontSize: 14,
  margin: [0, 14, 0, 4],
  headlineLevel: 1,
})
export const drawing = (svg: string, fit: [number, number]): Content => ({ svg, fit, font: 'Text' })

/** What a document is, for whoever finds it: told at its head and on every page. */
export interface Paper {
  site: Site
  kind: string
  /** The day it was made on, in words, and which state of the plan it tells of. */
  on: string
  plan: string
  /** The site cut through; nothing where there is nothing to draw. */
  section: string | undefined
  /** What stands on page one: where it is, headline figures, cautions, what is taken for granted, what nobody measured. */
  place: string
  figures: { name: string; value: string; note: string }[]
  cautions: string[]
  assumed: string[]
  unmeasured: string[]
}

const list = (title: string, lines: readonly string[]): Content[] =>
  lines.length ? [subheading(title), { ul: [...lines], fontSize: 9, margin: [0, 0, 0, 1] }] : []

/** Headline figures side by side. */
const headlines = (figures: Paper['figures']): Content => ({
  columns: figures.map(({ name, value, note }) => ({
    stack: [small(name), { text: value, font: 'Heading', fontSize: 15 }, small(note)],
  })),
  columnGap: 14,
  margin: [0, 8, 0, 6],
})

/** Where somebody puts their name to it: three lines to write on. */
const signature = (kind: string): Content => ({
  table: {
    widths: ['*', '*', '*'],
    body: [[`${kind} made by`, 'date', 'signature'].map((text): Cell => ({ text, fontSize: 9, color: SOFT }))],
  },
  layout: {
    hLineWidth: (line: number) => (line === 0 ? 0.8 : 0),
    vLineWidth: () => 0,
    hLineColor: () => INK,
  } as never,
  margin: [0, 26, 0, 0],
  unbreakable: true,
})

interface Tabled {
  table: { body: Cell[][]; widths: unknown[]; headerRows?: number; keepWithHeaderRows?: number; heads?: number }
}
const isTable = (content: object): content is Tabled => 'table' in content
const isHead = (content: Content): content is Exclude<Content, string | Content[]> =>
  typeof content === 'object' && 'headlineLevel' in content

/**
 * Content in which no heading stands alone at a page's foot: those before a table are its first rows, which it keeps
 * with the next one and says again where it goes on; those before anything else are kept with that.
 */
function headed(content: readonly Content[]): Content[] {
  const done: Content[] = []
  let heads: Content[] = []
  for (const each of content) {
    if (isHead(each)) {
      heads.push(each)
      continue
    }
    if (!heads.length) done.push(each)
    else if (typeof each === 'object' && isTable(each)) {
      const { table: of } = each
      const blank = of.widths.slice(1).map(() => '')
      const rows = heads.map((head): Cell[] => [Object.assign({ colSpan: of.widths.length }, head), ...blank])
      const headerRows = rows.length + (of.headerRows ?? 0)
      const kept = { ...of, body: [...rows, ...of.body], headerRows, keepWithHeaderRows: 1, heads: rows.length }
      done.push({ ...(each as object), table: kept } as Content)
    } else done.push({ stack: [...heads, each], unbreakable: true })
    heads = []
  }
  return [...done, ...heads]
}

/** A chapter; one that is a drawing of a page's size begins on a page of its own. */
export interface Chapter {
  name: string
  content: Content[]
  ownPage?: boolean
}

/** What every document that leaves says of itself, at its head and on every page. */
type Marked = Pick<Paper, 'site' | 'kind' | 'on' | 'plan'>

/** How each page looks, and what stands at its head and foot. */
const pages = ({ site, kind, on, plan }: Marked, content: Content[]): TDocumentDefinitions => ({
  info: { title: `${site.name}: ${kind}`, subject: plan, creator: 'Tall Cask' },
  pageSize: paperSize(site.standards.units),
  pageMargins: [40, 52, 40, 48],
  defaultStyle: { fontSize: 10.5, color: INK, lineHeight: 1.15 },
  header: page =>
    page === 1 ? '' : { text: `${site.name}: ${kind}`, fontSize: 8.5, color: SOFT, margin: [40, 24, 40, 0] },
  footer: (page, pages) => ({
    columns: [
      { text: `${on} · ${plan}` },
      { text: `${page} of ${pages}`, alignment: 'center' },
      { text: 'Made with Tall Cask', alignment: 'right' },
    ],
    fontSize: 8.5,
    color: SOFT,
    margin: [40, 14, 40, 0],
  }),
  content,
})
const title = ({ site, kind }: Marked): Content => ({ text: `${site.name}: ${kind}`, font: 'Heading', fontSize: 22 })

/** A list to take along: what it says of itself, and at once what is on it. */
export const listPaper = (marked: Marked, content: readonly Content[]): TDocumentDefinitions =>
  pages(marked, [
    title(marked),
    { ...(small(`${marked.on} · ${marked.plan}`) as object), margin: [0, 0, 0, 8] } as Content,
    ...headed(content),
  ])

/** A site's document: page one, then some chapters. */
export function paperOf(paper: Paper, chapters: readonly Chapter[]): TDocumentDefinitions {
  const { site, kind, on, plan, section, place } = paper
  return pages(paper, [
    title(paper),
    small(`${on} · ${plan} · ${place}`),
    ...(site.note ? [{ text: site.note, margin: [0, 4, 0, 0] } as Content] : []),
    ...(section
      ? [
          {
            ...(drawing(section, [515, paperSize(site.standards.units) === 'A4' ? 300 : 225]) as object),
            margin: [0, 8, 0, 0],
          } as Content,
        ]
      : []),
    headlines(paper.figures),
    ...list('Cautions', paper.cautions),
    ...list('Taken for granted', paper.assumed),
    ...list('Measured by nobody yet', paper.unmeasured),
    signature(kind === 'Report' ? 'Plan' : kind),
    ...chapters.flatMap(({ name, content: of, ownPage }, at): Content[] => {
      const [first, ...others] = headed([heading(name), ...of])
      return at && !ownPage ? [first!, ...others] : [{ stack: [first!], pageBreak: 'before' }, ...others]
    }),
  ])
}
