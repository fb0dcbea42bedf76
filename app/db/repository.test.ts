import 'fake-indexeddb/auto'
import fc from 'fast-check'
import { afterAll, describe, expect, it } from 'vitest'
import { blank, build, plainTank } from '../../tests/sites'
import {
  applyMove,
  beginHistory,
  moveOf,
  setField,
  takenBack,
  withStep,
  writingOf,
  type History,
} from '../../core/moves'
import type { Move, Site } from '../../core/site'
import { Database } from './database'
import { diskRepository } from './diskRepository'
import { lateAlbum, pageAlbum, type Album } from './album'
import { lateRepository } from './lateRepository'
import { pageRepository } from './pageRepository'
import type { Holding, Repository, StoredHead, Whole } from './repository'

/** Every repository begins empty: the page has one disk. */
let disk: Database | undefined
async function openDisk(): Promise<Repository> {
  await disk?.delete()
  disk = new Database()
  return diskRepository(disk)
}
afterAll(() => disk?.delete())
const SHELVES: Record<string, () => Promise<Repository>> = {
  'on the disk': openDisk,
  'of a page that keeps nothing': () => Promise.resolve(pageRepository()),
}

const rainy = (site: Site): Site => ({
  ...site,
  climate: { ...site.climate, daily: { start: '2026-01-01', rainMm: [0, 4.2, 0, 11] } },
})
const yard = { ...rainy(plainTank(blank(), 'A')), id: 'yard' }
const wholeOf = (site: Site, changedAt = 1): Whole => ({
  stored: { id: site.id, name: site.name, site, revision: 1, cursor: 0, changedAt, demo: false },
  steps: [],
})
function stepped(history: History, move: Move): History {
  const applied = applyMove(history.site, move)
  if (!applied.ok) throw new Error(`not made: ${JSON.stringify(move)}`)
  return applied.made.patches.length ? withStep(history, applied.site, applied.made) : history
}
const rename = (name: string) => setField('site', '', 'name', name)
const rained = (value: number) => moveOf('logReading', { at: '2027-04-18', kind: 'rain', value })
/** A document that came back, by its words: a store keeps no order of names. */
const told = (site: Site | undefined) => site && { ...site, log: site.log ?? [] }

