import text from '@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-400-normal.woff?url'
import bold from '@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-700-normal.woff?url'
import slanted from '@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-400-italic.woff?url'
import heading from '@fontsource/bitter/files/bitter-latin-700-normal.woff?url'
import type { TDocumentDefinitions } from 'pdfmake/interfaces'

/** The faces of the app, as a document that is printed has them. */
const FACES = { 'text.woff': text, 'bold.woff': bold, 'slanted.woff': slanted, 'heading.woff': heading }
const FONTS = {
  Text: { normal: 'text.woff', bold: 'bold.woff', italics: 'slanted.woff', bolditalics: 'bold.woff' },
  Heading: { normal: 'heading.woff', bold: 'heading.woff', italics: 'heading.woff', bolditalics: 'heading.woff' },
}

async function base64Of(address: string): Promise<string> {
  const bytes = new Uint8Array(await (await fetch(address)).arrayBuffer())
  return btoa(bytes.reduce((letters, byte) => letters + String.fromCharCode(byte), ''))
}

/** What makes documents is large, and is loaded when the first one is asked for. */
let maker: Promise<typeof import('pdfmake/build/pdfmake')> | undefined
async function loaded() {
  const [{ default: pdfmake }, ...faces] = await Promise.all([
    import('pdfmake/build/pdfmake'),
    ...Object.entries(FACES).map(async ([name, address]) => [name, await base64Of(address)] as const),
  ])
  pdfmake.addVirtualFileSystem(Object.fromEntries(faces))
  pdfmake.addFonts(FONTS)
  return pdfmake
}

/** A document as a PDF, made in the browser. */
export async function pdfOf(definition: TDocumentDefinitions): Promise<Blob> {
  maker ??= loaded()
  const pdfmake = await maker
  return pdfmake.createPdf({ ...definition, defaultStyle: { font: 'Text', ...definition.defaultStyle } }).getBlob()
}

/** One picture that fills a page. */
export const pictureAsPdf = (svg: string, landscape: boolean): Promise<Blob> =>
  pdfOf({
    pageSize: 'A4',
    pageOrientation: landscape ? 'landscape' : 'portrait',
    pageMargins: 30,
    content: [{ svg, fit: landscape ? [780, 530] : [535, 780], font: 'Text' }],
  })

/** A page that is drawn in millimetres, at its true size. */
export const pageAsPdf = (svg: string): Promise<Blob> =>
  pdfOf({ pageSize: 'A4', pageMargins: 0, content: [{ svg, width: 595.28, font: 'Text' }] })
