import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { hasNoCircle, inOrder } from './order'
import { WORK_IDS, type Task } from './task'
import { timed } from '../../../tests/machine'

const task = (id: string, after: string[] = [], work: Task['work'] = 'cut'): Task => ({
  id,
  work,
  what: `do ${id}`,
  at: [],
  after,
  minutes: [10, 20],
  people: 1,
  tools: [],
  cautions: [],
})
/** Tasks of which each may wait for some that stand before it in the list, in a list that is then mixed. */
const tasks = fc
  .array(fc.record({ work: fc.constantFrom(...WORK_IDS), after: fc.array(fc.nat(40), { maxLength: 4 }) }), {
    maxLength: 30,
  })
  .chain(made => {
    const list = made.map(({ work, after }, at) =>
      task(
        `t${at}`,
        [...new Set(after.filter(each => each < at))].map(each => `t${each}`),
        work,
      ),
    )
    return fc.shuffledSubarray(list, { minLength: list.length })
  })

/** The same by looking through all that is left, again and again. */
function byLooking(list: Task[]): string[] {
  const left = list.toSorted((a, b) => WORK_IDS.indexOf(a.work) - WORK_IDS.indexOf(b.work))
  const done: string[] = []
  while (left.length) {
    const at = left.findIndex(({ after }) => after.every(id => done.includes(id)))
    done.push(left.splice(at, 1)[0]!.id)
  }
  return done
}

describe('an order of work', () => {
  it('is always the first that waits for nothing that is left, kind by kind', () => {
    fc.assert(
      fc.property(tasks, list => {
        const order = inOrder(list)
        expect(order.map(({ id }) => id)).toEqual(byLooking(list))
        expect(hasNoCircle(list)).toBe(true)
      }),
    )
  })
  it('is as wanted, as far as what waits allows', () => {
    const list = [task('a'), task('b'), task('c', ['a'])]
    expect(inOrder(list, ['c', 'b', 'a']).map(({ id }) => id)).toEqual(['b', 'a', 'c'])
  })
  it('leaves out none of those that wait for each other, and asks nothing of a task that is not there', () => {
    const round = [task('a', ['b']), task('b', ['a']), task('c'), task('d', ['gone'])]
    expect(
      inOrder(round)
        .map(({ id }) => id)
        .toSorted(),
    ).toEqual(['a', 'b', 'c', 'd'])
    expect(hasNoCircle(round)).toBe(false)
  })
  it('of ten thousand tasks in rows is made in a moment', () => {
    const list = Array.from({ length: 10_000 }, (_, at) => task(`t${at}`, at % 10 ? [`t${at - 1}`] : []))
    const { answer, quietMs } = timed(() => inOrder(list))
    expect(answer).toHaveLength(10_000)
    expect(quietMs).toBeLessThan(1500)
  })
})
