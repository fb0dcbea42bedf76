import { demandByDay } from '#core/keep'
import { bareRoofs, catchRain, compiledOf, roofColumns, sideBySide } from '#core/balance'
import { dayNumber, makeRain, seriesOf, slowOfSpread } from '#core/climate'
import { annualSpreadShare, weatherMonths, type Site } from '#core/site'

/** How a made-up household lives with its plan: what the roof truly gives and is truly used, and how it writes. */
export interface Life {
  seed: number
  coefficient: number
  use: number
  /** Levels are read every so many days. */
  every: number
}

/** How the sites that ship with the app are lived with. */
export const LIVES: Record<string, Life> = {
  'quillfern-ridge': { seed: 11, coefficient: 0.88, use: 1.18, every: 7 },
  'brindle-yard': { seed: 23, coefficient: 0.94, use: 0.9, every: 7 },
  'cinder-tor': { seed: 31, coefficient: 0.8, use: 1.05, every: 14 },
}
/** Another site, another weather; the same one always the same. */
const seedOf = (siteId: string): number =>
  [...siteId].reduce((seed, letter) => (seed * 31 + letter.charCodeAt(0)) % 1_000_003, 7)

/** How any other is: the roof gives a little less than planned, and a little more is used. */
export const lifeAt = (siteId: string): Life =>
  LIVES[siteId] ?? { seed: seedOf(siteId), coefficient: 0.9, use: 1.1, every: 7 }

/** The days as they truly were: rain, what stood in each group of tanks at the end of each, what each use drew. */
export interface LivedDays {
  fromDay: number
  rainMm: Float64Array
  /** Litres at the end of each day, a row a group. */
  heldL: Float64Array[]
  /** Drawn on each day, L, a row a use. */
  drawnL: Float64Array[]
}

/** The weather of every life begins here, so that a day has the same rain whenever it is asked about. */
const EPOCH = '2020-01-01'
/** Tanks are half full so long before the first day. */
const [YEARS, BEFORE_DAYS] = [40, 180]

/** Numbers in [0, 1) that are the same for the same words. */
export function hashShare(seed: number, at: number): number {
  let hash = Math.imul(seed ^ (at * 2654435761), 2246822507)
  hash = Math.imul(hash ^ (hash >>> 13), 3266489909)
  return ((hash ^ (hash >>> 16)) >>> 0) / 4294967296
}

/** The days of a life from one day to another. */
export function livedDays(site: Site, { seed, coefficient, use }: Life, fromDay: number, toDay: number): LivedDays {
  const months = weatherMonths(site)
  const epoch = dayNumber(EPOCH)
  const start = Math.max(epoch, fromDay - BEFORE_DAYS)
  const rain = makeRain(months, epoch, YEARS, seed, slowOfSpread(months, annualSpreadShare(site)))
  const rainMm = rain.slice(start - epoch, toDay + 1 - epoch)
  const series = seriesOf(start, rainMm, false)
  const compiled = compiledOf(site)
  const columns = roofColumns(compiled)
  const roofs = { ...columns, caughtCoefficient: columns.caughtCoefficient.map(each => each * coefficient) }
  const { inflowL } = catchRain(roofs, series, rainMm.length, bareRoofs(roofs))
  const askedL = demandByDay(compiled, series)
  const run = sideBySide(compiled, 1)
  for (let pool = 0; pool < run.pools; pool++) run.poolL[pool] = run.capL[pool]! * 0.5
  const days = toDay - fromDay + 1
  const heldL = Array.from({ length: run.pools }, () => new Float64Array(days))
  const drawnL = Array.from({ length: run.uses }, () => new Float64Array(days))
  for (let day = 0; day < rainMm.length; day++) {
    const today = use * (0.7 + 0.6 * hashShare(seed, start + day))
    const asked = askedL.slice(day * run.uses, (day + 1) * run.uses).map(litres => litres * today)
    run.step(series.month[day]!, inflowL.slice(day * run.pools, (day + 1) * run.pools), asked)
    const at = start + day - fromDay
    if (at < 0) continue
    const met = run.askedL[0]! > 0 ? 1 - run.shortL[0]! / run.askedL[0]! : 1
    for (let pool = 0; pool < run.pools; pool++) heldL[pool]![at] = run.poolL[pool]!
    for (let each = 0; each < run.uses; each++) drawnL[each]![at] = asked[each]! * met
  }
  return { fromDay, rainMm: rainMm.slice(fromDay - start), heldL, drawnL }
}
