import { group } from 'd3-array'
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
  const thingsOf = new Map<string, LineParts['things']>()
  for (const { id, what, size, unit, group: sort, shares } of takeOff(site)) {
    if (sort === 'pipes') continue
    for (const share of shares) {
      const things = thingsOf.get(share.id) ?? []
      things.push({ id, what, size, unit, count: share.count })
      thingsOf.set(share.id, things)
    }
  }
  const piecesOfRun = group(piecesOf(site), ({ run }) => run.id)
  const of = (id: string, name: string): LineParts[] => {
    const [things, pieces] = [thingsOf.get(id) ?? [], piecesOfRun.get(id) ?? []]
    return things.length + pieces.length ? [{ id, name, things, pieces }] : []
  }
  return [
    ...site.runs.flatMap(run => of(run.id, runName(site, run))),
    ...site.nodes.flatMap(({ id }) => of(id, nameOf(site, id))),
  ]
}
