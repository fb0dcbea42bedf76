export type Figure = { kind: 'number'; value: number } | { kind: 'trace' | 'missing' | 'unreadable' }

const MISSING = new Set([
  '',
  '-',
  '--',
  '.',
  'm',
  'na',
  'n/a',
  'nan',
  'null',
  'none',
  'missing',
  '*',
  '///',
  '\\n',
  '#n/a',
  'x',
])

const MOST_LETTERS = 60

/** One cell of a weather record: a number, a trace of rain, a missing-value flag, or nothing that can be read. */
export function readCell(cell: string): Figure {
  if (cell.length > MOST_LETTERS) return { kind: 'unreadable' }
  const text = cell
    .trim()
    .toLowerCase()
    .replace(/\u2212/g, '-')
  if (MISSING.has(text)) return { kind: 'missing' }
  if (/^(t|tr|trace|traces|<\s*\d*[.,]?\d+)$/.test(text)) return { kind: 'trace' }
  // A letter behind the figure is the station's mark of quality.
  const found = /^([+-]?(?:\d+[.,]?\d*|[.,]\d+)(?:e[+-]?\d+)?)\s*[a-z*]?$/.exec(text)
  if (!found) return { kind: 'unreadable' }
  if (/^-?9{3,}([.,]9*0*)?$|^-?9{2,}[.,]9+$/.test(found[1]!)) return { kind: 'missing' }
  const value = Number(found[1]!.replace(',', '.'))
  return Number.isFinite(value) ? { kind: 'number', value } : { kind: 'unreadable' }
}
