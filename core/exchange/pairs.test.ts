import { expect, it } from 'vitest'
import { readPairs, type Column } from './pairs'
import { whyNot } from '../answers'
import type { System } from '../units'

const CURVE: [Column, Column] = [
  { words: 'flow', kind: 'flow' },
  { words: 'head', kind: 'length' },
]
const read = (text: string, system: System = 'metric') => {
  const answer = readPairs(text, CURVE, system)
  if (!answer.ok) throw new Error(whyNot(answer))
  return answer.pairs
}
const why = (text: string) => {
  const answer = readPairs(text, CURVE, 'metric')
  return answer.ok ? 'read' : whyNot(answer)
}

it('reads bare figures, figures with units, and columns whose heading names the unit', () => {
  expect(read('0, 40\n0.5, 30')).toEqual([
    [0, 40],
    [0.5, 30],
  ])
  expect(read('8 gpm; 100 ft')[0]![0]).toBeCloseTo(0.5047, 3)
  expect(read('8 gpm; 100 ft')[0]![1]).toBeCloseTo(30.48, 6)
  expect(read('Flow (gpm),Head (ft)\n0,120\n8,100').map(([, head]) => head)).toEqual([36.576, 30.48])
  expect(read('0\t40\n0.5\t30\n')).toHaveLength(2)
})
it('says which line it cannot read, and what to type', () => {
  expect(why('')).toMatch(/nothing to read/)
  expect(why('0, 40\n0.5')).toMatch(/Line 2 holds 1 figures and not two/)
  expect(why('0, 40\nlots, 30')).toMatch(/Line 2, flow: /)
  expect(why('flow, head')).toMatch(/nothing below it/)
  expect(why(Array.from({ length: 501 }, (_, at) => `${at}, 1`).join('\n'))).toMatch(/at most 500/)
})
