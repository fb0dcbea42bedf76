import { takeOff } from './takeoff'
import type { Item } from './items'
import { piecesOf, type Piece } from '../pieces'
import { nameOf, runName, type Site } from '../../site'

/** What one line or one thing asks for: what is on the list for it, and its own pieces of pipe. */
export interface LineParts {
  id: string
  name: string
  /** Counts as they are needed: what is sold by the tin or the roll may be a part of one. */
  things: (Pick<Item, 'id' | 'what' | 'size' | 'unit'> & { count: number })[]
  pieces: Piece[]
}

/** The list by what it is for, lines first; lengths of pipe are shared, so that a line is told by its pieces. */
export function byLine(site: Site): LineParts[] {
  const items = takeOff(site).filter(({ group }) => group !== 'pipes')
  const pieces = piecesOf(site)
  const of = (id: string, name: string): LineParts[] => {
    const things = items.flatMap(({ id: item, what, size, unit, shares }) => {
      const share = shares.find(each => each.id === id)
      return share ? [{ id: item, what, size, unit, count: share.count }] : []
    })
    const own = pieces.filter(({ run }) => run.id === id)
    return things.length + own.length ? [{ id, name, things, pieces: own }] : []
  }
  return [
    ...site.runs.flatMap(run => of(run.id, runName(site, run))),
    ...site.nodes.flatMap(({ id }) => of(id, nameOf(site, id))),
  ]
}
