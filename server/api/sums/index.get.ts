import { defineEventHandler } from 'h3'
import { SUMS } from '#core/sums'

/** The sums there are. */
export default defineEventHandler(() =>
  SUMS.map(({ name, purpose, formula, source }) => ({ name, purpose, formula, source })),
)
