import type { Content } from 'pdfmake/interfaces'

/**
 * Letters and signs that all faces of the text have; a test holds that to the faces. Whatever else is written, π, √ or
 * somebody's name in other letters, is set in a face that has nearly all there are.
 */
export const IN_TEXT = new RegExp(
  '[' +
    '\\u0020-\\u007e\\u00a0-\\u00ac\\u00ae-\\u00b4\\u00b6-\\u00ff\\u0131\\u0152\\u0153\\u02c6\\u02da\\u02dc' +
    '\\u2013\\u2014\\u2018-\\u201a\\u201c-\\u201e\\u2022\\u2026\\u2039\\u203a\\u2044\\u20ac\\u2122\\u2212\\n' +
    ']',
)
const SIGNS = 'Signs'

/** A text in stretches, each of one face. */
export function stretchesOf(text: string): { text: string; signs: boolean }[] {
  const stretches: { text: string; signs: boolean }[] = []
  for (const letter of text) {
    const signs = !IN_TEXT.test(letter)
    const last = stretches.at(-1)
    if (last?.signs === signs) last.text += letter
    else stretches.push({ text: letter, signs })
  }
  return stretches
}
const isPlain = (text: string): boolean => stretchesOf(text).every(({ signs }) => !signs)

/** A document's content as its maker can set it: signs that its text's face lacks in one that has them; drawings plain. */
export function settable(content: Content): Content {
  if (typeof content === 'string') return isPlain(content) ? content : { text: runs(content) }
  if (Array.isArray(content)) return content.map(settable)
  const whole = content as unknown as Record<string, unknown>
  const of = (key: string, value: unknown): unknown => {
    if (key === 'text')
      return typeof value === 'string' ? (isPlain(value) ? value : runs(value)) : settable(value as Content)
    if (key === 'svg') return plainSvg(value as string)
    if (key === 'stack' || key === 'columns' || key === 'ul') return settable(value as Content)
    if (key !== 'table') return value
    const table = value as { body: Content[][] }
    return { ...table, body: table.body.map(row => row.map(settable)) }
  }
  return Object.fromEntries(Object.entries(whole).map(([key, value]) => [key, of(key, value)])) as unknown as Content
}
const runs = (text: string) =>
  stretchesOf(text).map(({ text: of, signs }) => (signs ? { text: of, font: SIGNS, bold: false } : { text: of }))

const escaped = (text: string): string => text.replaceAll('&', '&amp;').replaceAll('<', '&lt;').replaceAll('>', '&gt;')

/**
 * A drawing as both makers of pictures understand it: a text's halo is a text of its own behind it, since one of them
 * paints strokes over what they surround; and signs are in a face that has them.
 */
export function plainSvg(svg: string): string {
  const drawing = new DOMParser().parseFromString(svg, 'image/svg+xml')
  for (const text of drawing.querySelectorAll('text')) {
    const words = text.textContent
    if (!isPlain(words))
      text.innerHTML = stretchesOf(words)
        .map(({ text: of, signs }) => (signs ? `<tspan font-family="${SIGNS}">${escaped(of)}</tspan>` : escaped(of)))
        .join('')
    const stroke = text.getAttribute('stroke')
    if (stroke && stroke !== 'none' && text.getAttribute('paint-order')?.startsWith('stroke')) {
      const halo = text.cloneNode(true) as Element
      halo.setAttribute('fill', 'none')
      text.before(halo)
    }
    if (text.getAttribute('paint-order')) text.setAttribute('stroke', 'none')
    text.removeAttribute('paint-order')
  }
  return new XMLSerializer().serializeToString(drawing)
}
