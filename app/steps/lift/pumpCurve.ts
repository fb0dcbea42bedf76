import type { useSite } from '~/stores/site'
import { moveOf } from '#core/moves'
import type { PartOf } from '#core/kinds'

export type Pump = PartOf<'pump'>

/** Gives a pump the points of its plate; none go back to the curve of its kind. */
export const storeCurve = (
  store: ReturnType<typeof useSite>,
  pump: Pump,
  points: readonly (readonly [number, number])[],
): string | undefined =>
  store.make(moveOf('giveCurve', { part: pump.id, points: points.map(([flowLps, headM]) => ({ flowLps, headM })) }))
