import type { CutSheet, Piece } from '#core/build'

/** A length of pipe with what is cut from it, in its order. */
export interface Laid {
  stockM: number
  wasteM: number
  own: boolean
  pieces: Piece[]
}
/** Two cuts are the same within so much, m. */
const SAME_M = 2e-4

/** Which pieces lie on which length: by their cuts, each once. */
export function laidOut({ pieces, stocks }: CutSheet): Laid[] {
  const left = [...pieces]
  return stocks.map(({ stockM, wasteM, piecesM, own }) => ({
    stockM,
    wasteM,
    own: own === true,
    pieces: piecesM.flatMap(metres => {
      const at = left.findIndex(({ cutM }) => Math.abs(cutM - metres) < SAME_M)
      return at < 0 ? [] : left.splice(at, 1)
    }),
  }))
}
