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
    readonly gone = false
  },
)
vi.mock('comlink', () => ({ wrap: () => ({}) }))
const { beside, worksBeside } = await import('./beside')

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
})
