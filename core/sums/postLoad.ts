import { z } from 'zod'
import { defineSum, digits, output, positive, within } from './sum'
import { GRAVITY } from './constants'

export interface PostLoadInput {
  massKg: number
  posts: number
  footingAreaM2: number
}

/** What each post of a stand carries, and how hard its footing presses on the ground, the load shared evenly. */
export function postLoad({ massKg, posts, footingAreaM2 }: PostLoadInput): { postLoadKn: number; pressureKPa: number } {
  const postLoadKn = (massKg * GRAVITY) / 1000 / posts
  return { postLoadKn, pressureKPa: postLoadKn / footingAreaM2 }
}

export const postLoadSum = defineSum({
  name: 'post-load',
  purpose: 'Load on each post of a stand, and under its footing',
  formula: 'F = m g / n;  p = F / A',
  source: 'even share; a stand on uneven ground or in the wind loads its posts unevenly, which an engineer reckons',
  input: z.strictObject({
    massKg: positive(1e7),
    posts: within(1, 1000).int('must be a whole number'),
    footingAreaM2: positive(1e4),
  }),
  output: output('postLoadKn', 'pressureKPa'),
  examples: [{ massKg: 1100, posts: 4, footingAreaM2: 0.09 }],
  solve(input) {
    const result = postLoad(input)
    return {
      result,
      working: [
        {
          symbol: 'F',
          expression: `${digits(input.massKg)} × 9.80665 / 1000 / ${digits(input.posts)}`,
          value: result.postLoadKn,
          unit: 'kN',
        },
        {
          symbol: 'p',
          expression: `${digits(result.postLoadKn)} / ${digits(input.footingAreaM2)}`,
          value: result.pressureKPa,
          unit: 'kPa',
        },
      ],
    }
  },
})
