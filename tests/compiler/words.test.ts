import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { saidIn } from '../../scripts/words.mjs'

/** Whoever reads the product's words over finds each where it stands. */
const lineOf = (path: string, words: string) =>
  readFileSync(path, 'utf8')
    .split('\n')
    .findIndex(line => line.includes(words)) + 1

describe('what the product can say', () => {
  it('is told of a program: sentences that are put together, with gaps for what is filled in', () => {
    const path = 'core/review/lift/taps.ts'
    const said = saidIn(path)
    expect(said).toContainEqual({
      line: lineOf(path, 'stands under ${pressure'),
      text: 'Shut, … stands under …: hoses burst and valves of machines wear out.',
    })
    expect(said.some(({ text }) => text.includes('defineCheck') || text.startsWith('../'))).toBe(false)
  })
  it('is told of a screen: its words and what it tells a screen reader, at their lines', () => {
    const path = 'app/steps/build/CutsNotes.vue'
    const said = saidIn(path)
    expect(said.find(({ text }) => text.startsWith('From middles, or the faces of walls'))?.line).toBeGreaterThan(
      lineOf(path, '<template>'),
    )
    expect(said).toContainEqual({ line: lineOf(path, 'No line has a pipe yet.'), text: 'No line has a pipe yet.' })
    const lines = said.map(({ line }) => line)
    expect(lines).toEqual(lines.toSorted((one, other) => one - other))
  })
})
