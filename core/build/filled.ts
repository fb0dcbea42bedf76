import { tanksOf, type Site } from '../site'

/** The task that lets water into a tank; all that its gate asks for comes before it. */
export const fillTask = (tank: string): string => `fill:${tank}`

/** True while water is still to be let into a tank for the first time. */
export function isToBeFilled(site: Site): boolean {
  const done = new Set(site.build?.done?.map(({ task }) => task))
  return tanksOf(site).some(({ id }) => !done.has(fillTask(id)))
}
