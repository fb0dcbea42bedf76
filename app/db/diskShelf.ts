import Dexie, { liveQuery } from 'dexie'
import type { Database } from './database'
import { writtenOver, type Shelf } from './shelf'

/** The shelf on this machine's disk. What fails comes back as the browser's own error. */
export function diskShelf(database: Database): Shelf {
  const stepsOf = (id: string, from: number | typeof Dexie.minKey, to: number | typeof Dexie.maxKey) =>
    database.steps.where('[siteId+index]').between([id, from], [id, to])
  const all = (id: string) => stepsOf(id, Dexie.minKey, Dexie.maxKey)
  const both = <Result>(act: () => Promise<Result>) => database.transaction('rw', database.sites, database.steps, act)

  return {
    lasts: true,
    watchAll(told) {
      const watch = liveQuery(() => database.sites.orderBy('changedAt').reverse().toArray()).subscribe(told)
      return () => watch.unsubscribe()
    },
    watch(id, told) {
      const watch = liveQuery(() => database.sites.get(id)).subscribe(told)
      return () => watch.unsubscribe()
    },
    whole: id =>
      database.transaction('r', database.sites, database.steps, async () => {
        const [stored, steps] = await Promise.all([database.sites.get(id), all(id).toArray()])
        return stored && { stored, steps }
      }),
    put: ({ stored, steps }) =>
      both(async () => {
        if (await database.sites.get(stored.id)) return false
        await all(stored.id).delete()
        await database.sites.add(stored)
        await database.steps.bulkPut(steps)
        return true
      }),
    write: (id, writing, over, by, now) =>
      both(async () => {
        const stored = await database.sites.get(id)
        if (!stored) return 'gone'
        if (stored.revision !== over) return 'elsewhere'
        await database.sites.put(writtenOver(stored, writing, by, now))
        await database.steps.bulkPut(writing.steps.map(({ index, made }) => ({ siteId: id, index, made })))
        await stepsOf(id, Dexie.minKey, writing.from).delete()
        await stepsOf(id, writing.to, Dexie.maxKey).delete()
        return 'written'
      }),
    take: id =>
      both(async () => {
        const [stored, steps] = await Promise.all([database.sites.get(id), all(id).toArray()])
        await database.sites.delete(id)
        await all(id).delete()
        return stored && { stored, steps }
      }),
    filed: async ids => {
      await database.sites
        .where('id')
        .anyOf([...ids])
        .modify({ unfiled: 0 })
    },
  }
}
