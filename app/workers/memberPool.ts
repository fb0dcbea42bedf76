import type { Site } from '#core/site'
import { addTally, emptyTally, type Tally } from '#core/balance'
import { yearFace } from '~/workers/yearFace'

/** Members handed to a worker at a time: long enough to be worth the message, short enough that progress is seen. */
const AT_A_TIME = 16
const MOST_WORKERS = 4

/** Workers that share out an ensemble. What they answer adds up to the same, however many they are. */
export function memberPool(workers = Math.min(MOST_WORKERS, Math.max(2, (navigator.hardwareConcurrency || 2) - 1))) {
  const faces = Array.from({ length: workers }, yearFace)
  let round = 0

  return {
    /** Runs `members` of `years` each; `progress` is told the share done. Undefined where it was stopped. */
    async run(
      site: Site,
      members: number,
      years: number,
      progress: (share: number) => void,
    ): Promise<Tally | undefined> {
      const own = ++round
      const whole = emptyTally()
      let next = 0
      await Promise.all(
        faces.map(async each => {
          const { face, light } = await each.ready(site)
          while (next < members && own === round) {
            const from = next
            next = Math.min(members, from + AT_A_TIME)
            const tally = await face.members(light, from, next, years)
            if (own !== round) return
            addTally(whole, tally)
            progress(whole.members / members)
          }
        }),
      )
      return own === round ? whole : undefined
    },
    /** Ends what is being run. The next run starts its workers afresh. */
    stop(): void {
      round++
      for (const face of faces) face.stop()
    },
  }
}
