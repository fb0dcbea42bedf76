import { runName, type Mode, type Site } from '../site'
import { handValves } from '../network'

const [LEFT, TOP, ROW, COLUMN, TAG_W, TAG_H] = [290, 104, 44, 128, 240, 74]
const LEFTMOST = { anchor: 'start' } as const
const escape = (text: string): string =>
  text.replaceAll('&', '&amp;').replaceAll('<', '&lt;').replaceAll('>', '&gt;').replaceAll('"', '&quot;')
const cut = (text: string, letters: number): string => (text.length > letters ? `${text.slice(0, letters - 1)}…` : text)
/** How a text is set: written at each, so that every maker of pictures understands it. */
interface Set {
  anchor?: 'start' | 'middle'
  px?: number
  bold?: boolean
}
const words = (x: number, y: number, text: string, { anchor = 'middle', px = 14, bold = false }: Set = {}) =>
  `<text x="${x}" y="${y}" font-family="sans-serif" font-size="${px}" fill="#21302f" text-anchor="${anchor}"` +
  `${bold ? ' font-weight="700"' : ''}>${escape(text)}</text>`

/** Letters of a text that fit a width: the widest faces take three fifths of their size each. */
const fits = (widthPx: number, px = 14): number => Math.floor(widthPx / (px * 0.58))

/** A name on two lines, where it is long: the second is cut only where even that is too short. */
function twoLines(x: number, y: number, name: string, widthPx: number, set: Set = {}): string {
  const letters = fits(widthPx, set.px)
  if (name.length <= letters) return words(x, y, name, set)
  const at = name.lastIndexOf(' ', letters)
  const [one, two] = at > 0 ? [name.slice(0, at), name.slice(at + 1)] : [name.slice(0, letters), name.slice(letters)]
  return words(x, y - 9, one, set) + words(x, y + 7, cut(two, letters), set)
}

/** A handle along the pipe for open, across it for shut, and the word below, for who sees no colour. */
function handle(x: number, y: number, open: boolean | undefined): string {
  const pipe = `<path d="M${x - 26} ${y} H${x + 26}" stroke="#b9ad95" stroke-width="3"/>`
  const set: Set = { anchor: 'start', px: 11 }
  if (open === undefined) return pipe + words(x + 32, y + 4, 'as it is', set)
  const [dx, dy] = open ? [16, 0] : [0, 12]
  return (
    `${pipe}<path d="M${x - dx} ${y - dy} L${x + dx} ${y + dy}" stroke="#8a4f22" stroke-width="8" ` +
    `stroke-linecap="round"/>${words(x + 32, y + 4, open ? 'open' : 'shut', set)}`
  )
}

/**
 * The card for the wall as an SVG of one page: modes across, hand valves down in the order in which one walks past them,
 * and a tag to cut out for each.
 */
export function valveCard(site: Site): string {
  const valves = handValves(site)
  const modes: Pick<Mode, 'name' | 'positions'>[] = site.modes.length
    ? site.modes
    : [{ name: 'as they stand', positions: valves.map(({ valve }) => ({ part: valve.id, open: valve.open })) }]
  const perRow = Math.max(2, Math.floor((LEFT + modes.length * COLUMN) / (TAG_W + 10)))
  const width = Math.max(LEFT + modes.length * COLUMN + 20, perRow * (TAG_W + 10) + 20)
  const tagsTop = TOP + valves.length * ROW + 70
  const height = tagsTop + Math.ceil(valves.length / perRow) * (TAG_H + 10) + 20
  const heads = modes
    .map((mode, at) => twoLines(LEFT + at * COLUMN + COLUMN / 2 - 4, TOP - 20, mode.name, COLUMN - 10))
    .join('')
  const rows = valves.map(({ run, valve }, at) => {
    const y = TOP + at * ROW + ROW / 2
    const marks = modes.map((mode, column) =>
      handle(LEFT + column * COLUMN + COLUMN / 2 - 24, y, mode.positions.find(({ part }) => part === valve.id)?.open),
    )
    return (
      `<path d="M20 ${y + ROW / 2} H${width - 20}" stroke="#d9d2c1"/>` +
      `<circle cx="36" cy="${y}" r="13" fill="none" stroke="#21302f"/>${words(36, y + 5, String(at + 1))}` +
      `${twoLines(60, y + 5, runName(site, run), LEFT - 66, LEFTMOST)}${marks.join('')}`
    )
  })
  const tags = valves.map(({ run }, at) => {
    const [x, y] = [20 + (at % perRow) * (TAG_W + 10), tagsTop + Math.floor(at / perRow) * (TAG_H + 10)]
    return (
      `<rect x="${x}" y="${y}" width="${TAG_W}" height="${TAG_H}" rx="8" fill="none" stroke="#53625e" ` +
      `stroke-dasharray="5 4"/><circle cx="${x + 16}" cy="${y + 16}" r="6" fill="none" stroke="#53625e"/>` +
      words(x + 42, y + 46, String(at + 1), { px: 28, bold: true }) +
      twoLines(x + 68, y + 42, runName(site, run), TAG_W - 74, { ...LEFTMOST, px: 12 })
    )
  })
  const title = fits(width - 40, 22) - ': which valves for what'.length
  return (
    `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${width} ${height}" width="${width}" height="${height}">` +
    `<rect width="${width}" height="${height}" fill="#fff"/>` +
    words(20, 38, `${cut(site.name, title)}: which valves for what`, { ...LEFTMOST, px: 22, bold: true }) +
    words(20, 60, 'A handle along its pipe is open, across it shut.', LEFTMOST) +
    `${heads}${rows.join('')}` +
    words(20, tagsTop - 14, 'Tags to cut out and hang on the handles', LEFTMOST) +
    `${tags.join('')}</svg>`
  )
}
