import papaparse from 'papaparse'
import { refuse, whyNot, type Answer } from '../answers'
import { parseQuantity, type Kind, type System } from '../units'

/** What one of two columns holds: the words that name it, and its kind of quantity. */
export interface Column {
  words: string
  kind: Kind
}

const MOST_ROWS = 500
const UNIT = /[([]([^)\]]+)[)\]]/

/**
 * Reads a table of two columns as people type, paste or export it: `flow, head` of a pump, `minutes, depth` of a test.
 * A cell may have its unit; a heading may name the column's, as in “depth (ft)”. Lines are told by their number.
 */
export function readPairs(
  text: string,
  columns: readonly [Column, Column],
  system: System,
): Answer<{ pairs: [number, number][] }> {
  const { data } = papaparse.parse<string[]>(text.trim(), {
    skipEmptyLines: true,
    delimitersToGuess: [';', '\t', ',', '|'],
  })
  const rows = data.map(cells => cells.map(cell => cell.trim()).filter(cell => cell !== ''))
  const named = columns.map(({ words }) => words).join(' and ')
  if (!rows.length) return refuse(`There is nothing to read. Type a line each: ${named}, with a comma between.`)
  if (rows.length > MOST_ROWS) return refuse(`There are ${rows.length} lines; at most ${MOST_ROWS} are read.`)
  const isHeading = !/\d/.test(rows[0]!.map(cell => cell.replace(UNIT, '')).join(''))
  const units = columns.map((_, at) => (isHeading ? UNIT.exec(rows[0]![at] ?? '')?.[1] : undefined))
  const pairs: [number, number][] = []
  for (const [at, cells] of rows.entries()) {
    if (isHeading && at === 0) continue
    if (cells.length !== 2)
      return refuse(`Line ${at + 1} holds ${cells.length} figures and not two. Type ${named}, with a comma between.`)
    const read = columns.map(({ kind, words }, column) => {
      const cell = cells[column]!
      const bare = /^[\d.,+-]+$/.test(cell)
      const parsed = parseQuantity(bare && units[column] ? `${cell} ${units[column]}` : cell, kind, system)
      return parsed.ok ? parsed.value : refuse(`Line ${at + 1}, ${words}: ${whyNot(parsed)}`)
    })
    const problem = read.find(each => typeof each !== 'number')
    if (problem) return problem as ReturnType<typeof refuse>
    pairs.push(read as [number, number])
  }
  return pairs.length ? { ok: true, pairs } : refuse(`There is a heading and nothing below it. Type ${named}.`)
}
