import type { Hole } from '../build'

/** A page, its margin, and the least room round a template, mm. */
const [PAGE_W, PAGE_H, MARGIN, GAP] = [210, 297, 12, 10]
const escape = (text: string): string =>
  text.replaceAll('&', '&amp;').replaceAll('<', '&lt;').replaceAll('>', '&gt;').replaceAll('"', '&quot;')

/**
 * Templates for a tank's holes at true size on one page, as an SVG in millimetres: a circle with its cross to each, and
 * a rule of ten centimetres to hold against. What is wider than the page, or no longer fits on it, is named at the foot.
 */
export function holeSheet(name: string, holes: readonly Hole[], words: (hole: Hole) => string): string {
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
        `stroke-width="0.2"/><text x="${cx}" y="${cy + r + 7}">${escape(words(hole))}</text>`,
    ]
  })
  const rule = Array.from({ length: 11 }, (_, at) => `M${MARGIN + at * 10} 18 v${at % 5 ? 2 : 4}`).join(' ')
  return (
    `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${PAGE_W} ${PAGE_H}" width="${PAGE_W}mm" height="${PAGE_H}mm">` +
    '<style>text{font:3.4px sans-serif;fill:#21302f;text-anchor:middle}.head{font:5px serif;text-anchor:start}</style>' +
    `<rect width="100%" height="100%" fill="#fff"/>` +
    `<text x="${MARGIN}" y="13" class="head">${escape(name)}: holes at true size. Print without scaling; the rule is 10 cm.</text>` +
    `<path d="M${MARGIN} 18 h100 ${rule}" stroke="#21302f" stroke-width="0.3" fill="none"/>${drawn.join('')}` +
    (left.length
      ? `<text x="${PAGE_W / 2}" y="${PAGE_H - 8}">Not on this page: ${escape(left.join('; '))}</text>`
      : '') +
    '</svg>'
  )
}
