import type { Tank } from '../site'

/** How far a floating intake may swing in a tank: its hose keeps to its own half where a float valve hangs on the other side. */
export function floatIntakeReachM({ shape }: Tank): { acrossM: number, clearM: number } {
  const acrossM = shape.shape === 'box' ? Math.max(shape.lengthM, shape.widthM) : shape.shape === 'lying-cylinder' ? shape.lengthM : shape.diameterM
  return { acrossM, clearM: Math.round(acrossM * 0.6 * 100) / 100 }
}
