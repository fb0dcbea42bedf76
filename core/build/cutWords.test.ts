import { expect, it } from 'vitest'
import { cutWords } from './cutWords'

it.each([
  [1.8183, 'metric', '1818 mm'],
  [0.3048, 'us', '1 ft'],
  [1.8183, 'us', '5 ft 11 9/16 in'],
  [0.0127, 'us', '1/2 in'],
  [0.0254, 'imperial', '1 in'],
  [0, 'us', '0 in'],
] as const)('%s m is read off a rule as it is marked there', (metres, system, words) => {
  expect(cutWords(metres, system)).toBe(words)
})
