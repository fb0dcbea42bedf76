import { tankOfLevel } from './learn/observed'
import { refuse, whyNot, type Answer } from '../answers'
import { parseQuantity, type Kind, type System } from '../units'
import { spillM, type Site } from '../site'
import { tankHeight, tankVolume } from '../sums'
import { READING_KINDS, type LogReading, type ReadingKind, type Tank } from '../kinds'

/** A figure of a reading in SI, from words or a number with its unit as people write them. */
export type ReadAnswer = Answer<Pick<LogReading, 'value' | 'by' | 'said'>>

const SHARES: Record<string, number> = {
  empty: 0,
  quarter: 1 / 4,
  'a quarter': 1 / 4,
  'one quarter': 1 / 4,
  third: 1 / 3,
  'a third': 1 / 3,
  half: 1 / 2,
  'half full': 1 / 2,
  'two thirds': 2 / 3,
  'three quarters': 3 / 4,
  full: 1,
  'to the brim': 1,
}
const ORDINALS = ['first', 'second', 'third', 'fourth', 'fifth', 'sixth', 'seventh', 'eighth', 'ninth', 'tenth']
const RIB = new RegExp(`(${ORDINALS.join('|')}|top|\\d+)(?:st|nd|rd|th)?\\s+(?:rib|ring)`)

/** A level as it is spoken: a length, a share, litres, or the rib above which it knocks hollow. */
export function readLevel(site: Site, tank: Tank, text: string, system: System): ReadAnswer {
  const said = text.trim()
  const words = said.toLowerCase().replaceAll(/[.!]+$/g, '')
  const highM = spillM(site, tank) - tank.baseM
  const level = (value: number, by?: LogReading['by']): ReadAnswer => ({ ok: true, value, said, ...(by ? { by } : {}) })
  const share = SHARES[words]
  if (share !== undefined) return level(share * highM, 'eye')
  const percent = /^(\d+(?:[.,]\d+)?)\s*(?:%|percent)$/.exec(words)
  if (percent) {
    const of = Number(percent[1]!.replace(',', '.')) / 100
    return of > 1.001 ? refuse('More than 100 % of a tank is none; type what it shows.') : level(of * highM, 'gauge')
  }
  const rib = RIB.exec(words)
  if (rib) return atRib(tank, rib[1]!, said)
  const length = parseQuantity(words, 'length', system)
  if (length.ok) return withinTank(tank, length.value, said)
  const volume = parseQuantity(words, 'volume', system)
  if (volume.ok) {
    const fullL = tankVolume({ ...tank.shape, levelM: highM }).volumeL
    if (volume.value > fullL * 1.02) return refuse(`${tank.name} holds less than ${said}.`)
    return level(levelHolding(tank, volume.value, highM))
  }
  return refuse(`${whyNot(length)} A share (“half”, “60 %”), litres, or “hollow above the third rib” do as well.`)
}

function atRib(tank: Tank, which: string, said: string): ReadAnswer {
  const ribs = [...(tank.ribsM ?? [])].sort((a, b) => a - b)
  if (!ribs.length) return refuse(`Nobody has said where the ribs of ${tank.name} are. Type them at Build, Holes.`)
  const at = which === 'top' ? ribs.length - 1 : ORDINALS.includes(which) ? ORDINALS.indexOf(which) : Number(which) - 1
  const ribM = ribs[at]
  if (ribM === undefined) return refuse(`${tank.name} has ${ribs.length} ribs.`)
  return { ok: true, value: ribM, by: 'knock', said }
}
function withinTank(tank: Tank, levelM: number, said: string): ReadAnswer {
  const rimM = tankHeight(tank.shape)
  if (levelM > rimM + 1e-6) return refuse(`${tank.name} is ${rimM} m tall; “${said}” lies above its rim.`)
  if (levelM < 0) return refuse('A level lies above the floor: type it from there.')
  return { ok: true, value: levelM, said }
}
/** The level at which a tank holds so many litres by itself, m. */
function levelHolding({ shape }: Tank, litres: number, highM: number): number {
  let [low, high] = [0, highM]
  for (let step = 0; step < 50; step++) {
    const middle = (low + high) / 2
    if (tankVolume({ ...shape, levelM: middle }).volumeL < litres) low = middle
    else high = middle
  }
  return high
}

const SHARE_UNITS = new Set(['share', 'fraction', '1'])
const PERCENT_UNITS = new Set(['%', 'percent'])
/** A reading's number with its unit, as programs and tables hand it over; without a unit it is SI. */
export function readFigure(
  site: Site,
  { kind, subject, value, unit }: { kind: ReadingKind; subject?: string; value?: number; unit?: string },
): ReadAnswer {
  const row: { kind?: Kind; least: number; most: number } = READING_KINDS[kind]
  if (!row.kind) return { ok: true }
  if (value === undefined) return refuse('must be given')
  const bare = unit?.trim().toLowerCase()
  if (kind !== 'level') return inRange(value * (bare ? (factorOf(bare, row.kind) ?? NaN) : 1), row, unit)
  const tank = tankOfLevel(site, subject)
  if (!tank) return refuse(subject === undefined ? 'has no tank to be of' : `is of no tank “${subject}” of this site`)
  const highM = spillM(site, tank) - tank.baseM
  if (!bare) return inRange(value, row, unit)
  if (SHARE_UNITS.has(bare)) return inRange(value * highM, row, unit)
  if (PERCENT_UNITS.has(bare)) return inRange((value / 100) * highM, row, unit)
  const litres = factorOf(bare, 'volume')
  if (litres !== undefined) return { ok: true, value: levelHolding(tank, Math.max(0, value * litres), highM) }
  return inRange(value * (factorOf(bare, 'length') ?? NaN), row, unit)
}
/** What one of a unit is in SI; nothing where it is no unit of that kind. */
function factorOf(unit: string, kind: Kind): number | undefined {
  const one = parseQuantity(`1 ${unit}`, kind, 'metric')
  return one.ok ? one.value : undefined
}
function inRange(
  value: number,
  { least, most }: { least: number; most: number },
  unit: string | undefined,
): ReadAnswer {
  if (Number.isNaN(value)) return refuse(`is in “${unit}”, which is no unit of it`)
  return value < least || value > most ? refuse(`must be from ${least} to ${most} in SI`) : { ok: true, value }
}
