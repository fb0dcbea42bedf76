import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { newLines } from '.'
import type { LogReading } from '../kinds'

const line = fc.record({
  id: fc.constantFrom('a', 'b', 'c', 'd'),
  at: fc.constantFrom('2027-01-01', '2027-01-02'),
  kind: fc.constantFrom('rain' as const, 'note'),
  value: fc.constantFrom(1, 2),
})
/** The same by hand, line against line. */
function byHand(log: readonly LogReading[], brought: readonly LogReading[]): number {
  const all = [...log]
  for (const next of brought) {
    const same = (one: LogReading) => one.at === next.at && one.kind === next.kind
    if (all.some(one => same(one) && one.value === next.value)) continue
    if (log.some(one => one.id === next.id && same(one))) continue
    all.push(next)
  }
  return all.length - log.length
}

describe('lines that are brought to a log', () => {
  it('are those that it does not hold, each under an id of its own, whatever was asked before', () => {
    fc.assert(
      fc.property(fc.array(line), fc.array(line), fc.array(line), (first, second, third) => {
        let log: LogReading[] = []
        for (const brought of [first, second, third]) {
          const fresh = newLines(log, brought)
          expect(fresh).toHaveLength(byHand(log, brought))
          log = [...log, ...fresh]
          expect(new Set(log.map(({ id }) => id)).size).toBe(log.length)
          expect(newLines(log, brought)).toEqual([])
        }
        // A log that is not the last one's is looked at anew.
        expect(newLines([], first)).toHaveLength(byHand([], first))
      }),
    )
  })
})
