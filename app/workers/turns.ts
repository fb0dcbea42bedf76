/** What asks for a turn, the most urgent first. What is aside waits for the others, and keeps none of them waiting. */
const RANKS = ['figures', 'drawing', 'years', 'aside'] as const
export type Rank = (typeof RANKS)[number]

/** A thread that works for longer, or has broken down, keeps the others waiting no more. */
export const PATIENCE_MS = 10_000

/** A turn that was taken. */
export interface Turn {
  /** Lets whoever waits with more urgency go first, and goes on after them, with a rank of its own from then on. */
  pass: (rank: Rank) => Promise<void>
  end: () => void
}

/** Threads that take turns, `most` of them at a time. */
export function turnsOf(most: number) {
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
  const wait = (rank: Rank) =>
    new Promise<void>(go => {
      waiting.push({ rank, go })
      next()
    })

  /** Waits for a turn, and takes it. */
  async function take(first: Rank): Promise<Turn> {
    let held: Rank | undefined
    let over = false
    let patience: ReturnType<typeof setTimeout> | undefined
    function release(): void {
      clearTimeout(patience)
      if (held !== undefined && held !== 'aside') running--
      held = undefined
      next()
    }
    async function hold(rank: Rank): Promise<void> {
      await wait(rank)
      held = rank
      if (over) release()
      else patience = setTimeout(release, PATIENCE_MS)
    }
    await hold(first)
    return {
      pass(later) {
        const again = hold(later)
        release()
        return again
      },
      end() {
        over = true
        release()
      },
    }
  }
  /** Does something in a turn of its own. */
  async function inTurn<Answer>(rank: Rank, work: () => Promise<Answer>): Promise<Answer> {
    const turn = await take(rank)
    try {
      return await work()
    } finally {
      turn.end()
    }
  }
  return { take, inTurn }
}