describe.each(Object.entries(SHELVES))('a repository %s', (_name, open) => {
  it('gives back whole what was put there, and takes no other of that id', async () => {
    const repository = await open()
    expect(await repository.put(wholeOf(yard))).toBe(true)
    expect(await repository.put(wholeOf({ ...yard, name: 'Another' }))).toBe(false)
    expect(told((await repository.whole('yard'))?.stored.site)).toEqual(told(yard))
    expect(await repository.whole('nowhere')).toBeUndefined()
    expect(await repository.document('nowhere')).toBeUndefined()
    const { name, nodes } = (await repository.document('yard'))!
    expect([name, nodes]).toEqual([yard.name, yard.nodes])
  })

  it('tells the heads, newest first, whenever one changes, until nobody listens', async () => {
    const repository = await open()
    const seen: string[][] = []
    const stop = repository.watchAll((heads: StoredHead[]) => seen.push(heads.map(({ id }) => id)))
    const wait = async (ids: string[]) => {
      for (let tries = 0; tries < 200 && String(seen.at(-1)) !== String(ids); tries++)
        await new Promise(done => setTimeout(done, 5))
      expect(seen.at(-1)).toEqual(ids)
    }
    await wait([])
    await repository.put(wholeOf(yard, 1))
    await wait(['yard'])
    await repository.put(wholeOf({ ...yard, id: 'field' }, 2))
    await wait(['field', 'yard'])
    await repository.take('yard')
    await wait(['field'])
    stop()
    const so = seen.length
    await repository.take('field')
    await new Promise(done => setTimeout(done, 20))
    expect(seen).toHaveLength(so)
  })

  it('writes over the revision that is known alone, and nothing of what is gone', async () => {
    const repository = await open()
    await repository.put(wholeOf(yard))
    const begun = beginHistory(yard)
    const first = stepped(begun, rename('Once'))
    expect(await repository.write('yard', writingOf(begun, first)!, 1, 'this page', 5)).toBe('written')
    const { stored } = (await repository.whole('yard'))!
    expect(stored).toMatchObject({ name: 'Once', revision: 2, unfiled: 1, by: 'this page', changedAt: 5, cursor: 1 })
    // Another page still knows the first revision.
    const other = stepped(begun, rename('Elsewhere'))
    expect(await repository.write('yard', writingOf(begun, other)!, 1, 'another', 6)).toBe('elsewhere')
    expect((await repository.whole('yard'))!.stored.name).toBe('Once')
    await repository.filed(['yard', 'nowhere'])
    expect((await repository.whole('yard'))!.stored.unfiled).toBe(0)
    await repository.take('yard')
    expect(await repository.write('yard', writingOf(begun, other)!, 2, 'this page', 7)).toBe('gone')
    expect(await repository.whole('yard')).toBeUndefined()
  })

  it('gives back what was taken, with all its history, and nothing over newer work', async () => {
    const repository = await open()
    await repository.put(wholeOf(yard))
    const begun = beginHistory(yard)
    const made = stepped(stepped(begun, rename('Once')), rained(4))
    await repository.write('yard', writingOf(begun, made)!, 1, 'this page', 5)
    const before = (await repository.whole('yard'))!
    const taken = (await repository.take('yard'))!
    expect(taken).toEqual(before)
    expect(await repository.take('yard')).toBeUndefined()
    expect(await repository.put(taken)).toBe(true)
    expect(await repository.whole('yard')).toEqual(before)
    expect(await repository.put(taken)).toBe(false)
  })

  it('holds after any edits, undos and writings what was shown, the log and the rain included', async () => {
    await fc.assert(
      fc.asyncProperty(
        fc.array(
          fc.oneof(
            fc.integer({ min: 0, max: 9 }).map(value => ({ does: 'name' as const, value })),
            fc.integer({ min: 1, max: 80 }).map(value => ({ does: 'rain' as const, value })),
            fc.constantFrom({ does: 'undo' as const, value: 0 }, { does: 'write' as const, value: 0 }),
          ),
          { maxLength: 14 },
        ),
        async acts => {
          const repository = await open()
          await repository.put(wholeOf(yard))
          let [held, now, revision] = [beginHistory(yard), beginHistory(yard), 1]
          for (const { does, value } of [...acts, { does: 'write' as const, value: 0 }])
            if (does === 'name') now = stepped(now, rename(`Yard ${value}`))
            else if (does === 'rain') now = stepped(now, rained(value))
            else if (does === 'undo') now = now.cursor > 0 ? takenBack(now) : now
            else {
              const writing = writingOf(held, now)
              if (!writing) continue
              expect(await repository.write('yard', writing, revision++, 'this page', revision)).toBe('written')
              held = now
            }
          const { stored, steps } = (await repository.whole('yard'))!
          expect(told(stored.site)).toEqual(told(now.site))
          expect([stored.cursor, steps.map(({ index }) => index)]).toEqual([
            now.cursor,
            now.steps.map((_, at) => now.first + at),
          ])
        },
      ),
      { numRuns: 25 },
    )
  })
})

describe('a repository on the disk', () => {
  it('keeps the rain record and the log apart: a look at a document reads neither', async () => {
    const repository = await openDisk()
    const logged = build(yard, rained(3), rained(5))
    await repository.put(wholeOf(logged))
    const light = (await repository.document('yard'))!
    expect([light.climate.daily, light.log]).toEqual([undefined, undefined])
    expect((await repository.whole('yard'))!.stored.site.log).toHaveLength(2)
  })
})

describe('demo sites that were taken out', () => {
  it.each(Object.entries(SHELVES))('are remembered %s, until they are put there again', async (_name, open) => {
    const repository = await open()
    const demo = wholeOf(yard)
    demo.stored.demo = true
    await repository.put(demo)
    await repository.put(wholeOf({ ...yard, id: 'own' }))
    await repository.take('own')
    expect(await repository.takenOut()).toEqual([])
    const taken = (await repository.take('yard'))!
    expect(await repository.takenOut()).toEqual(['yard'])
    await repository.put(taken)
    expect(await repository.takenOut()).toEqual([])
  })
})

