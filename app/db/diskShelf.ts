import Dexie, { liveQuery } from 'dexie'
import type { Database } from './database'
import { writtenOver, type Shelf, type StoredSite } from './shelf'
import type { Site } from '#core/site'

/** A site without its rain record, which lies in a table of its own. */
function light(stored: StoredSite): StoredSite {
  const { daily: _daily, ...climate } = stored.site.climate
  return { ...stored, site: { ...stored.site, climate } }
}

/** The shelf on this machine's disk. What fails comes back as the browser's own error. */
export function diskShelf(database: Database): Shelf {
  const { sites, steps, records } = database
  const stepsOf = (id: string, from: number | typeof Dexie.minKey, to: number | typeof Dexie.maxKey) =>
    steps.where('[siteId+index]').between([id, from], [id, to])
  const all = (id: string) => stepsOf(id, Dexie.minKey, Dexie.maxKey)
  const inOne = <Result>(act: () => Promise<Result>) => database.transaction('rw', sites, steps, records, act)

  async function whole(id: string) {
    const [stored, found, record] = await Promise.all([sites.get(id), all(id).toArray(), records.get(id)])
    if (!stored) return undefined
    const { site } = stored
    const full: Site = record ? { ...site, climate: { ...site.climate, daily: record.daily } } : site
    return { stored: { ...stored, site: full }, steps: found }
  }
  const keepRecord = ({ id, site }: Pick<StoredSite, 'id' | 'site'>): Promise<unknown> =>
    site.climate.daily ? records.put({ id, daily: site.climate.daily }) : records.delete(id)

  return {
    lasts: true,
    watchAll(told) {
      const watch = liveQuery(() => sites.orderBy('changedAt').reverse().toArray()).subscribe(told)
      return () => watch.unsubscribe()
    },
    watch(id, told) {
      const watch = liveQuery(() => sites.get(id)).subscribe(told)
      return () => watch.unsubscribe()
    },
    whole: id => database.transaction('r', sites, steps, records, () => whole(id)),
    put: ({ stored, steps: given }) =>
      inOne(async () => {
        if (await sites.get(stored.id)) return false
        await all(stored.id).delete()
        await sites.add(light(stored))
        await keepRecord(stored)
        await steps.bulkPut(given)
        return true
      }),
    write: (id, writing, over, by, now) =>
      inOne(async () => {
        const stored = await sites.get(id)
        if (!stored) return 'gone'
        if (stored.revision !== over) return 'elsewhere'
        const next = writtenOver(stored, writing, by, now)
        await sites.put(light(next))
        if (writing.recordToo) await keepRecord({ id, site: next.site })
        await steps.bulkPut(writing.steps.map(({ index, made }) => ({ siteId: id, index, made })))
        await stepsOf(id, Dexie.minKey, writing.from).delete()
        await stepsOf(id, writing.to, Dexie.maxKey).delete()
        return 'written'
      }),
    take: id =>
      inOne(async () => {
        const taken = await whole(id)
        await sites.delete(id)
        await records.delete(id)
        await all(id).delete()
        return taken
      }),
    filed: async ids => {
      await sites
        .where('id')
        .anyOf([...ids])
        .modify({ unfiled: 0 })
    },
  }
}
