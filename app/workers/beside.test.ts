import { afterAll, afterEach, describe, expect, it, vi } from 'vitest'
import { watchEffect } from 'vue'
import { largeYard } from '../../tests/largeYard'
import { blank, build } from '../../tests/sites'
import { moveOf } from '../../core/moves'
import type { Site } from '../../core/site'

vi.stubGlobal('navigator', { hardwareConcurrency: 2 })
vi.stubGlobal(
  'Worker',
  class {
    addEventListener(): void {}
  },
)
vi.mock('comlink', () => ({ wrap: () => ({}), proxy: (value: unknown) => value }))
const { askAgain, askBeside, beside, besideFailure, inParts, worksBeside } = await import('./beside')

/** Answers come when they are let out, in the order in which they were asked. */
function asking() {
  const asked: { site: Site; tap: string; tell: (words: string) => void; fail: () => void }[] = []
  const read = beside(
    (site: Site, tap: string) => `here ${site.name} ${tap}`,
    (_face, site, tap) =>
      new Promise<string>((tell, fail) => asked.push({ site, tap, tell, fail: () => fail(new Error('gone')) })),
  )
  return { asked, read }
}
const settled = () => new Promise(done => setTimeout(done))
const large: Site = { ...largeYard(30, 20), id: 'large', name: 'first' }
const renamed = (name: string): Site => ({ ...large, name })
afterEach(settled)
afterAll(() => vi.unstubAllGlobals())

describe('what is worked out beside the page', () => {
  it('is worked out at once of a small site, once a document', () => {
    const { asked, read } = asking()
    const small = build(blank(), moveOf('addTank', { kind: 'tote', how: 'alone' }))
    expect(read(small, 'a')).toBe(`here ${small.name} a`)
    expect(asked).toEqual([])
  })
  it('of a large one is nothing until it is told, and whoever reads it is told', async () => {
    const { asked, read } = asking()
    const seen: (string | undefined)[] = []
    const stop = watchEffect(() => void seen.push(read(large, 'a')))
    await settled()
    expect(asked).toHaveLength(1)
    expect(worksBeside.value).toBe(true)
    asked[0]!.tell('told')
    await settled()
    expect(worksBeside.value).toBe(false)
    expect(seen).toEqual([undefined, 'told'])
    expect(read(large, 'a')).toBe('told')
    expect(asked).toHaveLength(1)
    stop()
  })
  it('stands until that of the site as it is now is told, as long as the same things are there', async () => {
    const { asked, read } = asking()
    read(large, 'a')
    await settled()
    asked[0]!.tell('old')
    await settled()
    const now = renamed('second')
    expect(read(now, 'a')).toBe('old')
    await settled()
    asked[1]!.tell('new')
    await settled()
    expect(read(now, 'a')).toBe('new')
    const fewer: Site = { ...now, nodes: now.nodes.slice(1) }
    expect(read(fewer, 'a')).toBeUndefined()
    await settled()
    asked[2]!.tell('of fewer')
  })
  it('is asked of the newest of several that wait, and again of whichever is still read', async () => {
    const { asked, read } = asking()
    read(large, 'a')
    await settled()
    const [second, third] = [renamed('second'), renamed('third')]
    read(second, 'a')
    read(third, 'a')
    asked[0]!.tell('first')
    await settled()
    expect(asked.map(({ site }) => site.name)).toEqual(['first', 'third'])
    asked[1]!.tell('third')
    await settled()
    expect(read(third, 'a')).toBe('third')
    // Back at a document that was passed over.
    expect(read(second, 'a')).toBe('third')
    await settled()
    asked[2]!.tell('second')
    await settled()
    expect([read(second, 'a'), read(third, 'a'), read(large, 'a')]).toEqual(['second', 'third', 'first'])
  })
  it('is told apart by what is asked beside the site, and worked out here where the worker is gone', async () => {
    const { asked, read } = asking()
    read(large, 'a')
    read(large, 'b')
    await settled()
    asked[0]!.fail()
    await settled()
    asked[1]!.tell('b')
    await settled()
    expect([read(large, 'a'), read(large, 'b')]).toEqual(['here first a', 'b'])
  })
  it('says why it could be worked out neither there nor here, until it is asked again', async () => {
    let broken = true
    const read = beside(
      (site: Site) => {
        if (broken) throw new Error('the well is deeper than the earth')
        return site.name
      },
      () => Promise.reject(new Error('gone')),
    )
    const seen: (string | undefined)[] = []
    const stop = watchEffect(() => void seen.push(read(large)))
    await settled()
    expect(besideFailure.value).toBe('the well is deeper than the earth')
    expect(worksBeside.value).toBe(false)
    // It is not asked over and over, but by whoever presses for it.
    await settled()
    expect(seen).toEqual([undefined])
    broken = false
    askAgain()
    expect(besideFailure.value).toBeUndefined()
    await settled()
    await settled()
    expect(seen.at(-1)).toBe('first')
    stop()
  })
  it('comes part by part where it is large', async () => {
    const answer = await inParts<{ cuts: number[]; order: string[] }>(async put => {
      put('cuts', [1, 2])
      await settled()
      put('order', ['base'])
    })
    expect(answer).toEqual({ cuts: [1, 2], order: ['base'] })
  })
  it('is asked once by a press: of the worker for a large site, here for a small one or where it is gone', async () => {
    const small = build(blank(), moveOf('addTank', { kind: 'tote', how: 'alone' }))
    const here = (site: Site, by: number) => `here ${site.nodes.length} ${by}`
    const there = (_face: unknown, site: Site, by: number) => Promise.resolve(`there ${site.nodes.length} ${by}`)
    expect(await askBeside(here, there, small, 2)).toBe('here 2 2')
    expect(await askBeside(here, there, large, 2)).toBe(`there ${large.nodes.length} 2`)
    expect(await askBeside(here, () => Promise.reject(new Error('gone')), large, 3)).toBe(
      `here ${large.nodes.length} 3`,
    )
  })
})
