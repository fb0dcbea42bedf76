/** A row before another of a file: what a kind that nobody has takes there. */
export interface Row {
  file: string
  before: string
  row: string
}

/** A kind of part: its own row first, then what its readers ask for. */
export const STRAINER: readonly Row[] = [
  {
    file: 'core/kinds/parts.ts',
    before: '  valve: row({',
    row: `  strainer: row({
    name: 'strainer',
    fields: { boreMm: bore() },
    stays: true,
    wears: false,
    arrow: true,
    asks: [['boreMm', 'bore']],
    offered: [{ in: 'any line', of: boreMm => ({ boreMm }) }],
    does: 'meshes',
    passes: 'both ways',
    levels: true,
    k: 2,
    bore: 'boreMm',
  }),
`,
  },
  { file: 'core/section/symbols.ts', before: "  valve: 'handle',", row: "  strainer: 'mesh',\n" },
  {
    file: 'core/build/takeoff/lines.ts',
    before: '  valve: { threaded: false, buys',
    row: "  strainer: { threaded: false, buys: (site, run, of) => part('strainer', 'strainer', boughtFor(site, run, of), 8) },\n",
  },
  { file: 'core/keep/chores/parts.ts', before: '  valve: undefined,', row: '  strainer: undefined,\n' },
]

/** A kind of node. */
export const VENT: readonly Row[] = [
  {
    file: 'core/kinds/nodes.ts',
    before: '  chamber: row({',
    row: "  vent: row({ name: 'vent', fields: { boreMm: bore() }, water: 'leaves', ports: inOnly }),\n",
  },
  {
    file: 'core/section/symbols.ts',
    before: '  chamber: ({ baseM, heightM }) =>',
    row: '  vent: ({ baseM }) => [baseM - 0.2, baseM + 0.3],\n',
  },
  {
    file: 'core/network/steady/lines.ts',
    before: '    outfall: ({ baseM }) => draft.air(baseM),',
    row: '    vent: ({ baseM }) => draft.air(baseM),\n',
  },
  { file: 'core/build/takeoff/things.ts', before: '  outfall(site, list', row: '  vent() {},\n' },
]

/** A kind of reading. */
export const ACIDITY: readonly Row[] = [
  {
    file: 'core/kinds/readings.ts',
    before: "  chore: row({ name: 'done'",
    row: "  acidity: row({ name: 'acidity', kind: 'coefficient', of: 'tank', least: 0, most: 14 }),\n",
  },
]

/** A kind of device, which tells that reading. */
export const PROBE: readonly Row[] = [
  {
    file: 'core/kinds/devices.ts',
    before: "  forecast: row({ name: 'weather forecast'",
    row: "  probe: row({ name: 'acidity probe', tells: 'acidity', of: 'tank', everyMinutes: 60 }),\n",
  },
]

/** All that nobody has. */
export const MADE_UP: readonly Row[] = [...STRAINER, ...VENT, ...ACIDITY, ...PROBE]

/** A file with the rows that made-up kinds take in it. */
export function withRows(file: string, text: string, rows: readonly Row[]): string {
  return rows
    .filter(row => file.endsWith(row.file))
    .reduce((before, row) => {
      if (!before.includes(row.before)) throw new Error(`${row.file} has no “${row.before}” any more`)
      return before.replace(row.before, row.row + row.before)
    }, text)
}
