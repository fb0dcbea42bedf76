import { availableParallelism } from 'node:os'
import { Worker } from 'node:worker_threads'

/** A fixed piece of work such as a page has: figures, words and lists. Gives back the milliseconds that it takes. */
const WORK = `(() => {
  const start = performance.now()
  let seed = 1
  const figures = Array.from({ length: 15000 }, () => (seed = (seed * 16807) % 2147483647))
  figures.sort((a, b) => a - b)
  const words = JSON.parse(JSON.stringify(figures.map(value => ({ id: 'node-' + value, heightM: value / 1000 }))))
  const byId = new Map(words.map(each => [each.id, each]))
  let sum = 0
  for (const { id } of words) sum += byId.get(id).heightM
  return sum > 0 ? performance.now() - start : 0
})`
/** What it takes where nothing else is done: by one thread, and by as many at once as there are processors, ms. */
const [QUIET_MS, QUIET_AT_ONCE_MS] = [35, 45]
const middle = (values: number[]): number => values.toSorted((a, b) => a - b)[Math.floor(values.length / 2)]!

const work = new Function(`return ${WORK}`)() as () => number
/** How much slower this thread is now than a quiet one: never less than 1. */
const slowHere = (): number => Math.max(1, middle([work(), work(), work()]) / QUIET_MS)

/** Does some work; the milliseconds that it would have taken on a quiet machine, at the best of so many tries. */
export function timed<Answer>(does: () => Answer, tries = 1): { answer: Answer; quietMs: number } {
  const before = slowHere()
  const start = performance.now()
  const answer = does()
  const ms = performance.now() - start
  const quietMs = ms / Math.max(before, slowHere())
  return { answer, quietMs: tries > 1 ? Math.min(quietMs, timed(does, tries - 1).quietMs) : quietMs }
}

/** The processors of this machine, all put to work at once: how much slower they are now than quiet ones. */
export function machine() {
  const answering = `const { parentPort } = require('node:worker_threads')
const work = ${WORK}
parentPort.on('message', () => parentPort.postMessage(work()))`
  const threads = Array.from(
    { length: Math.max(2, availableParallelism()) },
    () => new Worker(answering, { eval: true }),
  )
  const worked = (thread: Worker) =>
    new Promise<number>(resolve => {
      thread.once('message', resolve)
      thread.postMessage('work')
    })
  /** 1 where it is quiet, 2 where all takes twice as long: the middle of some tries, and never less than 1. */
  async function slowness(): Promise<number> {
    const tries: number[] = []
    for (let times = 0; times < 5; times++) tries.push(Math.max(...(await Promise.all(threads.map(worked)))))
    return Math.max(1, middle(tries) / QUIET_AT_ONCE_MS)
  }
  return { slowness, stop: () => Promise.all(threads.map(thread => thread.terminate())) }
}
