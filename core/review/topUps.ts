import { defineCheck, type Finding } from './finding'
import { percent, say, volume } from '../words'
import { moveOf } from '../moves'
import { keptBackL } from '../balance'

/** A trigger is set this far, as a share of the tank, above what nothing can draw. */
const ABOVE_DEAD_SHARE = 0.05

export const topUpTooLow = defineCheck({
  id: 'top-up-too-low',
  step: 'store',
  needs: ['compiled'],
  sound: 'Wells, mains and carts come before the tank is drawn out',
  find: ({ compiled }) =>
    compiled.topUps.flatMap(({ kind, index, pool, startL }): Finding[] => {
      const { capL, name, tanks } = compiled.pools[pool]!
      const keptL = keptBackL(compiled, pool)
      // A tank that nothing draws from never falls, and that is told elsewhere.
      if (keptL >= capL - 1 || startL >= keptL) return []
      const source =
        kind === 'well'
          ? compiled.wells[index]!
          : kind === 'main'
            ? compiled.mains[index]!
            : { id: tanks.find(tank => tank.carted)!.id, name: 'The cart' }
      const startShare = Math.min(1, Math.ceil((keptL / capL + ABOVE_DEAD_SHARE) * 100) / 100)
      return [
        {
          id: `top-up-too-low:${source.id}`,
          check: 'top-up-too-low',
          severity: 'wrong',
          subject: { kind: 'node', id: source.id, name: source.name },
          sentence: say`${source.name} never comes: ${name} is drawn out before it falls to where that begins.`,
          why: say`It begins at ${volume(startL)}, ${percent(startL / capL)} of what ${name} holds, and
            ${volume(keptL)} of it cannot be drawn.`,
          numbers: { startL, keptL },
          mend: {
            label: say`Let it begin at ${percent(startShare)}`,
            move: moveOf('setTrigger', { source: source.id, startShare }),
          },
        },
      ]
    }),
})
