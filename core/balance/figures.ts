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

export type DayEvent = keyof typeof DAY_FIGURES
export type DayFigure = (typeof DAY_FIGURES)[DayEvent][number]
export const DAY_EVENTS = Object.keys(DAY_FIGURES) as DayEvent[]

/** A column of so many figures for each figure of a day. */
export function dayColumns(length: number): Record<DayFigure, Float64Array> {
  const column = () => new Float64Array(length)
  return {
    spilledL: column(),
    wellL: column(),
    mainL: column(),
    cartL: column(),
    loads: column(),
    shortL: column(),
    rationedL: column(),
  }
}

/** Columns by what must happen before they are written in, so that the days' loops need not look them up by name. */
export type Happened = Record<DayEvent, Float64Array[]>
export const byHappening = (columns: Record<DayFigure, Float64Array>): Happened => ({
  spilled: DAY_FIGURES.spilled.map(figure => columns[figure]),
  brought: DAY_FIGURES.brought.map(figure => columns[figure]),
  withheld: DAY_FIGURES.withheld.map(figure => columns[figure]),
})
