/** What the core uses of papaparse; its own types speak of files and windows, which the core does not know. */
export function parse(text: string, options: { delimiter?: string, skipEmptyLines?: boolean, delimitersToGuess?: string[] }): { data: string[][], meta: { delimiter: string } }
declare const papaparse: { parse: typeof parse }
export default papaparse
