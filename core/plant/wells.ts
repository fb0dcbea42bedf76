import { DAY_S } from '../units'
import type { Trial } from './step'
import { note, type World } from './world'

/**
 * Keeps what each well has given since its day began, and notes it once a day where that is more than it yields: a
 * plant's wells go on giving, and a true one would not.
 */
export function overdrawn(world: World, { flowLps, seconds }: Trial): void {
  const { drawnToday, standing, start } = world
  const day = Math.floor(((start.clockS ?? 0) + world.atS - seconds / 2) / DAY_S)
  for (const { id, well, links } of standing.wells) {
    const today = drawnToday.get(id)
    const before = today?.day === day ? today : { litres: 0, told: false }
    const litres = before.litres + links.reduce((sum, { at, sign }) => sum + sign * flowLps[at]! * seconds, 0)
    const told = before.told || litres > well.yieldLPerDay
    drawnToday.set(id, { day, litres, told })
    if (told && !before.told) note(world, 'well-overdrawn', id, litres)
  }
}
