import { afterAll, beforeAll, expect, it, vi } from 'vitest'
import { clock, nowMs } from '../../server/devices/clock'

/** The clock of the outside world, whenever somebody first looks at it. */
beforeAll(() => void vi.useFakeTimers())
afterAll(() => {
  clock.change({ at: new Date().toISOString(), rate: 1 })
  vi.useRealTimers()
})
const MINUTES_MS = 60_000

it('runs with ours from the beginning, and not from when it is first looked at', () => {
  vi.setSystemTime(Date.now() + 40 * MINUTES_MS)
  expect(Math.abs(nowMs() - Date.now())).toBeLessThan(1000)
})
it('once it is turned runs on from there at its own speed', () => {
  expect(clock.change({ at: '2030-01-01T00:00:00Z', rate: 60 }).ok).toBe(true)
  vi.setSystemTime(Date.now() + MINUTES_MS)
  expect(nowMs()).toBe(Date.parse('2030-01-01T01:00:00Z'))
})
