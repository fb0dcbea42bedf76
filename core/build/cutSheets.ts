import { cutFromOwn, type OwnOrBought } from './cutFromOwn'
import { idOf } from './takeoff/items'
import { pipeId, stockOf, type Bought } from './materials'
import { piecesOf, type Piece } from './pieces'
import { TAKEN_OFF_OF } from './reads'
import { group } from 'd3-array'
import { remembered, type Site } from '../site'

/** The cuts of one kind of pipe: its pieces, and the lengths that they are cut from. */
export interface CutSheet {
  /** The pipe as documents name it. */
  pipe: string
  bought: Bought
  /** Pieces that are still to be cut, and those that are. */
  pieces: Piece[]
  done: Piece[]
  stocks: OwnOrBought[]
  leastStocks: number
}

/** What the saw takes with each cut, mm. */
export const KERF_MM = 3

/** Every cut list of a site, one a kind of pipe. */
export const cutSheets = remembered(TAKEN_OFF_OF, (site: Site): CutSheet[] => {
  const cut = new Set(site.build?.cut)
  return [...group(piecesOf(site), ({ bought }) => pipeId(bought))].map(([key, all]): CutSheet => {
    const { bought } = all[0]!
    const pipe = idOf(key)
    const pieces = all.filter(({ id }) => !cut.has(id))
    const laid = cutFromOwn(
      pieces.map(({ cutM }) => cutM),
      stockOf(site, bought),
      ownLengthsM(site, pipe),
      KERF_MM,
    )
    return {
      pipe,
      bought,
      pieces,
      done: all.filter(({ id }) => cut.has(id)),
      stocks: laid?.stocks ?? [],
      leastStocks: laid?.leastStocks ?? 0,
    }
  })
})

/** Another document whose pipes are laid and cut as those of one: what differs is made of no pipe. */
export function cutAlike(one: Site, other: Site): Site {
  cutSheets.given(other, cutSheets(one))
  return other
}

/** Lengths of a pipe that are there already, each once. */
export const ownLengthsM = (site: Site, pipe: string): number[] =>
  (site.build?.lengths ?? []).flatMap(({ id, lengthM, count }) =>
    id === pipe ? Array.from({ length: count }, () => lengthM) : [],
  )
