/** What the tests ask of a face; the package ships no types of its own. */
declare module 'fontkit' {
  export interface Font {
    hasGlyphForCodePoint(code: number): boolean
  }
  export function openSync(path: string): Font
}
