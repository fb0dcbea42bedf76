import fc from 'fast-check'
import { afterAll, afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { ref, shallowRef, watchEffect } from 'vue'
import { blank, plainTank } from '../../tests/sites'
import { applyMove, beginHistory, setField, takenBack, withStep, writingOf, type History } from '../../core/moves'
import { pageRepository } from '../db/pageRepository'
import type { Repository } from '../db/repository'
import { isAtStake } from './autosave'
import { useOpenSites } from './useOpenSites'

for (const [name, one] of Object.entries({ ref, shallowRef, watchEffect })) vi.stubGlobal(name, one)
vi.stubGlobal('navigator', {})
afterAll(() => vi.unstubAllGlobals())

let repository: Repository
vi.mock('~/db/openRepository', () => ({ openRepository: () => Promise.resolve(repository) }))

const yard = { ...plainTank(blank(), 'A'), id: 'yard' }
/** What a disk without room says. */
const noRoom = () => Object.assign(new Error('no room'), { name: 'QuotaExceededError' })
/** Fails every writing until it is mended. */
function failing(inner: Repository, why: () => Error) {
  let broken = true
  const tries: number[] = []
  const write: Repository['write'] = (...asked) => {
    tries.push(Date.now())
    return broken ? Promise.reject(why()) : inner.write(...asked)
  }
  return { repository: { ...inner, write }, tries, mend: () => (broken = false) }
}
function stepped(history: History, name: string): History {
  const applied = applyMove(history.site, setField('site', '', 'name', name))
  if (!applied.ok) throw new Error(name)
  return withStep(history, applied.site, applied.made)
}

/** A page with the yard open, and what it shows. */
async function page() {
  const sites = useOpenSites(() => undefined)
  await sites.open('yard')
  const autosave = sites.here.value!
  return {
    sites,
    autosave,
    shown: () => sites.here.value!.history.value,
    rename: (name: string) => sites.here.value!.change(stepped(sites.here.value!.history.value, name)),
    undo: () => autosave.change(takenBack(autosave.history.value)),
  }
}
/** Another page writes over the revision that lies there. */
async function elsewhere(name: string): Promise<void> {
  const { stored, steps } = (await repository.whole('yard'))!
  const there: History = { site: stored.site, steps: steps.map(({ made }) => made), cursor: stored.cursor, first: 0 }
  await repository.write('yard', writingOf(there, stepped(there, name))!, stored.revision, 'another page', Date.now())
}
const kept = async () => (await repository.whole('yard'))!
const calm = () => vi.advanceTimersByTimeAsync(0)

beforeEach(async () => {
  vi.useFakeTimers()
  repository = pageRepository()
  await repository.put({
    stored: { id: 'yard', name: yard.name, site: yard, revision: 1, cursor: 0, changedAt: 1, demo: false },
    steps: [],
  })
})
afterEach(() => vi.useRealTimers())

describe('a page that keeps its work', () => {
  it('says unsaved until what it shows lies on the repository, then saved, with all its history', async () => {
    const { autosave, rename, undo, shown } = await page()
    expect(autosave.saving.value).toBe('saved')
    rename('Once')
    rename('Twice')
    expect(autosave.saving.value).toBe('unsaved')
    await autosave.flush()
    expect(autosave.saving.value).toBe('saved')
    undo()
    await autosave.flush()
    const { stored, steps } = await kept()
    expect([stored.name, stored.cursor, steps.length]).toEqual(['Once', 1, 2])
    expect(stored.site).toEqual(shown().site)
  })
  it('writes what was made while it wrote, before it says saved', async () => {
    const inner = repository
    let over: (() => void) | undefined
    repository = {
      ...inner,
      write: async (...asked) => {
        await new Promise<void>(done => (over = done))
        return inner.write(...asked)
      },
    }
    const { autosave, rename } = await page()
    rename('Once')
    const ended = autosave.flush()
    await calm()
    rename('Twice')
    over!()
    await calm()
    expect(autosave.saving.value).toBe('unsaved')
    over!()
    await ended
    expect(autosave.saving.value).toBe('saved')
    const { stored, steps } = await kept()
    expect([stored.name, steps.length, stored.revision]).toEqual(['Twice', 2, 3])
  })
  it('opens nothing where there is nothing, and says so', async () => {
    await repository.take('yard')
    const sites = useOpenSites(() => undefined)
    await sites.open('yard')
    expect([sites.notOpened.value, sites.here.value]).toEqual([{ because: 'missing' }, undefined])
  })
  it('opens nothing that cannot be worked with, says what is wrong, and hands it out as it lies there', async () => {
    const site = { ...yard, id: 'field', nodes: [{ ...yard.nodes[0]!, id: { toString: 1 } as unknown as string }] }
    const stored = { id: 'field', name: 'Field', site, revision: 1, cursor: 0, changedAt: 1, demo: false }
    await repository.put({ stored, steps: [] })
    const sites = useOpenSites(() => undefined)
    await sites.open('field')
    expect(sites.here.value).toBeUndefined()
    expect(sites.notOpened.value).toMatchObject({ because: 'unsound', problems: [{ path: 'nodes[0].id' }], site })
    // And no other site is kept from being opened.
    await sites.open('yard')
    expect([sites.notOpened.value, sites.here.value!.id]).toEqual([undefined, 'yard'])
  })
})

describe('a disk that fails', () => {
  it('when it is full is told as full, never as another page, and tried again by itself, ever more seldom', async () => {
    const disk = failing(repository, noRoom)
    repository = disk.repository
    const { autosave, rename } = await page()
    rename('Once')
    const began = Date.now()
    await autosave.flush()
    expect([autosave.saving.value, autosave.trouble.value]).toEqual(['failed', 'full'])
    await vi.advanceTimersByTimeAsync(60_000)
    expect(disk.tries.map(at => Math.round((at - began) / 1000))).toEqual([0, 2, 6, 14, 30, 60])
    expect(autosave.trouble.value).toBe('full')
    disk.mend()
    await vi.advanceTimersByTimeAsync(30_000)
    expect([autosave.saving.value, autosave.trouble.value]).toEqual(['saved', undefined])
    expect((await kept()).stored.name).toBe('Once')
  })
  it('otherwise is told as broken; what is made meanwhile is kept with the rest once it works', async () => {
    const disk = failing(repository, () => new Error('the disk is gone'))
    repository = disk.repository
    const { autosave, rename } = await page()
    rename('Once')
    await autosave.flush()
    expect(autosave.trouble.value).toBe('broken')
    rename('Twice')
    expect(autosave.saving.value).toBe('failed')
    disk.mend()
    await autosave.flush()
    const { stored, steps } = await kept()
    expect([stored.name, steps.length, autosave.saving.value]).toEqual(['Twice', 2, 'saved'])
  })
})

describe('another page with the same site', () => {
  it('is followed where nothing here is at stake', async () => {
    const { autosave, shown } = await page()
    await elsewhere('Theirs')
    await calm()
    expect([shown().site.name, autosave.saving.value, autosave.trouble.value]).toEqual(['Theirs', 'saved', undefined])
  })
  it('is told of where something is, and neither overwrites the other unasked', async () => {
    const { autosave, shown, rename } = await page()
    rename('Ours')
    await elsewhere('Theirs')
    await calm()
    expect([autosave.trouble.value, shown().site.name]).toEqual(['elsewhere', 'Ours'])
    await autosave.flush()
    expect((await kept()).stored.name).toBe('Theirs')
    await autosave.takeTheirs()
    expect([shown().site.name, autosave.trouble.value]).toEqual(['Theirs', undefined])
  })
  it('gives way where ours is asked for, with all our history', async () => {
    const { autosave, rename } = await page()
    rename('Ours')
    await elsewhere('Theirs')
    await calm()
    await autosave.keepOurs()
    const { stored, steps } = await kept()
    expect([stored.name, steps.length]).toEqual(['Ours', 1])
    expect([autosave.saving.value, autosave.trouble.value]).toEqual(['saved', undefined])
  })
})

describe('a site that was taken out elsewhere', () => {
  it('is told at once, nothing more is saved, and it is put back whole when asked', async () => {
    const { autosave, rename } = await page()
    rename('Once')
    await autosave.flush()
    await repository.take('yard')
    expect(autosave.trouble.value).toBe('gone')
    rename('Twice')
    await autosave.flush()
    expect(await repository.whole('yard')).toBeUndefined()
    await autosave.putBack()
    const { stored, steps } = await kept()
    expect([stored.name, steps.length, autosave.trouble.value, autosave.saving.value]).toEqual([
      'Twice',
      2,
      undefined,
      'saved',
    ])
    // And goes on being kept.
    rename('Thrice')
    await autosave.flush()
    expect((await kept()).stored.name).toBe('Thrice')
  })
  it('is not put over one that stands there again, with newer work', async () => {
    const { autosave, rename } = await page()
    const taken = (await repository.take('yard'))!
    rename('Ours')
    const newer = { ...taken.stored, name: 'Newer', site: { ...yard, name: 'Newer' }, revision: 9, by: 'another page' }
    await repository.put({ stored: newer, steps: [] })
    await autosave.putBack()
    expect(autosave.trouble.value).toBe('elsewhere')
    expect((await kept()).stored.name).toBe('Newer')
  })
})

describe('work since the last file', () => {
  it('is counted by saves, and starts anew once the site has left as a file', async () => {
    const { autosave, rename } = await page()
    for (const name of ['Once', 'Twice', 'Thrice']) {
      rename(name)
      await autosave.flush()
    }
    expect(autosave.unfiled.value).toBe(3)
    await autosave.filed()
    expect(autosave.unfiled.value).toBe(0)
  })
  it('goes with the site when another is opened, and nothing of the first is written over the second', async () => {
    await repository.put({
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
    const { sites, rename, shown } = await page()
    rename('Once')
    await sites.open('field')
    expect((await kept()).stored.name).toBe('Once')
    expect([shown().site.id, sites.here.value!.saving.value]).toEqual(['field', 'saved'])
    expect(shown()).toEqual({ ...beginHistory((await repository.whole('field'))!.stored.site), first: 0 })
    await sites.leave()
    expect([sites.here.value, sites.left.value]).toEqual([undefined, []])
  })
})

describe('a site that is left before all of it is kept', () => {
  it('stays whole in memory, is told of, and is let go once it is kept', async () => {
    const disk = failing(repository, noRoom)
    repository = disk.repository
    const { sites, rename } = await page()
    rename('Once')
    await sites.leave()
    expect(sites.here.value).toBeUndefined()
    const [left] = sites.left.value
    expect([left!.id, left!.trouble.value, isAtStake(left!)]).toEqual(['yard', 'full', true])
    // It is opened again as it was left, with its history, and not as the disk has it.
    await sites.open('yard')
    expect([sites.left.value, sites.here.value!.history.value.site.name]).toEqual([[], 'Once'])
    await sites.leave()
    disk.mend()
    await vi.advanceTimersByTimeAsync(60_000)
    expect(sites.left.value).toEqual([])
    expect((await kept()).stored.name).toBe('Once')
  })
  it('with another page’s changes against it waits for whose are kept', async () => {
    const { sites, rename } = await page()
    rename('Ours')
    await elsewhere('Theirs')
    await sites.leave()
    const [left] = sites.left.value
    expect(left!.trouble.value).toBe('elsewhere')
    await left!.keepOurs()
    await calm()
    expect([(await kept()).stored.name, sites.left.value]).toEqual(['Ours', []])
  })
  it('is told by its true cause where something of it cannot be written down', async () => {
    const disk = failing(repository, () =>
      Object.assign(new Error('#<Object> could not be cloned'), { name: 'DataCloneError' }),
    )
    repository = disk.repository
    const { autosave, rename } = await page()
    rename('Once')
    await autosave.flush()
    expect([autosave.trouble.value, autosave.cause.value]).toEqual(['unfit', '#<Object> could not be cloned'])
  })
})

describe('whatever happens to it', () => {
  const ACTS = [
    'type',
    'write',
    'leave',
    'open',
    'another page changes it',
    'another page takes it out',
    'the disk is full',
    'the disk has room',
    'time passes',
    'take theirs',
    'keep ours',
    'put it back',
  ] as const
  it('what was typed last stands on the disk or in this page, unless somebody gave it up', async () => {
    await fc.assert(
      fc.asyncProperty(fc.array(fc.constantFrom(...ACTS), { maxLength: 24 }), async acts => {
        const inner = pageRepository()
        let full = false
        repository = {
          ...inner,
          write: (...given) => (full ? Promise.reject(noRoom()) : inner.write(...given)),
          put: whole => (full ? Promise.reject(noRoom()) : inner.put(whole)),
        }
        await inner.put({
          stored: { id: 'yard', name: yard.name, site: yard, revision: 1, cursor: 0, changedAt: 1, demo: false },
          steps: [],
        })
        const sites = useOpenSites(() => undefined)
        await sites.open('yard')
        const open = () => sites.here.value ?? sites.left.value[0]
        let [typed, count] = [undefined as string | undefined, 0]
        for (const act of acts) {
          const autosave = open()
          if (act === 'type' && sites.here.value) {
            typed = `Typed ${count++}`
            sites.here.value.change(stepped(sites.here.value.history.value, typed))
          } else if (act === 'write') await autosave?.flush()
          else if (act === 'leave') await sites.leave()
          else if (act === 'open') await sites.open('yard')
          else if (act === 'another page changes it') {
            if (!full && (await repository.whole('yard'))) await elsewhere(`Theirs ${count++}`)
          } else if (act === 'another page takes it out') {
            const before = await repository.take('yard')
            // What was kept went with it, and whoever took it out can put it back.
            if (before && !open()) typed = undefined
          } else if (act === 'the disk is full') full = true
          else if (act === 'the disk has room') full = false
          else if (act === 'time passes') await vi.advanceTimersByTimeAsync(31_000)
          else if (act === 'take theirs' && autosave?.trouble.value === 'elsewhere') {
            await autosave.takeTheirs()
            typed = undefined
          } else if (act === 'keep ours' && autosave?.trouble.value === 'elsewhere') await autosave.keepOurs()
          else if (act === 'put it back' && autosave?.trouble.value === 'gone') await autosave.putBack()
          await calm()
          if (typed === undefined) continue
          const there = await repository.whole('yard')
          const names = [...sites.left.value, ...(sites.here.value ? [sites.here.value] : [])].flatMap(
            ({ history: { value } }) => [value.site.name, ...namesIn(value.steps)],
          )
          expect([...names, ...(there ? namesIn(there.steps.map(({ made }) => made)) : [])]).toContain(typed)
        }
      }),
      { numRuns: 150 },
    )
  })
  const namesIn = (steps: readonly { patches: { value?: unknown }[] }[]) =>
    steps.flatMap(({ patches }) => patches.map(({ value }) => value))
})
