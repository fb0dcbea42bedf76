import Dexie, { liveQuery } from 'dexie'
import type { Database } from './database'
import { writtenOver, type Shelf, type StoredSite } from './shelf'
import type { Site } from '#core/site'

/** A document without its rain record, which lies in a table of its own. */
function light(site: Site): Site {
  const { daily: _daily, ...climate } = site.climate
  return { ...site, climate }
}

/** The shelf on this machine's disk. What fails comes back as the browser's own error. */
export function diskShelf(database: Database): Shelf {
  const { sites, documents, steps, records } = database
  const stepsOf = (id: string, from: number | typeof Dexie.minKey, to: number | typeof Dexie.maxKey) =>
    steps.where('[siteId+index]').between([id, from], [id, to])
  const all = (id: string) => stepsOf(id, Dexie.minKey, Dexie.maxKey)
  const tables = [sites, documents, steps, records]
  const inOne = <Result>(act: () => Promise<Result>) => database.transaction('rw', tables, act)

  async function whole(id: string) {
    const read = [sites.get(id), documents.get(id), all(id).toArray(), records.get(id)] as const
    const [head, document, found, record] = await Promise.all(read)
    if (!head || !document) return undefined
    const { site } = document
    const full: Site = record ? { ...site, climate: { ...site.climate, daily: record.daily } } : site
    return { stored: { ...head, site: full }, steps: found }
  }
  async function everySite(): Promise<StoredSite[]> {
    const heads = await sites.orderBy('changedAt').reverse().toArray()
    const found = await documents.bulkGet(heads.map(({ id }) => id))
    return heads.flatMap((head, at) => (found[at] ? [{ ...head, site: found[at].site }] : []))
  }
  const keepDocument = (id: string, site: Site) => documents.put({ id, site: light(site) })
  const keepRecord = (id: string, { climate: { daily } }: Site): Promise<unknown> =>
    daily ? records.put({ id, daily }) : records.delete(id)

  return {
    lasts: true,
    watchAll(told) {
      const watch = liveQuery(everySite).subscribe(told)
      return () => watch.unsubscribe()
    },
    watch(id, told) {
      const watch = liveQuery(() => sites.get(id)).subscribe(told)
      return () => watch.unsubscribe()
    },
    whole: id => database.transaction('r', tables, () => whole(id)),
    put: ({ stored: { site, ...head }, steps: given }) =>
      inOne(async () => {
        if (await sites.get(head.id)) return false
        await all(head.id).delete()
        await sites.add(head)
        await keepDocument(head.id, site)
        await keepRecord(head.id, site)
        await steps.bulkPut(given)
        return true
      }),
    write: (id, writing, over, by, now) =>
      inOne(async () => {
        const head = await sites.get(id)
        if (!head) return 'gone'
        if (head.revision !== over) return 'elsewhere'
        await sites.put(writtenOver(head, writing, by, now))
        await keepDocument(id, writing.history.site)
        if (writing.recordToo) await keepRecord(id, writing.history.site)
        await steps.bulkPut(writing.steps.map(({ index, made }) => ({ siteId: id, index, made })))
        await stepsOf(id, Dexie.minKey, writing.from).delete()
        await stepsOf(id, writing.to, Dexie.maxKey).delete()
        return 'written'
      }),
    take: id =>
      inOne(async () => {
        const taken = await whole(id)
        await sites.delete(id)
        await documents.delete(id)
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
