import papaparse from 'papaparse'

export interface Row {
  line: number
  cells: string[]
}

/** Splits a table's text into rows, whatever its separator; columns set apart by spaces alone are understood too. */
export function splitRows(text: string): { rows: Row[]; delimiter: string } {
  const plain = text.replace(/^\uFEFF/, '').replaceAll('\0', '')
  const guessed = papaparse.parse<string[]>(plain, { delimitersToGuess: [',', ';', '\t', '|'] })
  const cellCount = (data: string[][]) => data.slice(0, 200).reduce((most, row) => Math.max(most, row.length), 0)
  const spaced = cellCount(guessed.data) < 2
  const parsed = spaced ? papaparse.parse<string[]>(plain.replace(/[ \t]+/g, '\t'), { delimiter: '\t' }) : guessed
  return {
    delimiter: spaced ? ' ' : parsed.meta.delimiter,
    rows: parsed.data
      .map((cells, index) => ({ line: index + 1, cells: cells.map(cell => cell.trim()) }))
      .filter(row => row.cells.some(Boolean)),
  }
}
