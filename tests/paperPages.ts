import { createCanvas } from '@napi-rs/canvas'
import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs'

/** A piece of text as it stands on a page: where, how large, in which face; and how dark and how light its place is. */
export interface Word {
  text: string
  x: number
  y: number
  width: number
  height: number
  face: string
  /** Shares of its place that are dark, and light. */
  dark: number
  light: number
}
export interface PaperPage {
  width: number
  height: number
  words: Word[]
}

const SCALE = 2
const [DARK, LIGHT] = [140, 155]

/** A paper's pages, rendered: each with its words and the ink that lies where they stand. */
export async function pagesOf(pdf: Uint8Array): Promise<PaperPage[]> {
  const paper = await getDocument({ data: pdf, verbosity: 0 }).promise
  const pages: PaperPage[] = []
  for (let at = 1; at <= paper.numPages; at++) {
    const page = await paper.getPage(at)
    const viewport = page.getViewport({ scale: SCALE })
    const canvas = createCanvas(viewport.width, viewport.height)
    const context = canvas.getContext('2d')
    context.fillStyle = '#fff'
    context.fillRect(0, 0, viewport.width, viewport.height)
    await page.render({ canvas: canvas as never, canvasContext: context as never, viewport }).promise
    const { items } = await page.getTextContent()
    const words = items.flatMap((item): Word[] => {
      if (!('str' in item) || !item.str.trim()) return []
      const [, , , , x, base] = item.transform as number[]
      const height = Math.hypot(item.transform[2] as number, item.transform[3] as number)
      const place = {
        x: x!,
        y: viewport.height / SCALE - base! - 0.75 * height,
        width: item.width,
        height: 0.75 * height,
      }
      const { name } = page.commonObjs.has(item.fontName)
        ? (page.commonObjs.get(item.fontName) as { name: string })
        : { name: '' }
      return [{ text: item.str, ...place, face: name, ...inkAt(place) }]
    })
    pages.push({ width: viewport.width / SCALE, height: viewport.height / SCALE, words })

    function inkAt({ x, y, width, height }: Pick<Word, 'x' | 'y' | 'width' | 'height'>): Pick<Word, 'dark' | 'light'> {
      const [left, top] = [Math.max(0, Math.floor(x * SCALE)), Math.max(0, Math.floor(y * SCALE))]
      const [wide, high] = [Math.max(1, Math.ceil(width * SCALE)), Math.max(1, Math.ceil(height * SCALE))]
      if (left >= canvas.width || top >= canvas.height) return { dark: 0, light: 0 }
      const { data } = context.getImageData(left, top, wide, high)
      let [dark, light] = [0, 0]
      for (let pixel = 0; pixel < data.length; pixel += 4) {
        const luma = 0.3 * data[pixel]! + 0.59 * data[pixel + 1]! + 0.11 * data[pixel + 2]!
        if (luma < DARK) dark++
        else if (luma > LIGHT) light++
      }
      const all = data.length / 4
      return { dark: dark / all, light: light / all }
    }
  }
  await paper.destroy()
  return pages
}

/** A paper's first page as a picture. */
export async function firstPageOf(pdf: Uint8Array): Promise<Buffer> {
  const paper = await getDocument({ data: pdf, verbosity: 0 }).promise
  const page = await paper.getPage(1)
  const viewport = page.getViewport({ scale: 1.6 })
  const canvas = createCanvas(viewport.width, viewport.height)
  await page.render({ canvas: canvas as never, canvasContext: canvas.getContext('2d') as never, viewport }).promise
  const picture = canvas.toBuffer('image/png')
  await paper.destroy()
  return picture
}

const overlap = (a: Word, b: Word): number =>
  Math.max(0, Math.min(a.x + a.width, b.x + b.width) - Math.max(a.x, b.x)) *
  Math.max(0, Math.min(a.y + a.height, b.y + b.height) - Math.max(a.y, b.y))
const area = ({ width, height }: Word) => width * height

/** Words that lie over one another; a halo lies exactly behind its own word and is none. */
export function overlapping({ words }: PaperPage): string[] {
  return words.flatMap((a, at) =>
    words.slice(at + 1).flatMap(b => {
      const same = a.text === b.text && Math.abs(a.x - b.x) < 0.5 && Math.abs(a.y - b.y) < 0.5
      return !same && overlap(a, b) > 0.25 * Math.min(area(a), area(b)) ? [`“${a.text}” and “${b.text}”`] : []
    }),
  )
}

/** Words that reach past their page. */
export const outside = ({ words, width, height }: PaperPage): string[] =>
  words
    .filter(word => word.x < 4 || word.y < 4 || word.x + word.width > width - 4 || word.y + word.height > height - 4)
    .map(({ text }) => text)

/** Words of which no ink is seen, or that stand on a ground as dark as they are. */
export const unseen = ({ words }: PaperPage): string[] =>
  words
    .filter(({ text, dark, light }) => /[\p{L}\p{N}]/u.test(text) && (dark < 0.02 || light < 0.3))
    .map(({ text, dark, light }) => `${text} (${dark.toFixed(2)} dark, ${light.toFixed(2)} light)`)

/** The lowest line of a page's own text, above its foot. */
export function lastLine({ words, height }: PaperPage): Word[] {
  const body = words.filter(({ y }) => y > 40 && y < height - 50)
  const lowest = Math.max(...body.map(({ y, height: high }) => y + high))
  return body.filter(({ y, height: high }) => lowest - (y + high) < 3)
}
