import { expect, it } from 'vitest'
import { blank, build, plainTank, rainDays } from '../../tests/sites'
import { massErrorL, simulate } from './simulate'
import { compile } from './compile'
import { moveOf, setField } from '../moves'
import { peakSunHours } from '../network'
import type { Site } from '../site'
import type { NodeOf } from '../kinds'

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

it('a pump that cannot lift so high delivers nothing, and the use on the hill goes short', () => {
  const site = hill('over')
  const pump = site.runs.flatMap(run => run.parts).find(part => part.kind === 'pump')!
  const weak = build(site, setField('part', pump.id, 'headM', 5))
  const run = simulate(compile(weak), rainDays(...Array<number>(5).fill(0)), { startL: [900, 0] })
  expect(run.poolL.at(-1)).toBe(0)
  expect([...run.shortByUseL].every(short => short === 60)).toBe(true)
})

/** Litres that the first line between tanks brings at most in a day of each month. */
const firstLineL = (site: Site): number[] => {
  const { transfers, limits } = compile(site)
  return limits[transfers[0]!.limits[0]!]!.mostL
}

it('a solar pump delivers in a day what that month’s sun lets it, and a main what its line passes', () => {
  const sunny = build(hill('over'), moveOf('liftUp', { from: 'tank-1', tank: 'tank-2', by: 'solar', line: 'over' }))
  const [allDayL] = firstLineL(hill('over'))
  const bySunL = firstLineL(sunny)
  const sun = peakSunHours(sunny)
  expect(Math.max(...bySunL)).toBeLessThan(allDayL! / 2)
  bySunL.forEach((litres, month) => expect(litres / bySunL[0]!).toBeCloseTo(sun[month]! / sun[0]!, 9))
  const main = build(plainTank(blank(), 'A'), moveOf('addSource', { kind: 'main', tank: 'tank-1' }))
  const pipe = main.runs.flatMap(run => run.parts).find(part => part.kind === 'pipe' && part.innerDiameterMm === 20)!
  const rule = { ...(main.nodes.find(node => node.kind === 'main') as NodeOf<'main'>).rule, mostLPerDay: 1e6 }
  const open = build(main, setField('node', 'main-1', 'rule.mostLPerDay', rule.mostLPerDay))
  const thin = build(open, setField('part', pipe.id, 'innerDiameterMm', 5))
  expect(compile(open).topUps[0]!.mostL).toBeLessThan(1e6)
  expect(compile(thin).topUps[0]!.mostL).toBeLessThan(compile(open).topUps[0]!.mostL / 5)
})
