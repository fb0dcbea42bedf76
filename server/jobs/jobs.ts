import { Refused } from '../lib/refused'
import { balanceJob } from './balance'
import { buildJob } from './build'
import { chainJob } from './chain'
import { cutsJob } from './cuts'
import { jsonIn } from './documents'
import { keepJob } from './keep'
import { livedJob } from './lived'
import { moveJob } from './move'
import { networkJob } from './network'
import { questionJob } from './question'
import { reviewJob } from './review'
import { tryJob } from './try'
import { weatherJob } from './weather'

/** What a thread is asked for, each from the body of a request to its answer. */
const JOBS = {
  balance: balanceJob,
  build: buildJob,
  chain: chainJob,
  cuts: cutsJob,
  keep: keepJob,
  lived: livedJob,
  move: moveJob,
  network: networkJob,
  question: questionJob,
  review: reviewJob,
  try: tryJob,
  weather: weatherJob,
} satisfies Record<string, (json: unknown) => unknown>

export type JobName = keyof typeof JOBS

/** A request as it is handed to a thread. */
export interface Work {
  job: JobName
  body: string
}

/** An answer as it goes out. */
export interface Answered {
  status: number
  text: string
}

/** Columns of figures, and what is kept by its id, go out as JSON has them. */
const inPlainLists = (_key: string, value: unknown): unknown =>
  value instanceof Float64Array ? [...value] : value instanceof Map ? Object.fromEntries(value) : value

/** Reads a body, works on it, and writes the answer: the whole of what may take long. */
export async function answerOf({ job, body }: Work): Promise<Answered> {
  try {
    return { status: 200, text: JSON.stringify(await JOBS[job](jsonIn(body)), inPlainLists) }
  } catch (error) {
    if (!(error instanceof Refused)) throw error
    return { status: error.status, text: JSON.stringify({ error: error.problems }) }
  }
}
