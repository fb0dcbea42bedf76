import { bisector } from 'd3-array'
import type { Point } from './parts'
import { tankTopM, type Slot } from './slots'
import type { VerticalScale } from './scale'
import { tanksOf, type Site } from '../site'

interface Wall {
  id: string
  left: number
  right: number
  top: number
  foot: number
}

/** How far from a wall, a lid or a floor a line passes, and how far apart two lines pass that go the same way round. */
const [CLEAR_PX, LID_PX, NEXT_PX, MOST_APART] = [6, 16, 5, 4]

/**
 * Leads lines round the tanks they would otherwise be drawn through: over the lid or under the floor, whichever is
 * nearer. A line that ends at a tank’s wall touches it and no more.
 */
export function roundTanks(site: Site, slots: Slot[], scale: VerticalScale): (points: Point[]) => Point[] {
  const tanks = new Map(tanksOf(site).map(tank => [tank.id, tank]))
  const walls = slots.flatMap((slot): Wall[] => {
    const tank = slot.kind === 'node' && tanks.get(slot.nodeId)
    if (!tank) return []
    const [top, foot] = [scale.y(tankTopM(tank)), scale.y(tank.baseM)]
    return [{ id: tank.id, left: slot.x, right: slot.x + slot.width, top, foot }]
  })
  walls.sort((a, b) => a.left - b.left)
  const firstRightOf = bisector((wall: Wall) => wall.left).right
  const passing = new Map<string, number>()

  function round(wall: Wall, y: number, rightward: boolean): Point[] {
    const over = y - wall.top < wall.foot - y
    const key = `${wall.id} ${over}`
    const count = Math.min(MOST_APART, passing.get(key) ?? 0)
    passing.set(key, count + 1)
    const level = over ? wall.top - LID_PX - count * NEXT_PX : wall.foot + CLEAR_PX + count * NEXT_PX
    const sides = [wall.left - CLEAR_PX, wall.right + CLEAR_PX]
    const [near, far] = rightward ? [sides[0]!, sides[1]!] : [sides[1]!, sides[0]!]
    return [
      [near, y],
      [near, level],
      [far, level],
      [far, y],
    ]
  }

  return points =>
    points.flatMap((point, index): Point[] => {
      const before = points[index - 1]
      if (!before || before[1] !== point[1]) return [point]
      const [low, high] = [Math.min(before[0], point[0]), Math.max(before[0], point[0])]
      const y = point[1]
      const rightward = point[0] > before[0]
      const inWay = closeTogether(
        walls
          .slice(firstRightOf(walls, low + 1), firstRightOf(walls, high))
          .filter(wall => y > wall.top - 1 && y < wall.foot + 1 && high > wall.right + 1),
      )
      return [...(rightward ? inWay : inWay.reverse()).flatMap(wall => round(wall, y, rightward)), point]
    })
}

/** Tanks, from left to right, between which no line comes down again are passed as one. */
function closeTogether(walls: Wall[]): Wall[] {
  const passed: Wall[] = []
  for (const wall of walls) {
    const last = passed.at(-1)
    if (last && wall.left - last.right < 3 * CLEAR_PX) {
      const [top, foot] = [Math.min(last.top, wall.top), Math.max(last.foot, wall.foot)]
      passed[passed.length - 1] = { ...last, right: wall.right, top, foot }
    } else passed.push(wall)
  }
  return passed
}
