import { chambersStanding } from './chambers'
import { devicesOff, devicesSilent } from './devices'
import { filtersShut } from './filters'
import { fallsAndRises } from './leaks'
import { startsCreeping } from './pumps'
import { wellsSlower } from './wells'
import type { Odd } from './odd'
import type { Kept } from '../keep'
import type { Site } from '../../site'
import type { LogReading } from '../../kinds'

/** Everything that looks for something odd in a log. One more is a row here. */
const WATCHES: ((site: Site, log: readonly LogReading[], kept: Kept) => Odd[])[] = [
  fallsAndRises,
  startsCreeping,
  chambersStanding,
  wellsSlower,
  filtersShut,
  devicesOff,
  devicesSilent,
]

/** All that looks odd in a log, likeliest first. */
export const watch = (site: Site, log: readonly LogReading[], kept: Kept): Odd[] =>
  WATCHES.flatMap(look => look(site, log, kept)).sort((a, b) => b.probability - a.probability)
