/** What the core uses of papaparse; its own types speak of files and windows, which the core does not know. */
export function parse<Row>(
  text: string,
  options: { delimiter?: string; skipEmptyLines?: boolean; delimitersToGuess?: string[] },
): { data: Row[]; meta: { delimiter: string } }
export function unparse(rows: Record<string, string | number>[]): string
declare const papaparse: { parse: typeof parse; unparse: typeof unparse }
export default papaparse
