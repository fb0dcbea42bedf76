import { defineCheck, type Finding } from './finding'
import { percent, say, volume } from '../words'
import { moveOf } from '../moves'
import { sum } from 'd3-array'
import { keptBackL, SHORT_SHARE, simulate, type Compiled, type DailyRun } from '../balance'

/** A trigger is set this far, as a share of the tank, above what nothing can draw. */
const ABOVE_DEAD_SHARE = 0.05

/** The lowest trigger at which a group still has something to draw when its top-up comes, of what it holds. */
const leastShare = (compiled: Compiled, pool: number): number =>
  Math.min(1, Math.ceil((keptBackL(compiled, pool) / compiled.pools[pool]!.capL + ABOVE_DEAD_SHARE) * 100) / 100)

export const topUpTooLow = defineCheck({
  id: 'top-up-too-low',
  step: 'store',
  harms: 'people',
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
      const startShare = leastShare(compiled, pool)
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

/** What is bought for nothing is told from so many litres a year on, and so much of what is bought. */
const [LEAST_SAVED_L, LEAST_SAVED_SHARE] = [200, 0.2]
/** A lower trigger may cost so many short days a year. */
const MOST_DAYS_LOST = 0.5

const yearsIn = ({ days }: DailyRun) => days / 365.25
const yearly = (run: DailyRun, of: 'mainL' | 'spilledL') => sum(run[of]) / yearsIn(run)
const shortDays = (run: DailyRun) =>
  run.shortL.reduce((days, litres, day) => days + (litres > run.askedL[day]! * SHORT_SHARE ? 1 : 0), 0) / yearsIn(run)

export const topUpTooHigh = defineCheck({
  id: 'top-up-too-high',
  step: 'store',
  harms: 'cost',
  needs: ['compiled', 'days', 'series'],
  sound: 'Mains leave the rain its room',
  find: ({ compiled, days, series }) =>
    compiled.topUps.flatMap(({ kind, index, pool, startL }, line): Finding[] => {
      const { capL, name } = compiled.pools[pool]!
      const [boughtL, spilledL] = [yearly(days, 'mainL'), yearly(days, 'spilledL')]
      const startShare = leastShare(compiled, pool)
      const isRoofed = compiled.caught.some(each => each.pool === pool)
      if (kind !== 'main' || !isRoofed || startShare * capL >= startL) return []
      if (Math.min(boughtL, spilledL) < LEAST_SAVED_L) return []
      const lower = compiled.topUps.map((each, at) =>
        at === line ? { ...each, startL: startShare * capL, stopL: startShare * capL } : each,
      )
      const then = simulate({ ...compiled, topUps: lower }, series)
      const savedL = boughtL - yearly(then, 'mainL')
      if (savedL < Math.max(LEAST_SAVED_L, LEAST_SAVED_SHARE * boughtL)) return []
      if (shortDays(then) > shortDays(days) + MOST_DAYS_LOST) return []
      const main = compiled.mains[index]!
      return [
        {
          id: `top-up-too-high:${main.id}`,
          check: 'top-up-too-high',
          severity: 'look',
          subject: { kind: 'node', id: main.id, name: main.name },
          sentence: say`${main.name} leaves the rain no room in ${name}: ${volume(savedL)} a year are bought that the
            roof would have brought.`,
          why: say`It keeps ${name} at ${percent(startL / capL)}. In a mean year it brings ${volume(boughtL)} while
            ${volume(spilledL)} spill. From ${percent(startShare)} on it would bring ${volume(boughtL - savedL)}.`,
          numbers: { boughtL, spilledL, savedL, startL },
          mend: {
            label: say`Let it begin at ${percent(startShare)}, and buy ${volume(savedL)} less`,
            move: moveOf('setTrigger', { source: main.id, startShare }),
          },
        },
      ]
    }),
})
