import { expect, it } from 'vitest'
import { breakLoss } from '.'
import { mainAt, outfallAt, pipe, tankAt, tapAt, worksOf } from '../../tests/waterworks'
import type { NewPart } from '../kinds'

const valve: NewPart = { id: 'v', kind: 'valve', boreMm: 25, open: true }
const works = (parts: NewPart[]) =>
  worksOf({
    nodes: [tankAt('tank', 3), tapAt('tap', 0), mainAt('main', 0, 300), tapAt('other', 1), outfallAt('ditch', 0)],
    runs: [
      ['line', 'tank', 'tap', parts],
      ['street', 'main', 'other', [pipe(20, 20)]],
      ['over', 'tank.overflow', 'ditch', [pipe(4, 50)]],
    ],
  })

it('a burst line loses what stands over it, and no more; the valve before it would have stopped it', () => {
  const site = works([valve, pipe(10, 25)])
  const { litres, dryAfterH, stoppedBy, flowLps } = breakLoss(site, 'line', 12)
  // The tank stands full to its overflow, 1.8 m over the hole at its floor.
  expect(litres).toBeCloseTo(1800, -1)
  expect(dryAfterH).toBeLessThan(2)
  expect(flowLps).toBeGreaterThan(1)
  expect(stoppedBy).toEqual([{ runId: 'line', partId: 'v' }])
  const { stoppedBy: none } = breakLoss(works([pipe(10, 25)]), 'line', 1)
  expect(none).toEqual([])
})
it('a link between two tanks that bursts is stopped by both its valves, one on either side', () => {
  const other: NewPart = { id: 'w', kind: 'valve', boreMm: 25, open: true }
  const pair = worksOf({
    nodes: [tankAt('a', 1), tankAt('b', 1)],
    runs: [['link', 'a', 'b', [valve, pipe(6, 25), other]]],
  })
  const { stoppedBy, flowLps } = breakLoss(pair, 'link', 1)
  expect(flowLps).toBeGreaterThan(1)
  expect(stoppedBy.map(({ partId }) => partId).sort()).toEqual(['v', 'w'])
})
it('a main loses as long as nobody comes, twice as much in twice the time', () => {
  const site = works([valve, pipe(10, 25)])
  const [one, two] = [breakLoss(site, 'street', 2), breakLoss(site, 'street', 4)]
  expect(one.dryAfterH).toBeUndefined()
  expect(two.litres / one.litres).toBeCloseTo(2, 3)
  expect(one.litres).toBeCloseTo(one.flowLps * 7200, 0)
})
it('a torn tank loses what stands over the hole', () => {
  expect(breakLoss(works([valve, pipe(10, 25)]), 'tank', 6).litres).toBeCloseTo(1750, -1)
})
