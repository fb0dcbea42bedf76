import { describe, expect, it } from 'vitest'
import { drinkingFaults } from '.'
import { pipe, pressureTankAt, tankAt, tapAt, wellAt, worksOf } from '../../tests/waterworks'
import type { NewPart } from '../kinds'

const filter = (ratingUm: number, medium = 'sediment'): NewPart => ({ kind: 'filter', ratingUm, medium }) as NewPart
const lamp = (told: object = {}): NewPart => ({ kind: 'lamp', ratedLps: 0.6, sensor: true, ...told }) as NewPart
const [fine, coarse, carbon] = [filter(5), filter(50), filter(10, 'carbon')]
const screen: NewPart = { kind: 'screen', meshMm: 0.5 }
const check: NewPart = { kind: 'check', boreMm: 25 }
const site = (...parts: NewPart[]) =>
  worksOf({ nodes: [tankAt('tank', 10), tapAt('tap', 1)], runs: [['line', 'tank', 'tap', parts]] })
const faultOf = (...parts: NewPart[]) => drinkingFaults(site(...parts), 'tap')[0]?.fault

describe('fit to drink', () => {
  it('is a fine filter, carbon, a lamp with its sensor, and behind it pipe and checks alone', () => {
    expect(faultOf(fine, carbon, pipe(3), lamp(), check, pipe(2))).toBeUndefined()
    expect(faultOf(carbon, fine, lamp())).toBeUndefined()
  })
  it.each([
    ['no-fine-filter', [coarse, carbon, lamp()]],
    ['no-lamp', [fine, carbon]],
    ['no-sensor', [fine, carbon, lamp({ sensor: false })]],
    ['lamp-first', [carbon, lamp(), fine]],
    ['no-carbon', [fine, lamp()]],
    ['carbon-last', [fine, lamp(), carbon]],
    ['lamp-too-small', [fine, carbon, lamp({ ratedLps: 0.05 })]],
    ['behind-lamp', [fine, carbon, lamp(), screen]],
  ] as const)('says %s where that is the first thing wanting', (fault, parts) => {
    expect(faultOf(...parts, pipe(2))).toBe(fault)
  })
  it('a store behind the lamp undoes it; and every way to the tap must be so', () => {
    const stored = worksOf({
      nodes: [tankAt('tank', 10), pressureTankAt('vessel', 1), tapAt('tap', 1)],
      runs: [
        ['line', 'tank', 'vessel', [fine, carbon, lamp(), pipe(2)]],
        ['rest', 'vessel', 'tap', [pipe(2)]],
      ],
    })
    expect(drinkingFaults(stored, 'tap')[0]?.fault).toBe('behind-lamp')
    const two = worksOf({
      nodes: [tankAt('tank', 10), wellAt('well', 2), tapAt('tap', 1)],
      runs: [
        ['line', 'tank', 'tap', [fine, carbon, lamp(), pipe(2)]],
        ['other', 'well', 'tap', [{ kind: 'pump', pump: 'submersible', flowLps: 0.3, headM: 30 }, pipe(2)]],
      ],
    })
    expect(drinkingFaults(two, 'tap').map(({ fault, path }) => [path.runs[0]!.id, fault])).toEqual([
      ['other', 'no-fine-filter'],
    ])
  })
})
