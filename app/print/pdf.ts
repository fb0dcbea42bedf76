import text from '@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-400-normal.woff?url'
import bold from '@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-700-normal.woff?url'
import slanted from '@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-400-italic.woff?url'
import heading from '@fontsource/bitter/files/bitter-latin-700-normal.woff?url'
import signs from 'dejavu-fonts-ttf/ttf/DejaVuSans.ttf?url'
import type { TDocumentDefinitions } from 'pdfmake/interfaces'
import { settable } from '~/print/signs'
import { paperSize } from '~/print/size'
import { INCH_MM, type System } from '#core/units'

/** The faces of the app, as a document that is printed has them; and one that has whatever these lack. */
const FACES = {
  'text.woff': text,
  'bold.woff': bold,
  'slanted.woff': slanted,
  'heading.woff': heading,
  'signs.ttf': signs,
}
const oneFace = (file: string) => ({ normal: file, bold: file, italics: file, bolditalics: file })
const FONTS = {
  Text: { normal: 'text.woff', bold: 'bold.woff', italics: 'slanted.woff', bolditalics: 'bold.woff' },
  Heading: oneFace('heading.woff'),
  Signs: oneFace('signs.ttf'),
}

async function base64Of(address: string): Promise<string> {
  const answer = await fetch(address)
  if (!answer.ok) throw new Error('a face of its letters did not come')
  const bytes = new Uint8Array(await answer.arrayBuffer())
  return btoa(bytes.reduce((letters, byte) => letters + String.fromCharCode(byte), ''))
}

/** What makes documents is large, and is loaded when the first one is asked for; one that did not come, the next time. */
let maker: Promise<typeof import('pdfmake/build/pdfmake')> | undefined
async function load() {
  const [{ default: pdfmake }, ...faces] = await Promise.all([
    import('pdfmake/build/pdfmake'),
    ...Object.entries(FACES).map(async ([name, address]) => [name, await base64Of(address)] as const),
  ])
  pdfmake.addVirtualFileSystem(Object.fromEntries(faces))
  pdfmake.addFonts(FONTS)
  return pdfmake
}
const loaded = () =>
  (maker ??= load().catch((error: unknown) => {
    maker = undefined
    throw error
  }))

/** A document as a PDF, made in the browser. */
export async function pdfOf(definition: TDocumentDefinitions): Promise<Blob> {
  const pdfmake = await loaded()
  const { content, header, footer, defaultStyle } = definition
  const whole: TDocumentDefinitions = {
    ...definition,
    content: settable(content),
    ...(typeof header === 'function' ? { header: (...at) => settable(header(...at) ?? '') } : {}),
    ...(typeof footer === 'function' ? { footer: (...at) => settable(footer(...at) ?? '') } : {}),
    defaultStyle: { font: 'Text', ...defaultStyle },
  }
  return pdfmake.createPdf(whole).getBlob()
}

/** One picture that fills a page. */
export const pictureAsPdf = (svg: string, landscape: boolean, system: System): Promise<Blob> =>
  pdfOf({
    pageSize: paperSize(system),
    pageOrientation: landscape ? 'landscape' : 'portrait',
    pageMargins: 30,
    content: [{ svg: svg, fit: landscape ? [730, 530] : [535, 730], font: 'Text' }],
  })

/** Pages that are drawn in millimetres, at their true size. */
const POINTS_A_MM = 72 / INCH_MM
const PAGE_WIDTH_MM = { A4: 210, LETTER: 215.9 }
export const pagesAsPdf = (svgs: readonly string[], system: System): Promise<Blob> =>
  pdfOf({
    pageSize: paperSize(system),
    pageMargins: 0,
    content: svgs.map((svg, at) => ({
      svg,
      width: PAGE_WIDTH_MM[paperSize(system)] * POINTS_A_MM,
      font: 'Text',
      ...(at ? { pageBreak: 'before' as const } : {}),
    })),
  })
