import { askedBy, choresOf } from '#core/keep'
import { bareRoofs, catchRain, roofColumns, sideBySide } from '#core/balance'
import { dayNumber, isoDate, makeRain, seriesOf, slowOfSpread } from '#core/climate'
import { readingOf } from '#core/reading'
import { annualSpreadShare, weatherMonths, type Site } from '#core/site'
import type { LogReading } from '#core/kinds'

/** How a made-up household has lived with its plan: what the roof truly gives and is truly used, and how it writes. */
export interface Life {
  seed: number
  coefficient: number
  use: number
  /** Levels are read every so many days. */
  every: number
}

/** The weather of every life begins here, so that a day has the same rain whenever it is asked about. */
const EPOCH = '2020-01-01'
const [YEARS, DAYS, BEFORE_DAYS] = [40, 730, 180]

/** Numbers that are the same for the same words. */
function spread(seed: number, at: number): number {
  let hash = Math.imul(seed ^ (at * 2654435761), 2246822507)
  hash = Math.imul(hash ^ (hash >>> 13), 3266489909)
  return ((hash ^ (hash >>> 16)) >>> 0) / 4294967296
}

/** Two years of a household's log, up to a day. */
export function lifeOf(site: Site, { seed, coefficient, use, every }: Life, until: string): LogReading[] {
  const months = weatherMonths(site)
  const epoch = dayNumber(EPOCH)
  const last = dayNumber(until)
  const start = Math.max(epoch, last - DAYS - BEFORE_DAYS)
  const rain = makeRain(months, epoch, YEARS, seed, slowOfSpread(months, annualSpreadShare(site)))
  const rainMm = rain.slice(start - epoch, last + 1 - epoch)
  const series = seriesOf(start, rainMm, false)
  const { compiled, pools } = readingOf(site)
  const columns = roofColumns(compiled)
  const roofs = { ...columns, caughtCoefficient: columns.caughtCoefficient.map(each => each * coefficient) }
  const { inflowL } = catchRain(roofs, series, rainMm.length, bareRoofs(roofs))
  const askedL = askedBy(compiled, series)
  const run = sideBySide(compiled, 1)
  for (let pool = 0; pool < run.pools; pool++) run.poolL[pool] = run.capL[pool]! * 0.5
  const log: LogReading[] = []
  for (let day = 0; day < rainMm.length; day++) {
    const today = use * (0.7 + 0.6 * spread(seed, day))
    run.step(
      series.month[day]!,
      inflowL.slice(day * run.pools, (day + 1) * run.pools),
      askedL.slice(day * run.uses, (day + 1) * run.uses).map(litres => litres * today),
    )
    if (day < BEFORE_DAYS) continue
    const at = isoDate(start + day)
    // A gauge is read to half a millimetre, and a drizzle is not written down.
    const read = Math.round(rainMm[day]! * 2) / 2
    if (read > 0) log.push({ id: `rain-${at}`, at, kind: 'rain', value: read })
    if ((start + day) % every) continue
    for (const [index, { tanks, levelAtM }] of pools.entries()) {
      const levelM = levelAtM(run.poolL[index]!) - tanks[0]!.baseM + 0.016 * (spread(seed + index, day) - 0.5)
      const value = Math.max(0, Math.round(levelM * 100) / 100)
      log.push({ id: `level-${index}-${at}`, at, kind: 'level', subject: tanks[0]!.id, value, by: 'stick' })
    }
  }
  return [...log, ...choresDone(site, seed, last)]
}

/** What a household that means well has done: most of it, some of it late. */
function choresDone(site: Site, seed: number, last: number): LogReading[] {
  return choresOf(site).flatMap(({ id, comes }, at): LogReading[] => {
    const everyDays = comes.by === 'season' ? 182 : comes.months * 30
    const firstDay = last - Math.round(everyDays * (0.08 + 0.98 * spread(seed, 9000 + at)))
    const times = Math.max(1, Math.floor((DAYS - (last - firstDay)) / everyDays))
    return Array.from({ length: Math.min(times, 8) }, (_, back) => {
      const day = isoDate(firstDay - back * everyDays)
      return { id: `done-${id.replaceAll(/\W/g, '-')}-${day}`, at: day, kind: 'chore', subject: id } as LogReading
    })
  })
}
