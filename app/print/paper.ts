import type { Content, TDocumentDefinitions } from 'pdfmake/interfaces'
import { weatherMonths, type Site } from '#core/site'

/** How every document that leaves looks: its head, its chapters, its tables, its foot. */
const INK = '#21302f'
export const table = (widths: (number | string)[], rows: Content[][]): Content => ({
  table: { widths, body: rows.length ? rows : [widths.map(() => '')] },
  layout: 'lightHorizontalLines',
  fontSize: 9.5,
  margin: [0, 2, 0, 8],
})
export const small = (text: string): Content => ({ text, fontSize: 9, color: '#53625e' })

/** Marks that the text's face has none of, drawn with letters that it has. */
const plain = (content: Content): Content =>
  JSON.parse(JSON.stringify(content).replaceAll('☐', '[ ]').replaceAll('☑', '[x]').replaceAll('→', '–')) as Content

/** A site's document of some chapters, with the cautions at its end. */
export function paperOf(
  site: Site,
  told: { kind?: string; show: (value: number, kind: import('#core/units').Kind) => string },
  chapters: readonly { name: string; content: Content[] }[],
  caution: string,
): TDocumentDefinitions {
  const rainMm = weatherMonths(site).reduce((sum, month) => sum + month.rainMm, 0)
  return {
    info: { title: site.name },
    pageSize: 'A4',
    pageMargins: [40, 44, 40, 48],
    defaultStyle: { fontSize: 10.5, color: INK, lineHeight: 1.15 },
    footer: (page, pages) => ({
      text: `${site.name} · ${page} of ${pages}`,
      alignment: 'center',
      fontSize: 8.5,
      margin: [0, 12, 0, 0],
    }),
    content: [
      { text: told.kind ? `${site.name}: ${told.kind}` : site.name, font: 'Heading', fontSize: 22 },
      small(`${site.climate.source}; ${told.show(rainMm, 'rain')} of rain in a mean year. Made with Tall Cask.`),
      ...(site.note ? [{ text: site.note, margin: [0, 6, 0, 0] as [number, number, number, number] }] : []),
      ...chapters.flatMap(({ name, content }): Content[] => [
        { text: name, font: 'Heading', fontSize: 14, margin: [0, 14, 0, 4] },
        ...content.map(plain),
      ]),
      { text: 'Cautions', font: 'Heading', fontSize: 14, margin: [0, 14, 0, 4] },
      caution,
      'A full tote weighs as much as a small car, a big tank as much as several. Nobody climbs into a tank alone, nor ' +
        'without air. Water that is not treated for drinking is labelled so at every tap. What parts own water from a ' +
        'public main is for the water company and the local code to say.',
    ],
  }
}
