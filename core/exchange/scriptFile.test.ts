import { expect, it } from 'vitest'
import { readScript, writeScript } from './scriptFile'
import { play, scriptOf } from '../plant'
import { demoSite } from '../../tests/demoSites'

it('a script comes back from its file as it was, and plays the very same', () => {
  const site = demoSite('brindle-yard')
  const script = scriptOf(site, 'power-cut')
  const read = readScript(writeScript(script))
  expect(read).toEqual({ ok: true, script })
  if (!read.ok) return
  const course = (of: typeof script) => play(site, { seconds: of.seconds, start: of.start, script: of.steps })
  expect(JSON.stringify(course(read.script))).toBe(JSON.stringify(course(script)))
})
it.each([
  ['', 'empty'],
  ['{}', 'no script'],
  ['{"format":"tall-cask/site"}', 'no script'],
  [
    JSON.stringify({ format: 'tall-cask/script', version: 1, name: 'x', seconds: -1, seed: 1, start: {}, steps: [] }),
    'seconds',
  ],
  [
    JSON.stringify({
      format: 'tall-cask/script',
      version: 1,
      name: 'x',
      seconds: 9,
      seed: 1,
      start: {},
      steps: [{ atS: 1 }],
    }),
    'Step 1',
  ],
])('what is none says why: %s', (text, why) => {
  const read = readScript(text)
  expect(read.ok ? '' : read.why).toContain(why)
})
