import type { Hole } from '../build'
import { INCH_MM, type System } from '../units'

/** The page that lies in the printer, its margin, and the least room round a template, mm. */
const PAGE = { width: 210, height: 297 }
const LETTER = { width: 215.9, height: 279.4 }
const [MARGIN, TOP, GAP] = [12, 34, 10]
/** A rule to hold against, in the units that are spoken: its marks, mm apart, how many, and which are longer. */
const RULES = {
  metric: { stepMm: 10, marks: 10, longer: 5, words: '10 cm' },
  us: { stepMm: INCH_MM / 4, marks: 16, longer: 4, words: '4 in' },
  imperial: { stepMm: INCH_MM / 4, marks: 16, longer: 4, words: '4 in' },
} satisfies Record<System, { stepMm: number; marks: number; longer: number; words: string }>
const escape = (text: string): string =>
  text.replaceAll('&', '&amp;').replaceAll('<', '&lt;').replaceAll('>', '&gt;').replaceAll('"', '&quot;')

/** A hole where it stands on a page, mm. */
interface Placed {
  hole: Hole
  cx: number
  cy: number
}
/** Holes laid out in rows, a new page begun where one is full; what is wider than a page is left over. */
function placed(holes: readonly Hole[], page: typeof PAGE): { pages: Placed[][]; left: Hole[] } {
  const [right, foot] = [page.width - MARGIN, page.height - MARGIN - 8]
  const [pages, left]: [Placed[][], Hole[]] = [[[]], []]
  let [x, y, rowMm] = [MARGIN, TOP, 0]
  for (const hole of holes) {
    const widthMm = Math.max(hole.sawMm, 52) + GAP
    const heightMm = hole.sawMm + 16
    if (MARGIN + widthMm > right || TOP + heightMm > foot) {
      left.push(hole)
      continue
    }
    if (x + widthMm > right) [x, y, rowMm] = [MARGIN, y + rowMm + 4, 0]
    if (y + heightMm > foot) {
      pages.push([])
      ;[x, y, rowMm] = [MARGIN, TOP, 0]
    }
    pages.at(-1)!.push({ hole, cx: x + widthMm / 2, cy: y + hole.sawMm / 2 })
    x += widthMm
    rowMm = Math.max(rowMm, heightMm)
  }
  return { pages, left }
}

/**
 * Templates for a tank's holes at true size, each page an SVG in millimetres: a circle with its cross to each, and a
 * rule to hold against. What is wider than a page is named at the foot of the last.
 */
export function holeSheets(
  name: string,
  holes: readonly Hole[],
  words: (hole: Hole) => string,
  system: System,
): string[] {
  const page = system === 'us' ? LETTER : PAGE
  const { width, height } = page
  const text = (x: number, y: number, said: string, anchor: 'start' | 'middle' = 'middle', size = 3.4) =>
    `<text x="${x}" y="${y}" font-family="sans-serif" font-size="${size}" fill="#21302f" text-anchor="${anchor}">` +
    `${escape(said)}</text>`
  const circle = ({ hole, cx, cy }: Placed) => {
    const r = hole.sawMm / 2
    return (
      `<circle cx="${cx}" cy="${cy}" r="${r}" fill="none" stroke="#21302f" stroke-width="0.35"/>` +
      `<path d="M${cx - r - 3} ${cy} H${cx + r + 3} M${cx} ${cy - r - 3} V${cy + r + 3}" stroke="#8a4f22" ` +
      `stroke-width="0.2"/>${text(cx, cy + r + 7, words(hole))}`
    )
  }
  const { stepMm, marks, longer, words: length } = RULES[system]
  const ticks = Array.from({ length: marks + 1 }, (_, at) => `M${MARGIN + at * stepMm} 18 v${at % longer ? 2 : 4}`)
  const { pages, left } = placed(holes, page)
  return pages.map((on, at) => {
    const which = pages.length > 1 ? ` (${at + 1} of ${pages.length})` : ''
    const head = `${name}: holes at true size${which}. Print without scaling; the rule is ${length}.`
    const over = at === pages.length - 1 && left.length ? `Wider than this page: ${left.map(words).join('; ')}` : ''
    return (
      `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${width} ${height}" width="${width}mm" height="${height}mm">` +
      `<rect width="${width}" height="${height}" fill="#fff"/>${text(MARGIN, 13, head, 'start', 4.6)}` +
      `<path d="M${MARGIN} 18 h${marks * stepMm} ${ticks.join(' ')}" stroke="#21302f" stroke-width="0.3" fill="none"/>` +
      on.map(circle).join('') +
      (over ? text(width / 2, height - 8, over) : '') +
      '</svg>'
    )
  })
}
