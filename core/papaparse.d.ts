/** What the core uses of papaparse; its own types speak of files and windows, which the core does not know. */
interface Options<Row> {
  delimiter?: string
  skipEmptyLines?: boolean | 'greedy'
  header?: boolean
  transformHeader?: (heading: string) => string
  delimitersToGuess?: string[]
  preview?: number
  chunkSize?: number
  chunk?: (results: { data: Row[] }) => void
}
export function parse<Row>(
  text: string,
  options: Options<Row>,
): { data: Row[]; meta: { delimiter: string; fields?: string[] } }
export function unparse(rows: Record<string, string | number>[], options?: { escapeFormulae: RegExp }): string
declare const papaparse: { parse: typeof parse; unparse: typeof unparse }
export default papaparse
