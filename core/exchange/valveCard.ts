import { runName, type Mode, type Site } from '../site'
import { handValves } from '../network'

const [LEFT, TOP, ROW, COLUMN, TAG_W, TAG_H] = [250, 96, 44, 118, 190, 70]
const escape = (text: string): string =>
  text.replaceAll('&', '&amp;').replaceAll('<', '&lt;').replaceAll('>', '&gt;').replaceAll('"', '&quot;')
const cut = (text: string, letters: number): string => (text.length > letters ? `${text.slice(0, letters - 1)}…` : text)
const words = (x: number, y: number, text: string, more = '') =>
  `<text x="${x}" y="${y}" ${more}>${escape(text)}</text>`

/** A name on two lines, where it is long. */
function twoLines(x: number, y: number, name: string, letters: number): string {
  if (name.length <= letters) return words(x, y, name)
  const at = name.lastIndexOf(' ', letters)
  const [one, two] = at > 0 ? [name.slice(0, at), name.slice(at + 1)] : [name.slice(0, letters), name.slice(letters)]
  return words(x, y - 14, one) + words(x, y, cut(two, letters))
}

/** A handle along the pipe for open, across it for shut, and the word below, for who sees no colour. */
function handle(x: number, y: number, open: boolean | undefined): string {
  const pipe = `<path d="M${x - 26} ${y} H${x + 26}" stroke="#b9ad95" stroke-width="3"/>`
  if (open === undefined) return pipe + words(x, y + 17, 'as it is', 'class="small"')
  const [dx, dy] = open ? [16, 0] : [0, 12]
  return (
    `${pipe}<path d="M${x - dx} ${y - dy} L${x + dx} ${y + dy}" stroke="#8a4f22" stroke-width="8" ` +
    `stroke-linecap="round"/>${words(x + 34, y + 4, open ? 'open' : 'shut', 'class="small"')}`
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
  const heads = modes.map((mode, at) => twoLines(LEFT + at * COLUMN + COLUMN / 2, TOP - 18, mode.name, 16)).join('')
  const rows = valves.map(({ run, valve }, at) => {
    const y = TOP + at * ROW + ROW / 2
    const marks = modes.map((mode, column) =>
      handle(LEFT + column * COLUMN + COLUMN / 2 - 14, y, mode.positions.find(({ part }) => part === valve.id)?.open),
    )
    return (
      `<path d="M20 ${y + ROW / 2} H${width - 20}" stroke="#d9d2c1"/>` +
      `<circle cx="36" cy="${y}" r="13" fill="none" stroke="#21302f"/>${words(36, y + 5, String(at + 1))}` +
      `<g class="name">${twoLines(60, y + 5, runName(site, run), 24)}</g>${marks.join('')}`
    )
  })
  const tags = valves.map(({ run }, at) => {
    const [x, y] = [20 + (at % perRow) * (TAG_W + 10), tagsTop + Math.floor(at / perRow) * (TAG_H + 10)]
    return (
      `<rect x="${x}" y="${y}" width="${TAG_W}" height="${TAG_H}" rx="8" fill="none" stroke="#53625e" ` +
      `stroke-dasharray="5 4"/><circle cx="${x + 16}" cy="${y + 16}" r="6" fill="none" stroke="#53625e"/>` +
      `<text x="${x + 40}" y="${y + 46}" class="number">${at + 1}</text>` +
      `<g class="name">${twoLines(x + 66, y + 42, runName(site, run), 16)}</g>`
    )
  })
  const style =
    'text{font:14px sans-serif;fill:#21302f;text-anchor:middle}.name text{text-anchor:start}' +
    '.title{font:700 22px serif;text-anchor:start}.small{font-size:11px;text-anchor:start}' +
    '.number{font:700 28px sans-serif}'
  return (
    `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${width} ${height}" width="${width}" height="${height}">` +
    `<style>${style}</style><rect width="100%" height="100%" fill="#fff"/>` +
    `${words(20, 38, `${cut(site.name, 40)}: which valves for what`, 'class="title"')}` +
    `<text x="20" y="58" style="text-anchor:start">A handle along its pipe is open, across it shut.</text>` +
    `${heads}${rows.join('')}` +
    `<text x="20" y="${tagsTop - 14}" style="text-anchor:start">Tags to cut out and hang on the handles</text>` +
    `${tags.join('')}</svg>`
  )
}
