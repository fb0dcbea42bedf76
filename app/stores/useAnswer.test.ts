import { afterAll, afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { effectScope, reactive, ref, type EffectScope } from 'vue'
import { bringTheApp } from '../../tests/brought'

bringTheApp()
vi.useFakeTimers()
afterAll(() => {
  vi.useRealTimers()
  vi.unstubAllGlobals()
})
const store = reactive<{ site: object | undefined }>({ site: undefined })
vi.mock('~/stores/site', () => ({ useSite: () => store }))
/** A thread that answers when a test lets it. */
let asked: { answer: (said: string) => void; fail: (why: string) => void }[] = []
vi.mock('~/engine/engine', () => ({
  ask: () =>
    new Promise<string>((resolve, reject) => {
      asked.push({ answer: resolve, fail: why => reject(new Error(why)) })
    }),
}))
const { useAnswer } = await import('./useAnswer')

let scope: EffectScope
const pool = ref<string | undefined>('tank-1')
const listen = () =>
  scope.run(() => useAnswer('sizes', () => (pool.value === undefined ? undefined : { pool: pool.value })))!
/** A document whose tanks are others. */
const edit = () => void (store.site = { ...store.site, nodes: [] })
const quiet = () => vi.advanceTimersByTimeAsync(300)
const settled = () => vi.advanceTimersByTimeAsync(0)

beforeEach(() => {
  asked = []
  store.site = { nodes: [] }
  pool.value = 'tank-1'
  scope = effectScope()
})
afterEach(() => scope.stop())

describe('an answer to a question', () => {
  it('is asked for once, and known to be of the site as it stands', async () => {
    const { answer, fresh } = listen()
    await quiet()
    expect(asked).toHaveLength(1)
    expect([answer.value, fresh.value]).toEqual([undefined, false])
    asked[0]!.answer('twelve days')
    await settled()
    expect([answer.value, fresh.value]).toEqual(['twelve days', true])
  })
  it('that is from before a change stays, is known to be old, and is asked for anew after a pause', async () => {
    const { answer, fresh } = listen()
    await quiet()
    asked[0]!.answer('twelve days')
    await settled()
    for (let typed = 0; typed < 5; typed++) {
      edit()
      await vi.advanceTimersByTimeAsync(100)
    }
    expect(asked).toHaveLength(1)
    expect([answer.value, fresh.value]).toEqual(['twelve days', false])
    await quiet()
    expect(asked).toHaveLength(2)
    asked[1]!.answer('nine days')
    await settled()
    expect([answer.value, fresh.value]).toEqual(['nine days', true])
  })
  it('is never asked for twice at a time; of many changes meanwhile only the newest is asked about', async () => {
    const { answer, fresh } = listen()
    await quiet()
    for (let edits = 0; edits < 4; edits++) {
      edit()
      await quiet()
    }
    expect(asked).toHaveLength(1)
    asked[0]!.answer('old')
    await settled()
    expect(asked).toHaveLength(2)
    expect(fresh.value).toBe(false)
    asked[1]!.answer('new')
    await settled()
    expect([answer.value, fresh.value, asked.length]).toEqual(['new', true, 2])
  })
  it('that fails says why, leaves the last, and can be asked for again', async () => {
    const { answer, failure, again } = listen()
    await quiet()
    asked[0]!.answer('twelve days')
    await settled()
    edit()
    await quiet()
    asked[1]!.fail('the thread ran out of room')
    await settled()
    expect([answer.value, failure.value]).toEqual(['twelve days', 'the thread ran out of room'])
    void again()
    asked[2]!.answer('nine days')
    await settled()
    expect([answer.value, failure.value]).toEqual(['nine days', undefined])
  })
  it('of what is no longer looked at is told to nobody', async () => {
    const { answer } = listen()
    await quiet()
    scope.stop()
    asked[0]!.answer('twelve days')
    await settled()
    edit()
    await quiet()
    expect([answer.value, asked.length]).toEqual([undefined, 1])
  })
  it('of nothing is not asked for, and is not known to be fresh before it is', async () => {
    pool.value = undefined
    const { answer, fresh } = listen()
    expect(fresh.value).toBe(false)
    await quiet()
    expect([asked.length, answer.value, fresh.value]).toEqual([0, undefined, true])
  })
  it('is not asked for again where nothing that the question reads has changed, and of nothing not at all', async () => {
    const { answer, fresh } = listen()
    await quiet()
    asked[0]!.answer('twelve days')
    await settled()
    store.site = { ...store.site, name: 'called otherwise' }
    await quiet()
    expect([asked.length, fresh.value]).toEqual([1, true])
    pool.value = undefined
    await quiet()
    expect([asked.length, answer.value]).toEqual([1, undefined])
    pool.value = 'tank-2'
    await quiet()
    expect([asked.length, fresh.value]).toEqual([2, false])
  })
})
