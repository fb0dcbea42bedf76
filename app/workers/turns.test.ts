import { describe, expect, it, vi } from 'vitest'
import fc from 'fast-check'
import { PATIENCE_MS, turnsOf, type Rank, type Turn } from './turns'

const RANKS: Rank[] = ['figures', 'drawing', 'years', 'aside']
/** Lets everything go on that can. */
const settled = () => new Promise(done => setTimeout(done))

/** Asks for a turn; who has got one stands in the list, in that order. */
function asking(most: number) {
  const turns = turnsOf(most)
  const got: string[] = []
  const held = new Map<string, Turn>()
  const ask = (name: string, rank: Rank) =>
    turns.take(rank).then(turn => {
      got.push(name)
      held.set(name, turn)
    })
  return { ask, got, held, turns }
}

describe('turns', () => {
  it('go to the most urgent of those that wait, and of these to the first', async () => {
    const { ask, got, held } = asking(1)
    for (const [at, rank] of (['years', 'drawing', 'figures', 'drawing'] as const).entries())
      void ask(`${at} ${rank}`, rank)
    for (let ended = 0; ended < 4; ended++) {
      await settled()
      expect(got).toHaveLength(ended + 1)
      held.get(got.at(-1)!)!.end()
    }
    expect(got).toEqual(['0 years', '2 figures', '1 drawing', '3 drawing'])
  })
  it('are passed to whoever waits with more urgency, and come back', async () => {
    const { ask, got, held } = asking(1)
    await ask('years', 'figures')
    void ask('drawing', 'drawing')
    const back = held
      .get('years')!
      .pass('years')
      .then(() => got.push('years again'))
    await settled()
    expect(got).toEqual(['years', 'drawing'])
    held.get('drawing')!.end()
    await back
    expect(got.at(-1)).toBe('years again')
  })
  it('that are passed come back before what is aside begins', async () => {
    const { ask, got, held } = asking(1)
    await ask('years', 'figures')
    void ask('sizes', 'aside')
    await held.get('years')!.pass('years')
    expect(got).toEqual(['years'])
    held.get('years')!.end()
    await settled()
    expect(got).toEqual(['years', 'sizes'])
  })
  it('keep nobody waiting for what is aside, which begins once the others have ended', async () => {
    const { ask, got, held } = asking(1)
    await ask('figures', 'figures')
    void ask('sizes', 'aside')
    await settled()
    expect(got).toEqual(['figures'])
    held.get('figures')!.end()
    await settled()
    await ask('more figures', 'figures')
    expect(got).toEqual(['figures', 'sizes', 'more figures'])
  })
  it('that end while they wait for another go are not taken again', async () => {
    const { ask, got, held } = asking(1)
    await ask('years', 'figures')
    void ask('drawing', 'drawing')
    const stopped = held.get('years')!
    const back = stopped.pass('years')
    await settled()
    stopped.end()
    held.get('drawing')!.end()
    await back
    await ask('figures', 'figures')
    expect(got).toEqual(['years', 'drawing', 'figures'])
  })
  it('keep the others waiting for so long and no longer', async () => {
    vi.useFakeTimers()
    const { ask, got, held } = asking(1)
    await ask('broken down', 'figures')
    const next = ask('drawing', 'drawing')
    await vi.advanceTimersByTimeAsync(PATIENCE_MS - 1)
    expect(got).toEqual(['broken down'])
    await vi.advanceTimersByTimeAsync(1)
    await next
    // That it ends after all frees nothing a second time.
    held.get('broken down')!.end()
    void ask('years', 'years')
    await vi.advanceTimersByTimeAsync(1)
    expect(got).toEqual(['broken down', 'drawing'])
    vi.useRealTimers()
  })
  it('end with what was done in them, also where that fails', async () => {
    const { turns } = asking(1)
    await expect(turns.inTurn('drawing', () => Promise.reject(new Error('no room')))).rejects.toThrow('no room')
    expect(await turns.inTurn('figures', () => Promise.resolve(7))).toBe(7)
  })
  it('are never more than the most, and everyone comes to one, whatever is asked, passed and ended', async () => {
    const step = fc.record({
      rank: fc.constantFrom(...RANKS),
      passes: fc.array(fc.constantFrom(...RANKS), { maxLength: 3 }),
    })
    await fc.assert(
      fc.asyncProperty(fc.integer({ min: 1, max: 3 }), fc.array(step, { maxLength: 12 }), async (most, steps) => {
        const turns = turnsOf(most)
        let [running, peak, done] = [0, 0, 0]
        const counted = async (rank: Rank): Promise<void> => {
          if (rank === 'aside') return
          peak = Math.max(peak, ++running)
          await Promise.resolve()
          running--
        }
        const work = async ({ rank, passes }: (typeof steps)[number]): Promise<void> => {
          const turn = await turns.take(rank)
          await counted(rank)
          for (const later of passes) {
            await turn.pass(later)
            await counted(later)
          }
          turn.end()
          done++
        }
        await Promise.all(steps.map(work))
        expect(peak).toBeLessThanOrEqual(most)
        expect(done).toBe(steps.length)
      }),
      { numRuns: 60 },
    )
  })
})
