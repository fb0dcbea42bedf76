import { perVelocityHead, pipeLaw, squareLaw, type Law } from './laws'
import { headOfPressureM } from '../../sums'
import { TREATMENT_LOSS } from '../../catalog'
import { boreOfPart, kOf, type Part } from '../../kinds'

/** What a part takes that is no pump; nothing where its kind takes nothing. */
export function lawOf(part: Part, pipeMm: number, waterTemperatureC: number): Law | undefined {
  if (part.kind === 'pipe') return pipeLaw(part, waterTemperatureC)
  if (part.kind === 'pump') return undefined
  if (part.kind === 'filter' || part.kind === 'lamp') {
    const usual =
      part.kind === 'lamp' ? { ...TREATMENT_LOSS.lamp, ratedLps: part.ratedLps } : TREATMENT_LOSS[part.medium]
    const { ratedLps = usual.ratedLps, lossKPaAtRated = usual.lossKPaAtRated } = part
    return squareLaw(headOfPressureM(lossKPaAtRated) / ratedLps ** 2)
  }
  const size = kOf(part) * perVelocityHead(ownBoreMm(part) ?? pipeMm)
  // What a worn check leaves open is a narrow hole to what comes back.
  if (part.kind === 'check' && part.passesShare)
    return squareLaw(size, Math.max(size, perVelocityHead(part.boreMm)) / part.passesShare ** 2)
  return size ? squareLaw(size) : undefined
}

/** The bore that a fitting’s k is of: a reducer’s is its narrow side. */
const ownBoreMm = (part: Part): number | undefined =>
  part.kind === 'reducer' ? Math.min(part.fromMm, part.toMm) : boreOfPart(part)
