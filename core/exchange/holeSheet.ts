import type { Hole } from '../build'
import type { System } from '../units'

/** The page that lies in the printer, its margin, and the least room round a template, mm. */
const PAGE = { width: 210, height: 297 }
const LETTER = { width: 215.9, height: 279.4 }
const [MARGIN, GAP, INCH] = [12, 10, 25.4]
/** A rule to hold against, in the units that are spoken: its marks, mm apart, how many, and which are longer. */
const RULES = {
  metric: { stepMm: 10, marks: 10, longer: 5, words: '10 cm' },
  us: { stepMm: INCH / 4, marks: 16, longer: 4, words: '4 in' },
  imperial: { stepMm: INCH / 4, marks: 16, longer: 4, words: '4 in' },
} satisfies Record<System, { stepMm: number; marks: number; longer: number; words: string }>
const escape = (text: string): string =>
  text.replaceAll('&', '&amp;').replaceAll('<', '&lt;').replaceAll('>', '&gt;').replaceAll('"', '&quot;')

/**
 * Templates for a tank's holes at true size on one page, as an SVG in millimetres: a circle with its cross to each, and
 * a rule to hold against. What is wider than the page, or no longer fits on it, is named at the foot.
 */
export function holeSheet(name: string, holes: readonly Hole[], words: (hole: Hole) => string, system: System): string {
  const { width: PAGE_W, height: PAGE_H } = system === 'us' ? LETTER : PAGE
  const text = (x: number, y: number, said: string, anchor: 'start' | 'middle' = 'middle', size = 3.4) =>
    `<text x="${x}" y="${y}" font-family="sans-serif" font-size="${size}" fill="#21302f" text-anchor="${anchor}">` +
    `${escape(said)}</text>`
  let [x, y, rowMm] = [MARGIN, MARGIN + 22, 0]
  const left: string[] = []
  const drawn = holes.flatMap(hole => {
    const widthMm = Math.max(hole.sawMm, 52) + GAP
    const heightMm = hole.sawMm + 16
    if (x + widthMm > PAGE_W - MARGIN) [x, y, rowMm] = [MARGIN, y + rowMm + 4, 0]
    if (x + widthMm > PAGE_W - MARGIN || y + heightMm > PAGE_H - MARGIN - 8) {
      left.push(words(hole))
      return []
    }
    const [cx, cy] = [x + widthMm / 2, y + hole.sawMm / 2]
    x += widthMm
    rowMm = Math.max(rowMm, heightMm)
    const r = hole.sawMm / 2
    return [
      `<circle cx="${cx}" cy="${cy}" r="${r}" fill="none" stroke="#21302f" stroke-width="0.35"/>` +
        `<path d="M${cx - r - 3} ${cy} H${cx + r + 3} M${cx} ${cy - r - 3} V${cy + r + 3}" stroke="#8a4f22" ` +
        `stroke-width="0.2"/>${text(cx, cy + r + 7, words(hole))}`,
    ]
  })
  const { stepMm, marks, longer, words: length } = RULES[system]
  const ticks = Array.from({ length: marks + 1 }, (_, at) => `M${MARGIN + at * stepMm} 18 v${at % longer ? 2 : 4}`)
  const head = `${name}: holes at true size. Print without scaling; the rule is ${length}.`
  return (
    `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${PAGE_W} ${PAGE_H}" width="${PAGE_W}mm" height="${PAGE_H}mm">` +
    `<rect width="${PAGE_W}" height="${PAGE_H}" fill="#fff"/>${text(MARGIN, 13, head, 'start', 4.6)}` +
    `<path d="M${MARGIN} 18 h${marks * stepMm} ${ticks.join(' ')}" stroke="#21302f" stroke-width="0.3" fill="none"/>` +
    drawn.join('') +
    (left.length ? text(PAGE_W / 2, PAGE_H - 8, `Not on this page: ${left.join('; ')}`) : '') +
    '</svg>'
  )
}
