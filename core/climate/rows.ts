import papaparse from 'papaparse'

export interface TableRow {
  line: number
  cells: string[]
}

/** What a table begins with is looked at as a whole; the rest is read by and by. */
const HEAD_ROWS = 3500
/** Letters that are parsed at a time. */
const PIECE = 1 << 20

export interface Table {
  delimiter: string
  /** Its first rows, empty ones left out. */
  head: TableRow[]
  /** Every row, one after another; `progress` is told the share that is read. */
  each: (take: (row: TableRow) => void, progress?: (share: number) => void) => void
}

const isBlank = (cells: string[]) => !cells.some(cell => cell.trim())

/** What a text begins with, up to the end of a line. */
function headOf(text: string): string {
  if (text.length <= PIECE) return text
  const end = text.lastIndexOf('\n', PIECE)
  return text.slice(0, end > 0 ? end : PIECE)
}

/** A table's text as rows, whatever its separator; columns set apart by spaces alone are understood too. */
export function tableOf(text: string): Table {
  const plain = text.replace(/^\uFEFF/, '').replaceAll('\0', '')
  const begin = (of: string, delimiter?: string) =>
    papaparse.parse<string[]>(of, {
      delimiter,
      delimitersToGuess: [',', ';', '\t', '|'],
      preview: HEAD_ROWS,
    })
  const guessed = begin(headOf(plain))
  const spaced = guessed.data.slice(0, 200).every(row => row.length < 2)
  const whole = spaced ? plain.replace(/[ \t]+/g, '\t') : plain
  const first = spaced ? begin(headOf(whole), '\t') : guessed
  const { delimiter } = first.meta
  return {
    delimiter: spaced ? ' ' : delimiter,
    head: first.data
      .map((cells, index) => ({ line: index + 1, cells: cells.map(cell => cell.trim()) }))
      .filter(row => !isBlank(row.cells)),
    each(take, progress) {
      let [line, letters] = [0, 0]
      const pieces = {
        delimiter,
        chunkSize: PIECE,
        chunk({ data }: { data: string[][] }) {
          for (const cells of data) {
            line++
            if (!isBlank(cells)) take({ line, cells })
          }
          letters += PIECE
          progress?.(Math.min(1, letters / whole.length))
        },
      }
      papaparse.parse<string[]>(whole, pieces)
    },
  }
}
