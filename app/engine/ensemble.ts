import { ask, MOST_ASIDE } from './engine'
import type { Tell } from '#core/questions'
import { addTally, emptyTally, type Tally } from '#core/balance'
import type { Site } from '#core/site'

/** Members handed to a thread at a time: long enough to be worth the message, short enough that progress is seen. */
const AT_A_TIME = 16

/**
 * Runs many members of an ensemble, shared out among threads. What they answer adds up to the same, however many they
 * are.
 * @throws what stopped it
 */
export async function tallyOf(
  site: Site,
  { members, years, signal, tell }: { members: number; years: number; signal: AbortSignal; tell: Tell },
): Promise<Tally> {
  const whole = emptyTally()
  let next = 0
  async function share(): Promise<void> {
    while (next < members) {
      const from = next
      next = Math.min(members, from + AT_A_TIME)
      addTally(whole, await ask('members', site, { from, to: next, years }, { signal }))
      tell(whole.members / members)
    }
  }
  await Promise.all(Array.from({ length: MOST_ASIDE }, share))
  return whole
}
