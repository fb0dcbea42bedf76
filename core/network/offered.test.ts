import { expect, it } from 'vitest'
import { partsOffered } from './offered'
import { applyMove, moveOf } from '../moves'
import { jointAt, mainAt, pipe, tankAt, tapAt, worksOf, type Works } from '../../tests/waterworks'
import type { NewPart } from '../kinds'

const pump: NewPart = { id: 'p', kind: 'pump', pump: 'jet', flowLps: 0.4, headM: 30 }
const site = (parts: NewPart[], from = 'tank', to = 'tee') => {
  const works: Works = {
    nodes: [tankAt('tank', 2), mainAt('main', 0, 300), jointAt('tee', 0), tapAt('tap', 1)],
    runs: [
      ['line', from, to, parts],
      ['house', 'tee', 'tap', [pipe(4)]],
    ],
  }
  return worksOf(works)
}
const missing = (of: ReturnType<typeof site>) =>
  partsOffered(of, of.runs[0]!).flatMap(({ part, missing: why }) => (why ? [part.kind] : []))

it('what is missing in a line stands first, and once it is fitted it is missing no more', () => {
  let now = site([pipe(2), pump, pipe(6)])
  expect(missing(now)).toEqual(['check', 'valve', 'union', 'flexible'])
  for (let times = 0; times < 4; times++) {
    const [first] = partsOffered(now, now.runs[0]!)
    const made = applyMove(
      now,
      moveOf('insertPart', {
        run: 'line',
        ...(first!.before ? { before: first!.before } : {}),
        part: { ...first!.part },
      }),
    )
    if (!made.ok) throw new Error('not fitted')
    now = made.site
  }
  expect(missing(now)).toEqual([])
  const kinds = now.runs[0]!.parts.map(({ kind }) => kind)
  expect(kinds[0]).toBe('valve')
  expect(kinds.indexOf('check')).toBeGreaterThan(kinds.indexOf('pump'))
  expect(kinds.indexOf('flexible')).toBe(kinds.indexOf('pump') - 1)
})
it('only what makes sense is offered: floats where a tank is filled, filters where somebody drinks', () => {
  const offered = (of: ReturnType<typeof site>) => partsOffered(of, of.runs[0]!).map(({ name }) => name)
  expect(offered(site([pipe(4)], 'main', 'tank.in'))[0]).toBe('float valve')
  expect(offered(site([pipe(4)], 'main', 'tank.in'))).not.toContain('carbon filter')
  expect(offered(site([pipe(4)]))).not.toContain('float valve')
  expect(offered(site([pipe(4)]))).toContain('ultraviolet lamp')
  expect(offered(site([pipe(4)]))).not.toContain('relief valve')
  const names = offered(site([pipe(2), pump, pipe(6)]))
  expect(new Set(names).size).toBe(names.length)
})
