import { describe, expect, it } from 'vitest'
import { pumpControls } from './switches'
import { readStep } from './commands'
import { jointAt, mainAt, pipe, pressureTankAt, tankAt, tapAt, wellAt, worksOf } from '../../tests/waterworks'
import type { NewPart } from '../kinds'

describe('a step of a script', () => {
  it.each([
    [
      { atS: 5, tap: 't', to: 1 },
      { atS: 5, tap: 't', to: 1 },
    ],
    [
      { atS: 5, tap: 't', to: true },
      { atS: 5, tap: 't', to: 1 },
    ],
    [
      { atS: 5, tap: 't', to: 0.4 },
      { atS: 5, tap: 't', to: 0.4 },
    ],
    [
      { atS: 5, valve: 'v', to: 0 },
      { atS: 5, valve: 'v', to: false },
    ],
    [
      { atS: 5, power: false },
      { atS: 5, power: false, to: false },
    ],
    [
      { atS: 5, power: true, to: 0 },
      { atS: 5, power: true, to: false },
    ],
    [
      { atS: 5, main: 'm', to: false },
      { atS: 5, main: 'm', to: false },
    ],
    [
      { atS: 5, rainMmPerH: 20 },
      { atS: 5, rainMmPerH: 20 },
    ],
    [
      { atS: 5, rainMmPerH: true, to: 20 },
      { atS: 5, rainMmPerH: 20 },
    ],
    [
      { atS: 5, draw: 't', litres: 9 },
      { atS: 5, draw: 't', litres: 9 },
    ],
    [
      { atS: 5, fault: 'burst', at: 'r' },
      { atS: 5, fault: 'burst', at: 'r', to: 1 },
    ],
  ])('is read as people write it: %j', (given, step) => {
    expect(readStep(given)).toEqual({ ok: true, step })
  })
  it.each([
    [{ atS: -1, tap: 't', to: 1 }, 'atS'],
    [{ tap: 't', to: 1 }, 'atS'],
    [{ atS: 1, tap: 't' }, 'to'],
    [{ atS: 1, tap: 't', to: 1.5 }, 'to'],
    [{ atS: 1, tap: '', to: 1 }, 'tap'],
    [{ atS: 1, rainMmPerH: 5000 }, 'rainMmPerH'],
    [{ atS: 1, draw: 't', litres: 0 }, 'litres'],
    [{ atS: 1, fault: 'woe', at: 'r' }, 'fault'],
    [{ atS: 1 }, ''],
    ['rain', ''],
  ])('that is none says which field, and what it must be: %j', (given, path) => {
    const read = readStep(given)
    expect(read).toMatchObject({ ok: false, path })
    if (!read.ok) expect(read.why).toMatch(/^must/)
  })
})

describe('what switches a pump', () => {
  const pump = (kind: 'jet' | 'on-demand' | 'variable-speed', told: object = {}): NewPart =>
    ({ kind: 'pump', pump: kind, flowLps: 0.4, headM: 40, ...told }) as NewPart
  const switchOf = (part: NewPart, end: 'vessel' | 'tank.in' | 'tee') => {
    const site = worksOf({
      nodes: [wellAt('well', 8), pressureTankAt('vessel', 0), tankAt('tank', 5), jointAt('tee', 0), tapAt('tap', 1)],
      runs: [
        ['rise', 'well', end, [part, pipe(10)]],
        ['house', end === 'vessel' ? 'vessel' : 'tee', 'tap', [pipe(5)]],
      ],
    })
    return pumpControls(site)[0]!.is
  }
  it('is the pressure tank behind it, the tank that it fills, the flow, or a hand', () => {
    expect(switchOf(pump('jet'), 'vessel')).toMatchObject({ by: 'pressure', cutInKPa: 200, cutOutKPa: 300 })
    expect(switchOf(pump('on-demand'), 'tee')).toEqual({ by: 'flow' })
    expect(switchOf(pump('variable-speed'), 'vessel')).toEqual({ by: 'flow' })
    expect(switchOf(pump('jet'), 'tee')).toEqual({ by: 'hand' })
    expect(switchOf(pump('jet', { switchedBy: 'flow-switch' }), 'tee')).toEqual({ by: 'flow' })
  })
  it('fills a tank between the shares that its well’s rule names, and never past its float', () => {
    const level = switchOf(pump('jet'), 'tank.in')
    expect(level).toMatchObject({ by: 'level', tank: 'tank' })
    if (level.by !== 'level') return
    expect([level.startM, level.stopM]).toEqual([expect.closeTo(0.4, 6), expect.closeTo(1.6, 6)])
    const site = worksOf({
      nodes: [mainAt('m', 0, 200), tankAt('low', 0), tankAt('high', 5)],
      runs: [['up', 'low', 'high.in', [pump('jet'), pipe(10), { kind: 'float', boreMm: 20, dropM: 0.5 }]]],
    })
    const [{ is }] = pumpControls(site) as [ReturnType<typeof pumpControls>[number]]
    expect(is.by === 'level' && is.stopM).toBeCloseTo(1.39, 6)
  })
})
