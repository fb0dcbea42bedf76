import { describe, expect, it, vi } from 'vitest'
import fc from 'fast-check'
import { PATIENCE_MS, schedulerOf } from './scheduler'
import { RANKS, type Rank } from '#core/questions'

/** Lets everything go on that can. */
const settled = () => new Promise(done => setTimeout(done))

/** Work that ends when a test lets it; what has begun stands in the list, in that order. */
function working(most: number) {
  const scheduler = schedulerOf(most)
  const begun: string[] = []
  const ends = new Map<string, () => void>()
  const work = (name: string, rank: Rank) =>
    scheduler.inTurn(rank, () => {
      begun.push(name)
      return new Promise<void>(end => ends.set(name, end))
    })
  return { work, begun, end: (name: string) => ends.get(name)!(), scheduler }
}

describe('turns', () => {
  it('go to the most urgent of those that wait, and of these to the first', async () => {
    const { work, begun, end } = working(1)
    for (const [at, rank] of (['years', 'drawing', 'figures', 'drawing'] as const).entries())
      void work(`${at} ${rank}`, rank)
    for (let ended = 0; ended < 4; ended++) {
      await settled()
      expect(begun).toHaveLength(ended + 1)
      end(begun.at(-1)!)
    }
    expect(begun).toEqual(['0 years', '2 figures', '1 drawing', '3 drawing'])
  })
  it('keep nobody waiting for what is aside, which begins once the others have ended', async () => {
    const { work, begun, end } = working(1)
    void work('figures', 'figures')
    void work('sizes', 'aside')
    await settled()
    expect(begun).toEqual(['figures'])
    end('figures')
    await settled()
    void work('more figures', 'figures')
    await settled()
    expect(begun).toEqual(['figures', 'sizes', 'more figures'])
  })
  it('keep the others waiting for so long and no longer', async () => {
    vi.useFakeTimers()
    const { work, begun, end } = working(1)
    void work('broken down', 'figures')
    void work('drawing', 'drawing')
    await vi.advanceTimersByTimeAsync(PATIENCE_MS - 1)
    expect(begun).toEqual(['broken down'])
    await vi.advanceTimersByTimeAsync(1)
    expect(begun).toEqual(['broken down', 'drawing'])
    // That it ends after all frees nothing a second time.
    end('broken down')
    void work('years', 'years')
    await vi.advanceTimersByTimeAsync(1)
    expect(begun).toEqual(['broken down', 'drawing'])
    vi.useRealTimers()
  })
  it('end with what was done in them, also where that fails', async () => {
    const { scheduler } = working(1)
    await expect(scheduler.inTurn('drawing', () => Promise.reject(new Error('no room')))).rejects.toThrow('no room')
    expect(await scheduler.inTurn('figures', () => Promise.resolve(7))).toBe(7)
  })
  it('are never more than the most, and everyone comes to one, whatever is asked and ended', async () => {
    await fc.assert(
      fc.asyncProperty(
        fc.integer({ min: 1, max: 3 }),
        fc.array(fc.constantFrom(...RANKS), { maxLength: 12 }),
        async (most, ranks) => {
          const { inTurn } = schedulerOf(most)
          let [running, peak, done] = [0, 0, 0]
          await Promise.all(
            ranks.map(rank =>
              inTurn(rank, async () => {
                if (rank !== 'aside') peak = Math.max(peak, ++running)
                await settled()
                if (rank !== 'aside') running--
                done++
              }),
            ),
          )
          expect(peak).toBeLessThanOrEqual(most)
          expect(done).toBe(ranks.length)
        },
      ),
      { numRuns: 60 },
    )
  })
})
