import { say, type Phrase } from '../../words'
import type { Site } from '../../site'

/** Where on the list a thing stands, in the order in which it is bought. */
export const GROUPS = {
  tanks: { name: 'Tanks', trip: 'ahead' },
  bases: { name: 'What they stand on', trip: 'first' },
  walls: { name: 'Through tanks’ walls', trip: 'first' },
  parts: { name: 'Valves, pumps and other parts', trip: 'ahead' },
  pipes: { name: 'Pipe', trip: 'second' },
  fittings: { name: 'Fittings', trip: 'second' },
  sundries: { name: 'To join and hold them', trip: 'second' },
} as const
export type GroupId = keyof typeof GROUPS
export const GROUP_IDS = Object.keys(GROUPS) as GroupId[]

/** Trips to the shop: what is ordered before, what work begins with, and the rest. */
export const TRIPS = {
  ahead: 'To order ahead',
  first: 'First trip: bases, and what goes into tanks',
  second: 'Second trip: lines',
} as const
export type TripId = keyof typeof TRIPS
export const TRIP_IDS = Object.keys(TRIPS) as TripId[]

export type Unit = 'each' | 'm' | 'm²' | 'm³' | 'yd³' | 'bag' | 'tin' | 'roll'

/** A thing on the list: what, of what size, how many, and for which lines or things. */
export interface Item {
  id: string
  what: string
  size: Phrase
  count: number
  unit: Unit
  /** Of one; nothing where nobody has said and nothing can be guessed. */
  price?: number
  /** True where somebody has said it. */
  noted: boolean
  /** How easily it is found, 1 in any shop to 5 hardly. */
  found: number
  group: GroupId
  /** The runs and nodes that it is for, and how much of it each takes. */
  shares: { id: string; count: number }[]
}
export const forIdsOf = ({ shares }: Pick<Item, 'shares'>): string[] => shares.map(({ id }) => id)
export const tripOf = ({ group, found }: Pick<Item, 'group' | 'found'>): TripId =>
  found >= 3 ? 'ahead' : GROUPS[group].trip

/** What is told of a thing as it is taken off. */
export interface ItemText {
  id: string
  what: string
  size?: Phrase | string
  unit?: Unit
  guess?: number
  found?: number
  group: GroupId
}

/** A list that things are put on: the same thing twice is one line with both its counts. */
export function listOf(site: Site) {
  const noted = new Map(site.prices?.flatMap(({ id, price }) => (price === undefined ? [] : [[id, price] as const])))
  const items = new Map<string, Item>()
  return {
    add(
      { id: of, what, size = [], unit = 'each', guess, found = 1, group }: ItemText,
      count: number,
      forId: string,
    ): void {
      if (count <= 0) return
      const id = idOf(of)
      const known = items.get(id)
      if (known) {
        known.count += count
        const share = known.shares.find(each => each.id === forId)
        if (share) share.count += count
        else known.shares.push({ id: forId, count })
        return
      }
      const price = noted.get(id) ?? guess
      const own = {
        id,
        what,
        size: typeof size === 'string' ? say`${size}` : size,
        unit,
        count,
        found,
        group,
        noted: noted.has(id),
        shares: [{ id: forId, count }],
      }
      items.set(id, price === undefined ? own : { ...own, price })
    },
    /** The list, whole things in whole numbers, in the order of its groups and the hard ones first. */
    all: (): Item[] =>
      [...items.values()]
        .map(item => ({ ...item, count: COUNTED.has(item.unit) ? Math.ceil(item.count - 1e-9) : roundUp(item.count) }))
        .sort((a, b) => GROUP_IDS.indexOf(a.group) - GROUP_IDS.indexOf(b.group) || b.found - a.found || byName(a, b)),
  }
}
export type List = ReturnType<typeof listOf>
/** A thing's id, as a document may hold it: letters, digits and dashes. */
export const idOf = (words: string): string => words.replaceAll(/[^A-Za-z0-9]+/g, '-').replaceAll(/^-|-$/g, '')
const COUNTED: ReadonlySet<Unit> = new Set(['each', 'bag', 'tin', 'roll'])
const roundUp = (count: number): number => Math.ceil(count * 10 - 1e-9) / 10
const byName = (a: Item, b: Item): number => a.what.localeCompare(b.what, 'en') || sizeNumber(a) - sizeNumber(b)
const sizeNumber = ({ size }: Item): number => {
  const [first = ''] = size
  return typeof first === 'string' ? Number.parseFloat(first) || 0 : first.value
}

const YARD_M3 = 0.764554857984
/** What is sold by its room: so many cubic metres as the site's market counts them. */
export const byRoom = (site: Site, m3: number, perM3: number): { unit: Unit; count: number; guess: number } =>
  site.standards.units !== 'metric'
    ? { unit: 'yd³', count: m3 / YARD_M3, guess: Math.round(perM3 * YARD_M3) }
    : { unit: 'm³', count: m3, guess: perM3 }
/** A size as it is called where metres are spoken, and where inches are. */
export const trade = (site: Site, metric: string, inch: string): string =>
  site.standards.units === 'metric' ? metric : inch
