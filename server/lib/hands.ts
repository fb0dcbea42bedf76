import { availableParallelism } from 'node:os'
import type { H3Event } from 'h3'
import { sum } from 'd3-array'
import pLimit from 'p-limit'
import type { JobName } from '../jobs/jobs'
import { refused } from './refused'

/** Requests that may be in hand, worked on or waiting for a thread; and of one caller. */
const MOST_IN_HAND = 64
const MOST_OF_ONE_CALLER = 32
/** Nobody is let in who would wait longer than this for a thread, s. */
const MOST_WAIT_S = 120
/** What a job is taken to last before one of its kind was done here, s; and how much the newest tells of the next. */
const [FIRST_S, NEWEST_SHARE] = [0.5, 0.3]

export const THREADS = Math.min(4, Math.max(2, availableParallelism() - 1))

/** Requests in hand: who asked, and for what. */
const inHand = new Set<{ caller: string; job: JobName }>()
/** How long each kind of job lasts on this machine, as it was of late, s. */
const lastsS = new Map<JobName, number>()
const oneThreadEach = pLimit(THREADS)

const expectedS = (job: JobName): number => lastsS.get(job) ?? FIRST_S

/**
 * Takes a request in hand, or refuses it at the door: 429 where its caller has too many there already, 503 where all
 * together are too many, or would take too long by what such jobs have lasted on this machine. What is let in is worked
 * on in its turn; `work` begins once a thread is free for it.
 */
export async function takenInHand<Answer>(
  event: H3Event,
  job: JobName,
  read: () => Promise<string>,
  work: (body: string) => Promise<Answer>,
): Promise<Answer> {
  const caller = event.node.req.socket.remoteAddress ?? ''
  const already = [...inHand].filter(each => each.caller === caller).length
  if (already >= MOST_OF_ONE_CALLER)
    throw refused(429, `You have ${already} requests in hand here; wait until some are answered.`)
  const waitS = sum(inHand, each => expectedS(each.job)) / THREADS
  if (inHand.size >= MOST_IN_HAND || waitS > MOST_WAIT_S)
    throw refused(503, 'The server has its hands full; try again later.')
  const held = { caller, job }
  inHand.add(held)
  try {
    const body = await read()
    return await oneThreadEach(async () => {
      const began = performance.now()
      try {
        return await work(body)
      } finally {
        const tookS = (performance.now() - began) / 1000
        lastsS.set(job, expectedS(job) * (1 - NEWEST_SHARE) + tookS * NEWEST_SHARE)
      }
    })
  } finally {
    inHand.delete(held)
  }
}
