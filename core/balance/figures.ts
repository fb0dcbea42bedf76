/**
 * The figures of a day, by what must happen before any of them is more than nought. Lanes keep them, runs write them
 * down, tallies add them up: all by this one table.
 */
export const DAY_FIGURES = {
  spilled: ['spilledL'],
  /** What wells, mains and carts brought, and the loads that came. */
  brought: ['wellL', 'mainL', 'cartL', 'loads'],
  /** What was not met: short, and given up by the person's own rules of rationing, which is not short. */
  withheld: ['shortL', 'rationedL'],
} as const

export type Happening = keyof typeof DAY_FIGURES
export type DayFigure = (typeof DAY_FIGURES)[Happening][number]
export const HAPPENINGS = Object.keys(DAY_FIGURES) as Happening[]

/** A column of so many figures for each figure of a day. */
export function dayColumns(length: number): Record<DayFigure, Float64Array> {
  const names = HAPPENINGS.flatMap((happening): readonly DayFigure[] => DAY_FIGURES[happening])
  return Object.fromEntries(names.map(name => [name, new Float64Array(length)])) as Record<DayFigure, Float64Array>
}
