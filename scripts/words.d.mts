/** A sentence of the product, and the line of its file. */
export interface Said {
  line: number
  text: string
}
export function saidIn(path: string): Said[]
