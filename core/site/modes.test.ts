import { expect, it } from 'vitest'
import { inMode } from './modes'
import { pipe, tankAt, tapAt, worksOf } from '../../tests/waterworks'
import type { NewPart } from '../kinds'

it('a mode turns the valves it names, and leaves the document and all other valves as they are', () => {
  const valve = (id: string, open: boolean): NewPart => ({ id, kind: 'valve', boreMm: 25, open })
  const site = worksOf({
    nodes: [tankAt('a', 2), tapAt('t', 1)],
    runs: [['r', 'a', 't', [valve('one', true), pipe(5), valve('two', false)]]],
  })
  const mode = { id: 'm', name: 'Winter', positions: [{ part: 'one', open: false }] }
  const turned = inMode(site, mode)
  const opens = (of: typeof site) => of.runs[0]!.parts.flatMap(part => (part.kind === 'valve' ? [part.open] : []))
  expect(opens(turned)).toEqual([false, false])
  expect(opens(site)).toEqual([true, false])
  expect(inMode(site, mode).runs).toBe(turned.runs)
})
