import { afterAll, beforeAll, describe, expect, it, vi } from 'vitest'
import { affordable, affordPlay } from '../../server/jobs/cost'
import { Refused } from '../../server/lib/refused'
import { largeYard } from '../largeYard'
import type { Site } from '../../core/site'

/** What is let in is finished; what would take too long is refused before any of it is begun. */
const yard = largeYard(20, 20)
const crowd = (places: number): Site => ({
  ...yard,
  nodes: Array.from({ length: places }, (_, at) => ({ ...yard.nodes[at % yard.nodes.length]!, id: `place-${at}` })),
})
const refusalOf = async (act: () => unknown) => {
  try {
    await act()
  } catch (error) {
    if (error instanceof Refused) return { status: error.status, ...error.problems[0]! }
    throw error
  }
  return undefined
}
/** Nobody waits for the clock: it is turned. */
beforeAll(() => void vi.useFakeTimers({ toFake: ['performance'] }))
afterAll(() => void vi.useRealTimers())
const busyFor = (ms: number) => void vi.advanceTimersByTime(ms)

describe('work that grows with a site', () => {
  it('is done where it is little, and refused where it is much, before it is begun', async () => {
    expect(await affordable('built', crowd(100), () => 'done')).toBe('done')
    let begun = false
    const refusal = await refusalOf(() => affordable('review', crowd(15_000), () => (begun = true)))
    expect(begun).toBe(false)
    expect(refusal).toMatchObject({ status: 422, path: 'site.nodes' })
    expect(refusal!.sentence).toMatch(/would take about 60 seconds, and a request may take 40/)
  })
  it('is reckoned by how quick the machine was the last time, and never as hopeless', async () => {
    const asked = (places: number) => refusalOf(() => affordable('today', crowd(places), () => busyFor(940)))
    expect(await asked(3000)).toBeUndefined()
    // 940 ms for 60 places is twice what a middling machine takes, which needs 40 s for 8000.
    expect(await asked(60)).toBeUndefined()
    expect((await asked(8000))?.sentence).toMatch(/about (80|81) seconds/)
    // Ten times slower yet: it is taken to be four times as slow as a middling machine, and no more.
    await refusalOf(() => affordable('today', crowd(50), () => busyFor(5000)))
    expect(await asked(1900)).toBeUndefined()
  })
})

describe('a plant that is played', () => {
  const played: number[] = []
  const takes = (msADay: number) => (seconds: number) => {
    played.push(seconds)
    busyFor((msADay * seconds) / 86400)
  }
  it('is looked at twice where it seems too much, and not at all where it is little', async () => {
    played.length = 0
    affordPlay(yard, 3600, takes(1e6))
    expect(played).toEqual([])
    affordPlay(crowd(100), 30 * 86400, takes(500))
    expect(played).toHaveLength(1)
    const refusal = await refusalOf(() => affordPlay(crowd(100), 30 * 86400, takes(3000)))
    expect(played).toHaveLength(3)
    expect(refusal).toMatchObject({ status: 422, path: 'seconds' })
    expect(refusal!.sentence).toMatch(/about (90|9\d) seconds/)
  })
})
