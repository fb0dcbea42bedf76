import { afterAll, beforeEach, describe, expect, it, vi } from 'vitest'
import { effectScope } from 'vue'
import { bringTheApp } from '../../tests/brought'
import { demoSite } from '../../tests/demoSites'
import { blank } from '../../tests/sites'
import { pipe, jointAt, tankAt, tapAt, worksOf } from '../../tests/waterworks'
import type { Site } from '#core/site'

bringTheApp()
vi.stubGlobal('window', {})
afterAll(() => vi.unstubAllGlobals())
const bound: Record<string, (event: KeyboardEvent) => void> = {}
const unbound = vi.fn()
vi.mock('tinykeys', () => ({
  tinykeys: (_window: unknown, keys: typeof bound) => {
    Object.assign(bound, keys)
    return unbound
  },
}))
const store = { site: undefined as Site | undefined, undo: vi.fn(), redo: vi.fn() }
vi.mock('~/stores/site', () => ({ useSite: () => store }))
const { useKeys } = await import('./useKeys')
const { useSelection } = await import('~/stores/useSelection')

const acts = { sums: vi.fn(), find: vi.fn(), keys: vi.fn(), step: vi.fn() }
const scope = effectScope()
scope.run(() => useKeys(acts))
const { runId, partId } = useSelection()

/** Presses a key, with the focus in what fits a selector or on the page at large; whether the key was taken. */
function press(key: string, within?: string): boolean {
  let taken = false
  const target = { closest: (selector: string) => (within && selector.includes(within) ? {} : null) }
  bound[key]!({ target, preventDefault: () => (taken = true) } as unknown as KeyboardEvent)
  return taken
}
const here = () => `${runId.value}/${partId.value}`

beforeEach(() => {
  vi.clearAllMocks()
  runId.value = partId.value = undefined
  store.site = demoSite('brindle-yard')
})

describe('the keys', () => {
  it('do what they say', () => {
    for (const key of ['s', '/', '?', '1', '9', '$mod+KeyZ', '$mod+Shift+KeyZ']) expect(press(key)).toBe(true)
    for (const act of [acts.sums, acts.find, acts.keys, store.undo, store.redo]) expect(act).toHaveBeenCalledTimes(1)
    expect(acts.step.mock.calls).toEqual([[0], [8]])
  })
  it.each(['input', 'textarea', 'role="dialog"'])('leave who types in peace: %s', within => {
    for (const key of ['s', '/', '1', '[', ']']) expect(press(key, within)).toBe(false)
    for (const act of [acts.sums, acts.find, acts.step]) expect(act).not.toHaveBeenCalled()
    expect(runId.value).toBeUndefined()
    // Undo is undo everywhere.
    expect(press('$mod+KeyZ', within)).toBe(true)
  })
  it('are given back when the workspace is left', () => {
    const left = effectScope()
    left.run(() => useKeys(acts))
    left.stop()
    expect(unbound).toHaveBeenCalledTimes(1)
  })
})

describe('walking a line', () => {
  it('goes part by part to its end, and on to what comes after it over a joint', () => {
    store.site = worksOf({
      nodes: [tankAt('tank', 2), jointAt('tee', 1), tapAt('tap', 0), tapAt('other', 0)],
      runs: [
        ['other-line', 'tank.half', 'other', [pipe(1, 20)]],
        ['first', 'tank', 'tee', [pipe(1, 20), { kind: 'valve', boreMm: 20, open: true }]],
        ['second', 'tee', 'tap', [pipe(2, 20)]],
      ],
    })
    runId.value = 'first'
    const parts = store.site.runs.map(run => run.parts.map(({ id }) => id))
    partId.value = parts[1]![0]
    press(']')
    expect(here()).toBe(`first/${parts[1]![1]}`)
    press(']')
    expect(here()).toBe(`second/${parts[2]![0]}`)
    press('[')
    expect(here()).toBe(`first/${parts[1]![1]}`)
    // Where no joint leads on, the next line of the list.
    press(']')
    press(']')
    expect(here()).toBe(`other-line/${parts[0]![0]}`)
  })
  it('begins with the first line, or with the last, and always stands on a part that is there', () => {
    press('[')
    expect(runId.value).toBe(store.site!.runs.at(-1)!.id)
    runId.value = partId.value = undefined
    press(']')
    expect(runId.value).toBe(store.site!.runs[0]!.id)
    for (let times = 0; times < 200; times++) {
      press(times % 7 === 6 ? '[' : ']')
      const run = store.site!.runs.find(({ id }) => id === runId.value)!
      expect(run.parts.length === 0 || run.parts.some(({ id }) => id === partId.value)).toBe(true)
    }
  })
  it('of a site without lines goes nowhere', () => {
    store.site = blank()
    press(']')
    expect(here()).toBe('undefined/undefined')
  })
})
