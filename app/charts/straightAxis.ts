import { nice, ticks } from 'd3-array'

/** Where a figure stands on a straight axis, and which figure stands at a place; with its round marks. */
export interface StraightAxis {
  (value: number): number
  at: (place: number) => number
  marks: (count: number) => number[]
  most: number
}

/**
 * A straight axis from figures to pixels, its end rounded up where it is to be `round`. The scales of the chart
 * library would bring colours and number formats into the first view.
 */
export function straightAxis(from: [number, number], to: [number, number], round = false): StraightAxis {
  const [low, high] = round ? nice(from[0], from[1], 10) : from
  // An axis of nothing has all its figures at its beginning.
  const perUnit = (to[1] - to[0]) / (high - low || 1)
  return Object.assign((value: number) => to[0] + (value - low) * perUnit, {
    at: (place: number) => low + (place - to[0]) / perUnit,
    marks: (count: number) => ticks(low, high, count),
    most: high,
  })
}
