import { z } from 'zod'
import { cutList } from '#core/build'
import { refused } from '../lib/refused'
import { argsIn } from './asked'

const metres = (most: number) =>
  z
    .array(
      z.number('must be metres').positive('must be more than 0').max(1000, 'must be at most 1000'),
      'must be a list of metres',
    )
    .max(most, `must hold at most ${most} lengths`)
const askedSchema = z.strictObject({
  piecesM: metres(500),
  stockM: metres(20).min(1, 'must hold at least one length that is sold'),
  kerfMm: z.number('must be millimetres').min(0, 'must be at least 0').max(50, 'must be at most 50').default(3),
})

/** Pieces laid out on stock lengths: `{ piecesM, stockM, kerfMm }`. */
export function cutsJob(json: unknown) {
  const asked = argsIn(askedSchema, json)
  const { piecesM, stockM, kerfMm } = asked
  const longest = Math.max(...stockM)
  const long = piecesM.findIndex(piece => piece > longest + 1e-9)
  if (long >= 0)
    throw refused(
      422,
      `piecesM.${long}: ${piecesM[long]} m is longer than every length that is sold, ${longest} m.`,
      `piecesM.${long}`,
    )
  return cutList(piecesM, stockM, kerfMm)!
}
