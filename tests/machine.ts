import { availableParallelism } from 'node:os'
import { Worker } from 'node:worker_threads'

/** A fixed piece of work such as a page has: figures, words and lists. Milliseconds that it takes go back. */
const WORK = `
const { parentPort } = require('node:worker_threads')
parentPort.on('message', () => {
  const start = performance.now()
  let seed = 1
  const figures = Array.from({ length: 15000 }, () => (seed = (seed * 16807) % 2147483647))
  figures.sort((a, b) => a - b)
  const words = JSON.parse(JSON.stringify(figures.map(value => ({ id: 'node-' + value, heightM: value / 1000 }))))
  const byId = new Map(words.map(each => [each.id, each]))
  let sum = 0
  for (const { id } of words) sum += byId.get(id).heightM
  parentPort.postMessage(sum > 0 ? performance.now() - start : 0)
})`

/** What the work takes with a thread for each of two processors that have nothing else to do, ms. */
const QUIET_MS = 45

/** The processors of this machine, all put to work at once: how much slower they are now than quiet ones. */
export function machine() {
  const threads = Array.from({ length: Math.max(2, availableParallelism()) }, () => new Worker(WORK, { eval: true }))
  const worked = (thread: Worker) =>
    new Promise<number>(resolve => {
      thread.once('message', resolve)
      thread.postMessage('work')
    })
  /** 1 where it is quiet, 2 where all takes twice as long: the middle of some tries, and never less than 1. */
  async function slowness(): Promise<number> {
    const tries: number[] = []
    for (let times = 0; times < 5; times++) tries.push(Math.max(...(await Promise.all(threads.map(worked)))))
    return Math.max(1, tries.toSorted((a, b) => a - b)[2]! / QUIET_MS)
  }
  return { slowness, stop: () => Promise.all(threads.map(thread => thread.terminate())) }
}
