import { LIFT_IDS, liftRow, type LiftedFrom, type LiftId } from '#core/catalog'

/** What a way of lifting is called, by where the water stands. */
export const liftName = (by: LiftId, from: LiftedFrom): string => liftRow(by).name[from] ?? by

/** Ways in which water that stands there can be lifted. */
export const liftsFrom = (from: LiftedFrom): { value: LiftId; name: string }[] =>
  LIFT_IDS.filter(by => liftRow(by).name[from]).map(value => ({ value, name: liftName(value, from) }))
