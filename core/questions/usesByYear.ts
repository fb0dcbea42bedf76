import type { YearFigures } from '../balance'

/** What each use had in each year, as one column: many thousand small objects would hold the page as they arrive. */
export interface UsesByYear {
  ids: string[]
  names: string[]
  /** A row a year and use, in the order of `FIGURES`. */
  figures: Float64Array
}
type Uses = YearFigures['uses']
const FIGURES = [
  'askedL',
  'metL',
  'rationedL',
  'shortDays',
  'longestShortDays',
] as const satisfies (keyof Uses[number])[]

export function packUses(years: readonly YearFigures[]): UsesByYear {
  const first = years[0]?.uses ?? []
  return {
    ids: first.map(({ id }) => id),
    names: first.map(({ name }) => name),
    figures: Float64Array.from(years.flatMap(({ uses }) => uses.flatMap(use => FIGURES.map(figure => use[figure])))),
  }
}

/** What each use had in one of the years. */
export const usesIn = ({ ids, names, figures }: UsesByYear, year: number): Uses =>
  ids.map((id, use) => {
    const row = (year * ids.length + use) * FIGURES.length
    const figure = (name: (typeof FIGURES)[number]): number => figures[row + FIGURES.indexOf(name)]!
    return {
      id,
      name: names[use]!,
      askedL: figure('askedL'),
      metL: figure('metL'),
      rationedL: figure('rationedL'),
      shortDays: figure('shortDays'),
      longestShortDays: figure('longestShortDays'),
    }
  })