describe('a disk that answers late', () => {
  /** A repository of the page with the disk still to come, and what lets it come. */
  async function late(disk: Repository) {
    let come: (found: Repository | undefined) => void = () => undefined
    const repository = lateRepository(pageRepository(), new Promise(done => (come = done)))
    const holdings: Holding[] = []
    repository.watchHolding(where => holdings.push(where))
    const settled = async () => {
      for (let tries = 0; tries < 200 && holdings.length < 2; tries++) await new Promise(done => setTimeout(done, 2))
    }
    return {
      repository,
      holdings,
      comes: () => (come(disk), settled()),
      neverComes: () => (come(undefined), settled()),
    }
  }
  const rewritten = async (repository: Repository, name: string, times = 1) => {
    let now = beginHistory((await repository.whole('yard'))!.stored.site)
    for (let time = 0; time < times; time++) {
      const next = stepped(now, rename(`${name}${time ? ` ${time}` : ''}`))
      const { revision } = (await repository.whole('yard'))!.stored
      expect(await repository.write('yard', writingOf(now, next)!, revision, 'this page', time)).toBe('written')
      now = next
    }
  }

  it('takes over what was made meanwhile, and goes on keeping it', async () => {
    const disk = await openDisk()
    const { repository, holdings, comes } = await late(disk)
    await repository.put(wholeOf(yard))
    await rewritten(repository, 'Meanwhile')
    const heard: (string | undefined)[] = []
    repository.watch('yard', head => heard.push(head?.name))
    await comes()
    expect(holdings).toEqual(['late', 'disk'])
    expect((await disk.whole('yard'))!.stored).toMatchObject({ name: 'Meanwhile', revision: 2 })
    expect((await disk.whole('yard'))!.steps).toHaveLength(1)
    await rewritten(repository, 'Later')
    expect((await disk.whole('yard'))!.stored.name).toBe('Later')
    for (let tries = 0; tries < 200 && heard.at(-1) !== 'Later'; tries++) await new Promise(done => setTimeout(done, 5))
    expect(heard.at(-1)).toBe('Later')
  })
  it('that holds the site already keeps both: the open one is told of, the other stands beside it', async () => {
    for (const isOpen of [true, false]) {
      const disk = await openDisk()
      await disk.put(wholeOf(yard))
      await rewritten(disk, 'On the disk', 2)
      const { repository, comes } = await late(disk)
      const demo = wholeOf(yard)
      demo.stored.demo = true
      await repository.put(demo)
      await rewritten(repository, 'In the page', 2)
      const apart: boolean[] = []
      const stop = isOpen ? repository.watch('yard', (_head, is) => apart.push(is === true)) : () => undefined
      await comes()
      stop()
      expect((await disk.whole('yard'))!.stored.name).toBe('On the disk 1')
      if (isOpen) expect(apart).toContain(true)
      else {
        const all = await allNames(disk)
        expect(all.sort()).toEqual(['In the page 1 (changed before the disk answered)', 'On the disk 1'])
      }
    }
  })
  it('gets no demo site that was only looked at, or that was taken out of it', async () => {
    const disk = await openDisk()
    const demo = wholeOf(yard)
    demo.stored.demo = true
    await disk.put(demo)
    await disk.take('yard')
    const { repository, comes } = await late(disk)
    await repository.put(demo)
    await comes()
    expect(await disk.whole('yard')).toBeUndefined()
  })
  it('or never, leaves all in the page', async () => {
    const { repository, holdings, neverComes } = await late(pageRepository())
    await repository.put(wholeOf(yard))
    await neverComes()
    expect([holdings, (await repository.whole('yard'))!.stored.name]).toEqual([['late', 'page'], yard.name])
  })
  it('takes photos over too', async () => {
    let come: (album: Album) => void = () => undefined
    const album = lateAlbum(new Promise(done => (come = done)))
    const photo = (id: string) => ({ id, siteId: 'yard', subject: 'log', takenAt: 1, picture: new Blob(['x']) })
    const seen: string[][] = []
    album.watch('yard', photos => seen.push(photos.map(({ id }) => id)))
    await album.put(photo('a'))
    await album.put(photo('b'))
    await album.drop('a')
    const disk = pageAlbum()
    come(disk)
    for (let tries = 0; tries < 50 && !(await disk.of('yard')).length; tries++)
      await new Promise(done => setTimeout(done))
    await album.put(photo('c'))
    expect((await disk.of('yard')).map(({ id }) => id)).toEqual(['b', 'c'])
    expect(seen.at(-1)).toEqual(['b', 'c'])
  })
})

const allNames = (repository: Repository): Promise<string[]> =>
  new Promise(done => {
    const stop = repository.watchAll(heads => {
      done(heads.map(({ name }) => name))
      queueMicrotask(() => stop())
    })
  })
