import { expect, it } from 'vitest'
import { weigh, weighStages } from '.'
import { dailySeries } from '../climate'
import { moveOf } from '../moves'
import { demoSite } from '../../tests/demoSites'
import { build } from '../../tests/sites'

it('a stage stands as a plan of its own: the last is the plan, and one without its roof’s tank holds out shorter', () => {
  const plan = demoSite('brindle-yard')
  const site = build(
    plan,
    moveOf('addStage', { name: 'Next year' }),
    moveOf('putInStage', { ids: ['tank-1'], stage: 'stage-2' }),
  )
  const series = dailySeries(site)
  const [first, last] = weighStages(site, series)
  expect(last).toEqual(weigh({ ...plan, options: [] }, series))
  expect(first!.nominalL).toBeLessThan(last!.nominalL)
  expect(first!.shortDays).toBeGreaterThan(last!.shortDays)
})
