/** Velocity heads at a line's ends and turns; usual values of the hydraulic handbooks. Those of parts stand in their kinds. */
export const FITTING_K = {
  entry: 0.5,
  exit: 1,
  elbow: 0.9,
  /** Water of a branch that turns into a line, and water that goes straight past it. */
  sweptTee: { turn: 0.75, past: 0.3 },
  straightTee: { turn: 1.8, past: 0.5 },
}
export const TEES = ['swept', 'straight'] as const
export type TeeId = (typeof TEES)[number]
/**
 * Share of the water rushing past a full chamber that a tee throws down into it, stirring up what lies there, where
 * no ball shuts it.
 */
export const TEE_STRAY: Record<TeeId, number> = { swept: 0.02, straight: 0.06 }
