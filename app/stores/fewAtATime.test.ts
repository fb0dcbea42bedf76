import { afterAll, describe, expect, it, vi } from 'vitest'
import { effectScope, nextTick, ref, shallowRef, type Ref } from 'vue'
import { fewAtATime } from './fewAtATime'
import { inBlocks } from './inBlocks'
import { unchanged } from './unchanged'

interface Thing {
  id: string
  words: string
}
const thing = (id: number, words = 'dry'): Thing => ({ id: `t${id}`, words })
const many = (count: number, words?: string) => Array.from({ length: count }, (_, at) => thing(at, words))
const idOf = ({ id }: Thing) => id
const ids = (things: readonly Thing[]) => things.map(idOf)

/** Frames are drawn when a test says so. */
let frames: (() => void)[] = []
vi.stubGlobal('requestAnimationFrame', (draw: () => void) => frames.push(draw))
afterAll(() => vi.unstubAllGlobals())
async function frame(): Promise<void> {
  const drawn = frames
  frames = []
  for (const draw of drawn) draw()
  await new Promise(done => setTimeout(done, 2))
}

function listed(items: Ref<readonly Thing[]>, few: Ref<number> = ref(10)) {
  const scope = effectScope()
  const shown = scope.run(() =>
    fewAtATime(
      () => items.value,
      idOf,
      () => few.value,
    ),
  )!
  return { shown, scope }
}

describe('a long list', () => {
  it('comes a few things a frame, in order, until all are there', async () => {
    const { shown, scope } = listed(shallowRef(many(25)))
    expect(shown.value).toHaveLength(10)
    await frame()
    expect(shown.value).toHaveLength(20)
    await frame()
    expect(ids(shown.value)).toEqual(ids(many(25)))
    await frame()
    expect(frames).toEqual([])
    scope.stop()
  })
  it('goes on where no frame is drawn, as on a page that nobody looks at', async () => {
    const { shown, scope } = listed(shallowRef(many(15)))
    await vi.waitFor(() => expect(shown.value).toHaveLength(15), { timeout: 1000 })
    frames = []
    scope.stop()
  })
  it('keeps what stands as it was until its turn comes, and drops at once what is gone', async () => {
    const items = shallowRef(many(15))
    const { shown, scope } = listed(items)
    await frame()
    items.value = many(15, 'wet').filter(({ id }) => id !== 't3')
    await nextTick()
    expect(ids(shown.value)).toEqual(ids(items.value))
    expect(shown.value.filter(({ words }) => words === 'wet')).toHaveLength(10)
    await frame()
    expect(shown.value).toEqual(items.value)
    scope.stop()
  })
  it('holds what has not changed as the very thing it was, and spends no turn on it', async () => {
    const items = shallowRef(many(15))
    const { shown, scope } = listed(items)
    await frame()
    const before = shown.value
    items.value = many(15).map((each, at) => (at === 14 ? thing(14, 'wet') : each))
    await nextTick()
    expect(shown.value.filter((each, at) => each !== before[at])).toEqual([thing(14, 'wet')])
    scope.stop()
  })
  it('is all there at once when as many may come: on paper', async () => {
    const few = ref(10)
    const { shown, scope } = listed(shallowRef(many(40)), few)
    few.value = Infinity
    await nextTick()
    expect(shown.value).toHaveLength(40)
    frames = []
    scope.stop()
  })
  it('stops when nobody shows it any more', async () => {
    const { shown, scope } = listed(shallowRef(many(40)))
    scope.stop()
    await frame()
    await frame()
    expect(shown.value).toHaveLength(10)
  })
})

describe('a list in blocks', () => {
  it('holds every thing once, in order, so many a block', () => {
    const blocks = inBlocks(many(25), 10)
    expect(blocks.map(({ length }) => length)).toEqual([10, 10, 5])
    expect(blocks.flat()).toEqual(many(25))
    expect(inBlocks([], 10)).toEqual([])
  })
  it('keeps the blocks in which nothing has changed', () => {
    const things = many(25)
    const before = inBlocks(things, 10)
    const after = inBlocks([...things, thing(25)], 10, before)
    expect(after.map((block, at) => block === before[at])).toEqual([true, true, false])
    const changed = inBlocks([thing(0, 'wet'), ...things.slice(1)], 10, before)
    expect(changed.map((block, at) => block === before[at])).toEqual([false, true, true])
  })
})

describe('what has not changed', () => {
  it('is the thing it was, whatever else comes or goes', () => {
    const items = shallowRef(many(3))
    const list = unchanged(() => items.value, idOf)
    const [first, second] = list.value
    items.value = [thing(7), ...many(2), thing(2, 'wet')]
    expect(ids(list.value)).toEqual(['t7', 't0', 't1', 't2'])
    expect([list.value[1] === first, list.value[2] === second]).toEqual([true, true])
    expect(list.value[3]).toEqual(thing(2, 'wet'))
  })
})
