import { afterEach, describe, expect, it, vi } from 'vitest'
import { watchEffect } from 'vue'
import { largeYard } from '../../tests/largeYard'
import { blank, build } from '../../tests/sites'
import { moveOf } from '../../core/moves'
import type { Site } from '../../core/site'

/** Threads answer when a test lets them, in the order in which they were asked. */
interface Asked {
  site: Site
  month: number
  tell: (words: string) => void
  fail: () => void
}
let asked: Asked[] = []
vi.mock('./engine', () => ({
  isLittle: (_name: string, site: Site) => site.nodes.length < 60,
  ask: (_name: string, site: Site, { month }: { month: number }) =>
    new Promise<string>((tell, fail) => asked.push({ site, month, tell, fail: () => fail(new Error('gone')) })),
}))
const { answersOf, answerFailure, askAgain, askOnce, isWorking } = await import('./answers')

const TODAY = '2026-12-01'
/** Whatever it is about, its answers are words here. */
function asking(here = (site: Site, month: number) => `here ${site.name} ${month}`) {
  asked = []
  const read = answersOf('built', (site, { month }) => here(site, month) as never)
  return (site: Site, month: number) => read(site, { month, today: TODAY }) as unknown as string | undefined
}
const settled = () => new Promise(done => setTimeout(done))
const large: Site = { ...largeYard(30, 20), id: 'large', name: 'first' }
/** Laid anew, and called otherwise so that a test knows it. */
const anew = (name: string): Site => ({ ...large, name, runs: [...large.runs] })
afterEach(settled)

describe('answers to a question', () => {
  it('is worked out at once of a small site, once a document', () => {
    const read = asking()
    const small = build(blank(), moveOf('addTank', { kind: 'tote', how: 'alone' }))
    expect(read(small, 5)).toBe(`here ${small.name} 5`)
    expect(asked).toEqual([])
  })
  it('of a large one is nothing until it is told, and whoever reads it is told', async () => {
    const read = asking()
    const seen: (string | undefined)[] = []
    const stop = watchEffect(() => void seen.push(read(large, 5)))
    await settled()
    expect(asked).toHaveLength(1)
    expect(isWorking.value).toBe(true)
    asked[0]!.tell('told')
    await settled()
    expect(isWorking.value).toBe(false)
    expect(seen).toEqual([undefined, 'told'])
    expect(read(large, 5)).toBe('told')
    expect(asked).toHaveLength(1)
    stop()
  })
  it('stands until that of the site as it is now is told, as long as the same things are there', async () => {
    const read = asking()
    read(large, 5)
    await settled()
    asked[0]!.tell('old')
    await settled()
    const now = anew('second')
    expect(read(now, 5)).toBe('old')
    await settled()
    asked[1]!.tell('new')
    await settled()
    expect(read(now, 5)).toBe('new')
    const fewer: Site = { ...now, nodes: now.nodes.slice(1) }
    expect(read(fewer, 5)).toBeUndefined()
    await settled()
    asked[2]!.tell('of fewer')
  })
  it('is asked of the newest of several that wait, and again of whichever is still read', async () => {
    const read = asking()
    read(large, 5)
    await settled()
    const [second, third] = [anew('second'), anew('third')]
    read(second, 5)
    read(third, 5)
    asked[0]!.tell('first')
    await settled()
    expect(asked.map(({ site }) => site.name)).toEqual(['first', 'third'])
    asked[1]!.tell('third')
    await settled()
    expect(read(third, 5)).toBe('third')
    // Back at a document that was passed over.
    expect(read(second, 5)).toBe('third')
    await settled()
    asked[2]!.tell('second')
    await settled()
    expect([read(second, 5), read(third, 5), read(large, 5)]).toEqual(['second', 'third', 'first'])
  })
  it('is told apart by what is asked beside the site, and worked out here where the thread is gone', async () => {
    const read = asking()
    read(large, 5)
    read(large, 6)
    await settled()
    asked[0]!.fail()
    await settled()
    asked[1]!.tell('b')
    await settled()
    expect([read(large, 5), read(large, 6)]).toEqual(['here first 5', 'b'])
  })
  it('says why it could be worked out neither there nor here, until it is asked again', async () => {
    let broken = true
    const read = asking(site => {
      if (broken) throw new Error('the well is deeper than the earth')
      return site.name
    })
    const seen: (string | undefined)[] = []
    const stop = watchEffect(() => void seen.push(read(large, 5)))
    await settled()
    asked[0]!.fail()
    await settled()
    expect(answerFailure.value).toBe('the well is deeper than the earth')
    expect(isWorking.value).toBe(false)
    // It is not asked over and over, but by whoever presses for it.
    await settled()
    expect(seen).toEqual([undefined])
    broken = false
    askAgain()
    expect(answerFailure.value).toBeUndefined()
    await settled()
    asked[1]!.fail()
    await settled()
    expect(seen.at(-1)).toBe('first')
    stop()
  })
  it('is asked once by a press: of a thread for a large site, here for a small one or where it is gone', async () => {
    asked = []
    const here = (site: Site, { task }: { task: string }) => `here ${site.nodes.length} ${task}` as never
    const small = build(blank(), moveOf('addTank', { kind: 'tote', how: 'alone' }))
    expect(await askOnce('taskMoved', here, small, { task: 'dig' })).toBe('here 2 dig')
    const there = askOnce('taskMoved', here, large, { task: 'dig' })
    asked[0]!.tell('there')
    expect(await there).toBe('there')
    const gone = askOnce('taskMoved', here, large, { task: 'lay' })
    asked[1]!.fail()
    expect(await gone).toBe(`here ${large.nodes.length} lay`)
  })
  it('is what it was where nothing that the question reads has changed', async () => {
    const read = asking()
    read(large, 5)
    await settled()
    asked[0]!.tell('told')
    await settled()
    expect(read({ ...large, name: 'called otherwise', options: [] }, 5)).toBe('told')
    expect(asked).toHaveLength(1)
  })
})
