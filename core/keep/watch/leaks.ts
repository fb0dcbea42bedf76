import type { Odd } from './odd'
import { LEAKS_FROM, type Kept } from '../keep'
import { isoDate } from '../../climate'
import type { Site } from '../../site'
import type { LogReading } from '../../kinds'

const HOURS = 24

/** Tanks that fall, or rise, by more than use and weather explain. */
export function fallsAndRises(_site: Site, _log: readonly LogReading[], { odd, model, now }: Kept): Odd[] {
  return odd
    .filter(({ probability }) => probability >= LEAKS_FROM)
    .map(({ pool, probability, litresPerDay, fromDay }): Odd => {
      const { id, name, levelAtM, tanks } = model.compiled.pools[pool]!
      const gains = litresPerDay < 0
      // What an hour with all taps shut would show: the leak alone, at the level that it stands at.
      const heldL = now.litres[pool]!
      const fallM = (levelAtM(heldL) - levelAtM(Math.max(0, heldL - litresPerDay))) / HOURS
      return {
        kind: gains ? 'gains' : 'leak',
        subject: id,
        what: gains
          ? `${name} rises with nothing to fill it: a float or a check valve that passes, or a gauge that drifts`
          : `${name} falls by more than use and weather explain: a leak, a tap left open, or a valve that passes`,
        probability,
        litresPerDay,
        since: isoDate(fromDay),
        reads: Object.fromEntries(tanks.map(tank => [`falls:${tank.id}`, fallM])),
      }
    })
}
