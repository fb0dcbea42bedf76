import { groupDigits } from '../units'
import { RAIN_UNITS, type RainUnit } from './rainUnits'
import { DAYS_A_YEAR } from './calendar'
import type { Collected } from './collect'
import { isMonthly } from './months'
import type { RecordChoices } from './record'

/** Something to settle before a record counts: why, and what may be answered. */
export interface Doubt {
  about: 'unit' | 'order' | 'lines' | 'column' | 'below'
  sentence: string
  answers: { name: string; choice: RecordChoices }[]
}

/** Rain a year, mm, below and above which a record's unit is asked about, and above which it is refused. */
const [DRY_YEAR_MM, WET_YEAR_MM] = [120, 4500]
export const MOST_YEAR_MM = 27_000
/** Lines further apart than this are no days. */
const MOST_APART_DAYS = 3
/** Where it would have rained on more of the days than this, the column is asked about. */
const MOST_WET_SHARE = 0.98

const UNIT_ANSWERS = (Object.keys(RAIN_UNITS) as RainUnit[]).map(unit => ({
  name: `It is ${unit}`,
  choice: { unit } satisfies RecordChoices,
}))

/** The unit that a record is likely to be in, and the doubt about it where the heading does not name one. */
export function likelyUnit(
  named: RainUnit | undefined,
  { meanPerDay, largest, whole, apartDays }: Collected,
  lines: 'days' | 'sums',
): { unit: RainUnit; doubt?: Doubt } {
  if (named) return { unit: named }
  const days = lines === 'sums' ? apartDays : 1
  const yearly = (meanPerDay * DAYS_A_YEAR) / days
  const year = (unit: RainUnit) => `${groupDigits(yearly * RAIN_UNITS[unit], 0)} mm a year in ${unit}`
  const asks = (units: RainUnit[]): Doubt => ({
    about: 'unit',
    sentence:
      `The file does not name its unit. The figures would give ${units.map(year).join(', ')}. Say which is ` + 'meant.',
    answers: UNIT_ANSWERS,
  })
  if (yearly < DRY_YEAR_MM && largest < 15 * days) return { unit: 'in', doubt: asks(['in', 'mm']) }
  if (yearly > WET_YEAR_MM && whole)
    return { unit: 'tenths of mm', doubt: asks(['tenths of mm', 'mm', 'hundredths of in']) }
  return { unit: 'mm' }
}

/** Lines a month or a week apart are sums rather than days. */
export const likelyLines = ({ apartDays }: Collected): 'days' | 'sums' =>
  apartDays > MOST_APART_DAYS ? 'sums' : 'days'

/** Whether lines that stand apart are sums is for the person to say. */
export function linesDoubt(collected: Collected, unit: RainUnit): Doubt | undefined {
  if (likelyLines(collected) === 'days') return undefined
  const { apartDays, meanPerDay } = collected
  const sumsAYear = isMonthly(apartDays) ? 12 : DAYS_A_YEAR / apartDays
  return {
    about: 'lines',
    sentence:
      `The lines stand ${apartDays} days apart. If they are sums, they give ` +
      `${groupDigits(meanPerDay * RAIN_UNITS[unit] * sumsAYear, 0)} mm a year, and the plan takes the mean of each ` +
      'month. If each is one day’s rain, the days between are not known.',
    answers: [
      { name: 'They are sums', choice: { lines: 'sums' } },
      { name: 'They are single days', choice: { lines: 'days' } },
    ],
  }
}

/** A column that says rain every day is perhaps another one. */
export function columnDoubt(rainMm: number[], column: number): Doubt | undefined {
  const wet = rainMm.filter(value => value > 0).length
  if (wet <= rainMm.length * MOST_WET_SHARE) return undefined
  return {
    about: 'column',
    sentence:
      `It would have rained on ${groupDigits(wet, 0)} of ${groupDigits(rainMm.length, 0)} days. Say whether this is ` +
      'the column of the rain.',
    answers: [{ name: 'It is the rain', choice: { columns: { rain: column } } }],
  }
}

/** Rain below nothing is a mark of the station, or of another column: what it means is for the person to say. */
export function belowDoubt({ below, known }: Collected): Doubt | undefined {
  const { lines, least } = below
  if (!lines) return undefined
  return {
    about: 'below',
    sentence:
      `${lines === 1 ? 'One line holds' : `${groupDigits(lines, 0)} lines hold`} a depth below nothing, down to ` +
      `${least}, beside ${groupDigits(known, 0)} days with a figure. Say what that means, or choose another column: rain is ` +
      'never less than none.',
    answers: [
      { name: 'Nothing was measured', choice: { below: 'missing' } },
      { name: 'It did not rain', choice: { below: 'dry' } },
    ],
  }
}

export const ORDER_DOUBT: Doubt = {
  about: 'order',
  sentence: 'Day and month cannot be told apart in these dates. Say which comes first.',
  answers: [
    { name: 'The day comes first', choice: { order: 'dmy' } },
    { name: 'The month comes first', choice: { order: 'mdy' } },
  ],
}
