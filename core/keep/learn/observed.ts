import type { Pool } from '../../balance'
import { dayNumber } from '../../climate'
import { graphOf, tanksOf, type Site } from '../../site'
import type { LevelBy, LogReading, Tank } from '../../kinds'

/** A level that was read, as litres of the group of tanks that stands so high. */
export interface Observed {
  id: string
  /** When it was read, as it was told. */
  at: string
  /** It holds at the end of this day. */
  day: number
  pool: number
  tankId: string
  levelM: number
  litres: number
  /** How near it is: one standard deviation. */
  sdL: number
  source?: string
}

/** How near each way of reading a level comes, m, and as a share of the tank's height where that is more. */
const NEARNESS: Record<LevelBy, { m: number; share: number }> = {
  stick: { m: 0.01, share: 0 },
  gauge: { m: 0.015, share: 0.01 },
  sensor: { m: 0.01, share: 0.005 },
  knock: { m: 0.02, share: 0.03 },
  eye: { m: 0.03, share: 0.05 },
}
/** Where nobody says how, it is taken for a stick laid in hastily. */
const UNSAID = { m: 0.015, share: 0 }

/** What is read before noon still shows what the day before left. */
const NOON = 12
export function dayOfReading(at: string): number {
  const day = dayNumber(at)
  const hour = Number(/T(\d{2})/.exec(at)?.[1] ?? 24)
  return hour < NOON ? day - 1 : day
}

/** Every level of a log up to a day, in order; a tank read twice on a day counts by its last reading. */
export function observedLevels(
  site: Site,
  pools: readonly Pool[],
  log: readonly LogReading[],
  onDay: number,
): Observed[] {
  const poolOf = new Map(pools.flatMap(({ tanks }, index) => tanks.map(tank => [tank.id, index] as const)))
  const found = new Map<string, { at: string; observed: Observed }>()
  for (const { id, at, kind, subject, value, by, source } of log) {
    if (kind !== 'level' || value === undefined) continue
    const tank = tankOfLevel(site, subject)
    const pool = tank && poolOf.get(tank.id)
    const day = dayOfReading(at)
    if (!tank || pool === undefined || day > onDay || dayNumber(at) > onDay) continue
    const { volumeAtL, capM, capL } = pools[pool]!
    const heightM = tank.baseM + Math.max(0, value)
    const { m, share } = by ? NEARNESS[by] : UNSAID
    const offM = Math.max(m, share * (capM - tank.baseM))
    // Litres that the doubt of a level comes to, by the width of the tank there; at a rim, by that below it.
    const aroundM = Math.min(heightM, capM - offM)
    const sdL = Math.max(1e-3 * capL, (volumeAtL(aroundM + offM) - volumeAtL(aroundM - offM)) / 2, 0.1)
    const observed = {
      id,
      at,
      day,
      pool,
      tankId: tank.id,
      levelM: value,
      litres: volumeAtL(heightM),
      sdL,
      ...(source ? { source } : {}),
    }
    const key = `${tank.id} ${day} ${source ?? ''}`
    const known = found.get(key)
    // Of two at one moment the later in the alphabet of ids stands, so that the order of entry makes no difference.
    if (!known || [at, id].join() > [known.at, known.observed.id].join()) found.set(key, { at, observed })
  }
  return [...found.values()].map(({ observed }) => observed).sort((a, b) => a.day - b.day || (a.id < b.id ? -1 : 1))
}

/** The tank that a level is of: the one that is named; where none is, the only one, or the largest. */
export function tankOfLevel(site: Site, subject: string | undefined): Tank | undefined {
  if (subject !== undefined) {
    const node = graphOf(site).node(subject)
    if (node?.kind === 'tank') return node
    const wanted = subject.trim().toLowerCase()
    return tanksOf(site).find(({ name }) => name.toLowerCase() === wanted)
  }
  return tanksOf(site).reduce<Tank | undefined>(
    (best, tank) => (!best || tank.emptyMassKg > best.emptyMassKg ? tank : best),
    undefined,
  )
}
