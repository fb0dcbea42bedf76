import type { Site } from './schema'
import { graphOf } from './graph'
import { joinedTanks } from './together'
import { PORT_ROLES, type Tank } from '../kinds'

/** A fitting that lies lower above its floor drains a tank, all but the mud. */
export const LOW_DRAIN_M = 0.15

/**
 * True where a tank can be drained by something low in its wall: a drain, a draw-off or a link with a line, or a valve
 * that waits. One that is buried is emptied from its lid.
 */
export function drainsLow(site: Site, tank: Tank): boolean {
  if (tank.base === 'buried') return true
  const led = new Set(
    graphOf(site)
      .at(tank.id)
      .flatMap(({ from, to }) => [from, to])
      .filter(({ node }) => node === tank.id)
      .map(({ port }) => port),
  )
  return tank.ports.some(
    ({ name, role, heightM, spare }) =>
      role === 'drain' ||
      (heightM < LOW_DRAIN_M && PORT_ROLES[role].feelsLevel && (led.has(name) || spare === 'valve')),
  )
}

/** True where a valve or a cap on one of the tanks that stand together waits for the next. */
export const waitsForNext = (site: Site, tank: Tank): boolean =>
  joinedTanks(site, tank).some(({ ports }) => ports.some(({ spare }) => spare !== undefined))
