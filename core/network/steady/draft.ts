import { eliminationOf } from './factor'
import type { Fixed, Lines, Link } from './layout'

/** A place of a link while it is not yet known how many unknowns come before the known heads. */
export type UnknownPlace = { unknown: number }
export type FixedPlace = { fixed: number }
export type Place = UnknownPlace | FixedPlace

/** A link but for the places that it joins. */
export type LaidLink = Omit<Link, 'from' | 'to' | 'entry'>

export const plainLink: LaidLink = {
  laws: [],
  pumps: [],
  check: false,
  shut: false,
  opensAtM: 0,
  narrowestMm: Infinity,
  beginsAs: 0.1,
}

/** Heads and links as they are laid one after another; then numbered, unknown heads first. */
export class Draft {
  readonly #heightM: number[] = []
  readonly #fixed: Fixed[] = []
  readonly #links: (LaidLink & { from: Place; to: Place })[] = []

  /** A head that is sought, at a place of so many metres. */
  unknown = (atM: number): UnknownPlace => ({ unknown: this.#heightM.push(atM) - 1 })
  held = (known: Fixed): FixedPlace => ({ fixed: this.#fixed.push(known) - 1 })
  /** Open to the air at a height: nothing comes from there. */
  air = (atM: number): FixedPlace => this.held({ kind: 'head', headM: atM, gives: false })
  /** Lays a link, and tells its place among the others. */
  lay = (link: Partial<LaidLink> & { from: Place; to: Place }): number =>
    this.#links.push({ ...plainLink, ...link }) - 1

  #placed = (place: Place): number => ('unknown' in place ? place.unknown : this.#heightM.length + place.fixed)

  /** The places of some nodes, as they are numbered. */
  placesOf = (byKey: ReadonlyMap<string, Place>, nodes: readonly { id: string }[]): Map<string, number> =>
    new Map(
      nodes.flatMap(({ id }) => {
        const place = byKey.get(id)
        return place ? [[id, this.#placed(place)] as const] : []
      }),
    )

  numbered(): Pick<Lines, 'unknowns' | 'fixed' | 'heightM' | 'links' | 'elimination'> {
    const unknowns = this.#heightM.length
    const ends = this.#links.map(({ from, to }) => [this.#placed(from), this.#placed(to)] as const)
    const isBetween = ([from, to]: readonly [number, number]) => from < unknowns && to < unknowns && from !== to
    const elimination = eliminationOf(unknowns, ends.filter(isBetween))
    const links = this.#links.map((link, at): Link => {
      const [from, to] = ends[at]!
      return { ...link, from, to, entry: isBetween(ends[at]!) ? elimination.entryOf(from, to) : -1 }
    })
    return { unknowns, fixed: this.#fixed, heightM: this.#heightM, links, elimination }
  }
}
