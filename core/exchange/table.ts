import papaparse from 'papaparse'

/** Texts that a spreadsheet would work out, and those that already stand behind an apostrophe before such. */
const WORKED_OUT = /^'*[=+\-@\t\r]/

/**
 * Rows as a table that any spreadsheet opens (CSV). A text that it would take for a formula stands behind an apostrophe,
 * by which it is taken as text; `cellText` reads it back as it was. Figures are written as they are.
 */
export const writeTable = (rows: readonly Record<string, string | number>[]): string =>
  papaparse.unparse([...rows], { escapeFormulae: WORKED_OUT })

/** What a cell of a table holds: without the space around it, and without the apostrophe that made it text. */
export function cellText(cell: string | undefined): string {
  const text = cell?.trim() ?? ''
  return text.startsWith("'") && WORKED_OUT.test(text) ? text.slice(1) : text
}
