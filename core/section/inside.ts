import type { Slot } from './slots'
import { routeOfRun, type Drawing } from './drawing'
import { tankHeight } from '../sums'
import { runsFrom, runsTo, type Site, heightHoldingM, joinedTanks } from '../site'
import type { Port, Tank } from '../kinds'

/**
 * What is fitted inside a tank or waits at its wall, as places of the drawing. `away` is 1 where the inside lies to
 * the right of the wall, −1 where to the left.
 */
export interface Inside {
  /** Intakes that hang from a float: from the wall to where they float, or hang on their stop. */
  floats: { port: string; x: number; y: number; toX: number; toY: number }[]
  /** Inlets led down and turned up near the floor, with or without their air hole. */
  calmed: { port: string; x: number; y: number; footY: number; away: 1 | -1; airHole: boolean }[]
  /** Fittings that wait for the next tank. */
  spares: { port: string; x: number; y: number; away: 1 | -1; shut: 'cap' | 'valve' }[]
  /** Up to where the water is kept back for fire. */
  reserveY?: number
}

/** How far above the floor a calmed inlet ends, and how far inside the wall it comes down. */
const FOOT_M = 0.12
const IN_PX = 9

/** Lays out a tank's inner fittings, with the water standing at a height above the datum. */
export function insideOf(site: Site, tank: Tank, slot: Slot, drawing: Drawing, waterM: number): Inside {
  const { scale } = drawing
  const side = (port: Port): { x: number; away: 1 | -1 } => {
    const run = runsFrom(site, tank.id, port.name)[0]
    const points = routeOfRun(drawing, (run ?? runsTo(site, tank.id, port.name)[0])?.id)?.points
    const right = (run ? points?.[0] : points?.at(-1))?.[0] ?? slot.x + slot.width
    return right > slot.x + slot.width / 2 ? { x: slot.x + slot.width, away: -1 } : { x: slot.x, away: 1 }
  }
  const used = (port: Port) => runsFrom(site, tank.id, port.name).length + runsTo(site, tank.id, port.name).length > 0
  const y = (port: Port) => scale.y(tank.baseM + port.heightM)
  const bottomOfFloat = (port: Port) => tank.baseM + Math.max(port.heightM - port.floating!.hoseM, port.floating!.stopM)
  return {
    floats: tank.ports
      .filter(port => port.floating)
      .map(port => {
        const { x, away } = side(port)
        const topM = Math.min(tank.baseM + tankHeight(tank.shape), tank.baseM + port.heightM + port.floating!.hoseM)
        return {
          port: port.name,
          x,
          y: y(port),
          toX: x + away * slot.width * 0.4,
          toY: scale.y(Math.max(bottomOfFloat(port), Math.min(topM, waterM - 0.1))),
        }
      }),
    calmed:
      tank.inletStyle === 'calmed'
        ? tank.ports
            .filter(port => port.role === 'inlet' && used(port))
            .map(port => {
              const { x, away } = side(port)
              return {
                port: port.name,
                x: x + away * IN_PX,
                y: y(port),
                footY: scale.y(tank.baseM + Math.min(FOOT_M, port.heightM)),
                away,
                airHole: port.airHole ?? false,
              }
            })
        : [],
    spares: tank.ports
      .filter(port => port.spare && !used(port))
      .map(port => {
        const taken = tank.ports.some(
          other => other !== port && other.role === 'link' && used(other) && side(other).away === -1,
        )
        return {
          port: port.name,
          x: taken ? slot.x : slot.x + slot.width,
          y: y(port),
          away: taken ? 1 : -1,
          shut: port.spare!,
        }
      }),
    ...(tank.reserveL ? { reserveY: scale.y(heightHoldingM(joinedTanks(site, tank), tank.reserveL)) } : {}),
  }
}
