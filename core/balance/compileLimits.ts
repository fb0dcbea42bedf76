import { max } from 'd3-array'
import { bedOf } from './beds'
import type { Limit } from './compiled'
import { deliveredLPerDay } from '../network'
import { litresPerDay, type Path, type Site } from '../site'
import { DAY_S } from '../units'

/** Every way that brings no more than so much a day, whoever draws by it: a row each. */
export interface Limits {
  rows: Limit[]
  /** The rows that a way from a source to a tank or tap is held by, while what it hangs on works. */
  of: (path: Path, sourceId: string, on: number, mostLPerDay?: number) => number[]
}

/** No bed on earth asks for more in a day, mm: what its tap passes beyond that is no limit. */
const MOST_BED_MM = 15

/** The most that the uses at each tap can ask in a day, L: a line that brings as much holds nobody back. */
function mostAskedL(site: Site): Map<string, number> {
  const most = new Map<string, number>()
  for (const use of site.uses) {
    const bed = bedOf(site, use.amount)
    const asksL = bed ? (MOST_BED_MM * bed.areaM2) / bed.irrigationEfficiency : (max(litresPerDay(site, use)) ?? 0)
    most.set(use.at, (most.get(use.at) ?? 0) + asksL)
  }
  return most
}

export function limitsOf(site: Site): Limits {
  const rows: Limit[] = []
  const known = new Map<string, number[]>()
  const asked = mostAskedL(site)
  const work = (path: Path, sourceId: string, on: number, mostLPerDay: number): number[] => {
    const brought = deliveredLPerDay(site, path, sourceId)
    // Where no steady flow is found, a pump is taken at its word.
    const usualL = path.pumpLps === undefined ? Infinity : path.pumpLps * DAY_S
    const mostL = Array.from({ length: 12 }, (_, month) => Math.min(mostLPerDay, brought?.[month] ?? usualL))
    const isEnough = path.end.kind === 'tap' && mostL.every(litres => litres >= (asked.get(path.end.id) ?? 0))
    return isEnough ? [] : [rows.push({ mostL, on }) - 1]
  }
  return {
    rows,
    of(path, sourceId, on, mostLPerDay = Infinity) {
      const key = [sourceId, ...path.runs.map(({ id }) => id)].join(' ')
      const found = known.get(key) ?? work(path, sourceId, on, mostLPerDay)
      known.set(key, found)
      return found
    },
  }
}

/** Whether a way brings anything at all in some month, as long as what it hangs on works. */
export const brings = ({ rows }: Limits, limits: readonly number[]): boolean =>
  limits.every(row => rows[row]!.mostL.some(litres => litres > 0))

/** Litres a day that a way brings at most, in its best month. */
export const mostBroughtL = ({ rows }: Pick<Limits, 'rows'>, limits: readonly number[]): number =>
  Math.min(Infinity, ...limits.map(row => max(rows[row]!.mostL)!))
