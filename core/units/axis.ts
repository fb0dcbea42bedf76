import { FOOT_M } from './measures'
import { SHOWN, UNITS, type Kind, type System } from './units'

/** The unit of an axis: what it is called, and how much of it a figure in SI is. */
export interface AxisUnit {
  words: string
  of: (value: number) => number
}

/** Below two feet a length is told in inches where these are spoken; its axis is never in both. */
const IN_INCHES_M = 2 * FOOT_M

/** From here on a volume is told in cubic metres where these are spoken. */
const IN_CUBES_L = 10_000

function unitAlong(kind: Kind, system: System, most: number): string {
  if (kind === 'length' && system !== 'metric' && most < IN_INCHES_M) return 'in'
  if (kind === 'volume' && system === 'metric' && most >= IN_CUBES_L && most < Infinity) return 'm³'
  return SHOWN[kind][system].unit
}

/**
 * The one decimal unit in which all marks of an axis are told: of lengths in feet, or in inches where all of it is
 * short; of volumes in litres, or in cubic metres where they are large. A figure by itself may be told in feet and
 * inches; an axis never is.
 * @param most the largest figure along it, in SI
 */
export function axisUnit(kind: Kind, system: System, most = Infinity): AxisUnit {
  const words = unitAlong(kind, system, Math.abs(most))
  const { factor, offset = 0 } = UNITS[kind].find(candidate => candidate.words[0] === words)!
  return { words, of: value => value / factor - offset }
}
