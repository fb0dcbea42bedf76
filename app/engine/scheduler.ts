import { RANKS, type Rank } from '#core/questions'

/** A thread that works for longer, or has broken down, keeps the others waiting no more. */
export const PATIENCE_MS = 10_000

/**
 * Has threads take turns, `most` of them at a time, the most urgent first. What is aside begins once nobody else waits,
 * and keeps none of them waiting.
 */
export function schedulerOf(most: number) {
  let running = 0
  const waiting: { rank: Rank; go: () => void }[] = []

  function next(): void {
    for (const rank of RANKS)
      for (;;) {
        const at = running < most ? waiting.findIndex(each => each.rank === rank) : -1
        if (at < 0) break
        if (rank !== 'aside') running++
        waiting.splice(at, 1)[0]!.go()
      }
  }

  /** Waits for a turn, and works in it. */
  async function inTurn<Answer>(rank: Rank, work: () => Promise<Answer>): Promise<Answer> {
    await new Promise<void>(go => {
      waiting.push({ rank, go })
      next()
    })
    let held = rank !== 'aside'
    const release = (): void => {
      if (held) running--
      held = false
      next()
    }
    const patience = setTimeout(release, PATIENCE_MS)
    try {
      return await work()
    } finally {
      clearTimeout(patience)
      release()
    }
  }
  return { inTurn }
}
