import { afterAll, afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { effectScope, reactive, type EffectScope } from 'vue'
import { bringTheApp } from '../../tests/brought'

bringTheApp()
vi.useFakeTimers()
afterAll(() => {
  vi.useRealTimers()
  vi.unstubAllGlobals()
})
const store = reactive({ site: {} as object | undefined, revision: 1 })
vi.mock('~/stores/site', () => ({ useSite: () => store }))
const { useWorkerAnswer } = await import('./useWorkerAnswer')

/** A worker that answers when a test lets it. */
let asked: { answer: (said: string) => void; fail: (why: string) => void }[] = []
const ask = () =>
  new Promise<string>((resolve, reject) => {
    asked.push({ answer: resolve, fail: why => reject(new Error(why)) })
  })
let scope: EffectScope
const listen = () => scope.run(() => useWorkerAnswer(() => 'tank-1', ask))!
const quiet = () => vi.advanceTimersByTimeAsync(300)
const settled = () => vi.advanceTimersByTimeAsync(0)

beforeEach(() => {
  asked = []
  Object.assign(store, { site: {}, revision: 1 })
  scope = effectScope()
})
afterEach(() => scope.stop())

describe('an answer of a worker', () => {
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
      store.revision++
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
      store.revision++
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
    store.revision++
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
    store.revision++
    await quiet()
    expect([answer.value, asked.length]).toEqual([undefined, 1])
  })
})
