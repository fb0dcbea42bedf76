import { expect } from 'vitest'
import { worksOf, type Works } from './waterworks'
import { steady, type MomentSetting } from '../core/network'

/** Lines solved at a moment, as closely as they must be. */
export function solved(works: Works, asked: MomentSetting = {}) {
  const answer = steady(worksOf(works), asked)
  expect(answer.converged, answer.trouble).toBe(true)
  expect(answer.residuals.continuityLps).toBeLessThan(1e-6)
  expect(answer.residuals.energyM).toBeLessThan(1e-4)
  return answer
}
export const flow = (works: Works, run: string, asked: MomentSetting = {}) => solved(works, asked).runs[run]!.flowLps
