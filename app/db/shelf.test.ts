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
import { diskShelf } from './diskShelf'
import { lateAlbum, pageAlbum, type Album } from './album'
import { lateShelf } from './lateShelf'
import { pageShelf } from './pageShelf'
import type { Holding, Shelf, StoredHead, Whole } from './shelf'

/** Every shelf begins empty: the page has one disk. */
let disk: Database | undefined
async function openDisk(): Promise<Shelf> {
  await disk?.delete()
  disk = new Database()
  return diskShelf(disk)
}
afterAll(() => disk?.delete())
const SHELVES: Record<string, () => Promise<Shelf>> = {
  'on the disk': openDisk,
  'of a page that keeps nothing': () => Promise.resolve(pageShelf()),
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

describe.each(Object.entries(SHELVES))('a shelf %s', (_name, open) => {
  it('gives back whole what was put there, and takes no other of that id', async () => {
    const shelf = await open()
    expect(await shelf.put(wholeOf(yard))).toBe(true)
    expect(await shelf.put(wholeOf({ ...yard, name: 'Another' }))).toBe(false)
    expect(told((await shelf.whole('yard'))?.stored.site)).toEqual(told(yard))
    expect(await shelf.whole('nowhere')).toBeUndefined()
    expect(await shelf.document('nowhere')).toBeUndefined()
    const { name, nodes } = (await shelf.document('yard'))!
    expect([name, nodes]).toEqual([yard.name, yard.nodes])
  })

  it('tells the heads, newest first, whenever one changes, until nobody listens', async () => {
    const shelf = await open()
    const seen: string[][] = []
    const stop = shelf.watchAll((heads: StoredHead[]) => seen.push(heads.map(({ id }) => id)))
    const wait = async (ids: string[]) => {
      for (let tries = 0; tries < 200 && String(seen.at(-1)) !== String(ids); tries++)
        await new Promise(done => setTimeout(done, 5))
      expect(seen.at(-1)).toEqual(ids)
    }
    await wait([])
    await shelf.put(wholeOf(yard, 1))
    await wait(['yard'])
    await shelf.put(wholeOf({ ...yard, id: 'field' }, 2))
    await wait(['field', 'yard'])
    await shelf.take('yard')
    await wait(['field'])
    stop()
    const so = seen.length
    await shelf.take('field')
    await new Promise(done => setTimeout(done, 20))
    expect(seen).toHaveLength(so)
  })

  it('writes over the revision that is known alone, and nothing of what is gone', async () => {
    const shelf = await open()
    await shelf.put(wholeOf(yard))
    const begun = beginHistory(yard)
    const first = stepped(begun, rename('Once'))
    expect(await shelf.write('yard', writingOf(begun, first)!, 1, 'this page', 5)).toBe('written')
    const { stored } = (await shelf.whole('yard'))!
    expect(stored).toMatchObject({ name: 'Once', revision: 2, unfiled: 1, by: 'this page', changedAt: 5, cursor: 1 })
    // Another page still knows the first revision.
    const other = stepped(begun, rename('Elsewhere'))
    expect(await shelf.write('yard', writingOf(begun, other)!, 1, 'another', 6)).toBe('elsewhere')
    expect((await shelf.whole('yard'))!.stored.name).toBe('Once')
    await shelf.filed(['yard', 'nowhere'])
    expect((await shelf.whole('yard'))!.stored.unfiled).toBe(0)
    await shelf.take('yard')
    expect(await shelf.write('yard', writingOf(begun, other)!, 2, 'this page', 7)).toBe('gone')
    expect(await shelf.whole('yard')).toBeUndefined()
  })

  it('gives back what was taken, with all its history, and nothing over newer work', async () => {
    const shelf = await open()
    await shelf.put(wholeOf(yard))
    const begun = beginHistory(yard)
    const made = stepped(stepped(begun, rename('Once')), rained(4))
    await shelf.write('yard', writingOf(begun, made)!, 1, 'this page', 5)
    const before = (await shelf.whole('yard'))!
    const taken = (await shelf.take('yard'))!
    expect(taken).toEqual(before)
    expect(await shelf.take('yard')).toBeUndefined()
    expect(await shelf.put(taken)).toBe(true)
    expect(await shelf.whole('yard')).toEqual(before)
    expect(await shelf.put(taken)).toBe(false)
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
          const shelf = await open()
          await shelf.put(wholeOf(yard))
          let [held, now, revision] = [beginHistory(yard), beginHistory(yard), 1]
          for (const { does, value } of [...acts, { does: 'write' as const, value: 0 }])
            if (does === 'name') now = stepped(now, rename(`Yard ${value}`))
            else if (does === 'rain') now = stepped(now, rained(value))
            else if (does === 'undo') now = now.cursor > 0 ? takenBack(now) : now
            else {
              const writing = writingOf(held, now)
              if (!writing) continue
              expect(await shelf.write('yard', writing, revision++, 'this page', revision)).toBe('written')
              held = now
            }
          const { stored, steps } = (await shelf.whole('yard'))!
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

describe('a shelf on the disk', () => {
  it('keeps the rain record and the log apart: a look at a document reads neither', async () => {
    const shelf = await openDisk()
    const logged = build(yard, rained(3), rained(5))
    await shelf.put(wholeOf(logged))
    const light = (await shelf.document('yard'))!
    expect([light.climate.daily, light.log]).toEqual([undefined, undefined])
    expect((await shelf.whole('yard'))!.stored.site.log).toHaveLength(2)
  })
})

describe('demo sites that were taken out', () => {
  it.each(Object.entries(SHELVES))('are remembered %s, until they are put there again', async (_name, open) => {
    const shelf = await open()
    const demo = wholeOf(yard)
    demo.stored.demo = true
    await shelf.put(demo)
    await shelf.put(wholeOf({ ...yard, id: 'own' }))
    await shelf.take('own')
    expect(await shelf.takenOut()).toEqual([])
    const taken = (await shelf.take('yard'))!
    expect(await shelf.takenOut()).toEqual(['yard'])
    await shelf.put(taken)
    expect(await shelf.takenOut()).toEqual([])
  })
})

describe('a disk that answers late', () => {
  /** A shelf of the page with the disk still to come, and what lets it come. */
  async function late(disk: Shelf) {
    let come: (found: Shelf | undefined) => void = () => undefined
    const shelf = lateShelf(pageShelf(), new Promise(done => (come = done)))
    const holdings: Holding[] = []
    shelf.watchHolding(where => holdings.push(where))
    const settled = async () => {
      for (let tries = 0; tries < 200 && holdings.length < 2; tries++) await new Promise(done => setTimeout(done, 2))
    }
    return {
      shelf,
      holdings,
      comes: () => (come(disk), settled()),
      neverComes: () => (come(undefined), settled()),
    }
  }
  const rewritten = async (shelf: Shelf, name: string, times = 1) => {
    let now = beginHistory((await shelf.whole('yard'))!.stored.site)
    for (let time = 0; time < times; time++) {
      const next = stepped(now, rename(`${name}${time ? ` ${time}` : ''}`))
      const { revision } = (await shelf.whole('yard'))!.stored
      expect(await shelf.write('yard', writingOf(now, next)!, revision, 'this page', time)).toBe('written')
      now = next
    }
  }

  it('takes over what was made meanwhile, and goes on keeping it', async () => {
    const disk = await openDisk()
    const { shelf, holdings, comes } = await late(disk)
    await shelf.put(wholeOf(yard))
    await rewritten(shelf, 'Meanwhile')
    const heard: (string | undefined)[] = []
    shelf.watch('yard', head => heard.push(head?.name))
    await comes()
    expect(holdings).toEqual(['late', 'disk'])
    expect((await disk.whole('yard'))!.stored).toMatchObject({ name: 'Meanwhile', revision: 2 })
    expect((await disk.whole('yard'))!.steps).toHaveLength(1)
    await rewritten(shelf, 'Later')
    expect((await disk.whole('yard'))!.stored.name).toBe('Later')
    for (let tries = 0; tries < 200 && heard.at(-1) !== 'Later'; tries++) await new Promise(done => setTimeout(done, 5))
    expect(heard.at(-1)).toBe('Later')
  })
  it('that holds the site already keeps both: the open one is told of, the other stands beside it', async () => {
    for (const isOpen of [true, false]) {
      const disk = await openDisk()
      await disk.put(wholeOf(yard))
      await rewritten(disk, 'On the disk', 2)
      const { shelf, comes } = await late(disk)
      const demo = wholeOf(yard)
      demo.stored.demo = true
      await shelf.put(demo)
      await rewritten(shelf, 'In the page', 2)
      const apart: boolean[] = []
      const stop = isOpen ? shelf.watch('yard', (_head, is) => apart.push(is === true)) : () => undefined
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
    const { shelf, comes } = await late(disk)
    await shelf.put(demo)
    await comes()
    expect(await disk.whole('yard')).toBeUndefined()
  })
  it('or never, leaves all in the page', async () => {
    const { shelf, holdings, neverComes } = await late(pageShelf())
    await shelf.put(wholeOf(yard))
    await neverComes()
    expect([holdings, (await shelf.whole('yard'))!.stored.name]).toEqual([['late', 'page'], yard.name])
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

const allNames = (shelf: Shelf): Promise<string[]> =>
  new Promise(done => {
    const stop = shelf.watchAll(heads => {
      done(heads.map(({ name }) => name))
      queueMicrotask(() => stop())
    })
  })
