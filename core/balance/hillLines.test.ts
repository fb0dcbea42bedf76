import { expect, it } from 'vitest'
import { blank, build, plainTank, rainDays } from '../../tests/sites'
import { massErrorL, simulate } from './simulate'
import { compile } from './compile'
import { moveOf } from '../moves'

/** A yard's tank and one on a hill above it, which serves a use by its fall; a pump lifts water up. */
const hill = (line: 'over' | 'fills-and-feeds') =>
  build(
    plainTank(plainTank(blank(), 'Yard'), 'Hill'),
    moveOf('setHeight', { node: 'tank-2', baseM: 15 }),
    moveOf('addUse', { preset: 'washdown', tank: 'tank-2' }),
    moveOf('liftUp', { from: 'tank-1', tank: 'tank-2', by: 'jet', line }),
  )

it.each(['over', 'fills-and-feeds'] as const)('a hill tank is filled and drawn, by %s', line => {
  const site = hill(line)
  const run = simulate(compile(site), rainDays(...Array<number>(12).fill(0)), { startL: [900, 0] })
  // 60 L a day come of what was lifted; the hill tank is kept full while the yard has water.
  expect([...run.shortByUseL].every(short => short < 1e-6)).toBe(true)
  expect(Math.abs(massErrorL(run))).toBeLessThan(1e-6)
  // 900 less twelve days of 60: all that is left stands on the hill.
  expect(run.poolL.at(-1)).toBeCloseTo(180)
})
