import { afterAll, afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { ref } from 'vue'
import { blank, plainTank } from '../../tests/sites'
import { applyMove, beginHistory, setField, takenBack, withStep, writingOf, type History } from '../../core/moves'
import { pageShelf } from '../db/pageShelf'
import type { Shelf } from '../db/shelf'
import { useKeeper } from './keeper'

vi.stubGlobal('ref', ref)
vi.stubGlobal('navigator', {})
afterAll(() => vi.unstubAllGlobals())

let shelf: Shelf
vi.mock('~/db/openShelf', () => ({ openShelf: () => Promise.resolve(shelf) }))

const yard = { ...plainTank(blank(), 'A'), id: 'yard' }
/** What a disk without room says. */
const noRoom = () => Object.assign(new Error('no room'), { name: 'QuotaExceededError' })
/** Fails every writing until it is mended. */
function failing(inner: Shelf, why: () => Error) {
  let broken = true
  const tries: number[] = []
  const write: Shelf['write'] = (...asked) => {
    tries.push(Date.now())
    return broken ? Promise.reject(why()) : inner.write(...asked)
  }
  return { shelf: { ...inner, write }, tries, mend: () => (broken = false) }
}
function stepped(history: History, name: string): History {
  const applied = applyMove(history.site, setField('site', '', 'name', name))
  if (!applied.ok) throw new Error(name)
  return withStep(history, applied.site, applied.made)
}

/** A page with the yard open, and what it shows. */
async function page() {
  let shown: History | undefined
  const keeper = useKeeper(
    () => shown,
    history => (shown = history),
  )
  await keeper.open('yard')
  return {
    keeper,
    shown: () => shown!,
    rename(name: string) {
      shown = stepped(shown!, name)
      keeper.changed()
    },
    undo() {
      shown = takenBack(shown!)
      keeper.changed()
    },
  }
}
/** Another page writes over the revision that lies there. */
async function elsewhere(name: string): Promise<void> {
  const { stored, steps } = (await shelf.whole('yard'))!
  const there: History = { site: stored.site, steps: steps.map(({ made }) => made), cursor: stored.cursor, first: 0 }
  await shelf.write('yard', writingOf(there, stepped(there, name))!, stored.revision, 'another page', Date.now())
}
const kept = async () => (await shelf.whole('yard'))!
const calm = () => vi.advanceTimersByTimeAsync(0)

beforeEach(async () => {
  vi.useFakeTimers()
  shelf = pageShelf()
  await shelf.put({
    stored: { id: 'yard', name: yard.name, site: yard, revision: 1, cursor: 0, changedAt: 1, demo: false },
    steps: [],
  })
})
afterEach(() => vi.useRealTimers())

describe('a page that keeps its work', () => {
  it('says unsaved until what it shows lies on the shelf, then saved, with all its history', async () => {
    const { keeper, rename, undo, shown } = await page()
    expect([keeper.saving.value, keeper.missing.value, keeper.lasts.value]).toEqual(['saved', false, false])
    rename('Once')
    rename('Twice')
    expect(keeper.saving.value).toBe('unsaved')
    await keeper.flush()
    expect(keeper.saving.value).toBe('saved')
    undo()
    await keeper.flush()
    const { stored, steps } = await kept()
    expect([stored.name, stored.cursor, steps.length]).toEqual(['Once', 1, 2])
    expect(stored.site).toEqual(shown().site)
  })
  it('writes what was made while it wrote, before it says saved', async () => {
    const inner = shelf
    let over: (() => void) | undefined
    shelf = {
      ...inner,
      write: async (...asked) => {
        await new Promise<void>(done => (over = done))
        return inner.write(...asked)
      },
    }
    const { keeper, rename } = await page()
    rename('Once')
    const ended = keeper.flush()
    await calm()
    rename('Twice')
    over!()
    await calm()
    expect(keeper.saving.value).toBe('unsaved')
    over!()
    await ended
    expect(keeper.saving.value).toBe('saved')
    const { stored, steps } = await kept()
    expect([stored.name, steps.length, stored.revision]).toEqual(['Twice', 2, 3])
  })
  it('opens nothing where there is nothing, and says so', async () => {
    await shelf.take('yard')
    const { keeper, shown } = await page()
    expect([keeper.missing.value, shown()]).toEqual([true, undefined])
    await keeper.flush()
    expect(keeper.trouble.value).toBeUndefined()
  })
})

describe('a disk that fails', () => {
  it('when it is full is told as full, never as another page, and tried again by itself, ever more seldom', async () => {
    const { keeper, rename } = await page()
    const disk = failing(shelf, noRoom)
    shelf = disk.shelf
    await keeper.open('yard')
    rename('Once')
    const began = Date.now()
    await keeper.flush()
    expect([keeper.saving.value, keeper.trouble.value]).toEqual(['failed', 'full'])
    await vi.advanceTimersByTimeAsync(60_000)
    expect(disk.tries.map(at => Math.round((at - began) / 1000))).toEqual([0, 2, 6, 14, 30, 60])
    expect(keeper.trouble.value).toBe('full')
    disk.mend()
    await vi.advanceTimersByTimeAsync(30_000)
    expect([keeper.saving.value, keeper.trouble.value]).toEqual(['saved', undefined])
    expect((await kept()).stored.name).toBe('Once')
  })
  it('otherwise is told as broken; what is made meanwhile is kept with the rest once it works', async () => {
    const disk = failing(shelf, () => new Error('the disk is gone'))
    shelf = disk.shelf
    const { keeper, rename } = await page()
    rename('Once')
    await keeper.flush()
    expect(keeper.trouble.value).toBe('broken')
    rename('Twice')
    expect(keeper.saving.value).toBe('failed')
    disk.mend()
    await keeper.flush()
    const { stored, steps } = await kept()
    expect([stored.name, steps.length, keeper.saving.value]).toEqual(['Twice', 2, 'saved'])
  })
})

describe('another page with the same site', () => {
  it('is followed where nothing here is at stake', async () => {
    const { keeper, shown } = await page()
    await elsewhere('Theirs')
    await calm()
    expect([shown().site.name, keeper.saving.value, keeper.trouble.value]).toEqual(['Theirs', 'saved', undefined])
  })
  it('is told of where something is, and neither overwrites the other unasked', async () => {
    const { keeper, shown, rename } = await page()
    rename('Ours')
    await elsewhere('Theirs')
    await calm()
    expect([keeper.trouble.value, shown().site.name]).toEqual(['elsewhere', 'Ours'])
    await keeper.flush()
    expect((await kept()).stored.name).toBe('Theirs')
    await keeper.takeTheirs()
    expect([shown().site.name, keeper.trouble.value]).toEqual(['Theirs', undefined])
  })
  it('gives way where ours is asked for, with all our history', async () => {
    const { keeper, rename } = await page()
    rename('Ours')
    await elsewhere('Theirs')
    await calm()
    await keeper.keepOurs()
    const { stored, steps } = await kept()
    expect([stored.name, steps.length]).toEqual(['Ours', 1])
    expect([keeper.saving.value, keeper.trouble.value]).toEqual(['saved', undefined])
  })
})

describe('a site that was taken out elsewhere', () => {
  it('is told at once, nothing more is saved, and it is put back whole when asked', async () => {
    const { keeper, rename } = await page()
    rename('Once')
    await keeper.flush()
    await shelf.take('yard')
    expect(keeper.trouble.value).toBe('gone')
    rename('Twice')
    await keeper.flush()
    expect(await shelf.whole('yard')).toBeUndefined()
    await keeper.putBack()
    const { stored, steps } = await kept()
    expect([stored.name, steps.length, keeper.trouble.value, keeper.saving.value]).toEqual([
      'Twice',
      2,
      undefined,
      'saved',
    ])
    // And goes on being kept.
    rename('Thrice')
    await keeper.flush()
    expect((await kept()).stored.name).toBe('Thrice')
  })
  it('is not put over one that stands there again, with newer work', async () => {
    const { keeper, rename } = await page()
    const taken = (await shelf.take('yard'))!
    rename('Ours')
    const newer = { ...taken.stored, name: 'Newer', site: { ...yard, name: 'Newer' }, revision: 9, by: 'another page' }
    await shelf.put({ stored: newer, steps: [] })
    await keeper.putBack()
    expect(keeper.trouble.value).toBe('elsewhere')
    expect((await kept()).stored.name).toBe('Newer')
  })
})

describe('work since the last file', () => {
  it('is counted by saves, and starts anew once the site has left as a file', async () => {
    const { keeper, rename } = await page()
    for (const name of ['Once', 'Twice', 'Thrice']) {
      rename(name)
      await keeper.flush()
    }
    expect(keeper.unfiled.value).toBe(3)
    await keeper.filed()
    expect(keeper.unfiled.value).toBe(0)
  })
  it('goes with the site when another is opened, and nothing of the first is written over the second', async () => {
    await shelf.put({
      stored: {
        id: 'field',
        name: 'Field',
        site: { ...yard, id: 'field' },
        revision: 1,
        cursor: 0,
        changedAt: 2,
        demo: false,
      },
      steps: [],
    })
    const { keeper, rename, shown } = await page()
    rename('Once')
    await keeper.open('field')
    expect((await kept()).stored.name).toBe('Once')
    expect([shown().site.id, keeper.saving.value]).toEqual(['field', 'saved'])
    expect(shown()).toEqual({ ...beginHistory((await shelf.whole('field'))!.stored.site), first: 0 })
    keeper.close()
    expect(shown()).toBeUndefined()
  })
})
